package kilnryu.app.web;

import jakarta.servlet.http.HttpSession;
import java.util.List;

/** What a list was narrowed to stays until it is chosen otherwise, over visits of the same sign-in. */
public final class Filter {
    private Filter() {}

    /**
     * @param asked null when the address says nothing of it
     * @return what is asked, else what was asked the last time, else the usual
     */
    public static String stays(HttpSession session, String name, String asked, String usual, List<String> known) {
        String key = "filter." + name;
        if (asked == null) {
            return session.getAttribute(key) instanceof String kept && known.contains(kept) ? kept : usual;
        }
        String chosen = known.contains(asked) ? asked : usual;
        if (!chosen.equals(session.getAttribute(key))) {
            session.setAttribute(key, chosen);
        }
        return chosen;
    }
}

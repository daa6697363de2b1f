package kilnryu.app.rubber;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.web.Show;
import kilnryu.core.quantity.Measure;

/** What was done to a mold, in words, the latest first. */
final class RubberLog {
    private static final int LAST = 60;

    private RubberLog() {}

    static List<RubberView.Logged> of(Account account, List<TappedStore.Event> events) {
        List<RubberView.Logged> log = new ArrayList<>();
        int coats = 0;
        int pulls = 0;
        for (TappedStore.Event e : events) {
            coats += e.kind().equals("coat") ? 1 : 0;
            pulls += e.kind().equals("pull") ? 1 : 0;
            String says = says(account, e, coats, pulls);
            if (!says.isEmpty()) {
                log.add(0, new RubberView.Logged(Show.dayAndClock(e.at().atZone(account.zoneId())), says, e.by()));
            }
        }
        return List.copyOf(log.subList(0, Math.min(LAST, log.size())));
    }

    private static String says(Account account, TappedStore.Event e, int coats, int pulls) {
        Map<String, String> f = e.fields();
        return switch (e.kind()) {
            case "coat" ->
                "Coat " + coats + ": " + grams(account, e.number("base")) + " base, "
                        + grams(account, e.number("hardener")) + " hardener";
            case "jacket" -> "The jacket is made";
            case "pull" -> "Pull " + pulls + ": " + (f.getOrDefault("fault", "").isEmpty() ? "good" : f.get("fault"));
            case "wear" -> "Seen: " + f.getOrDefault("says", "");
            case "retire" -> "Retired: " + f.getOrDefault("says", "");
            case "press" -> "Into the press";
            case "pressed" -> "Out of the press";
            default -> "";
        };
    }

    private static String grams(Account account, double grams) {
        return Show.value(grams, Measure.GRAM, account.units(), false).toString();
    }
}

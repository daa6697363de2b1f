package kilnryu.app.run;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Late;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.server.ResponseStatusException;

/** The firings of a studio, as its pages ask for them: 404 for one that is not there, 409 for one in another state. */
@Component
public class Firings {
    private final FiringStore store;

    Firings(FiringStore store) {
        this.store = store;
    }

    public FiringStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    public FiringStore.Row planned(Account account, long id) {
        return in(found(account, id), "planned");
    }

    /**
     * One that runs, and nobody else ends until this transaction does.
     *
     * @throws Late when it has ended meanwhile
     */
    FiringStore.Row running(Account account, long id) {
        FiringStore.Row row = store.locked(account.studioId(), id)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        if (row.planned()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT);
        }
        if (!row.running()) {
            throw new Late(
                    "Nothing was written: this firing has ended as \"" + row.endedAs() + "\" meanwhile.",
                    "/firings/" + id + "/run");
        }
        return row;
    }

    FiringStore.Row started(Account account, long id) {
        FiringStore.Row row = found(account, id);
        if (row.planned()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT);
        }
        return row;
    }

    private static FiringStore.Row in(FiringStore.Row row, String state) {
        if (!row.state().equals(state)) {
            throw new ResponseStatusException(HttpStatus.CONFLICT);
        }
        return row;
    }

    /** What is saved of a firing, with the part that a page types in its place: its load, or else its program. */
    public Map<String, String> merged(Account account, long id, Map<String, String> form, boolean load) {
        return merged(id == 0 ? Map.of() : found(account, id).fields(), form, load);
    }

    public static Map<String, String> merged(Map<String, String> saved, Map<String, String> form, boolean load) {
        Map<String, String> all = new LinkedHashMap<>(saved);
        all.keySet().removeIf(k -> k.startsWith(load ? "molds[" : "program["));
        all.putAll(Fields.sent(form));
        // what belongs to the page and not to the firing
        all.keySet().removeAll(List.of("as", "what", "mold", "drawn", "window"));
        return all;
    }

    /** Takes the typed program out. */
    public static void clearProgram(Map<String, String> typed) {
        typed.keySet().removeIf(k -> k.startsWith("program["));
    }
}

package kilnryu.app.wax;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import org.springframework.stereotype.Component;

/** What was seen on the waxes of a tree's pieces, to be held beside its castings. */
@Component
public class WaxFound {
    private static final double THIN = 0.75;

    private final WaxStore store;
    private final WaxSheets sheets;

    WaxFound(WaxStore store, WaxSheets sheets) {
        this.store = store;
        this.sheets = sheets;
    }

    /** @param says each thing that was mended, painted, thin, or left to mend */
    public record Found(String wax, String address, List<String> says) {}

    /** Waxes on which nothing was seen are left out. */
    public List<Found> of(Account account, Plans.Saved tree) {
        return pieces(tree).stream()
                .flatMap(p -> store.by(account.studioId(), "piece_id", p).stream())
                .map(w -> new Found(
                        w.name(),
                        "/waxes/" + w.id() + "/bench",
                        says(sheets.of(account, w.fields(), w.createdAt()), WaxCourse.of(store.events(w.id())))))
                .filter(f -> !f.says.isEmpty())
                .toList();
    }

    /** Pieces that hang on a tree, by the parts of its sheet. */
    static List<Long> pieces(Plans.Saved tree) {
        return tree.sheets().get(Stage.TREE).fields().entrySet().stream()
                .filter(e -> e.getKey().endsWith("].piece") && e.getValue().matches("\\d{1,18}"))
                .map(e -> Long.parseLong(e.getValue()))
                .distinct()
                .toList();
    }

    private static List<String> says(WaxSheet sheet, WaxCourse course) {
        List<String> says = new ArrayList<>();
        Optional<Double> target = sheet.question().map(q -> q.target());
        course.walls().stream()
                .filter(w -> target.filter(t -> w.mm() < THIN * t).isPresent())
                .map(w -> String.format(
                        Locale.ROOT, "thin, %.1f mm%s", w.mm(), w.where().isEmpty() ? "" : ": " + w.where()))
                .forEach(says::add);
        course.repairs().stream().map(r -> "mended: " + r).forEach(says::add);
        course.painted().stream().map(p -> "painted: " + p).forEach(says::add);
        course.checks().forEach((key, sound) -> {
            if (!sound) {
                says.add("left to mend: "
                        + WaxCheck.named(key).map(WaxCheck::label).orElse(key));
            }
        });
        return List.copyOf(says);
    }
}

package kilnryu.app.foresight;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Layouts;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.web.Show;
import kilnryu.core.foresight.Change;
import kilnryu.core.gating.Layout;
import kilnryu.core.tree.Part;
import org.springframework.stereotype.Component;

/**
 * Looks for gates, feeders and vents round a piece: each layout in a few tilts, filled and frozen coarse, its gravest trouble
 * helped a few times. Ranked by what lacks in castings, then by metal, then by what has to be cut off.
 */
@Component
class LayoutSearch {
    private static final List<String> TILTS = List.of("", "0", "-45", "45");
    private static final int ROUNDS = 3;
    private static final int BEST = 3;
    private static final int KEPT = 200;
    /** cm3 under which nothing lacks that these cells could tell. */
    private static final double NOTHING = 0.02;

    private final Plans plans;
    private final Foresights foresights;
    private final Cache<String, List<Found>> known =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    LayoutSearch(Plans plans, Foresights foresights) {
        this.plans = plans;
        this.foresights = foresights;
    }

    /**
     * One that was found.
     *
     * @param words how it is laid out, and with what
     * @param why what speaks for it, with its figures
     */
    record Found(
            String words,
            String why,
            double lacks,
            double metal,
            double necks,
            Map<String, String> tree,
            String drawing) {}

    /** What was found for this state of a tree; empty where nothing was looked for. */
    List<Found> known(long tree, String state) {
        List<Found> found = known.getIfPresent(tree + " " + state);
        return found == null ? List.of() : found;
    }

    /** The piece that a layout is built round: the first with a mesh or measures; empty where there is none. */
    static Optional<String> piece(Plan plan) {
        if (plan.tree().isEmpty()) {
            return Optional.empty();
        }
        List<String> keys = plan.fields().get(Stage.TREE).keys("parts");
        List<Part> parts = plan.tree().get().tree().parts();
        for (int i = 0; i < parts.size(); i++) {
            if (parts.get(i).role() == Part.Role.PIECE) {
                return Optional.of(keys.get(i));
            }
        }
        return Optional.empty();
    }

    /** Looks now; each try waits in its turn, tells how far it is and can be stopped, which ends the search. */
    List<Found> look(Account account, Plans.Saved saved, String state) {
        Optional<String> piece = piece(saved.plan());
        if (piece.isEmpty()) {
            return List.of();
        }
        List<Found> all = new ArrayList<>();
        Map<Stage, Map<String, String>> texts = Plans.texts(saved.sheets());
        for (Layout layout : Layout.values()) {
            for (String tilt : layout == Layout.TIERED ? TILTS : TILTS.subList(0, 1)) {
                Map<String, String> wish = new LinkedHashMap<>();
                wish.put("layout.kind", layout.key());
                wish.put("layout.piece", piece.get());
                wish.put("layout.tilt_deg", tilt.isEmpty() ? "" : tilt + "°");
                Map<String, String> tree = Layouts.of(texts.getOrDefault(Stage.TREE, Map.of()), wish, saved.plan());
                helped(account, saved, texts, tree, layout.label() + (tilt.isEmpty() ? "" : ", tilted " + tilt + "°"))
                        .ifPresent(all::add);
            }
        }
        all.sort(Comparator.comparingDouble((Found f) -> f.lacks < NOTHING ? 0 : f.lacks)
                .thenComparingDouble(Found::metal)
                .thenComparingDouble(Found::necks));
        List<Found> best = List.copyOf(all.subList(0, Math.min(BEST, all.size())));
        known.put(saved.row().id() + " " + state, best);
        return best;
    }

    /** A layout, its gravest trouble helped as long as that makes it better. */
    private Optional<Found> helped(
            Account account,
            Plans.Saved saved,
            Map<Stage, Map<String, String>> texts,
            Map<String, String> tree,
            String words) {
        Optional<Found> best = Optional.empty();
        Map<String, String> now = tree;
        String said = words;
        for (int round = 0; round <= ROUNDS; round++) {
            Map<Stage, Map<String, String>> typed = new LinkedHashMap<>(texts);
            typed.put(Stage.TREE, now);
            Plan plan = plans.read(account, typed, saved.factors());
            if (Foresights.missing(plan).isPresent()) {
                return best;
            }
            Outlook outlook = foresights.of(account, plan, typed, Foresights.COARSE);
            Found found = found(plan, outlook, said, now);
            if (best.isPresent() && found.lacks >= best.get().lacks - NOTHING) {
                return best;
            }
            best = Optional.of(found);
            Optional<Change> help = outlook.told().marks().stream()
                    .filter(Told.Mark::grave)
                    .flatMap(m -> m.helps().stream())
                    .map(Told.Help::code)
                    .flatMap(code -> Change.of(code).stream())
                    .filter(c -> !(c instanceof Change.Hotter))
                    .findFirst();
            if (found.lacks < NOTHING || help.isEmpty()) {
                return best;
            }
            now = Foresights.changed(typed, plan, help.get()).get(Stage.TREE);
            said = said + ", " + help.get().words();
        }
        return best;
    }

    private static Found found(Plan plan, Outlook outlook, String words, Map<String, String> tree) {
        Told told = outlook.told();
        double lacks = told.lacks() + told.unfilled();
        double metal = plan.tree().orElseThrow().cavityMetal().value();
        double necks = ForesightPage.necks(plan);
        String drawing = CutDrawing.of(outlook, CutDrawing.fullest(outlook));
        return new Found(
                words,
                String.format(
                        Locale.ROOT,
                        "%s; %s g of metal, necks of %.0f mm² to cut off, last solid %s at %s min.",
                        lacks < NOTHING
                                ? "Nothing lacks that these cells can tell"
                                : String.format(Locale.ROOT, "%.2f cm³ lack in castings", lacks),
                        Show.exact(Math.round(metal)),
                        necks,
                        told.last(),
                        told.everSolid() ? ForesightPage.minutes(told.seconds()) : "no"),
                lacks,
                metal,
                necks,
                tree,
                drawing);
    }
}

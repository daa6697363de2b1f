package kilnryu.app.wax;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.rubber.RubberMolds;
import kilnryu.app.rubber.RubberSheet;
import kilnryu.app.sheet.Fields;
import kilnryu.core.pattern.Made;
import kilnryu.core.rubber.RubberMold;
import kilnryu.core.sum.Factors;
import kilnryu.core.wax.Heated;
import kilnryu.core.wax.Slush;

/**
 * The sheet of a wax, or of a pattern that comes from no mold, as it is read.
 *
 * @param pattern empty for one that is slushed
 * @param areaCm2 typed, of its mold, or of its piece's mesh; empty where none is known
 * @param lacking what is still needed, in words
 */
public record WaxSheet(
        Fields fields,
        Made made,
        Optional<PatternSheet> pattern,
        Optional<Slush.Question> question,
        Optional<Slush> slush,
        OptionalDouble areaCm2,
        List<String> lacking) {
    /** What is known around a wax. */
    public record Around(Optional<RubberMolds.Mold> mold, Optional<Double> meshArea, Factors factors) {}

    public static WaxSheet read(Account account, Map<String, String> typed, Around around) {
        Fields fields = Fields.typed(typed, account.units());
        fields.named(WaxFields.NAME, "Give the wax a name or number.");
        fields.look(WaxFields.PIECE, WaxFields.MOLD, WaxFields.POT, WaxFields.BATCH, WaxFields.NOTE);
        Made made = fields.choice(WaxFields.MADE).orElse(Made.SLUSHED);
        return made == Made.SLUSHED ? slushed(account, typed, fields, around) : pattern(fields, made, around);
    }

    private static WaxSheet pattern(Fields fields, Made made, Around around) {
        OptionalDouble typed = fields.quantity(WaxFields.AREA);
        OptionalDouble area = typed.isPresent()
                ? typed
                : around.meshArea.map(OptionalDouble::of).orElse(OptionalDouble.empty());
        return new WaxSheet(
                fields,
                made,
                Optional.of(PatternSheet.read(fields, made, area)),
                Optional.empty(),
                Optional.empty(),
                area,
                List.of());
    }

    private static WaxSheet slushed(Account account, Map<String, String> typed, Fields fields, Around around) {
        Map<String, String> asked = new LinkedHashMap<>();
        for (String path : List.of("pour_C", "mold_C", "target_mm", "layers", "start_mm", "area_cm2")) {
            asked.put(path, typed.getOrDefault(path, ""));
        }
        Heated heat = around.mold.map(m -> m.sheet().heat()).orElse(Heated.SILICONE);
        asked.put("mold.k", Double.toString(heat.k()));
        asked.put("mold.rho", Double.toString(heat.rho()));
        asked.put("mold.c", Double.toString(heat.c()));
        area(around)
                .filter(a -> asked.get("area_cm2").isBlank())
                .ifPresent(a -> asked.put("area_cm2", String.format(java.util.Locale.ROOT, "%.1f cm2", a)));
        Fields question = Fields.typed(asked, account.units());
        Optional<SlushQuestionReader.SlushRequest> read = SlushQuestionReader.read(question, around.factors);
        Map<String, String> lacking = new LinkedHashMap<>();
        question.errors().forEach((path, word) -> {
            if (asked.getOrDefault(path, "").isBlank()) {
                lacking.put(path, path.equals("mold_C") ? "How warm the mold is." : "How thick the wall is to be.");
            } else {
                fields.error(path, word);
            }
        });
        OptionalDouble pause = fields.quantity(WaxFields.PAUSE_MIN);
        OptionalDouble thinnest = fields.quantity(WaxFields.THINNEST);
        Optional<Slush.Question> q = read.map(r -> whole(
                r.question(),
                around.mold.map(RubberMolds.Mold::sheet),
                pause.isPresent() ? OptionalDouble.of(pause.getAsDouble() * 60) : OptionalDouble.empty(),
                thinnest));
        Optional<Slush> slush = q.map(x -> Slush.of(x, around.factors));
        return new WaxSheet(
                fields,
                Made.SLUSHED,
                Optional.empty(),
                q,
                slush,
                q.map(Slush.Question::areaCm2).orElse(OptionalDouble.empty()),
                List.copyOf(lacking.values()));
    }

    private static Optional<Double> area(Around around) {
        return around.mold
                .flatMap(m -> m.sheet().question())
                .map(RubberMold.Question::areaCm2)
                .filter(OptionalDouble::isPresent)
                .map(OptionalDouble::getAsDouble)
                .or(around::meshArea);
    }

    private static Slush.Question whole(
            Slush.Question q, Optional<RubberSheet> mold, OptionalDouble pause, OptionalDouble thinnest) {
        return new Slush.Question(
                q.wax(),
                q.pourC(),
                q.mold(),
                q.moldC(),
                q.areaCm2(),
                q.target(),
                q.pours(),
                q.start(),
                mold.map(RubberSheet::thick).orElse(OptionalDouble.empty()),
                pause,
                thinnest);
    }
}

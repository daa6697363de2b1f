package kilnryu.app.rubber;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.core.rubber.Cure;
import kilnryu.core.rubber.Material;
import kilnryu.core.rubber.RubberMold;
import kilnryu.core.rubber.Vulcanising;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.Heated;

/**
 * The sheet of a mold as it is read.
 *
 * @param fields with what is wrong of what was typed
 * @param plan empty while something is lacking
 * @param vulcanising of rubber that is cured in a press; empty else
 * @param flange width of its flanges, mm; empty where not said
 * @param thickener of the coats after the first, % of rubber; empty where none is said
 * @param lacking what is still needed, in words
 */
public record RubberSheet(
        Fields fields,
        Optional<Material> material,
        Optional<RubberMold.Question> question,
        Optional<RubberMold> plan,
        Optional<Cure> cure,
        Optional<Vulcanising> vulcanising,
        OptionalDouble cost,
        OptionalDouble flange,
        OptionalDouble thickener,
        List<String> lacking) {
    /**
     * @param typed as it stands in the form
     * @param meshArea cm2 of the piece by its mesh, where no area is typed
     */
    public static RubberSheet read(
            Account account, Map<String, String> typed, Optional<Double> meshArea, Factors factors) {
        Map<String, String> filled = new LinkedHashMap<>(typed);
        filled.entrySet()
                .removeIf(e -> e.getKey().startsWith("coats[") && e.getValue().isBlank());
        Fields fields = Fields.typed(filled, account.units());
        fields.named(RubberFields.NAME, "Give the mold a name.");
        fields.look(RubberFields.ORIGINAL, RubberFields.LIES, RubberFields.NOTE, RubberFields.PIECE);
        fields.look(RubberFields.OPENING, RubberFields.JACKET_PARTS);
        OptionalDouble price = fields.quantity(RubberFields.COSTS);
        if (filled.getOrDefault("kind", "").equals(RubberMold.Kind.VULCANISED.key())) {
            return pressed(fields, price, factors);
        }
        OptionalDouble flange = fields.quantity(RubberFields.FLANGES);
        OptionalDouble thickener = fields.quantity(RubberFields.THICKENED);
        Optional<Material> material = fields.choice(RubberFields.MATERIAL);
        Map<String, String> asked = new LinkedHashMap<>(filled);
        if (filled.getOrDefault("area_cm2", "").isBlank()) {
            meshArea.ifPresent(a -> asked.put("area_cm2", String.format(java.util.Locale.ROOT, "%.1f cm2", a)));
        }
        Fields question = Fields.typed(asked, account.units());
        Optional<RubberQuestionReader.RubberRequest> read = RubberQuestionReader.read(question, factors, true);
        Map<String, String> lacking = new LinkedHashMap<>();
        question.errors().forEach((path, word) -> {
            if (asked.getOrDefault(path, "").isBlank()) {
                lacking.put(path, word);
            } else {
                fields.error(path, word);
            }
        });
        Optional<RubberMold.Question> q = read.map(r -> of(r.question(), material));
        Optional<RubberMold> plan = q.map(x -> RubberMold.of(x, factors));
        return new RubberSheet(
                fields,
                material,
                q,
                plan,
                read.map(RubberQuestionReader.RubberRequest::cure),
                Optional.empty(),
                cost(plan, price),
                flange,
                thickener,
                lacking.values().stream().filter(w -> !w.isBlank()).distinct().toList());
    }

    private static OptionalDouble cost(Optional<RubberMold> plan, OptionalDouble price) {
        return plan.isPresent() && price.isPresent()
                ? OptionalDouble.of(plan.get().rubber().value() / 1000 * price.getAsDouble())
                : OptionalDouble.empty();
    }

    /** Of sheets of raw rubber around a small model, cured in a press. */
    private static RubberSheet pressed(Fields fields, OptionalDouble price, Factors factors) {
        Optional<RubberMold.Box> box = RubberQuestionReader.box(fields);
        OptionalDouble thick = fields.quantity(RubberFields.HEIGHT);
        OptionalDouble press = fields.quantity(RubberFields.PRESSED_AT);
        Optional<Boolean> bears = fields.choice(RubberFields.BEARS);
        Optional<RubberMold.Question> q = box.map(b -> new RubberMold.Question(
                RubberMold.Kind.VULCANISED,
                Material.VULCANISED,
                OptionalDouble.empty(),
                List.of(),
                fields.quantity(RubberFields.DENSE),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                box,
                Optional.empty()));
        Optional<RubberMold> plan = q.map(x -> RubberMold.of(x, factors));
        return new RubberSheet(
                fields,
                Optional.of(Material.VULCANISED),
                q,
                plan,
                Optional.empty(),
                plan.isPresent() && thick.isPresent()
                        ? Optional.of(Vulcanising.of(thick.getAsDouble(), press, bears, factors))
                        : Optional.empty(),
                cost(plan, price),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                plan.isPresent() || fields.hasErrors()
                        ? List.of()
                        : List.of("A frame asks its inside, and what the model takes of it."));
    }

    private static RubberMold.Question of(RubberMold.Question q, Optional<Material> material) {
        return new RubberMold.Question(
                q.kind(),
                material.orElse(q.material()),
                q.areaCm2(),
                q.coats(),
                q.density(),
                q.lossPercent(),
                q.hardenerPer100(),
                q.box(),
                q.jacket());
    }

    /** How its face takes up the heat of wax. */
    public Heated heat() {
        return material.map(Material::heat).orElse(Heated.SILICONE);
    }

    /** Of all coats, mm; of a block not known. */
    public OptionalDouble thick() {
        return question.filter(RubberMold.Question::byArea)
                .map(q ->
                        OptionalDouble.of(q.coats().stream().mapToDouble(c -> c).sum()))
                .orElse(OptionalDouble.empty());
    }

    public Optional<Figure> rubber() {
        return plan.map(RubberMold::rubber);
    }
}

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
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.Heated;

/**
 * The sheet of a mold as it is read.
 *
 * @param fields with what is wrong of what was typed
 * @param plan empty while something is lacking
 * @param lacking what is still needed, in words
 */
public record RubberSheet(
        Fields fields,
        Optional<Material> material,
        Optional<RubberMold.Question> question,
        Optional<RubberMold> plan,
        Optional<Cure> cure,
        OptionalDouble cost,
        List<String> lacking) {
    private static final int LONGEST = 80;
    private static final List<String> WORDS = List.of("original", "lies", "note", "piece", "opening", "jacket.parts");
    private static final kilnryu.app.sheet.Range PRICE =
            new kilnryu.app.sheet.Range(kilnryu.core.quantity.Measure.TIMES, 0, 100_000);

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
        if (fields.text("name", LONGEST).isEmpty()) {
            fields.missing("name", "Give the mold a name.");
        }
        WORDS.forEach(w -> fields.text(w, 300));
        Optional<Material> material =
                fields.choice("material", m -> Material.named(m).filter(Material::mixed));
        OptionalDouble price = fields.quantity("price_per_kg", PRICE);
        Map<String, String> asked = new LinkedHashMap<>(filled);
        if (filled.getOrDefault("area_cm2", "").isBlank()) {
            meshArea.ifPresent(a -> asked.put("area_cm2", String.format(java.util.Locale.ROOT, "%.1f cm2", a)));
        }
        Fields question = Fields.typed(asked, account.units());
        Optional<RubberQuestionReader.Asked> read = RubberQuestionReader.read(question, factors);
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
                read.map(RubberQuestionReader.Asked::cure),
                plan.isPresent() && price.isPresent()
                        ? OptionalDouble.of(plan.get().rubber().value() / 1000 * price.getAsDouble())
                        : OptionalDouble.empty(),
                lacking.values().stream().filter(w -> !w.isBlank()).distinct().toList());
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
        return question.filter(q -> q.kind().byArea())
                .map(q ->
                        OptionalDouble.of(q.coats().stream().mapToDouble(c -> c).sum()))
                .orElse(OptionalDouble.empty());
    }

    public Optional<Figure> rubber() {
        return plan.map(RubberMold::rubber);
    }
}

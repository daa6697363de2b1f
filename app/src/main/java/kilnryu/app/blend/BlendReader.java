package kilnryu.app.blend;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.material.Blend;
import kilnryu.core.material.Ingredient;
import kilnryu.core.material.Ingredient.Role;
import kilnryu.core.sum.Factors;

/** Reads a blend and a trial from their fields. */
public final class BlendReader {
    public static final int LONGEST_NAME = 80;
    private static final int MOST_PARTS = 100;
    private static final double USUAL_WATER = 55;
    private static final double USUAL_LOOSE = 1;
    private static final Pattern RECIPE =
            Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*(?:parts?\\s*)?(?:of\\s+)?([\\p{L}][\\p{L} -]*)");

    private BlendReader() {}

    /**
     * A blend by name.
     *
     * @param sum of the shares, %
     * @param blend empty until the shares are a whole
     */
    public record Read(String name, double sum, Optional<Blend> blend, String effect) {
        /** Hobby mixes, without refractory or with cement, of which large pieces fail. */
        public boolean smallOnly() {
            return blend.map(b -> b.shares().stream().anyMatch(s -> s.role() == Role.CEMENT)
                            || b.shares().stream().noneMatch(s -> s.role() == Role.REFRACTORY))
                    .orElse(false);
        }
    }

    /** How the amounts of a blend are told. */
    public enum Told {
        PERCENT("percent", "% by mass"),
        WEIGHT("weight", "parts by weight"),
        VOLUME("volume", "parts by volume, scooped loosely");

        private final String key;
        private final String label;

        Told(String key, String label) {
            this.key = key;
            this.label = label;
        }

        static Optional<Told> named(String key) {
            return List.of(values()).stream().filter(t -> t.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    /**
     * A recipe as it is told, "3 plaster, 2 sand by volume", as the rows of a blend; empty where it is none. A word that is no
     * ingredient known here becomes one by name, and its density is asked.
     */
    public static Map<String, String> told(String recipe) {
        Map<String, String> rows = new LinkedHashMap<>();
        String words = recipe.toLowerCase(Locale.ROOT);
        boolean volume = words.contains("volume") || words.contains("scoop") || words.contains("cup");
        String list =
                words.replaceAll("\\b(by|in)\\s+(volume|weight|mass)\\b", "").replaceAll("\\band\\b|\\+|&", ",");
        int n = 0;
        for (Matcher m = RECIPE.matcher(list); m.find(); ) {
            String name = m.group(2).strip();
            String at = "parts[k" + ++n + "].";
            rows.put(at + "share_pct", m.group(1).replace(',', '.'));
            Ingredient.told(name)
                    .ifPresentOrElse(i -> rows.put(at + "ingredient", i.key()), () -> rows.put(at + "name", name));
        }
        if (!rows.isEmpty()) {
            rows.put("told", volume ? Told.VOLUME.key : Told.WEIGHT.key);
        }
        return rows;
    }

    public static Read read(Fields fields, Factors factors) {
        Optional<String> name = fields.named(BlendFields.NAME, "Give the blend a name.");
        fields.look(BlendFields.NOTE);
        double water = ratio(fields).orElse(USUAL_WATER);
        Whole whole = whole(fields);
        Optional<Blend> blend =
                whole.complete ? Optional.of(Blend.of(whole.shares, Blend.ratio(water), factors)) : Optional.empty();
        return new Read(name.orElse(""), whole.sum(), blend, Blend.effect(water, USUAL_WATER));
    }

    /** The blend alone, without a name. */
    public static Optional<Blend> shares(Fields fields, Factors factors) {
        double water = ratio(fields).orElse(USUAL_WATER);
        Whole whole = whole(fields);
        return whole.complete && !fields.hasErrors()
                ? Optional.of(Blend.of(whole.shares, Blend.ratio(water), factors))
                : Optional.empty();
    }

    private record Whole(List<Blend.Share> shares, boolean complete) {
        double sum() {
            return shares.stream().mapToDouble(Blend.Share::percent).sum();
        }
    }

    private static Whole whole(Fields fields) {
        List<Blend.Share> shares = new ArrayList<>();
        List<String> keys =
                fields.keys("parts").stream().filter(k -> !blank(k, fields)).toList();
        if (keys.isEmpty()) {
            fields.missing("parts", "Give it at least one ingredient.");
        }
        if (keys.size() > MOST_PARTS) {
            fields.error("parts", "At most " + MOST_PARTS + " ingredients.");
            return new Whole(shares, false);
        }
        Told told = fields.choice(BlendFields.TOLD).orElse(Told.PERCENT);
        for (String key : keys) {
            share(key, fields, told).ifPresent(shares::add);
        }
        boolean all = !shares.isEmpty() && shares.size() == keys.size();
        if (told != Told.PERCENT) {
            return new Whole(all ? ofParts(shares) : shares, all);
        }
        double missing = Blend.missing(shares);
        if (all && missing != 0) {
            double sum = shares.stream().mapToDouble(Blend.Share::percent).sum();
            fields.error(
                    "parts",
                    "The shares sum to " + rounded(sum) + " %: " + rounded(Math.abs(missing)) + " % "
                            + (missing > 0 ? "is missing." : "too much."));
        }
        return new Whole(shares, all && missing == 0);
    }

    /** Parts by mass as shares of a whole. */
    private static List<Blend.Share> ofParts(List<Blend.Share> parts) {
        double sum = parts.stream().mapToDouble(Blend.Share::percent).sum();
        return parts.stream()
                .map(s -> new Blend.Share(
                        s.name(), s.percent() / sum * 100, s.density(), s.role(), s.freeSand(), s.price()))
                .toList();
    }

    /** What is saved, read in the units in which it was written out. */
    public static Read saved(Map<String, String> fields, Factors factors) {
        return read(Fields.typed(fields, Units.METRIC), factors);
    }

    private static OptionalDouble ratio(Fields fields) {
        fields.look(BlendFields.RECIPE);
        OptionalDouble ratio = fields.quantity(BlendFields.WATER);
        if (fields.hasError(BlendFields.WATER)) {
            fields.error(
                    BlendFields.WATER, "Water to 100 parts of powder by mass, 10 to 150: type 55 for 55:100 or 0.55.");
        }
        return ratio;
    }

    private static String rounded(double percent) {
        return Show.exact(Math.round(percent * 1000) / 1000.0);
    }

    private static boolean blank(String key, Fields fields) {
        String at = "parts[" + key + "].";
        return fields.written().entrySet().stream()
                .filter(e -> e.getKey().startsWith(at))
                .allMatch(e -> e.getValue().isBlank());
    }

    private static Optional<Blend.Share> share(String key, Fields fields, Told told) {
        Optional<Ingredient> known = fields.choice(BlendFields.INGREDIENT.in(key));
        Optional<String> name = fields.text(BlendFields.OWN.in(key));
        OptionalDouble percent =
                fields.required((told == Told.PERCENT ? BlendFields.PERCENT : BlendFields.TOLD_PARTS).in(key));
        OptionalDouble loose = fields.quantity(BlendFields.LOOSELY.in(key));
        double each =
                told == Told.VOLUME ? loose.orElse(known.map(Ingredient::loose).orElse(USUAL_LOOSE)) : 1;
        OptionalDouble density = fields.quantity(BlendFields.DENSE.in(key));
        Optional<Role> role = fields.choice(BlendFields.ROLE.in(key));
        OptionalDouble price = fields.quantity(BlendFields.COSTS.in(key));
        if (known.isEmpty() && name.isEmpty()) {
            fields.missing(BlendFields.INGREDIENT.in(key), "Choose an ingredient, or name your own.");
        }
        if (known.isEmpty() && density.isEmpty()) {
            fields.missing(BlendFields.DENSE.in(key), "Give its true density, g/cm³.");
        }
        if (percent.isEmpty() || known.isEmpty() && (density.isEmpty() || name.isEmpty())) {
            return Optional.empty();
        }
        return Optional.of(new Blend.Share(
                name.orElseGet(() -> known.orElseThrow().label()),
                percent.getAsDouble() * each,
                density.isPresent()
                        ? density.getAsDouble()
                        : known.orElseThrow().density(),
                role.or(() -> known.map(Ingredient::role)).orElse(Role.FILLER),
                known.filter(k -> k == Ingredient.SILICA_SAND).isPresent(),
                price.orElse(Double.NaN)));
    }

    /** A trial; every field may be left out. */
    public static void trial(Fields fields) {
        fields.look(BlendFields.CURED, BlendFields.HEATED, BlendFields.HEATED_IN, BlendFields.POURED);
        fields.look(BlendFields.OUTCOME, BlendFields.METAL, BlendFields.DETAIL, BlendFields.TRIAL_NOTE);
    }

    /** What came of a trial. */
    public enum Outcome {
        HELD("held", "held"),
        CRACKED("cracked", "cracked"),
        CRUMBLED("crumbled", "crumbled"),
        SPALLED("spalled", "spalled"),
        NO_SET("no-set", "did not set");

        private final String key;
        private final String label;

        Outcome(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public static Optional<Outcome> named(String key) {
            return List.of(values()).stream().filter(o -> o.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }
}

package kilnryu.app.sand;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.block.ImpossibleBlock;
import kilnryu.core.block.SilicateSand;
import kilnryu.core.block.SilicateSand.Hardening;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;

/** Reads a mold of silicate sand, and what is written into its log. */
final class SandReader {
    private static final Range SHARE = new Range(Measure.PERCENT, 0.1, 50);
    private static final Range DENSITY = new Range(Measure.GRAM_PER_CM3, 0.8, 3);
    private static final Range COLD = new Range(Measure.DEGREE_CELSIUS, -80, 900);
    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_NOTE = 400;

    private SandReader() {}

    static Optional<SilicateSand> read(Fields fields, Factors factors) {
        if (fields.text("name", LONGEST_NAME).isEmpty()) {
            fields.missing("name", "Give the mold a name.");
        }
        fields.text("note", LONGEST_NOTE);
        OptionalDouble length = fields.required("length_mm", Range.LENGTH);
        OptionalDouble width = fields.required("width_mm", Range.LENGTH);
        OptionalDouble height = fields.required("height_mm", Range.LENGTH);
        double pattern = fields.quantity("pattern_cm3", Range.VOLUME_OR_NONE).orElse(0);
        OptionalDouble share = fields.quantity("silicate_pct", SHARE);
        OptionalDouble density = fields.quantity("packed_density", DENSITY);
        double spare = fields.quantity("spare_pct", Range.OVERFILL).orElse(0);
        Hardening hardening = fields.choice("harden", Hardening::named).orElse(Hardening.GAS);
        OptionalDouble freeze = fields.quantity("freeze_h", Range.HOURS);
        if (length.isEmpty() || width.isEmpty() || height.isEmpty() || fields.hasErrors()) {
            return Optional.empty();
        }
        try {
            return Optional.of(SilicateSand.of(
                    new SilicateSand.Question(
                            length.getAsDouble(),
                            width.getAsDouble(),
                            height.getAsDouble(),
                            pattern,
                            share,
                            density,
                            spare,
                            hardening,
                            freeze.isPresent()),
                    factors));
        } catch (ImpossibleBlock e) {
            fields.error(e.field(), e.getMessage());
            return Optional.empty();
        }
    }

    /** One entry of the log: what was done, and what of it was measured. */
    static void entry(Fields fields) {
        Optional<Done> done = fields.choice("done", Done::named);
        OptionalDouble mass = fields.quantity("mass_g", Range.MASS);
        fields.quantity("for_min", Range.SET_TIME);
        fields.quantity("at_C", COLD);
        fields.text("log_note", LONGEST_NOTE);
        if (done.isEmpty()) {
            fields.missing("done", "Say what was done.");
        }
        if (done.filter(d -> d == Done.WEIGHED || d == Done.RAMMED).isPresent() && mass.isEmpty()) {
            fields.missing("mass_g", "What does it weigh?");
        }
    }

    /** What happens to a mold of sand. */
    enum Done {
        RAMMED("rammed", "rammed, weighed"),
        FROZEN("frozen", "frozen"),
        GASSED("gassed", "gassed"),
        STOOD("stood", "stood"),
        WARMED("warmed", "warmed"),
        WEIGHED("weighed", "weighed again"),
        FOUND("found", "looked at");

        private final String key;
        private final String label;

        Done(String key, String label) {
            this.key = key;
            this.label = label;
        }

        static Optional<Done> named(String key) {
            return java.util.Arrays.stream(values())
                    .filter(d -> d.key.equals(key))
                    .findFirst();
        }

        String key() {
            return key;
        }

        String label() {
            return label;
        }
    }
}

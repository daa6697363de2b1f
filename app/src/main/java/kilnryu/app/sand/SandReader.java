package kilnryu.app.sand;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.core.block.ImpossibleBlock;
import kilnryu.core.block.SilicateSand;
import kilnryu.core.block.SilicateSand.Hardening;
import kilnryu.core.sum.Factors;

/** Reads a mold of silicate sand, and what is written into its log. */
final class SandReader {
    private SandReader() {}

    static Optional<SilicateSand> read(Fields fields, Factors factors) {
        fields.named(SandFields.NAME, "Give the mold a name.");
        fields.text(SandFields.NOTE);
        OptionalDouble length = fields.required(SandFields.LENGTH);
        OptionalDouble width = fields.required(SandFields.WIDTH);
        OptionalDouble height = fields.required(SandFields.HEIGHT);
        double pattern = fields.quantity(SandFields.PATTERN).orElse(0);
        OptionalDouble share = fields.quantity(SandFields.SILICATE);
        OptionalDouble density = fields.quantity(SandFields.DENSITY);
        double spare = fields.quantity(SandFields.SPARE).orElse(0);
        Hardening hardening = fields.choice(SandFields.HARDEN).orElse(Hardening.GAS);
        OptionalDouble freeze = fields.quantity(SandFields.FREEZE);
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
        Optional<Done> done = fields.choice(SandFields.DONE);
        OptionalDouble mass = fields.quantity(SandFields.MASS);
        fields.quantity(SandFields.FOR);
        fields.quantity(SandFields.AT);
        fields.text(SandFields.SEEN);
        if (done.isEmpty()) {
            fields.missing(SandFields.DONE, "Say what was done.");
        }
        if (done.filter(d -> d == Done.WEIGHED || d == Done.RAMMED).isPresent() && mass.isEmpty()) {
            fields.missing(SandFields.MASS, "What does it weigh?");
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

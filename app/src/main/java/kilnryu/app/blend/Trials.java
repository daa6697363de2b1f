package kilnryu.app.blend;

import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.blend.BlendReader.Outcome;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.InvestmentSystem;

/** What a studio's own trials say against a blend: the same make-up failed at the heat that a block is burnt out at. */
final class Trials {
    private static final double NEAR_K = 30;

    private Trials() {}

    /** @param trials newest first; those of other blends, or of another make-up of this one, say nothing */
    static Findings failed(BlendStore.Row blend, List<BlendStore.Trial> trials) {
        double heat = InvestmentSystem.PLASTER_SILICA.burnoutC();
        for (BlendStore.Trial t : trials) {
            if (t.blend() != blend.id() || !madeOf(t.blendFields()).equals(madeOf(blend.fields()))) {
                continue;
            }
            Outcome outcome =
                    Outcome.named(t.fields().getOrDefault("outcome", "")).orElse(Outcome.HELD);
            OptionalDouble top = Fields.typed(t.fields(), Units.METRIC).quantity(BlendFields.HEATED);
            if (outcome == Outcome.HELD) {
                if (top.isPresent() && top.getAsDouble() >= heat - NEAR_K) {
                    return Findings.NONE;
                }
                continue;
            }
            if (top.isEmpty() || top.getAsDouble() <= heat + NEAR_K) {
                return new Findings(List.of(against(blend, t, outcome, top)));
            }
        }
        return Findings.NONE;
    }

    private static Finding against(BlendStore.Row blend, BlendStore.Trial trial, Outcome outcome, OptionalDouble top) {
        String day = trial.at().atZone(ZoneOffset.UTC).toLocalDate().toString();
        String heat = top.isPresent() ? String.format(Locale.ROOT, " at %.0f °C", top.getAsDouble()) : "";
        return Finding.stop(
                "trial-failed." + blend.id(),
                "blend",
                String.format(Locale.ROOT, "%s: its trial of %s %s%s.", blend.name(), day, outcome.label(), heat),
                "A mix that failed as a test block fails as a mold, with the metal in it.",
                "Another mix, or change this one and try it to that heat first.");
    }

    /** What decides how it stands: its parts and its water. */
    private static Map<String, String> madeOf(Map<String, String> fields) {
        Map<String, String> made = new LinkedHashMap<>();
        fields.forEach((path, text) -> {
            boolean counts = path.endsWith("].ingredient") || path.endsWith("].share_pct") || path.endsWith("].name");
            if (counts || path.equals("told") || path.equals("water_per_100")) {
                made.put(path, text);
            }
        });
        return made;
    }
}

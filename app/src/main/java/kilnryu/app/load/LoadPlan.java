package kilnryu.app.load;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.kiln.StudioKiln;
import kilnryu.app.sheet.Fields;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.finding.Findings;
import kilnryu.core.kiln.Packing;

/**
 * All that can be said of a firing from what is typed so far.
 *
 * @param fields with their remarks
 * @param kiln empty until one is chosen
 * @param stands the molds
 * @param packing where they stand; empty without a kiln
 * @param fired the molds as the simulation sees them
 * @param limits highest each may see, C
 * @param program empty without molds
 * @param clock empty without an hour of the pour
 * @param alone minutes each mold's own program would take, by tree
 */
public record LoadPlan(
        Fields fields,
        String name,
        Optional<KilnStore.Row> row,
        Optional<StudioKiln> kiln,
        List<Stand> stands,
        Optional<Packing> packing,
        List<HeldProgram.Fired> fired,
        List<Double> limits,
        boolean typed,
        Optional<BurnoutProgram> program,
        Optional<BackPlan> clock,
        Map<Long, Double> alone,
        Findings findings) {

    public Optional<HeldProgram> held() {
        return program.flatMap(BurnoutProgram::held);
    }

    public List<Segment> segments() {
        return program.map(BurnoutProgram::segments).orElse(List.of());
    }

    public boolean turnsUp() {
        return program.stream()
                .flatMap(p -> p.duties().stream())
                .anyMatch(d -> d.kind() == kilnryu.core.burnout.Duty.Kind.TURN_FLASK);
    }

    public OptionalDouble energy() {
        return held().map(h -> h.run().energy()).orElse(OptionalDouble.empty());
    }

    /** The mold that is dry last. */
    int slowest() {
        int slowest = 0;
        double latest = -1;
        for (int i = 0; i < fired.size(); i++) {
            double dry = held().orElseThrow().run().dry(i).orElse(Double.MAX_VALUE);
            if (dry > latest) {
                latest = dry;
                slowest = i;
            }
        }
        return slowest;
    }
}

package kilnryu.app.firing;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.finding.Findings;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.heat.Face;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.FiringChecks;
import kilnryu.core.kiln.FiringProgram;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;

/** A planned program tried on its flask: what the middle of the mold will do. */
public record Foreseen(Firing firing, Findings findings) {
    /** A step that a kiln takes as fast as it can. */
    private static final double STEP = 100_000;

    private static final Set<InvestmentSystem> KNOWN =
            Set.of(InvestmentSystem.GYPSUM_JEWELRY, InvestmentSystem.GYPSUM_LARGE);

    /** Empty for investments whose heat is not known here, and without a program. */
    public static Optional<Foreseen> of(FlaskPlan flask, BurnoutProgram program, Set<PatternMaterial> patterns) {
        InvestmentSystem system = flask.flask().system();
        if (!KNOWN.contains(system) || program.segments().isEmpty()) {
            return Optional.empty();
        }
        List<FiringProgram.Segment> segments = program.segments().stream()
                .map(s ->
                        new FiringProgram.Segment(Double.isInfinite(s.rate()) ? STEP : s.rate(), s.target(), s.hold()))
                .toList();
        double density = flask.flask()
                .powderDensity()
                .orElse(system.density().map(d -> d.value()).orElse(2.65));
        double residue = patterns.stream().mapToDouble(Setting::residue).max().orElse(Setting.UNKNOWN_RESIDUE);
        Firing firing = Firing.of(new Firing.Question(
                new Firing.Mold(
                        flask.flask().innerDiameter().millimetres() / 1000,
                        flask.flask().height().millimetres() / 1000,
                        Setting.gypsum(flask.waterPer100().value(), density),
                        new Face(10, 0.9)),
                FiringProgram.of(program.startC(), segments),
                Optional.empty(),
                residue,
                1));
        double highest = segments.stream()
                .mapToDouble(FiringProgram.Segment::target)
                .max()
                .orElse(0);
        return Optional.of(new Foreseen(firing, FiringChecks.check(firing, system.maxC(), highest, Optional.empty())));
    }
}

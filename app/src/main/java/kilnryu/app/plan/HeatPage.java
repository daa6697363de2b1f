package kilnryu.app.plan;

import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.app.firing.Foreseen;
import kilnryu.app.firing.HeatDrawing;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.kiln.Firing;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;
import org.springframework.ui.Model;

/** What is foreseen of a firing, as the page shows it. */
record HeatPage(Foreseen foreseen, String curve, List<Line> lines, List<FindingView> findings) {

    /** A figure of the simulation. */
    public record Line(String what, String value) {}

    static Optional<HeatPage> of(Plan plan, Units units) {
        Set<PatternMaterial> patterns = new HashSet<>();
        plan.tree().ifPresent(t -> t.tree().parts().forEach(p -> patterns.add(p.material())));
        return plan.flask()
                .flatMap(f -> plan.firing().flatMap(g -> Foreseen.of(f, g.program(), patterns)))
                .map(f -> of(f, units));
    }

    private static HeatPage of(Foreseen foreseen, Units units) {
        FigureView.Maker views = new FigureView.Maker(units, false);
        Firing f = foreseen.firing();
        return new HeatPage(
                foreseen,
                HeatDrawing.of(f, units),
                List.of(
                        new Line("middle dry, past 105 °C", after(f.past().get(0))),
                        new Line("middle past 400 °C", after(f.past().get(1))),
                        new Line("middle past 680 °C", after(f.past().get(2))),
                        new Line("middle at most", celsius(f.most(), units)),
                        new Line("middle at the pour", celsius(f.end(), units)),
                        new Line("largest lag behind the kiln", Math.round(f.lag()) + " K"),
                        new Line("growth differs at most by", Show.digits(f.mismatch()) + " %"),
                        new Line("char left of the pattern", Show.digits(f.residue()) + " %")),
                foreseen.findings().all().stream()
                        .map(x -> FindingView.of(x, views, 0))
                        .toList());
    }

    private static String after(OptionalDouble minutes) {
        return minutes.isPresent()
                ? "after " + Show.length(Duration.ofMinutes(Math.round(minutes.getAsDouble())))
                : "never";
    }

    private static String celsius(double value, Units units) {
        return Show.value(value, Measure.DEGREE_CELSIUS, units, false).toString();
    }

    void into(Model model) {
        model.addAttribute("foreseen", foreseen);
        model.addAttribute("curve", curve);
        model.addAttribute("lines", lines);
        model.addAttribute("foreseenFindings", findings);
    }
}

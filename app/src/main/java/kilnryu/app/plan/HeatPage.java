package kilnryu.app.plan;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.firing.Foreseen;
import kilnryu.app.firing.HeatDrawing;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.kiln.Firing;
import kilnryu.core.quantity.Measure;
import org.springframework.ui.Model;

/** What is foreseen of a firing, as the page shows it. */
record HeatPage(Foreseen foreseen, String curve, List<Line> lines) {

    /** A figure of the simulation. */
    public record Line(String what, String value) {}

    static Optional<HeatPage> of(Plan plan, Units units) {
        return plan.firing().flatMap(f -> Foreseen.of(f.program())).map(f -> of(f, units));
    }

    private static HeatPage of(Foreseen foreseen, Units units) {
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
                        new Line("char left of the pattern", Show.digits(f.residue()) + " %")));
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
    }
}

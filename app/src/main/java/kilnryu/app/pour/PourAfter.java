package kilnryu.app.pour;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import kilnryu.app.record.Poured;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;

/** Plan and actual of each mold, afterwards. */
record PourAfter(
        String name,
        String came,
        String stoodPlan,
        String stood,
        String windowLeft,
        String fillPlan,
        String filled,
        String metalPlan,
        String gauge,
        String overruled) {

    static List<PourAfter> of(PourCourse course, Units units) {
        return course.casts().stream().map(c -> one(c, units)).toList();
    }

    private static PourAfter one(PourCourse.Cast c, Units units) {
        Poured.Mold plan = c.plan();
        OptionalDouble stood = c.stood();
        String left =
                plan.windowS() == null ? "long" : stood.isEmpty() ? "" : seconds(plan.windowS() - stood.getAsDouble());
        return new PourAfter(
                plan.name(),
                c.state().label()
                        + (c.hesitated() ? ", hesitated" : "")
                        + (c.noVacuum().isEmpty() ? "" : ", " + c.noVacuum()),
                seconds(plan.startS() - plan.outS()),
                stood.isPresent() ? seconds(stood.getAsDouble()) : "",
                left,
                seconds(plan.fullS() - plan.startS()),
                c.filled().isPresent() ? seconds(c.filled().getAsDouble()) : "",
                Show.value(plan.metalC(), Measure.DEGREE_CELSIUS, units, false).toString(),
                c.gauge().isPresent() ? Math.round(c.gauge().getAsDouble()) + " kPa" : "",
                c.overruled());
    }

    private static String seconds(double s) {
        return Math.abs(s) < 100
                ? String.format(Locale.ROOT, "%.0f s", s)
                : String.format(Locale.ROOT, "%.1f min", s / 60);
    }
}

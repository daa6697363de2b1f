package kilnryu.app.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.device.KilnController;
import kilnryu.app.plan.PlanDocument;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.Duty;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Stage;
import kilnryu.core.burnout.Until;
import kilnryu.core.kiln.FiringProgram;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/**
 * A firing as it was when it started: all that its course is held against, whatever is changed of trees, kiln or factors
 * afterwards.
 *
 * @param heat null where no kiln was chosen
 * @param plans the plan document of each tree
 */
record Frozen(
        String kiln,
        Kiln heat,
        List<Load> load,
        List<Line> program,
        List<At> duties,
        double minutes,
        Map<String, Map<String, Object>> plans,
        Map<String, String> overruled) {

    /** A mold. */
    record Load(long tree, KilnRun.Charge charge, double soak, boolean flows, double limit) {}

    /** A segment. */
    record Line(Stage stage, double rate, double target, int hold, Until until, String ruledBy) {}

    /** A duty. */
    record At(Duty.Kind kind, double minute, String caution) {}

    static Frozen of(LoadPlan plan, Map<String, String> overruled) {
        BurnoutProgram program = plan.program().orElseThrow();
        List<Load> load = new ArrayList<>();
        Map<String, Map<String, Object>> documents = new java.util.LinkedHashMap<>();
        for (int i = 0; i < plan.stands().size(); i++) {
            Stand s = plan.stands().get(i);
            HeldProgram.Fired f = plan.fired().get(i);
            load.add(new Load(
                    s.tree(), f.charge(), f.soak(), f.flows(), plan.limits().get(i)));
            documents.put(s.key(), PlanDocument.write(s.saved().plan()));
        }
        return new Frozen(
                plan.kiln().map(k -> k.name()).orElse("kiln"),
                plan.kiln().flatMap(k -> k.heat()).orElse(null),
                load,
                program.segments().stream()
                        .map(s -> new Line(s.stage(), s.rate(), s.target(), s.hold(), s.until(), s.ruledBy()))
                        .toList(),
                program.duties().stream()
                        .map(d -> new At(d.kind(), d.minute(), d.caution()))
                        .toList(),
                program.minutes(),
                documents,
                overruled);
    }

    List<Segment> segments() {
        return program.stream()
                .map(l -> new Segment(
                        l.stage,
                        l.rate,
                        l.target,
                        l.hold,
                        l.until,
                        Figure.given("hold", "hold as frozen", l.hold, Measure.MINUTE, Known.CHOSEN, 0),
                        l.ruledBy))
                .toList();
    }

    HeldProgram.Question question(KilnRun.Detail detail, boolean lengthen) {
        return new HeldProgram.Question(
                load.stream()
                        .map(l -> new HeldProgram.Fired(l.charge, l.soak, l.flows))
                        .toList(),
                Optional.ofNullable(heat),
                BurnoutQuestion.START_C,
                detail,
                lengthen);
    }

    /** What the program asks so many seconds into it, C. */
    double asked(double into) {
        return FiringProgram.of(
                        BurnoutQuestion.START_C,
                        program.stream()
                                .map(l -> new FiringProgram.Segment(l.rate, l.target, l.hold))
                                .toList())
                .at(into);
    }

    List<Double> limits() {
        return load.stream().map(Load::limit).toList();
    }

    /** For a stand-in; without a plate a kiln of middling size. */
    KilnController.Job job() {
        return new KilnController.Job(
                program.stream()
                        .map(l -> new KilnController.Step(Math.min(l.rate, 100_000), l.target, l.hold))
                        .toList(),
                BurnoutQuestion.START_C,
                heat == null ? Kiln.of(4, 1_150, 80) : heat,
                load.stream().map(Load::charge).toList());
    }
}

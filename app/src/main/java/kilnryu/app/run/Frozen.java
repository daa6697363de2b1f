package kilnryu.app.run;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.device.KilnController;
import kilnryu.app.load.LoadPlan;
import kilnryu.app.load.Stand;
import kilnryu.app.record.Fired;
import kilnryu.app.record.WorkRecord;
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
 */
public record Frozen(
        String kiln,
        Kiln heat,
        List<Load> load,
        List<Line> program,
        List<At> duties,
        double minutes,
        Map<String, String> overruled) {
    private static final Map<String, Stage> STAGES = words(Stage.values());
    private static final Map<String, Until> UNTILS = words(Until.values());
    private static final Map<String, Duty.Kind> DUTIES = words(Duty.Kind.values());

    /** A mold. */
    public record Load(long tree, KilnRun.Charge charge, double soak, boolean flows, double limit) {}

    /** A segment. */
    record Line(Stage stage, double rate, double target, int hold, Until until, String ruledBy) {}

    /** A duty. */
    record At(Duty.Kind kind, double minute, String caution) {}

    static Frozen of(LoadPlan plan, Map<String, String> overruled) {
        BurnoutProgram program = plan.program().orElseThrow();
        List<Load> load = new ArrayList<>();
        for (int i = 0; i < plan.stands().size(); i++) {
            Stand s = plan.stands().get(i);
            HeldProgram.Fired f = plan.fired().get(i);
            load.add(new Load(
                    s.tree(), f.charge(), f.soak(), f.flows(), plan.limits().get(i)));
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
                overruled);
    }

    /** The words of the record. A constant that is renamed keeps its word: the golden records see to it. */
    private static <E extends Enum<E>> Map<String, E> words(E[] constants) {
        return Arrays.stream(constants)
                .collect(Collectors.toMap(Frozen::word, c -> c, (a, b) -> a, java.util.LinkedHashMap::new));
    }

    /** All words of a program that a record may hold. */
    static Set<String> words() {
        Set<String> all = new java.util.LinkedHashSet<>(STAGES.keySet());
        all.addAll(UNTILS.keySet());
        all.addAll(DUTIES.keySet());
        return all;
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static <E> E named(Map<String, E> words, String word) {
        if (!words.containsKey(word)) {
            throw new IllegalArgumentException("\"" + word + "\" is not known here");
        }
        return words.get(word);
    }

    /** @throws IllegalArgumentException with a word on what of it cannot be reckoned with any more */
    static Frozen of(WorkRecord.Course c) {
        if (c == null || c.molds().isEmpty() || c.program().isEmpty()) {
            throw new IllegalArgumentException("nothing stood in it, or no program was started");
        }
        return new Frozen(
                c.kiln(),
                c.heat() == null ? null : c.heat().kiln(),
                c.molds().stream()
                        .map(m -> new Load(m.tree(), m.charge().charge(), m.soakMin(), m.drains(), m.limitC()))
                        .toList(),
                c.program().stream()
                        .map(l -> new Line(
                                named(STAGES, l.stage()),
                                l.ratePerH() == null ? Double.POSITIVE_INFINITY : l.ratePerH(),
                                l.targetC(),
                                l.holdMin(),
                                named(UNTILS, l.until()),
                                l.ruledBy()))
                        .toList(),
                c.duties().stream()
                        .map(t -> new At(named(DUTIES, t.duty()), t.minute(), t.caution()))
                        .toList(),
                c.minutes(),
                c.overruled().stream()
                        .collect(Collectors.toMap(
                                WorkRecord.Overruled::stop, WorkRecord.Overruled::reason, (a, b) -> a)));
    }

    WorkRecord.Course course() {
        return new WorkRecord.Course(
                kiln,
                heat == null ? null : Fired.Heat.of(heat),
                load.stream()
                        .map(l -> new WorkRecord.Mold(l.tree, Fired.Charge.of(l.charge), l.soak, l.flows, l.limit))
                        .toList(),
                program.stream()
                        .map(l -> new WorkRecord.Line(
                                word(l.stage),
                                Double.isInfinite(l.rate) ? null : l.rate,
                                l.target,
                                l.hold,
                                word(l.until),
                                l.ruledBy))
                        .toList(),
                duties.stream()
                        .map(d -> new WorkRecord.Task(word(d.kind), d.minute, d.caution))
                        .toList(),
                minutes,
                overruled.entrySet().stream()
                        .map(e -> new WorkRecord.Overruled(e.getKey(), e.getValue()))
                        .toList());
    }

    public List<Segment> segments() {
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

    /** Corners of the program: minutes since the start and C. */
    List<double[]> corners() {
        List<double[]> corners = new ArrayList<>(List.of(new double[] {0, BurnoutQuestion.START_C}));
        double minute = 0;
        double from = BurnoutQuestion.START_C;
        for (Segment s : segments()) {
            minute += s.rampMinutes(from);
            corners.add(new double[] {minute, s.target()});
            minute += s.hold();
            corners.add(new double[] {minute, s.target()});
            from = s.target();
        }
        return corners;
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

package kilnryu.app.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.kiln.ProgramQuestionReader.ProgramRequest;
import kilnryu.app.web.Answer;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.Duty;
import kilnryu.core.burnout.ProgramGenerator;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Subject;
import kilnryu.core.finding.Findings;
import kilnryu.core.flask.MoldChecks;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.FiringProgram;
import kilnryu.core.kiln.FiringSums;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.material.HeatChecks;
import kilnryu.core.sum.Figure;

/**
 * A program by a school: its segments, which {@code /burnout} takes as they are, and what they do, which is what it answers of
 * them. Null where something never comes about or does not apply.
 */
record ProgramAnswer(Map<String, Object> figures, List<Answer.Sum> sums, List<Answer.Check> findings) {
    /** A step that a kiln takes as fast as it can, as a rate that can be written. */
    private static final double AS_FAST_AS_IT_CAN = 100_000;

    /** One line of the program. */
    record Line(String stage, double rate_K_h, double target_C, double hold_min, String limited_by) {}

    static ProgramAnswer of(ProgramRequest asked) {
        BurnoutQuestion question = asked.question();
        Subject mold = question.load().get(0);
        BurnoutProgram program =
                new ProgramGenerator(asked.factors()).generate(question, asked.kiln(), KilnRun.Detail.FULL);
        Map<String, Object> figures = new LinkedHashMap<>();
        figures.put(
                "segments",
                program.segments().stream()
                        .map(s -> new Line(s.stage().label(), rate(s), s.target(), s.hold(), s.ruledBy()))
                        .toList());
        Findings findings = program.findings()
                .and(HeatChecks.check(asked.pour(), asked.factors()))
                .and(MoldChecks.check(mold.alloy(), mold.system(), asked.pour().metal(), Optional.empty()));
        Map<String, Figure> sums = new LinkedHashMap<>();
        Optional<Firing> firing = program.segments().isEmpty()
                ? Optional.empty()
                : Optional.of(
                        Firing.of(new Firing.Question(mold.mold(), written(program), asked.kiln(), mold.residue(), 1)));
        figures.put("program_min", firing.map(Firing::minutes).orElse(null));
        figures.put("dry_min", firing.map(f -> boxed(f.past().get(0))).orElse(null));
        figures.put("past_680_min", firing.map(f -> boxed(f.past().get(2))).orElse(null));
        figures.put("tray_out_min", duty(program, Duty.Kind.DRAIN_TRAY));
        figures.put("turn_min", duty(program, Duty.Kind.TURN_FLASK));
        figures.put("pour_C", asked.pour().metal().map(Figure::value).orElse(null));
        figures.put("mold_C", asked.pour().mold().map(Figure::value).orElse(null));
        firing.ifPresent(f -> f.energy().ifPresent(e -> figures.put("energy_kWh", e)));
        figures.put("strain_mismatch_pct", firing.map(Firing::mismatch).orElse(null));
        figures.put("residue_char_pct", firing.map(Firing::residue).orElse(null));
        figures.put("residue_ash_pct", mold.ash());
        List<Figure> all = new ArrayList<>();
        asked.pour().metal().ifPresent(all::add);
        asked.pour().mold().ifPresent(all::add);
        all.add(program.total());
        firing.ifPresent(f -> all.addAll(FiringSums.of(f)));
        all.forEach(f -> sums.put(f.symbol(), f));
        Answer answer = Answer.of(sums, findings);
        return new ProgramAnswer(figures, answer.sums(), answer.findings());
    }

    private static FiringProgram written(BurnoutProgram program) {
        return FiringProgram.of(
                BurnoutQuestion.START_C,
                program.segments().stream()
                        .map(s -> new FiringProgram.Segment(rate(s), s.target(), s.hold()))
                        .toList());
    }

    private static double rate(Segment s) {
        return Math.min(s.rate(), AS_FAST_AS_IT_CAN);
    }

    private static Double duty(BurnoutProgram program, Duty.Kind kind) {
        return program.duties().stream()
                .filter(d -> d.kind() == kind)
                .findFirst()
                .map(Duty::minute)
                .orElse(null);
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? (Double) value.getAsDouble() : null;
    }
}

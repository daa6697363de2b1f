package kilnryu.app.firing;

import java.util.List;
import java.util.Optional;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.ProgramGenerator;
import kilnryu.core.burnout.ProgramSimulation;
import kilnryu.core.burnout.ShellFiring;
import kilnryu.core.burnout.Subject;
import kilnryu.core.kiln.Watch;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/** Where the program of a single tree comes from: a plan is read for every page of its tree, and the same question is asked again. */
@FunctionalInterface
public interface Programs {
    /** Reckons each anew: for a document that is read once. */
    Programs ANEW = question -> question.answer(Watch.NOBODY);

    BurnoutProgram of(Question<BurnoutProgram> question);

    /** Reckoned once by the simulations, on behalf of a studio. */
    static Programs by(Simulations simulations, long studio) {
        return question -> simulations.of(studio, question);
    }

    default BurnoutProgram of(BurnoutQuestion question, Factors factors) {
        return of(ProgramQuestion.of(question, factors));
    }

    default BurnoutProgram of(ShellFiring.Question question, Factors factors) {
        return of(ProgramQuestion.of(question, factors));
    }

    /** Tries programs while someone looks on. */
    private static ProgramSimulation watched(Watch watch) {
        return (program, question) -> HeldProgram.of(program, question, watch);
    }

    /** A question by all that its answer depends on. */
    final class ProgramQuestion implements Question<BurnoutProgram> {
        private final List<Object> by;
        private final Maker maker;

        /** Makes the program. */
        private interface Maker {
            BurnoutProgram with(ProgramSimulation trier);
        }

        private ProgramQuestion(List<Object> by, Maker maker) {
            this.by = by;
            this.maker = maker;
        }

        private static ProgramQuestion of(BurnoutQuestion question, Factors factors) {
            Subject s = question.load().get(0);
            return new ProgramQuestion(
                    List.of(
                            s.system(),
                            s.mold(),
                            s.diameter(),
                            s.height(),
                            s.kilograms(),
                            s.stand(),
                            s.patterns(),
                            s.alloy(),
                            value(s.pour()),
                            question.school(),
                            celsius(question.kilnMax()),
                            question.drainC().orElse(Double.NaN),
                            factors),
                    trier -> new ProgramGenerator(factors, trier).generate(question));
        }

        private static ProgramQuestion of(ShellFiring.Question question, Factors factors) {
            return new ProgramQuestion(
                    List.of(
                            question.shell().thickness().value(),
                            question.shell().question().area().value(),
                            question.shell().strength().map(x -> x.bedded()).orElse(true),
                            question.dewax().method(),
                            question.dewax().steps(),
                            question.alloy(),
                            question.section(),
                            question.handling(),
                            celsius(question.mold()),
                            celsius(question.kilnMax()),
                            factors),
                    trier -> new ShellFiring(factors, trier).generate(question));
        }

        @Override
        public BurnoutProgram answer(Watch watch) {
            return maker.with(watched(watch));
        }

        @Override
        public String words() {
            return "the firing of a mold";
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof ProgramQuestion a && by.equals(a.by);
        }

        @Override
        public int hashCode() {
            return by.hashCode();
        }

        private static double value(Optional<Figure> figure) {
            return figure.map(Figure::value).orElse(Double.NaN);
        }

        private static double celsius(Optional<Temperature> temperature) {
            return temperature.map(Temperature::celsius).orElse(Double.NaN);
        }
    }
}

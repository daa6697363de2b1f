package kilnryu.app.firing;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.ProgramGenerator;
import kilnryu.core.burnout.ShellFiring;
import kilnryu.core.burnout.Subject;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/**
 * Programs that were tried lately, by all that they depend on: a plan is read for every page of its tree, and the
 * simulation takes some ten milliseconds. Nothing here outlives the process, and the same question has the same answer.
 */
final class Tried {
    private static final int MOST = 200;
    private static final Map<List<Object>, BurnoutProgram> LATELY =
            Collections.synchronizedMap(new LinkedHashMap<>(64, 0.75f, true) {
                private static final long serialVersionUID = 1L;

                @Override
                protected boolean removeEldestEntry(Map.Entry<List<Object>, BurnoutProgram> eldest) {
                    return size() > MOST;
                }
            });

    private Tried() {}

    static BurnoutProgram of(BurnoutQuestion question, Factors factors) {
        Subject s = question.load().get(0);
        List<Object> key = List.of(
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
                factors);
        return known(key, () -> new ProgramGenerator(factors).generate(question));
    }

    static BurnoutProgram of(ShellFiring.Question question, Factors factors) {
        List<Object> key = List.of(
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
                factors);
        return known(key, () -> new ShellFiring(factors).generate(question));
    }

    private static BurnoutProgram known(List<Object> key, Supplier<BurnoutProgram> made) {
        BurnoutProgram known = LATELY.get(key);
        if (known == null) {
            known = made.get();
            LATELY.put(key, known);
        }
        return known;
    }

    private static double value(Optional<Figure> figure) {
        return figure.map(Figure::value).orElse(Double.NaN);
    }

    private static double celsius(Optional<Temperature> temperature) {
        return temperature.map(Temperature::celsius).orElse(Double.NaN);
    }
}

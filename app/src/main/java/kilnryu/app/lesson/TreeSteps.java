package kilnryu.app.lesson;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.pour.FullMolds;
import kilnryu.core.lesson.Step;
import kilnryu.core.pour.Outside;
import kilnryu.core.shell.Drying;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.sum.Figure;
import org.springframework.stereotype.Component;

/** What a tree asks of a class: steps of its plan with the hands they take and what has to be waited for. */
@Component
class TreeSteps {
    private static final double ROOM_C = 20;
    private static final double HOUR = 60;
    private static final double PRIME_BEARS = Drying.PRIME_LATEST.value() * HOUR;

    private final FullMolds molds;

    TreeSteps(FullMolds molds) {
        this.molds = molds;
    }

    /** Minutes of hands that the caster reckons with. */
    record Hands(double wax, double mix, double coat, double pour, double out, double finish) {
        static final Hands USUAL = new Hands(60, 45, 15, 60, 40, 240);
    }

    /**
     * @param unknown what cannot be reckoned with, and why; empty where all is known
     */
    record Steps(List<Step> all, List<String> unknown) {}

    Steps of(Account account, Plans.Saved saved, Hands hands) {
        Plan plan = saved.plan();
        List<Step> steps = new ArrayList<>(List.of(Step.loose("Build the tree", hands.wax())));
        List<String> unknown = new ArrayList<>();
        OptionalDouble stands = mold(plan, hands, steps, unknown);
        if (plan.firing().isEmpty()) {
            unknown.add("Its burnout is not planned: how long the kiln works before the pour is not known.");
        }
        double kiln = plan.firing().map(f -> f.program().minutes()).orElse(0.0);
        steps.add(new Step(
                "Pour",
                hands.pour(),
                stands.orElse(0) + kiln,
                OptionalDouble.empty(),
                kiln,
                false,
                "The mold stands and is burnt out.",
                ""));
        steps.add(new Step(
                "Break out",
                hands.out(),
                cooling(account, saved, unknown),
                OptionalDouble.empty(),
                0,
                false,
                "The full mold cools.",
                ""));
        steps.add(Step.loose("Cut off, clean, chase and patina", hands.finish()));
        return new Steps(steps, unknown);
    }

    /** @return min that the mold stands before the kiln */
    private static OptionalDouble mold(Plan plan, Hands hands, List<Step> steps, List<String> unknown) {
        if (plan.shell().isPresent()) {
            ShellPlan shell = plan.shell().get().plan();
            coats(shell, hands, steps, unknown);
            return OptionalDouble.of(shell.finalDry().map(Figure::value).orElse(0.0) * HOUR);
        }
        if (plan.flask().isEmpty() && plan.block().isEmpty()) {
            unknown.add("It has no mold yet.");
            return OptionalDouble.empty();
        }
        steps.add(new Step("Weigh, mix and fill the mold", hands.mix(), 0, OptionalDouble.empty(), 0, false, "", ""));
        return plan.flask()
                .map(f -> OptionalDouble.of(f.stand().value()))
                .orElseGet(() -> OptionalDouble.of(plan.block().get().cure().value() * HOUR));
    }

    private static void coats(ShellPlan shell, Hands hands, List<Step> steps, List<String> unknown) {
        double dry = 0;
        boolean afterPrime = false;
        for (ShellPlan.Layer layer : shell.layers()) {
            steps.add(new Step(
                    "Coat " + layer.number(),
                    hands.coat(),
                    dry,
                    afterPrime ? OptionalDouble.of(Math.max(PRIME_BEARS, dry)) : OptionalDouble.empty(),
                    0,
                    false,
                    "It dries.",
                    "A prime that stands too long dusts off, and its stucco falls into the mold."));
            afterPrime = layer.coat().isPrime();
            Optional<Figure> drying = layer.drying();
            if (drying.isEmpty()) {
                unknown.add("Coat " + layer.number() + " never dries in this air.");
            }
            dry = drying.map(Figure::value).orElse(0.0) * HOUR;
        }
        steps.add(new Step(
                "Close and look the shell over",
                hands.coat(),
                dry,
                OptionalDouble.empty(),
                0,
                false,
                "The last coat dries.",
                ""));
    }

    private double cooling(Account account, Plans.Saved saved, List<String> unknown) {
        OptionalDouble out = molds.of(account, saved.row().id(), Optional.empty(), Outside.air(ROOM_C))
                .map(f -> f.quenching().shakeOut())
                .orElse(OptionalDouble.empty());
        if (out.isEmpty()) {
            unknown.add("How long the full mold cools is not known: it is not opened before it is cold.");
        }
        return out.isPresent() ? out.getAsDouble() / HOUR : 24 * HOUR;
    }
}

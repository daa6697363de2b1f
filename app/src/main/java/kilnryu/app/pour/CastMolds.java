package kilnryu.app.pour;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.firing.FiringReader;
import kilnryu.app.plan.Berth;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.core.burnout.Subject;
import kilnryu.core.gating.FillMargin;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Watch;
import kilnryu.core.pour.CarryWindow;
import kilnryu.core.pour.Outside;
import kilnryu.core.pour.PourMold;
import kilnryu.core.shell.SandBed;
import kilnryu.core.sum.Figure;
import kilnryu.core.tree.TreePlan;
import kilnryu.core.tree.WeighedTree;
import org.springframework.stereotype.Component;

/** Molds to be poured, from their trees' plans. */
@Component
class CastMolds {
    /** A mold is not poured this much cooler than it was planned to leave the kiln, K. */
    static final double BELOW_K = 50;

    /** The metal may be this much under what is asked and still be poured, K. */
    private static final double COOLER_K = 30;

    private static final double USUAL_RATE_G_S = 250;
    private static final double ROUND_MM = 50;
    private static final Duration WHILE_TRIED = Duration.ofSeconds(60);

    private final Plans plans;
    private final Berth.Source berths;
    private final Cache<List<Object>, List<CastMold>> tried =
            Caffeine.newBuilder().maximumSize(60).expireAfterWrite(WHILE_TRIED).build();
    private final Simulations simulations;
    private final Cache<List<Object>, OptionalDouble> margins =
            Caffeine.newBuilder().maximumSize(20_000).build();

    CastMolds(Plans plans, Berth.Source berths, Simulations simulations) {
        this.simulations = simulations;
        this.plans = plans;
        this.berths = berths;
    }

    /**
     * In the order asked; trees that are gone or cannot be read are left out.
     *
     * @param tries whether they are wanted again and again while something is moved: then those of the last minute do
     */
    List<CastMold> of(Account account, Collection<Long> trees, boolean tries) {
        List<Object> key = List.of(
                account.id(),
                account.units(),
                List.copyOf(trees.stream().sorted().toList()));
        List<CastMold> known = tries ? tried.getIfPresent(key) : null;
        if (known == null) {
            berths.foresee(account, trees);
            known = plans.find(account, trees).stream()
                    .flatMap(s -> mold(account, s).stream())
                    .toList();
            tried.put(key, known);
        }
        List<CastMold> all = known;
        return trees.stream()
                .flatMap(t -> all.stream().filter(m -> m.id() == t))
                .toList();
    }

    private Optional<CastMold> mold(Account account, Plans.Saved saved) {
        Plan plan = saved.plan();
        if (plan.tree().isEmpty()) {
            return Optional.empty();
        }
        TreePlan tree = plan.tree().get();
        FiringReader.Choices choices = FiringReader.choices(
                plan.fields().get(Stage.FIRING),
                plan.reading().zone(),
                plan.reading().schools());
        boolean shell = plan.shell().isPresent();
        return Optional.of(new CastMold(
                saved,
                shell
                        ? "shell"
                        : plan.block().isPresent() ? "block" : plan.flask().isPresent() ? "flask" : "no mold",
                tree.tree().alloy(),
                plan.weighed().map(WeighedTree::cavity).orElse(tree.cavityMetal()),
                tree.reserve(),
                plan.pour(),
                shell ? choices.shellPours(tree) : choices.pours(tree),
                body(plan, tree, choices),
                shell ? 0 : plan.outline().map(o -> o.width() / 2000).orElse(0.0),
                plan.flask().isPresent(),
                heavy(plan, tree),
                plan.reading().hands().lift(),
                sand(plan, tree),
                berths.of(account, saved.row().id(), false)));
    }

    /** The mold with its metal, without the steel of a flask, g. */
    private static double heavy(Plan plan, TreePlan tree) {
        return plan.flask()
                .map(f -> f.powder().value() + tree.cavityMetal().value())
                .or(() -> plan.block().flatMap(b -> b.poured()).map(Figure::value))
                .or(() -> plan.shell().flatMap(s -> s.plan().lift()).map(Figure::value))
                .orElse(0.0);
    }

    /** Sand of a tub with room round the shell, kg. */
    private static double sand(Plan plan, TreePlan tree) {
        if (plan.shell().isEmpty() || plan.outline().isEmpty()) {
            return 0;
        }
        double thick = plan.shell().get().plan().thickness().value();
        double wide = plan.outline().get().width() + 2 * thick;
        double high = plan.outline().get().height() + thick;
        SandBed.Box tub = new SandBed.Box(wide + 2 * ROUND_MM, wide + 2 * ROUND_MM, high + ROUND_MM);
        return Math.max(
                0,
                SandBed.of(
                                tub,
                                tree.treeVolume(),
                                plan.shell().get().plan().fired(),
                                wide,
                                high,
                                plan.reading().factors())
                        .sand()
                        .value());
    }

    private static Optional<Mold> body(Plan plan, TreePlan tree, FiringReader.Choices choices) {
        Subject.Tree what = FiringReader.what(choices, tree);
        return plan.flask()
                .map(f -> Subject.of(what, f).mold())
                .or(() -> plan.block().map(b -> Subject.of(what, b).mold()))
                .or(() -> plan.shell().map(s -> Mold.shell(s.plan().thickness().value() / 1000, 0.05)));
    }

    /** A mold that is carried to the pour. */
    private record Carried(CarryWindow.Question asked) implements Question<CarryWindow> {
        @Override
        public CarryWindow answer(Watch watch) {
            return CarryWindow.of(asked);
        }

        @Override
        public String words() {
            return "the cooling of a mold";
        }
    }

    /** As the pour plan sees it; empty where mold or temperatures are not known. */
    Optional<PourMold> toPour(long studio, CastMold m, Outside outside, double ready) {
        if (m.body().isEmpty() || m.moldC().isEmpty() || m.metalC().isEmpty()) {
            return Optional.empty();
        }
        double leaves = m.moldC().get().value();
        double limit = leaves - BELOW_K;
        CarryWindow.Question asked = new CarryWindow.Question(m.body().get(), m.radius(), leaves, limit, outside);
        CarryWindow window = simulations.of(studio, new Carried(asked));
        Optional<FillMargin> margin = m.saved().plan().gating().map(g -> FillMargin.of(g.plan()));
        double fill = margin.filter(f -> f.fill().isPresent())
                .map(f -> f.fill().getAsDouble())
                .orElse(m.metal().value() / USUAL_RATE_G_S);
        return Optional.of(new PourMold(
                m.key(),
                m.name(),
                m.alloy(),
                m.metal().value(),
                leaves,
                window,
                limit,
                Math.max(m.alloy().melting().liquidus() + 5, m.metalC().get().value() - COOLER_K),
                Math.max(0.5, fill),
                margin.map(FillMargin::thinnest).orElse(OptionalDouble.empty()),
                margin.<PourMold.Margin>map(f -> (metal, mold) -> remembered(m, f, metal, mold))
                        .orElse(PourMold.Margin.UNKNOWN),
                ready));
    }

    /** To the nearest kelvin: while an order is dragged the same are asked many times. */
    private OptionalDouble remembered(CastMold m, FillMargin f, double metal, double mold) {
        long metalC = Math.round(metal);
        long moldC = Math.round(mold);
        return margins.get(
                List.of(m.key(), m.saved().row().updatedAt(), f.fill(), metalC, moldC), k -> f.at(metalC, moldC));
    }
}

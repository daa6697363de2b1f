package kilnryu.app.pour;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import kilnryu.app.account.Account;
import kilnryu.core.breakout.FullMold;
import kilnryu.core.breakout.MetalCooling;
import kilnryu.core.breakout.Quenching;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.pour.Outside;
import kilnryu.core.quantity.Solids;
import kilnryu.core.sum.Figure;
import org.springframework.stereotype.Component;

/** A tree's mold full of metal, as it was poured, else as it is planned. */
@Component
public class FullMolds {
    private static final double USUAL_WATER_C = 15;
    private static final double LEAST_DEPTH = 0.005;
    private static final double MOST_DEPTH = 0.03;

    private final CastMolds molds;

    FullMolds(CastMolds molds) {
        this.molds = molds;
    }

    /**
     * @param cores empty where nothing is built
     * @param sections thickest over thinnest place; empty where no wall is known
     * @param moldG without its metal, g; 0 where not known
     * @param flask as it stands; empty for an oval one and where none is planned
     */
    public record Full(
            FullMold mold,
            Quenching.Kind kind,
            Optional<Boolean> cores,
            OptionalDouble sections,
            double moldG,
            Optional<Quenching.Upright> flask) {
        /** When it may go into water or be shaken out. */
        public Quenching quenching(MetalCooling cooling, Quenching.Bucket bucket) {
            return Quenching.of(new Quenching.Question(cooling, kind, cores, moldG, sections, flask, bucket));
        }

        /** The same with no bucket chosen yet. */
        public Quenching quenching() {
            return quenching(MetalCooling.of(mold), Quenching.Bucket.of(USUAL_WATER_C));
        }
    }

    /** Empty where there is no mold yet, or its heat is not known. */
    public Optional<Full> of(Account account, long tree, Optional<PouredMold> poured, Outside outside) {
        return molds.of(account, List.of(tree), false).stream()
                .findFirst()
                .filter(m -> m.body().isPresent()
                        && m.metalC().isPresent()
                        && m.moldC().isPresent()
                        && m.alloy().isTabled()
                        && m.metal().value() > 0)
                .map(m -> full(m, poured, outside));
    }

    private static Full full(CastMold m, Optional<PouredMold> poured, Outside outside) {
        Optional<GatingPlan> built = m.saved().plan().gating().map(g -> g.plan());
        double metalC = poured.map(PouredMold::metal)
                .filter(OptionalDouble::isPresent)
                .map(OptionalDouble::getAsDouble)
                .orElse(m.metalC().get().value());
        double moldC = poured.map(PouredMold::moldC)
                .filter(OptionalDouble::isPresent)
                .map(OptionalDouble::getAsDouble)
                .orElse(m.moldC().get().value());
        double grams = m.metal().value();
        return new Full(
                new FullMold(
                        m.alloy(),
                        m.body().get(),
                        grams,
                        metalC,
                        moldC,
                        modulus(built, grams / m.alloy().density().value() / 1e6),
                        built.map(FullMolds::button).orElse(FullMold.Button.USUAL),
                        outside),
                switch (m.kind()) {
                    case "shell" -> Quenching.Kind.SHELL;
                    case "block" -> Quenching.Kind.BLOCK;
                    default -> Quenching.Kind.FLASK;
                },
                built.map(g -> bodies(g).anyMatch(b -> b.core().isPresent())),
                built.map(FullMolds::sections).orElse(OptionalDouble.empty()),
                Math.max(0, m.heavy() - grams),
                m.saved()
                        .plan()
                        .flask()
                        .map(FlaskPlan::flask)
                        .filter(f -> f.otherDiameter().isEmpty())
                        .map(f -> new Quenching.Upright(
                                f.innerDiameter().millimetres(), f.height().millimetres())));
    }

    private static Stream<Form.Body> bodies(GatingPlan plan) {
        return plan.assembly().of(Use.PIECE).stream()
                .flatMap(p -> p.form() instanceof Form.Body b ? Stream.of(b) : Stream.empty());
    }

    /** Of the thickest place, m; of a ball of all its metal where nothing is built. */
    private static double modulus(Optional<GatingPlan> built, double volume) {
        OptionalDouble thickest = built.stream()
                .flatMap(g -> g.moduli().values().stream())
                .mapToDouble(Figure::value)
                .filter(Double::isFinite)
                .max();
        return thickest.isPresent() ? thickest.getAsDouble() / 1000 : Solids.ballModulus(volume);
    }

    /** What stands in the cup: as wide as its middle. */
    private static FullMold.Button button(GatingPlan plan) {
        Member cup = plan.assembly().root();
        double depth = Math.max(LEAST_DEPTH, Math.min(MOST_DEPTH, cup.form().length() / 1000));
        double across = cup.form() instanceof Form.Round r ? (r.root() + r.tip()) / 2000 : 0.03;
        return new FullMold.Button(Math.max(0.003, across / 2), depth);
    }

    private static OptionalDouble sections(GatingPlan plan) {
        return bodies(plan)
                .flatMap(b -> b.walls().stream())
                .filter(w -> w.thinnest() > 0)
                .mapToDouble(w -> w.thickest() / w.thinnest())
                .max();
    }
}

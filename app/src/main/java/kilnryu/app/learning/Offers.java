package kilnryu.app.learning;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.factor.Catalogue;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.web.Show;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.learning.Learned;
import kilnryu.core.material.Alloy;
import kilnryu.core.piece.Shrinkage;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import org.springframework.stereotype.Component;

/** Factors that a studio's own castings have taught, each with the constant it would take the place of. */
@Component
class Offers {
    private static final int MOST = 2000;

    private final LearningStore store;
    private final FactorStore factors;

    Offers(LearningStore store, FactorStore factors) {
        this.store = store;
        this.factors = factors;
    }

    /**
     * What was learned of one thing.
     *
     * @param constant that it would be put in the place of; empty where it is only shown
     * @param value that the constant would have
     * @param taken what stands there now, where it was taken from the log
     */
    record Offer(
            String key,
            String name,
            String what,
            String unit,
            Learned learned,
            Map<Learned.Pair, String> addresses,
            Optional<Constant> constant,
            double value,
            Optional<FactorStore.Learned> taken) {
        boolean takeable() {
            return constant.isPresent() && learned.offered() && learned.differs();
        }
    }

    List<Offer> of(Account account) {
        long studio = account.studioId();
        Map<String, FactorStore.Learned> taken = factors.learned(studio);
        List<Offer> all = new ArrayList<>();
        grouped(store.masses(studio, MOST)).forEach((alloy, pairs) -> all.add(mass(alloy, pairs, taken)));
        sizes(studio).forEach((key, pairs) -> all.add(size(key, pairs, taken)));
        grouped(store.carries(studio, MOST))
                .forEach((kind, pairs) ->
                        all.add(shown("carry." + kind, "Out of the kiln until metal, " + kind + "s", "s", pairs)));
        grouped(store.fills(studio, MOST))
                .forEach((kind, pairs) -> all.add(shown("fill." + kind, "Time to fill, " + kind + "s", "s", pairs)));
        grouped(store.heats(studio, MOST))
                .forEach((alloy, pairs) ->
                        all.add(shown("heat." + alloy, "Metal at the pour, " + label(alloy), "°C", pairs)));
        grouped(store.firings(studio, MOST))
                .forEach((kiln, pairs) -> all.add(shown("firing." + kiln, "Length of firings, " + kiln, "min", pairs)));
        grouped(store.melts(studio, MOST))
                .forEach((furnace, pairs) ->
                        all.add(shown("melt." + furnace, "Melting time, " + furnace, "min", pairs)));
        List<LearningStore.Paired> mixes = store.workingTimes(studio, MOST);
        if (!mixes.isEmpty()) {
            all.add(working(mixes, taken));
        }
        return all;
    }

    /** From powder in the water to matt, kept as the working time at 21 C. */
    private static Offer working(List<LearningStore.Paired> all, Map<String, FactorStore.Learned> taken) {
        Optional<FactorStore.Learned> before = Optional.ofNullable(taken.get(FlaskPlanner.WORKING_TIME_21.key()));
        Constant constant = FlaskPlanner.WORKING_TIME_21;
        Map<Learned.Pair, String> pairs = new java.util.IdentityHashMap<>();
        all.forEach(p -> pairs.put(
                new Learned.Pair(
                        p.of(),
                        before.filter(b -> p.made().isAfter(b.since())).isPresent()
                                ? p.planned() * constant.value() / before.get().value()
                                : p.planned(),
                        p.actual()),
                p.address()));
        Learned learned = Learned.of(List.copyOf(pairs.keySet()));
        return new Offer(
                "working",
                "Working time of the mix",
                "working time at 21 °C",
                "min",
                learned,
                pairs,
                Optional.of(constant),
                constant.value() * learned.value(),
                before);
    }

    Optional<Offer> named(Account account, String key) {
        return of(account).stream().filter(o -> o.key().equals(key)).findFirst();
    }

    private static Map<String, List<LearningStore.Paired>> grouped(List<LearningStore.Paired> all) {
        Map<String, List<LearningStore.Paired>> groups = new LinkedHashMap<>();
        all.forEach(
                p -> groups.computeIfAbsent(p.group(), k -> new ArrayList<>()).add(p));
        return groups;
    }

    static String label(String alloy) {
        return Alloy.named(alloy).map(Alloy::label).orElse(alloy);
    }

    private static Map<Learned.Pair, String> pairs(List<LearningStore.Paired> all) {
        Map<Learned.Pair, String> pairs = new java.util.IdentityHashMap<>();
        all.forEach(p -> pairs.put(new Learned.Pair(p.of(), p.planned(), p.actual()), p.address()));
        return pairs;
    }

    private static Offer shown(String key, String name, String unit, List<LearningStore.Paired> all) {
        Map<Learned.Pair, String> pairs = pairs(all);
        return new Offer(
                key,
                name,
                "shown only: plans ask it of the crew, the gating and the kiln",
                unit,
                Learned.of(List.copyOf(pairs.keySet())),
                pairs,
                Optional.empty(),
                Double.NaN,
                Optional.empty());
    }

    /** A cavity takes so many times the planned metal: kept as the density at which the alloy fills it. */
    private static Offer mass(String alloy, List<LearningStore.Paired> all, Map<String, FactorStore.Learned> taken) {
        Optional<Constant> density = Alloy.named(alloy).map(Alloy::density);
        Optional<FactorStore.Learned> before = density.flatMap(d -> Optional.ofNullable(taken.get(d.key())));
        Map<Learned.Pair, String> pairs = new java.util.IdentityHashMap<>();
        // trees that were planned with what was taken are held against the handbook, too
        all.forEach(p -> pairs.put(
                new Learned.Pair(
                        p.of(),
                        before.filter(b -> p.made().isAfter(b.since())).isPresent()
                                ? p.planned()
                                        * density.get().value()
                                        / before.get().value()
                                : p.planned(),
                        p.actual()),
                p.address()));
        Learned learned = Learned.of(List.copyOf(pairs.keySet()));
        return new Offer(
                "mass." + alloy,
                "Metal in the cavity, " + label(alloy),
                "density that this alloy has in your molds",
                "g",
                learned,
                pairs,
                density,
                density.map(d -> d.value() * learned.value()).orElse(Double.NaN),
                before);
    }

    private Map<String, List<LearningStore.Sized>> sizes(long studio) {
        Map<String, List<LearningStore.Sized>> groups = new LinkedHashMap<>();
        store.sizes(studio, MOST)
                .forEach(s -> groups.computeIfAbsent(s.alloy() + "." + s.kind() + "." + s.way(), k -> new ArrayList<>())
                        .add(s));
        return groups;
    }

    /** Casting over pattern, held against what the handbook foresees; kept as the growth of that kind of mold. */
    private Offer size(String key, List<LearningStore.Sized> all, Map<String, FactorStore.Learned> taken) {
        LearningStore.Sized first = all.get(0);
        Optional<Shrinkage.MoldKind> kind = Shrinkage.MoldKind.named(first.kind());
        Optional<Double> scale = kind.flatMap(k -> Alloy.named(first.alloy())
                .flatMap(a -> Shrinkage.scale(Shrinkage.Origin.WORKED, k, a, Factors.HANDBOOK))
                .map(f -> f.value()));
        Map<Learned.Pair, String> pairs = new java.util.IdentityHashMap<>();
        all.forEach(s -> pairs.put(
                new Learned.Pair(s.of() + ", " + s.place(), s.before() / scale.orElse(1.0), s.casting()),
                "/breakout/" + s.tree() + "#sizes"));
        Learned learned = Learned.of(List.copyOf(pairs.keySet()));
        Optional<Constant> growth = kind.flatMap(k -> Catalogue.named("grow." + k.key()));
        return new Offer(
                "size." + key,
                "Size of the casting, " + label(first.alloy()) + ", " + first.kind() + ", " + first.way(),
                "growth of this kind of mold",
                "mm",
                learned,
                pairs,
                first.way().equals("outside") ? growth : Optional.empty(),
                growth.map(g -> ((1 + g.value() / 100) * learned.value() - 1) * 100)
                        .orElse(Double.NaN),
                growth.flatMap(g -> Optional.ofNullable(taken.get(g.key()))));
    }

    static String shown(double value, Constant constant) {
        return (Show.digits(value) + " " + constant.unit().symbol()).strip();
    }
}

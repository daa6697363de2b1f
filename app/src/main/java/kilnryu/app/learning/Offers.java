package kilnryu.app.learning;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleBinaryOperator;
import kilnryu.app.account.Account;
import kilnryu.app.factor.Catalogue;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.factor.LogConstants;
import kilnryu.app.finishing.FinishStage;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.learning.Learned;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Furnace;
import kilnryu.core.piece.Shrinkage;
import kilnryu.core.pour.PourCrew;
import kilnryu.core.shell.Drying;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.wax.Slush;
import org.springframework.stereotype.Component;

/** Factors that a studio's own castings have taught, each with the constants it would take the place of. */
@Component
class Offers {
    private static final int MOST = 2000;
    /** What was planned with a constant grows with it, such as a time with the time of a step. */
    private static final DoubleBinaryOperator WITH = (constant, k) -> constant * k;
    /** What was planned with a constant falls with it, such as a time with a flow. */
    private static final DoubleBinaryOperator AGAINST = (constant, k) -> constant / k;

    private final LearningStore store;
    private final FactorStore factors;

    Offers(LearningStore store, FactorStore factors) {
        this.store = store;
        this.factors = factors;
    }

    List<Offer> of(Account account) {
        return new Reading(account.studioId()).all();
    }

    Optional<Offer> named(Account account, String key) {
        return of(account).stream().filter(o -> o.key().equals(key)).findFirst();
    }

    static String label(String alloy) {
        return Alloy.named(alloy).map(Alloy::label).orElse(alloy);
    }

    private static Map<String, List<LearningStore.Paired>> grouped(List<LearningStore.Paired> all) {
        Map<String, List<LearningStore.Paired>> groups = new LinkedHashMap<>();
        all.forEach(
                p -> groups.computeIfAbsent(p.group(), k -> new ArrayList<>()).add(p));
        return groups;
    }

    /** Pairs with the records they come from. */
    private static final class Pairs {
        private final Map<Learned.Pair, String> addresses = new IdentityHashMap<>();
        private final List<Learned.Pair> all = new ArrayList<>();

        /** As a log has them. */
        static Pairs of(List<LearningStore.Paired> log) {
            Pairs pairs = new Pairs();
            log.forEach(p -> pairs.add(p.of(), p.planned(), p.actual(), p.address()));
            return pairs;
        }

        void add(String of, double planned, double actual, String address) {
            Learned.Pair pair = new Learned.Pair(of, planned, actual);
            all.add(pair);
            addresses.put(pair, address);
        }

        Learned learned() {
            return Learned.of(all);
        }
    }

    /** One reading of a studio's log. */
    private final class Reading {
        private final long studio;
        private final Factors typed;
        private final Map<String, FactorStore.Learned> taken;
        private final List<Offer> all = new ArrayList<>();

        Reading(long studio) {
            this.studio = studio;
            typed = factors.typed(studio);
            taken = factors.learned(studio);
        }

        List<Offer> all() {
            grouped(store.masses(studio, MOST))
                    .forEach((alloy, p) -> offer(
                            "mass." + alloy,
                            "Metal in the cavity, " + label(alloy),
                            "density that this alloy has in your molds",
                            "g",
                            p,
                            Alloy.named(alloy).map(Alloy::density).stream().toList(),
                            WITH));
            sizes().forEach(this::size);
            some(
                    store.carries(studio, MOST),
                    p -> offer(
                            "carry",
                            "Out of the kiln until metal",
                            "carry, seat, next mold; pours whose hands were typed are left out",
                            "s",
                            p,
                            List.of(PourCrew.CARRY, PourCrew.SEAT, PourCrew.BETWEEN),
                            WITH));
            some(
                    store.fills(studio, MOST),
                    p -> offer(
                            "fill",
                            "Time to fill",
                            "flow through a choke, and as poured by hand, tongs, ladle",
                            "s",
                            p,
                            GatingPlanner.flow(),
                            AGAINST));
            some(store.walls(studio, MOST), this::wall);
            some(store.dryings(studio, typed.value(Drying.TAIL), MOST), this::drying);
            grouped(store.firings(studio, MOST)).forEach(this::lag);
            grouped(store.melts(studio, MOST)).forEach(this::melt);
            some(
                    store.workingTimes(studio, MOST),
                    p -> offer(
                            "working",
                            "Working time of the mix",
                            "working time at 21 °C",
                            "min",
                            p,
                            List.of(FlaskPlanner.WORKING_TIME_21),
                            WITH));
            grouped(store.hours(studio, MOST)).forEach(this::hours);
            onlyShown();
            return all;
        }

        private void onlyShown() {
            grouped(store.heats(studio, MOST))
                    .forEach((alloy, p) -> shown(
                            "heat." + alloy,
                            "Metal at the pour, " + label(alloy),
                            "shown only: plans ask it of the crew",
                            "°C",
                            p));
            grouped(store.weighings(studio, MOST))
                    .forEach((what, p) -> shown(
                            "weighed." + what,
                            "Weighed into the mix, " + what,
                            "shown only: it says how closely it is weighed",
                            "g",
                            p));
        }

        private void some(
                List<LearningStore.Paired> pairs, java.util.function.Consumer<List<LearningStore.Paired>> use) {
            if (!pairs.isEmpty()) {
                use.accept(pairs);
            }
        }

        private boolean taken(List<Constant> constants) {
            return constants.stream().anyMatch(c -> taken.containsKey(c.key()));
        }

        /** What was planned with the factor that is taken is held against what stood there without it, too. */
        private double unlearned(LearningStore.Paired p, List<Constant> constants, DoubleBinaryOperator way) {
            for (Constant c : constants) {
                FactorStore.Learned own = taken.get(c.key());
                if (own != null && p.made().isAfter(own.since())) {
                    double k = way.applyAsDouble(1, own.value() / typed.value(c));
                    return p.planned() / k;
                }
            }
            return p.planned();
        }

        private void offer(
                String key,
                String name,
                String what,
                String unit,
                List<LearningStore.Paired> log,
                List<Constant> constants,
                DoubleBinaryOperator way) {
            Pairs pairs = new Pairs();
            log.forEach(p -> pairs.add(p.of(), unlearned(p, constants, way), p.actual(), p.address()));
            add(key, name, what, unit, pairs, constants, way);
        }

        private void add(
                String key,
                String name,
                String what,
                String unit,
                Pairs pairs,
                List<Constant> constants,
                DoubleBinaryOperator way) {
            Learned learned = pairs.learned();
            all.add(new Offer(
                    key,
                    name,
                    what,
                    unit,
                    Offer.Lead.TIMES,
                    learned,
                    pairs.addresses,
                    constants.stream()
                            .map(c -> new Offer.Place(
                                    c, typed.value(c), way.applyAsDouble(typed.value(c), learned.value())))
                            .toList(),
                    taken(constants)));
        }

        private void shown(String key, String name, String what, String unit, List<LearningStore.Paired> log) {
            offer(key, name, what, unit, log, List.of(), WITH);
        }

        /** Each coat keeps the tail it was foreseen with: that is taken out where it is asked for. */
        private void drying(List<LearningStore.Paired> log) {
            Pairs pairs = Pairs.of(log);
            add(
                    "drying",
                    "Drying of coats, by weight",
                    "falling-rate tail, for shells begun afterwards",
                    "h",
                    pairs,
                    List.of(Drying.TAIL),
                    WITH);
        }

        /** Each wall was noted beside the model without a factor. */
        private void wall(List<LearningStore.Paired> log) {
            Pairs pairs = Pairs.of(log);
            add(
                    "wall",
                    "Wall of slushed wax",
                    "your walls over the model's, for waxes slushed afterwards",
                    "mm",
                    pairs,
                    List.of(Slush.OWN),
                    WITH);
        }

        /** A firing keeps what it was planned to lag: that is taken out where it is asked for. */
        private void lag(String kiln, List<LearningStore.Paired> log) {
            long id = Long.parseLong(kiln.substring(0, kiln.indexOf(' ')));
            Pairs pairs = Pairs.of(log);
            boolean lags = id != 0 && pairs.learned().value() > 1;
            add(
                    "firing." + id,
                    "Length of firings, " + kiln.substring(kiln.indexOf(' ') + 1),
                    lags
                            ? "what this kiln lags, for firings planned afterwards: it is closed sooner"
                            : "shown only: it does not lag",
                    "min",
                    pairs,
                    lags || taken(List.of(LogConstants.lag(id))) ? List.of(LogConstants.lag(id)) : List.of(),
                    WITH);
        }

        private void melt(String furnace, List<LearningStore.Paired> log) {
            Optional<Furnace.Heating> heating =
                    furnace.startsWith("of ") ? Furnace.Heating.named(furnace.substring(3)) : Optional.empty();
            if (heating.isPresent()) {
                offer(
                        "melt." + heating.get().key(),
                        "Melting time, " + heating.get().label(),
                        "share of the power that reaches the metal",
                        "min",
                        log,
                        List.of(heating.get().efficiency()),
                        AGAINST);
            } else {
                shown(
                        "melt." + furnace,
                        "Melting time, " + furnace,
                        "shown only: this furnace has an efficiency of its own; change it there",
                        "min",
                        log);
            }
        }

        /** No handbook has hours: what the log has is held against its own middle. */
        private void hours(String stage, List<LearningStore.Paired> log) {
            double one = Pairs.of(log).learned().value();
            Pairs pairs = new Pairs();
            log.forEach(p -> pairs.add(p.of(), p.planned() * one, p.actual(), p.address()));
            Learned learned = pairs.learned();
            Constant constant = LogConstants.hours(stage);
            all.add(new Offer(
                    "hours." + stage,
                    "Hours to "
                            + FinishStage.named(stage)
                                    .map(s -> s.label().toLowerCase(java.util.Locale.ROOT))
                                    .orElse(stage),
                    "hours on 1 kg, other masses by mass^(2/3); until it is taken, plans use the log as it stands",
                    "h",
                    new Offer.Lead(one, " h on 1 kg"),
                    learned,
                    pairs.addresses,
                    List.of(new Offer.Place(constant, one, one)),
                    taken(List.of(constant))));
        }

        private Map<String, List<LearningStore.Sized>> sizes() {
            Map<String, List<LearningStore.Sized>> groups = new LinkedHashMap<>();
            store.sizes(studio, MOST)
                    .forEach(s -> groups.computeIfAbsent(
                                    s.alloy() + "." + s.kind() + "." + s.way(), k -> new ArrayList<>())
                            .add(s));
            return groups;
        }

        /** Casting over pattern, held against what the handbook foresees; kept as the growth of that kind of mold. */
        private void size(String key, List<LearningStore.Sized> log) {
            LearningStore.Sized first = log.get(0);
            Optional<Shrinkage.MoldKind> kind = Shrinkage.MoldKind.named(first.kind());
            Optional<Double> scale = kind.flatMap(k -> Alloy.named(first.alloy())
                    .flatMap(a -> Shrinkage.scale(Shrinkage.Origin.WORKED, k, a, typed))
                    .map(f -> f.value()));
            Pairs pairs = new Pairs();
            log.forEach(s -> pairs.add(
                    s.of() + ", " + s.place(),
                    s.before() / scale.orElse(1.0),
                    s.casting(),
                    "/breakout/" + s.tree() + "#sizes"));
            List<Constant> growth = first.way().equals("outside")
                    ? kind.flatMap(k -> Catalogue.named("grow." + k.key())).stream()
                            .toList()
                    : List.of();
            add(
                    "size." + key,
                    "Size of the casting, " + label(first.alloy()) + ", " + first.kind() + ", " + first.way(),
                    growth.isEmpty() ? "shown only: bores shrink by their own way" : "growth of this kind of mold",
                    "mm",
                    pairs,
                    growth,
                    (percent, k) -> ((1 + percent / 100) * k - 1) * 100);
        }
    }
}

package kilnryu.app.pour;

import java.time.LocalDateTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.melt.MelterReader;
import kilnryu.app.melt.MelterStore;
import kilnryu.app.melt.MetalStore;
import kilnryu.app.plan.Berth;
import kilnryu.app.plan.PlanVerdict;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.kiln.Watch;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Bands;
import kilnryu.core.melt.Charge;
import kilnryu.core.melt.ChargeQuestion;
import kilnryu.core.melt.Charging;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.MeltPlan;
import kilnryu.core.melt.MeltQuestion;
import kilnryu.core.melt.PotChecks;
import kilnryu.core.melt.Stock;
import kilnryu.core.pour.Countdown;
import kilnryu.core.pour.Outside;
import kilnryu.core.pour.Pot;
import kilnryu.core.pour.PourCrew;
import kilnryu.core.pour.PourMold;
import kilnryu.core.pour.PourPlan;
import kilnryu.core.pour.PourWay;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.tree.Crucible;
import org.springframework.stereotype.Component;

/** Reads a pour from its fields: molds, charge, melt and the time line. */
@Component
class PourReader {
    static final int MOST_MOLDS = 200;
    /** A kiln comes down so fast between two groups, K/h; our own estimate, its program says better. */
    private static final double DESCENT_K_H = 150;

    private static final double AGAIN_FALL_K = 50;
    private static final double AGAIN_HANDLING_S = 90;
    private static final double NEVER_S = 1e9;
    private static final double FULL = 0.85;
    /** So far from each end of a band a charge stays where it can, % of its width: scales and certificates err. */
    private static final double INSIDE_PCT = 10;

    /** Minutes after the end of its firing that a closed kiln still holds a mold near its temperature. */
    private static final long STILL_HOT_MIN = 30;
    /** Lots of which less would be weighed are left out, as a share of what is needed. */
    private static final double CRUMB = 0.005;

    private final CastMolds molds;
    private final MetalStore metal;
    private final MelterStore melters;
    private final FactorStore factors;
    private final Simulations simulations;

    PourReader(CastMolds molds, MetalStore metal, MelterStore melters, FactorStore factors, Simulations simulations) {
        this.simulations = simulations;
        this.molds = molds;
        this.metal = metal;
        this.melters = melters;
        this.factors = factors;
    }

    /** @param tries whether it is read again and again while something is moved */
    PourSheet read(Account account, PourStore.Row row, List<Long> trees, boolean tries) {
        return new Reading(account, row, trees, tries).sheet();
    }

    /** The charge from a store, without crumbs. */
    private record Tidied(ChargeQuestion question) implements Question<Charging> {
        @Override
        public Charging answer(Watch watch) {
            return Charging.tidied(question, CRUMB);
        }

        @Override
        public String words() {
            return "a charge from the store";
        }
    }

    /** One reading. */
    private final class Reading {
        private final Account account;
        private final PourStore.Row row;
        private final Fields fields;
        private final Factors own;
        private final List<CastMold> cast;
        private final List<Finding> found = new ArrayList<>();
        private final List<Finding> ofTrees = new ArrayList<>();
        private final List<String> missing = new ArrayList<>();

        Reading(Account account, PourStore.Row row, List<Long> trees, boolean tries) {
            this.account = account;
            this.row = row;
            fields = Fields.typed(row.fields(), account.units());
            own = row.createdAt() == null
                    ? factors.of(account.studioId())
                    : factors.of(account.studioId(), row.createdAt());
            cast = molds.of(account, trees, tries);
        }

        PourSheet sheet() {
            fields.named(PourFields.NAME, "Give the pour a name.");
            Optional<ZonedDateTime> at = hour();
            Optional<Alloy> alloy = alloy();
            PourCrew crew = crew();
            OptionalDouble heel = fields.quantity(PourFields.HEEL);
            Optional<Figure> needed = needed(heel.orElse(0));
            Map<Long, MetalStore.Taken> weighed = row.id() == 0 ? Map.of() : metal.taken(row.id());
            List<MetalStore.Lot> lots = lots(weighed);
            Optional<Charging> charging = charging(alloy, needed, lots, weighed);
            Optional<Charge> charge = charge(charging, alloy, needed, lots, weighed);
            Optional<MelterStore.Row> furnaceRow = melter("furnace", PourFields.FURNACE);
            Optional<Furnace> furnace = furnaceRow.flatMap(r -> MelterReader.furnace(r.fields()));
            Optional<MelterStore.Row> crucibleRow = melter("crucible", PourFields.CRUCIBLE);
            Optional<MelterReader.Pot> pot = crucibleRow.flatMap(MelterReader::crucible);
            Optional<Figure> pourC = pourC();
            Optional<MeltPlan> melt = melt(new Melting(alloy, needed, charge, furnace, pot, pourC, crew));
            Optional<PourPlan> plan = plan(alloy, furnace, pot, melt, crew);
            judged(alloy, pot, charging);
            kilnsEnded(at);
            List<Finding> all = new ArrayList<>(found);
            charge.ifPresent(c -> all.addAll(c.findings().all()));
            melt.ifPresent(m -> all.addAll(m.findings().all()));
            plan.ifPresent(p -> all.addAll(p.findings().all()));
            // what is the pour's own is said before what stands on the pages of its trees
            all.addAll(ofTrees);
            return new PourSheet(
                    row,
                    fields,
                    cast,
                    alloy,
                    needed,
                    lots,
                    charging,
                    charge,
                    furnaceRow,
                    furnace,
                    crucibleRow,
                    pot,
                    melt,
                    pourC,
                    crew,
                    plan,
                    countdown(melt),
                    at,
                    new Findings(all),
                    List.copyOf(missing),
                    weighed);
        }

        private Optional<ZonedDateTime> hour() {
            Optional<String> typed = fields.text(PourFields.AT);
            if (typed.isEmpty()) {
                missing.add("the hour of the pour is not set");
                return Optional.empty();
            }
            try {
                return Optional.of(LocalDateTime.parse(typed.get()).atZone(account.zoneId()));
            } catch (DateTimeParseException e) {
                fields.error(PourFields.AT, "Write day and hour as 2026-03-31T10:30.");
                return Optional.empty();
            }
        }

        private Optional<Alloy> alloy() {
            Set<Alloy> all = new LinkedHashSet<>();
            cast.forEach(m -> all.add(m.alloy()));
            if (cast.isEmpty()) {
                missing.add("no mold is chosen");
            }
            if (all.size() > 1) {
                found.add(Finding.stop(
                        "alloys",
                        "molds",
                        "The molds are planned for "
                                + String.join(
                                        " and ", all.stream().map(Alloy::label).toList()) + ".",
                        "One pot holds one metal.",
                        "Plan a pour for each of them; they may be on the same day."));
            }
            return all.size() == 1 ? all.stream().findFirst() : Optional.empty();
        }

        private PourCrew crew() {
            PourCrew usual = PourCrew.usual(own);
            return new PourCrew(
                    fields.quantity(PourFields.CARRY).orElse(usual.carry()),
                    fields.quantity(PourFields.SEAT).orElse(usual.seat()),
                    fields.quantity(PourFields.BETWEEN).orElse(usual.between()),
                    fields.quantity(PourFields.SKIM).orElse(usual.skim()),
                    fields.choice(PourFields.TOGETHER).orElse(false));
        }

        private Optional<Figure> needed(double heel) {
            if (cast.isEmpty()) {
                return Optional.empty();
            }
            List<Figure> parts = new ArrayList<>();
            cast.forEach(m -> {
                parts.add(named(m.metal(), "metal of " + m.name()));
                parts.add(named(m.reserve(), "reserve of " + m.name()));
            });
            if (heel > 0) {
                parts.add(Figure.given("heel", "heel that stays", heel, Measure.GRAM, Known.CHOSEN, 0));
            }
            return Optional.of(Figure.computed("needed", "metal after melting", Measure.GRAM)
                    .total(parts));
        }

        private Figure named(Figure figure, String name) {
            return Figure.given(figure.symbol(), name, figure.value(), figure.unit(), Known.COMPUTED, 0);
        }

        /** What is in store, and what was taken for this pour already. */
        private List<MetalStore.Lot> lots(Map<Long, MetalStore.Taken> weighed) {
            List<MetalStore.Lot> lots = new ArrayList<>(metal.list(account.studioId(), false).stream()
                    .filter(l -> l.remaining() > 0 || weighed.containsKey(l.id()))
                    .toList());
            weighed.keySet().stream()
                    .filter(id -> lots.stream().noneMatch(l -> l.id() == id))
                    .forEach(id -> metal.find(account.studioId(), id).ifPresent(lots::add));
            return lots;
        }

        private Optional<Charging> charging(
                Optional<Alloy> alloy,
                Optional<Figure> needed,
                List<MetalStore.Lot> lots,
                Map<Long, MetalStore.Taken> weighed) {
            OptionalDouble returns = fields.quantity(PourFields.RETURNS);
            OptionalDouble inside = fields.quantity(PourFields.OFF_THE_ENDS);
            List<Stock> stock = new ArrayList<>();
            for (MetalStore.Lot lot : lots) {
                String key = Long.toString(lot.id());
                boolean out = fields.choice(PourFields.LEFT_OUT.in(key))
                        // what nobody knows goes in only when somebody says so
                        .orElse(lot.stock(OptionalDouble.empty()).isUnknown());
                OptionalDouble fixed = fields.quantity(PourFields.FIXED.in(key));
                if (fixed.isPresent() && fixed.getAsDouble() > lot.remaining() + grams(weighed, lot) + 1e-6) {
                    fields.error(PourFields.FIXED.in(key), "There is not so much of it in store.");
                }
                stock.add(stock(lot, out ? OptionalDouble.of(0) : fixed, weighed));
            }
            Optional<Bands> bands = alloy.flatMap(Bands::of);
            if (alloy.isPresent() && bands.isEmpty()) {
                missing.add("the make-up of " + alloy.get().label() + " is not tabled");
            }
            if (bands.isEmpty() || needed.isEmpty() || fields.hasErrors()) {
                return Optional.empty();
            }
            ChargeQuestion question = new ChargeQuestion(
                    alloy.get(),
                    bands.get(),
                    needed.get().value(),
                    stock,
                    returns.orElse(own.value(ChargeQuestion.RETURNS)),
                    own.value(ChargeQuestion.UNKNOWN),
                    inside.orElse(INSIDE_PCT) / 100);
            Charging charging = charged(question);
            return Optional.of(
                    charging.charge().isPresent() || inside.isPresent() ? charging : charged(question.toTheEdge()));
        }

        private Charging charged(ChargeQuestion question) {
            return simulations.of(account.studioId(), new Tidied(question));
        }

        /** What was weighed stays as it is; of the rest the program chooses. */
        private Stock stock(MetalStore.Lot lot, OptionalDouble fixed, Map<Long, MetalStore.Taken> weighed) {
            double taken = grams(weighed, lot);
            boolean all = taken > 0 && weighed.get(lot.id()).all();
            Stock stock = lot.stock(all ? OptionalDouble.of(taken) : fixed);
            return new Stock(
                    stock.name(),
                    lot.remaining() + taken,
                    stock.pricePerKg(),
                    stock.makeUp(),
                    stock.type(),
                    all ? OptionalDouble.empty() : stock.piece(),
                    stock.fixed());
        }

        private static double grams(Map<Long, MetalStore.Taken> weighed, MetalStore.Lot lot) {
            return weighed.containsKey(lot.id()) ? weighed.get(lot.id()).grams() : 0;
        }

        /** As the program has it; where it has none, what was weighed so far still is judged. */
        private Optional<Charge> charge(
                Optional<Charging> charging,
                Optional<Alloy> alloy,
                Optional<Figure> needed,
                List<MetalStore.Lot> lots,
                Map<Long, MetalStore.Taken> weighed) {
            Optional<Charge> made = charging.flatMap(Charging::charge);
            if (made.isPresent()
                    || weighed.isEmpty()
                    || alloy.flatMap(Bands::of).isEmpty()
                    || needed.isEmpty()) {
                return made;
            }
            List<Stock> stock = lots.stream()
                    .map(l -> stock(l, OptionalDouble.empty(), weighed))
                    .toList();
            ChargeQuestion question = new ChargeQuestion(
                    alloy.get(),
                    Bands.of(alloy.get()).orElseThrow(),
                    needed.get().value(),
                    stock,
                    own.value(ChargeQuestion.RETURNS),
                    own.value(ChargeQuestion.UNKNOWN));
            return Optional.of(new Charge(
                    question, lots.stream().map(l -> grams(weighed, l)).toList(), true));
        }

        private Optional<MelterStore.Row> melter(String kind, Declared.Text field) {
            List<MelterStore.Row> all = melters.list(account.studioId(), kind);
            Optional<MelterStore.Row> chosen = fields.choice(
                    field,
                    k -> all.stream()
                            .filter(r -> Long.toString(r.id()).equals(k))
                            .findFirst());
            if (chosen.isEmpty() && all.size() == 1) {
                return Optional.of(all.get(0));
            }
            if (chosen.isEmpty()) {
                missing.add(kind.equals("furnace") ? "no furnace is chosen" : "no crucible is chosen");
            }
            return chosen;
        }

        /** As typed, or as hot as the mold that wants it hottest. */
        private Optional<Figure> pourC() {
            OptionalDouble typed = fields.quantity(PourFields.METAL);
            return typed.isPresent()
                    ? Optional.of(Figure.given(
                            "pour",
                            "metal at the first mold",
                            typed.getAsDouble(),
                            Measure.DEGREE_CELSIUS,
                            Known.CHOSEN,
                            0))
                    : cast.stream().flatMap(m -> m.metalC().stream()).max(Comparator.comparingDouble(Figure::value));
        }

        /** What a melt is reckoned from. */
        private record Melting(
                Optional<Alloy> alloy,
                Optional<Figure> needed,
                Optional<Charge> charge,
                Optional<Furnace> furnace,
                Optional<MelterReader.Pot> pot,
                Optional<Figure> pourC,
                PourCrew crew) {}

        private Optional<MeltPlan> melt(Melting m) {
            if (m.alloy.isPresent() && !m.alloy.get().isTabled()) {
                missing.add("the melting of " + m.alloy.get().label() + " is not tabled");
                return Optional.empty();
            }
            if (m.alloy.isEmpty() || m.needed.isEmpty() || m.furnace.isEmpty() || m.pourC.isEmpty()) {
                return Optional.empty();
            }
            double grams =
                    m.charge.map(c -> c.charged().value()).orElse(m.needed.get().value());
            return Optional.of(MeltPlan.of(
                    new MeltQuestion(
                            m.alloy.get(),
                            grams,
                            MeltQuestion.ROOM_C,
                            m.pourC.get().value(),
                            m.furnace.get(),
                            m.pot.map(MelterReader.Pot::crucible)
                                    .orElse(new Crucible(OptionalDouble.empty(), OptionalDouble.empty())),
                            m.pot.map(p -> new MeltQuestion.Carry(m.crew.skim(), p.cooling()))),
                    own));
        }

        private Optional<PourPlan> plan(
                Optional<Alloy> alloy,
                Optional<Furnace> furnace,
                Optional<MelterReader.Pot> pot,
                Optional<MeltPlan> melt,
                PourCrew crew) {
            boolean sand = fields.choice(PourFields.IN_SAND).orElse(false);
            double sandC = fields.quantity(PourFields.SAND_C).orElse(20);
            if (melt.isEmpty() || pot.isEmpty() || cast.isEmpty()) {
                return Optional.empty();
            }
            Map<Long, Double> ready = ready();
            List<PourMold> toPour = new ArrayList<>();
            for (CastMold m : cast) {
                Optional<PourMold> one = molds.toPour(
                        account.studioId(),
                        m,
                        sand ? Outside.sand(sandC) : Outside.air(20),
                        ready.getOrDefault(m.id(), 0.0));
                if (one.isEmpty()) {
                    missing.add(m.name() + " has no mold or no temperature yet");
                    return Optional.empty();
                }
                toPour.add(one.get());
            }
            Pot full = new Pot(
                    grams(alloy.orElseThrow(), pot.get()),
                    cast.stream().mapToDouble(m -> m.reserve().value()).sum(),
                    melt.get().tap().value(),
                    pot.get().cooling(),
                    again(alloy.get(), furnace, toPour));
            return Optional.of(PourPlan.of(new PourPlan.Question(toPour, full, crew, again())));
        }

        /** What the crucible brings at once, g. */
        private double grams(Alloy alloy, MelterReader.Pot pot) {
            double cm3 = pot.crucible().capacity().orElse(1e9) * FULL;
            double byVolume = cm3 * own.value(alloy.density()) * (1 - alloy.volumeShrinkage() / 100);
            return Math.min(byVolume, pot.crucible().rated().orElse(Double.MAX_VALUE));
        }

        /** Seconds until the pot is back at its tap: half of it, some kelvins, and the hands. */
        private double again(Alloy alloy, Optional<Furnace> furnace, List<PourMold> all) {
            if (furnace.isEmpty()) {
                return NEVER_S;
            }
            double grams = all.stream().mapToDouble(PourMold::grams).sum() / 2;
            Furnace f = furnace.get();
            double watts = f.kilowatts()
                    * 1000
                    * f.efficiency().orElse(own.value(f.heating().efficiency()))
                    / 100;
            return AGAIN_HANDLING_S + grams / 1000 * alloy.melting().cpLiquid() * AGAIN_FALL_K / watts;
        }

        private Set<String> again() {
            Set<String> keys = new HashSet<>();
            cast.forEach(m -> fields.choice(PourFields.POT_AGAIN.in(m.key())).ifPresent(y -> keys.add(m.key())));
            return keys;
        }

        /** Molds of one load that are poured cooler wait until their kiln has come down. */
        private Map<Long, Double> ready() {
            Map<Long, Double> hottest = new HashMap<>();
            cast.forEach(m -> m.berth()
                    .map(Berth::firing)
                    .ifPresent(f -> m.moldC().ifPresent(c -> hottest.merge(f, c.value(), Math::max))));
            Map<Long, Double> ready = new HashMap<>();
            cast.forEach(m -> m.berth()
                    .ifPresent(b -> m.moldC().ifPresent(c -> {
                        double falls = hottest.getOrDefault(b.firing(), c.value()) - c.value();
                        ready.put(m.id(), falls < 15 ? 0 : falls / DESCENT_K_H * 3600);
                    })));
            return ready;
        }

        private void judged(Optional<Alloy> alloy, Optional<MelterReader.Pot> pot, Optional<Charging> charging) {
            if (alloy.isPresent() && alloy.get().isTabled()) {
                pot.ifPresent(
                        p -> found.addAll(PotChecks.check(p.kept(), alloy.get()).all()));
            }
            charging.filter(c -> c.charge().isEmpty()).ifPresent(c -> found.add(noCharge(c)));
            fields.choice(PourFields.WAY).ifPresent(w -> found.addAll(w.check().all()));
            sandChecks();
            for (CastMold m : cast) {
                PlanVerdict.own(m.name(), m.saved().plan()).ifPresent(ofTrees::add);
                PlanVerdict.unjudged(m.name(), m.saved().plan()).ifPresent(missing::add);
            }
        }

        /** A kiln that is over and done with holds no mold at its temperature. */
        private void kilnsEnded(Optional<ZonedDateTime> at) {
            cast.forEach(m -> m.berth()
                    .filter(b -> b.state() == Berth.State.FIRED || b.state() == Berth.State.POURED)
                    .filter(b -> at.isEmpty()
                            || b.pour()
                                    .filter(end ->
                                            end.plusMinutes(STILL_HOT_MIN).isAfter(at.get()))
                                    .isEmpty())
                    .ifPresent(b -> found.add(kilnEnded(m, b))));
        }

        private static Finding kilnEnded(CastMold m, Berth berth) {
            String ended = berth.pour().map(Show::dayAndClock).orElse("");
            return berth.through()
                    ? Finding.warn(
                            "kiln-ended." + m.key(),
                            "mold." + m.key(),
                            m.name() + ": its firing " + berth.name() + " ended " + ended
                                    + "; it is not at its temperature any more.",
                            "A mold is as hot as planned only while its kiln holds it.",
                            "Pour it out of the kiln that held it, or put it into a load again.")
                    : Finding.stop(
                            "kiln-short." + m.key(),
                            "mold." + m.key(),
                            m.name() + ": its firing " + berth.name() + " ended " + ended
                                    + ", before its program was through.",
                            "A mold with water or wax left in it throws the metal out again.",
                            "Put it into a load again and fire it through.");
        }

        /** Shells that stand free at the pour. */
        private void sandChecks() {
            boolean sand = fields.choice(PourFields.IN_SAND).orElse(false);
            if (!sand && cast.stream().anyMatch(m -> m.kind().equals("shell"))) {
                found.add(Finding.note(
                        "no-sand",
                        "outside",
                        "Shells stand in the air: nothing catches them when they leak.",
                        "A shell that cracks empties onto the floor.",
                        "Stand them in dry sand in metal tubs to under the cup, mouth covered until the metal comes."));
            }
        }

        private Finding noCharge(Charging c) {
            String buy = String.join(
                    " and ",
                    c.buy().entrySet().stream()
                            .map(e -> String.format(
                                    Locale.ROOT,
                                    "%.0f g %s",
                                    Math.ceil(e.getValue()),
                                    e.getKey().label()))
                            .toList());
            return Finding.stop(
                    "no-charge",
                    "charge",
                    "The store does not give this charge: " + String.join(", ", c.conflict())
                            + " cannot be met together.",
                    "Outside its bands it is another alloy.",
                    buy.isEmpty() ? "Other lots, or fewer molds." : "Buy " + buy + ", or pour fewer molds.");
        }

        private Countdown countdown(Optional<MeltPlan> melt) {
            boolean vacuum = cast.stream().anyMatch(CastMold::vacuum)
                    && fields.choice(PourFields.WAY).map(PourWay::vacuum).orElse(true);
            boolean sand = fields.choice(PourFields.IN_SAND).orElse(false)
                    || cast.stream().anyMatch(m -> m.kind().equals("shell"));
            boolean hot = fields.quantity(PourFields.SAND_C).orElse(20) > 60;
            return Countdown.of(
                    new Countdown.Needs(melt.map(m -> m.minutes().value()).orElse(45.0), vacuum, sand, hot));
        }
    }
}

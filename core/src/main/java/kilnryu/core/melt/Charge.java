package kilnryu.core.melt;

import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.PERCENT;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import org.jspecify.annotations.Nullable;

/**
 * So much of each lot, and what it is after the melt (handbook 16). It is judged the same whether a program chose the masses
 * or a scale said them.
 *
 * @param grams of each lot of the question, in its order, not negative
 * @param proved whether it is the cheapest there is; whole pieces may take too long to be sure
 */
public record Charge(ChargeQuestion question, List<Double> grams, boolean proved) {
    private static final Formula SHARE = Formula.of("held / melt * 100");
    private static final Formula KEPT = Formula.of("mass * share / 100 * (1 - loss / 100)");
    private static final Formula LEFT = Formula.of("mass * kept / 100");
    private static final Formula RETURNED = Formula.of("back / charged * 100");
    /** So much off is no finding, parts of what is needed. */
    private static final double NEAR = 1e-6;

    private static final double MUCH_OVER = 0.02;

    public Charge {
        if (grams.size() != question.stock().size()) {
            throw new IllegalArgumentException("a mass for each lot");
        }
        grams = List.copyOf(grams);
    }

    /**
     * A lot that goes in.
     *
     * @param pieces that cannot be cut; 0 where it is cut
     */
    public record Share(Stock lot, double grams, int pieces) {}

    /** What goes in, in the order of the stock. */
    public List<Share> shares() {
        List<Share> all = new ArrayList<>();
        for (int i = 0; i < grams.size(); i++) {
            Stock lot = question.stock().get(i);
            double mass = grams.get(i);
            if (mass > 0) {
                all.add(new Share(
                        lot,
                        mass,
                        lot.piece().isPresent()
                                ? (int) Math.rint(mass / lot.piece().getAsDouble())
                                : 0));
            }
        }
        return all;
    }

    /** All that is weighed. */
    public Figure charged() {
        return Figure.computed("charged", "charge, all that is weighed", GRAM)
                .total(shares().stream().map(s -> mass(s.lot, s.grams)).toList());
    }

    /** What is left of it when it is molten. */
    public Figure melt() {
        return Figure.computed("melt", "metal after melting", GRAM)
                .total(shares().stream()
                        .map(s -> Figure.computed("left", "left of " + s.lot.name(), GRAM)
                                .by(
                                        LEFT,
                                        mass(s.lot, s.grams),
                                        given("kept", "kept in the melt", question.keeps(s.lot) * 100, PERCENT)))
                        .toList());
    }

    /** Make-up after the melt, mass %, of every element in it. */
    public Map<Element, Figure> after() {
        Figure melt = melt();
        Map<Element, Figure> all = new EnumMap<>(Element.class);
        elements()
                .forEach(e -> all.put(
                        e,
                        Figure.computed("share", e.label() + " after the melt", PERCENT)
                                .by(SHARE, held(e).as("held"), melt)));
        return all;
    }

    /** Make-up as it is charged, before any of it burns off, mass %. */
    public Map<Element, Double> before() {
        double all = shares().stream().mapToDouble(Share::grams).sum();
        Map<Element, Double> shares = new EnumMap<>(Element.class);
        elements()
                .forEach(e -> shares.put(
                        e,
                        shares().stream()
                                        .mapToDouble(s -> s.grams
                                                * question.takenFor(s.lot).of(e)
                                                / 100)
                                        .sum()
                                / all
                                * 100));
        return shares;
    }

    private Set<Element> elements() {
        Set<Element> all = EnumSet.noneOf(Element.class);
        shares().forEach(s -> all.addAll(question.takenFor(s.lot).percent().keySet()));
        return all;
    }

    private Figure held(Element element) {
        return Figure.computed("held", element.label() + " left after the melt", GRAM)
                .total(shares().stream()
                        .filter(s -> question.takenFor(s.lot).of(element) > 0)
                        .map(s -> Figure.computed("kept", element.label() + " of " + s.lot.name(), GRAM)
                                .by(
                                        KEPT,
                                        mass(s.lot, s.grams),
                                        given(
                                                "share",
                                                element.label() + " in " + s.lot.name(),
                                                question.takenFor(s.lot).of(element),
                                                PERCENT),
                                        given(
                                                "loss",
                                                "melt loss of " + element.label(),
                                                question.bands().loss(element),
                                                PERCENT)))
                        .toList());
    }

    /** In money; lots without a price count as nothing, see {@link #unpriced()}. */
    public double cost() {
        return shares().stream()
                .mapToDouble(s -> s.grams / 1000 * s.lot.pricePerKg().orElse(0))
                .sum();
    }

    /** What goes in without a price. */
    public List<String> unpriced() {
        return shares().stream()
                .filter(s -> s.lot.pricePerKg().isEmpty())
                .map(s -> s.lot.name())
                .toList();
    }

    /** Share of what was molten before, %. */
    public Figure returns() {
        double back = shares().stream()
                .filter(s -> s.lot.comesBack())
                .mapToDouble(Share::grams)
                .sum();
        return Figure.computed("returns", "returns in the charge", PERCENT)
                .by(RETURNED, given("back", "returns charged", back, GRAM), charged());
    }

    /** How much more it becomes than is asked, g; under 0 when it is too little. */
    public double over() {
        return melt().value() - question.needed();
    }

    private static Figure mass(Stock lot, double grams) {
        return Figure.given("mass", lot.name(), grams, GRAM, Known.CHOSEN, 0);
    }

    private static Figure given(String symbol, String name, double value, kilnryu.core.quantity.Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.DEFAULT, 0);
    }

    /** What stands against it: limits of law and of safety cannot be overruled. */
    public Findings findings() {
        List<Finding> found = new ArrayList<>();
        if (shares().isEmpty()) {
            return Findings.NONE;
        }
        amount(found);
        Map<Element, Figure> after = after();
        question.bands().bands().forEach((e, band) -> band(e, band, after.get(e), found));
        traces(after, found);
        origin(found);
        return new Findings(found);
    }

    private void amount(List<Finding> found) {
        double over = over();
        if (over < -NEAR * question.needed()) {
            found.add(Finding.stop(
                            "charge-short",
                            "charge",
                            say("The charge becomes %.1f g, %.1f g less than is asked.", melt().value(), -over),
                            "The last mold does not fill; a casting that stops in the cup is lost.",
                            "Weigh more of the main lot, or pour one mold less.")
                    .from(melt()));
        } else if (over > MUCH_OVER * question.needed()) {
            found.add(Finding.note(
                            "charge-over",
                            "charge",
                            say("The charge becomes %.1f g more than is asked.", over),
                            "Pieces that cannot be cut seldom meet a mass.",
                            "Pour the rest into the dry ingot mold; it comes back to the store.")
                    .from(melt()));
        }
    }

    private void band(Element element, Bands.Band band, @Nullable Figure share, List<Finding> found) {
        double percent = share == null ? 0 : share.value();
        if (band.holds(percent)) {
            if (share != null) {
                edge(element, band, share, found);
            }
            return;
        }
        boolean low = percent < band.low();
        String limit = low ? say("at least %s %%", plain(band.low())) : say("at most %s %%", plain(band.high()));
        String so = say(
                "%s has %s %% %s after the melt; it holds %s.",
                question.alloy().label(), plain(percent), element.label(), limit);
        String remedy = say("%s %s, or take another lot.", low ? "Add" : "Less", element.label());
        Finding one = low ? lowOf(element, band, so, remedy) : highOf(element, band, so, remedy);
        found.add(share == null ? one : one.from(share));
    }

    private static Finding lowOf(Element element, Bands.Band band, String so, String remedy) {
        String id = "band." + element.symbol();
        return band.boldLow()
                ? Finding.safetyStop(
                        id, "make-up", so, "Fineness is a matter of law: under it, it may not be sold as such.", remedy)
                : Finding.stop(
                        id, "make-up", so, "Colour, strength and the way it runs are not those planned.", remedy);
    }

    private static Finding highOf(Element element, Bands.Band band, String so, String remedy) {
        String id = "band." + element.symbol();
        return band.boldHigh()
                ? Finding.safetyStop(
                        id, "make-up", so, "It harms whoever melts, files or uses it; the limit is one of law.", remedy)
                : Finding.stop(
                        id, "make-up", so, "Colour, strength and the way it runs are not those planned.", remedy);
    }

    /** Within so much of an end a scale's error takes it out, as a share of the band's width. */
    private static final double EDGE = 0.02;

    private void edge(Element element, Bands.Band band, Figure share, List<Finding> found) {
        double width = (band.high() - band.low()) * EDGE;
        boolean low = band.low() > 0 && share.value() < band.low() + width;
        boolean high = band.high() < 100 && share.value() > band.high() - width;
        if (low || high) {
            found.add(Finding.note(
                            "edge." + element.symbol(),
                            "make-up",
                            say("%s ends at the very edge of its band, %s %%.", element.label(), plain(share.value())),
                            "An error of the scale or of a certificate takes it out.",
                            say("A little %s %s.", low ? "more" : "less", element.label()))
                    .from(share));
        }
    }

    private void traces(Map<Element, Figure> after, List<Finding> found) {
        Bands bands = question.bands();
        double together = 0;
        for (Map.Entry<Element, Figure> e : after.entrySet()) {
            if (!bands.trace(e.getKey())) {
                continue;
            }
            double percent = e.getValue().value();
            together += percent;
            if (e.getKey().poison() && percent > Bands.POISON + NEAR) {
                found.add(poison(e.getKey(), percent).from(e.getValue()));
            } else if (bands.traceEach() && percent > bands.traces() + NEAR) {
                found.add(stranger(say("%s %% %s", plain(percent), e.getKey().label()), bands.traces())
                        .from(e.getValue()));
            }
        }
        if (!bands.traceEach() && together > bands.traces() + 1e-4) {
            found.add(stranger(say("%s %% of other elements", plain(together)), bands.traces()));
        }
    }

    private static Finding poison(Element element, double percent) {
        return Finding.safetyStop(
                "poison." + element.symbol(),
                "make-up",
                say("%s %% %s is in the melt.", plain(percent), element.label()),
                "Its fume and dust poison at a breath; no studio hood is made for it.",
                "Leave that lot out; hand it to a dealer who can take it.");
    }

    private Finding stranger(String what, double most) {
        return Finding.stop(
                "traces",
                "make-up",
                say("%s; %s bears %s %%.", what, question.alloy().label(), plain(most)),
                "What does not belong makes it brittle or dull.",
                "Less of the lot that brings it.");
    }

    private void origin(List<Finding> found) {
        double back = returns().value();
        if (back > question.mostReturns() + 1e-4) {
            found.add(Finding.stop(
                            "returns",
                            "charge",
                            say(
                                    "%.0f %% of the charge was molten before; at most %.0f %%.",
                                    back, question.mostReturns()),
                            "Each melt burns out the elements that make it run, and takes up gas and dirt.",
                            "More fresh metal.")
                    .from(returns()));
        }
        for (Share s : shares()) {
            if (s.lot.isUnknown()) {
                found.add(
                        question.bands().bold()
                                ? Finding.safetyStop(
                                        "unknown." + s.lot.name(),
                                        "charge",
                                        say("Nobody knows what %s is made of.", s.lot.name()),
                                        "A limit of law or safety rules this alloy; it cannot be held with unknown metal.",
                                        "Have it assayed, or leave it out.")
                                : Finding.warn(
                                        "unknown." + s.lot.name(),
                                        "charge",
                                        say(
                                                "Nobody knows what %s is made of: it is counted as the alloy itself.",
                                                s.lot.name()),
                                        "The make-up shown holds only if that is so; lead or cadmium would not be seen.",
                                        "Have it assayed, cast a test bar, or leave it out."));
            }
        }
        if (!proved) {
            found.add(Finding.note(
                    "not-proved",
                    "charge",
                    "The best that was found in 20 seconds, not proved the cheapest.",
                    "Many pieces that cannot be cut have very many combinations.",
                    "Leave out lots you would not take anyway."));
        }
    }

    private static String plain(double value) {
        return say(value < 0.1 ? "%.3f" : "%.2f", value)
                .replaceAll("(\\.\\d*?)0+$", "$1")
                .replaceAll("\\.$", "");
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}

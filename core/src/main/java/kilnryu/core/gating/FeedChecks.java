package kilnryu.core.gating;

import static kilnryu.core.gating.GatingPlanner.place;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;

/** Whether what freezes last can feed what freezes before it. */
final class FeedChecks {
    /** Off by no more than this is as asked. */
    static final double SILENT = 0.05;

    private static final Formula ASKED = Formula.of("M_fed * (1 + rise / 100)");
    private static final Formula FEEDER_ASKED = Formula.of("M_fed * feeder_rise");
    private static final Formula VOLUME_ASKED = Formula.of("V_fed * shrinkage / efficiency");

    private final GatingPlanner.Sight sight;
    private final List<Finding> found;
    private final Set<String> said = new HashSet<>();

    private FeedChecks(GatingPlanner.Sight sight, List<Finding> found) {
        this.sight = sight;
        this.found = found;
    }

    static void check(GatingPlanner.Sight sight, List<Finding> found) {
        FeedChecks checks = new FeedChecks(sight, found);
        for (Member piece : sight.assembly().of(Use.PIECE)) {
            List<Member> feeders = sight.assembly().childrenOf(piece, Use.FEEDER);
            feeders.forEach(f -> checks.feeder(piece, f));
            if (feeders.isEmpty()) {
                checks.chain(piece);
            }
            checks.withinPiece(piece);
        }
        checks.cup();
    }

    private void feeder(Member piece, Member feeder) {
        Figure is = sight.modulus(feeder);
        Figure asked = Figure.computed("asked", "modulus asked of " + feeder.name(), Measure.MILLIMETRE)
                .by(FEEDER_ASKED, sight.modulus(piece).as("M_fed"), sight.of(GatingRules.FEEDER));
        if (is.value() < asked.value() * (1 - SILENT)) {
            found.add(Finding.warn(
                            "feeder-modulus." + feeder.key(),
                            place(feeder),
                            words(
                                    "%s freezes before what it feeds: modulus %.1f mm, %.1f asked.",
                                    feeder.name(), is.value(), asked.value()),
                            "A feeder that is solid first draws metal out of the piece.",
                            words("Make it about %.0f mm thick.", 4.2 * asked.value()))
                    .from(asked));
        }
        Figure volume = Figure.computed("asked", "volume asked of " + feeder.name(), Measure.CUBIC_CENTIMETRE)
                .by(
                        VOLUME_ASKED,
                        piece.volume().as("V_fed"),
                        sight.of(GatingRules.shrinkage(sight.question().alloy()))
                                .as("shrinkage"),
                        sight.of(GatingRules.EFFICIENCY));
        if (feeder.volume().value() < volume.value() * (1 - SILENT)) {
            found.add(Finding.warn(
                            "feeder-volume." + feeder.key(),
                            place(feeder),
                            words(
                                    "%s holds %.1f cm³; %s shrinks by what %.1f cm³ can give.",
                                    feeder.name(), feeder.volume().value(), piece.name(), volume.value()),
                            "An emptied feeder leaves its hollow in the piece.",
                            "Make it larger, or feed the piece from two places.")
                    .from(volume));
        }
    }

    /** From the piece up to the root each section has to stay liquid longer than the one before. */
    private void chain(Member piece) {
        List<Member> way = sight.assembly().wayUp(piece);
        for (int i = 0; i + 1 < way.size(); i++) {
            Member fed = way.get(i);
            Member feeds = way.get(i + 1);
            if (feeds.use() == Use.PIECE || !said.add(fed.key())) {
                continue;
            }
            Figure asked = Figure.computed("asked", "modulus asked of " + feeds.name(), Measure.MILLIMETRE)
                    .by(ASKED, sight.modulus(fed).as("M_fed"), sight.of(GatingRules.RISE));
            Figure is = sight.modulus(feeds);
            if (is.value() < asked.value() * (1 - SILENT)) {
                tooThin(piece, fed, feeds, asked);
            }
        }
    }

    private void tooThin(Member piece, Member fed, Member feeds, Figure asked) {
        double is = sight.modulus(feeds).value();
        boolean thinBetween = sight.assembly()
                .parentOf(feeds)
                .map(next -> sight.modulus(next).value() > is)
                .orElse(false);
        String id = (thinBetween ? "thick-thin-thick." : "modulus.") + feeds.key() + "." + fed.key();
        String message = thinBetween
                ? words(
                        "Thick, thin, thick: %s (modulus %.1f mm) stands between %s (%.1f) and what would feed it.",
                        feeds.name(), is, fed.name(), sight.modulus(fed).value())
                : words(
                        "%s freezes before %s: modulus %.1f mm, %.1f asked.",
                        feeds.name(), fed.name(), is, asked.value());
        double wall = fed == piece ? thickest(piece) : 0;
        Figure unfed = sight.of(GatingRules.unfed(sight.question().alloy()));
        if (fed == piece && wall > unfed.value() * (1 + SILENT)) {
            found.add(Finding.warn(
                            "unfed-wall." + piece.key(),
                            place(piece),
                            words(
                                    "%s is %.0f mm thick and nothing feeds it; up to about %.0f mm casts sound unfed.",
                                    piece.name(), wall, unfed.value()),
                            "It sinks or tears open inside as it shrinks.",
                            "Thicken its gate, set a feeder on the thick place, or hollow it.")
                    .from(unfed));
        }
        String remedy = remedy(fed, feeds, 4 * asked.value());
        boolean thin = fed == piece && wall <= unfed.value() * (1 + SILENT);
        String reason = thin
                ? "Walls this thin mostly feed themselves; a sunken spot opposite the gate is the sign."
                : "What freezes first cannot pass metal on; the piece behind it sinks.";
        found.add((thin
                        ? Finding.note(id, place(feeds), message, reason, remedy)
                        : Finding.warn(id, place(feeds), message, reason, remedy))
                .from(asked));
    }

    /** How thick it has to be, but never thicker than the part it sits on bears. */
    private static String remedy(Member fed, Member feeds, double wanted) {
        if (feeds.use() == Use.GATE && fed.form() instanceof Form.Body b && wanted > b.across()) {
            return words(
                    "A gate bears no more than the part, %.1f mm: a flat one, wider, and a feeder on the thick place where that does not feed it.",
                    b.across());
        }
        return words("Make %s about %.1f mm thick or more.", feeds.name(), wanted);
    }

    private double thickest(Member piece) {
        return piece.form() instanceof Form.Body b && b.walls().isPresent()
                ? b.walls().get().thickest()
                : 2 * sight.modulus(piece).value();
    }

    /** The walls on the way from the gate through the piece. */
    private void withinPiece(Member piece) {
        if (!(piece.form() instanceof Form.Body body) || body.walls().isEmpty()) {
            return;
        }
        List<Double> order = body.walls().get().inOrder();
        double thinnest = Double.POSITIVE_INFINITY;
        double before = 0;
        for (double wall : order) {
            boolean again = wall > thinnest * (1 + sight.value(GatingRules.RISE) / 100) && before > thinnest;
            if (again && sight.fedBy(piece) < 2) {
                found.add(Finding.warn(
                                "thick-thin-thick." + piece.key(),
                                place(piece),
                                words(
                                        "%s goes from %.1f over %.1f to %.1f mm: two heavy places, one way to feed.",
                                        piece.name(), before, thinnest, wall),
                                "The far heavy place is cut off when the thin one freezes.",
                                "Give the far place its own gate or feeder, or thicken what lies between.")
                        .from(sight.modulus(piece)));
                return;
            }
            thinnest = Math.min(thinnest, wall);
            before = Math.max(before, wall);
        }
    }

    /** The root feeds the whole tree when no feeder does. */
    private void cup() {
        Member cup = sight.assembly().root();
        if (!sight.assembly().of(Use.FEEDER).isEmpty() || cup.use() != Use.CUP) {
            return;
        }
        Figure all = Figure.computed("V_fed", "volume below the cup", Measure.CUBIC_CENTIMETRE)
                .total(sight.assembly().fromRoot().stream()
                        .filter(m -> m != cup)
                        .map(Member::volume)
                        .toList());
        Figure volume = Figure.computed("asked", "volume asked of the cup as feeder", Measure.CUBIC_CENTIMETRE)
                .by(
                        VOLUME_ASKED,
                        all,
                        sight.of(GatingRules.shrinkage(sight.question().alloy()))
                                .as("shrinkage"),
                        sight.of(GatingRules.EFFICIENCY));
        if (cup.volume().value() < volume.value()) {
            found.add(Finding.note(
                            "cup-volume",
                            place(cup),
                            words(
                                    "The cup holds %.1f cm³; as the only feeder of this tree it would give its share from %.1f.",
                                    cup.volume().value(), volume.value()),
                            "Sprue and runners give a part themselves; what is missing is drawn from the thickest place.",
                            "Fill the cup to its rim, or take a larger one.")
                    .from(volume));
        }
    }

    static String words(String words, Object... values) {
        String text = String.format(Locale.ROOT, words, values);
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}

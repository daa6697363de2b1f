package kilnryu.core.gating;

import static kilnryu.core.gating.FeedChecks.words;
import static kilnryu.core.gating.GatingPlanner.place;

import java.util.List;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.PatternMaterial.Family;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** Where gas is trapped at the pour, and where pattern material stays with the mold cup down. */
final class GasChecks {
    /** Heights within this are one height, mm. */
    private static final double LEVEL = 2;
    /** Pattern wax that burns away without a drain, cm3. */
    private static final double LITTLE = 5;

    private final GatingPlanner.Sight sight;
    private final List<Finding> found;

    private GasChecks(GatingPlanner.Sight sight, List<Finding> found) {
        this.sight = sight;
        this.found = found;
    }

    static void check(GatingPlanner.Sight sight, List<Finding> found) {
        GasChecks checks = new GasChecks(sight, found);
        sight.assembly().of(Use.PIECE).forEach(checks::piece);
        sight.assembly().of(Use.VENT).forEach(checks::vent);
        sight.assembly().of(Use.RUNNER).forEach(checks::blindEnd);
    }

    private void piece(Member piece) {
        Placing.Single one = sight.placing().of(piece).get(0);
        if (piece.form() instanceof Form.Body body) {
            furtherHighs(piece, one, body.traps().highs());
            furtherLows(piece, body.traps().lows());
        }
        double above = one.top() - one.root().z();
        if (above <= LEVEL) {
            return;
        }
        List<Member> outlets = sight.assembly().childrenOf(piece);
        Optional<Member> atTop = outlets.stream()
                .filter(o -> o.use().letsGasOut() && reachesTop(o, one))
                .findFirst();
        Figure height = mm("above", "high point above the gate", above);
        if (atTop.isEmpty()) {
            boolean asked = sight.question().school().wantsVents();
            String message = words("%s rises %.0f mm above its gate and has no vent there.", piece.name(), above);
            String reason = asked
                    ? "Gas gathers at the top as metal rises; the top does not fill."
                    : "Gas has to leave through the investment there; under vacuum it mostly does.";
            String remedy = "A vent or a bubble stub at its highest point, or turn it so that it hangs from its gate.";
            String id = "high-point." + piece.key();
            found.add((asked
                            ? Finding.warn(id, place(piece), message, reason, remedy)
                            : Finding.note(id, place(piece), message, reason, remedy))
                    .from(height));
        }
        drain(piece, one, height, outlets);
    }

    /** Crowns beside the top: each wants an outlet of its own. */
    private void furtherHighs(Member piece, Placing.Single one, int highs) {
        List<Member> outlets = sight.assembly().childrenOf(piece).stream()
                .filter(o -> o.use().letsGasOut())
                .toList();
        long atTop = outlets.stream().filter(o -> reachesTop(o, one)).limit(1).count();
        double open = highs - (outlets.size() - atTop);
        if (open <= 0) {
            return;
        }
        String id = "high-further." + piece.key();
        String message =
                words("%s has %d high points beside its top, and %.0f of them no vent.", piece.name(), highs, open);
        String reason = "Rising metal closes the way to the top before such a crown is full; its gas stays.";
        String remedy = "A vent or bubble stub on each, or turn the piece so that they run up to its top.";
        Figure points = count("open", "high points without a vent", open);
        found.add((sight.question().school().wantsVents()
                        ? Finding.warn(id, place(piece), message, reason, remedy)
                        : Finding.note(id, place(piece), message, reason, remedy))
                .from(points));
    }

    private void furtherLows(Member piece, int lows) {
        long drains = sight.assembly().childrenOf(piece).stream()
                .filter(o -> o.use() == Use.DRAIN)
                .count();
        double open = lows - drains;
        if (open <= 0) {
            return;
        }
        String id = "low-further." + piece.key();
        String message = words(
                "%s has %d low points where pattern material stays, and %.0f of them no drain.",
                piece.name(), lows, open);
        String reason = "What cannot run out has to burn: carbon, smoke and pressure in the mold.";
        String remedy = "A drain on each, or give the burnout time and air for what stays.";
        Figure points = count("open", "low points without a drain", open);
        found.add((isPlastic()
                        ? Finding.warn(id, place(piece), message, reason, remedy)
                        : Finding.note(id, place(piece), message, reason, remedy))
                .from(points));
    }

    private boolean reachesTop(Member outlet, Placing.Single piece) {
        return sight.placing().of(outlet).stream().anyMatch(s -> s.root().z() >= piece.top() - tolerance(piece));
    }

    private static double tolerance(Placing.Single piece) {
        return Math.max(LEVEL, 0.06 * (piece.top() - piece.bottom()));
    }

    /** Cup down, what lies above the gate at the pour lies below it, and its pattern does not run out. */
    private void drain(Member piece, Placing.Single one, Figure height, List<Member> outlets) {
        double least = isPlastic() ? sight.value(GatingRules.DRAIN) : 1;
        boolean drained = outlets.stream()
                .filter(o -> o.use() == Use.DRAIN || o.use() == Use.VENT || o.use() == Use.FEEDER)
                .filter(o -> o.form() instanceof Form.Round r && Math.min(r.root(), r.tip()) >= least)
                .anyMatch(o -> reachesTop(o, one));
        if (drained) {
            return;
        }
        double share = Math.min(1, height.value() / Math.max(1e-9, one.top() - one.bottom()));
        double held = piece.oneVolume() * share * share * (3 - 2 * share);
        String message = words(
                "Cup down, about %.1f cm³ of the pattern of %s lies below its gate and has no drain.",
                held, piece.name());
        String remedy = isPlastic()
                ? words("A drain or vent of at least %.0f mm at that point, opened for the burnout.", least)
                : "A drain or vent there, or give the burnout time and air for it.";
        String reason = "What cannot run out has to burn: carbon, smoke and pressure in the mold.";
        String id = "low-pocket." + piece.key();
        found.add((isPlastic() || held > LITTLE
                        ? Finding.warn(id, place(piece), message, reason, remedy)
                        : Finding.note(id, place(piece), message, reason, remedy))
                .from(height));
    }

    private boolean isPlastic() {
        Family family = sight.question().pattern().family();
        return family != Family.WAX;
    }

    private void vent(Member vent) {
        Optional<Member> end = sight.assembly().named(vent.endsAt());
        Placing.Single one = sight.placing().of(vent).get(0);
        if (end.map(e -> e.use().isChannel()).orElse(false)) {
            found.add(Finding.warn(
                            "vent-rejoins." + vent.key(),
                            place(vent),
                            words(
                                    "%s ends in %s, where the metal itself comes down.",
                                    vent.name(), end.get().name()),
                            "Metal enters it from above and shuts the gas in.",
                            "Lead it to the open air beside the cup, above the last of the metal.")
                    .from(mm("at", "where it ends, under the rim", -one.tip().z())));
        } else if (end.isEmpty() && one.tip().z() < -LEVEL) {
            found.add(Finding.warn(
                            "vent-short." + vent.key(),
                            place(vent),
                            words(
                                    "%s ends %.0f mm under the rim of the cup.",
                                    vent.name(), -one.tip().z()),
                            "If it is open there, metal runs out of it; if it is closed, gas does not.",
                            words(
                                    "Make it %.0f mm longer, to the level of the rim.",
                                    -one.tip().z()))
                    .from(mm(
                            "under", "end of the vent under the rim", -one.tip().z())));
        }
        sight.assembly().parentOf(vent).filter(p -> p.use() == Use.PIECE).ifPresent(p -> belowTop(vent, p));
    }

    private void belowTop(Member vent, Member piece) {
        Placing.Single one = sight.placing().of(piece).get(0);
        double root = sight.placing().of(vent).get(0).root().z();
        if (root < one.top() - tolerance(one)) {
            found.add(Finding.warn(
                            "vent-low." + vent.key(),
                            place(vent),
                            words(
                                    "%s leaves %s %.0f mm below its highest point.",
                                    vent.name(), piece.name(), one.top() - root),
                            "Once metal has reached the vent, what is above it stays shut in.",
                            "Move it to the highest point.")
                    .from(mm("below", "vent below the high point", one.top() - root)));
        }
    }

    private void blindEnd(Member runner) {
        double end = runner.form().length();
        double wide = Placing.thickest(runner.form());
        List<Member> children = sight.assembly().childrenOf(runner);
        double last = children.stream()
                .flatMap(c -> c.joint().stream())
                .mapToDouble(j -> j.at() + (j.rings() - 1) * j.spacing())
                .max()
                .orElse(0);
        boolean open = children.stream()
                .anyMatch(c -> c.use().letsGasOut() && c.joint().get().at() >= end - 1.5 * wide);
        if (end - last > 1.5 * wide && !open) {
            found.add(Finding.warn(
                            "blind-end." + runner.key(),
                            place(runner),
                            words("%s goes on %.0f mm past its last joint and ends blind.", runner.name(), end - last),
                            "Gas is pressed into the end and comes back with the metal.",
                            "End it at the last joint, or set a vent or a bubble stub on its end.")
                    .from(mm("blind", "past the last joint", end - last)));
        }
    }

    private static Figure count(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, Measure.TIMES, Known.ESTIMATED, 0);
    }

    private static Figure mm(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, Measure.MILLIMETRE, Known.ESTIMATED, 0);
    }
}

package kilnryu.core.gating;

import static kilnryu.core.gating.FeedChecks.words;
import static kilnryu.core.gating.GatingPlanner.place;

import java.util.List;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;

/** Whether the metal gets everywhere before it freezes. */
final class FillChecks {
    private static final double MUCH = 1.5;
    private static final Formula MARGIN = Formula.of("freeze / fill");
    private static final Formula POURED = Formula.of("rate * 1000 / (0.9 * alloy_density)");
    private static final Formula OVERFLOW = Formula.of("(poured - flow) * fill");

    private FillChecks() {}

    static void check(GatingPlanner.Sight sight, Optional<Figure> ratio, Optional<Figure> head, List<Finding> found) {
        sight.assembly().of(Use.PIECE).forEach(p -> thinWall(sight, p, found));
        sight.assembly().of(Use.GATE).forEach(g -> gate(sight, g, found));
        ratio.ifPresent(r -> ratio(sight, r, found));
        necks(sight, found);
        head.ifPresent(h -> head(sight, h, found));
        cup(sight, found);
        sight.assembly().of(Use.PIECE).forEach(p -> Capillary.check(sight, p, found));
        sight.assembly().of(Use.GATE).forEach(g -> thickerThanItsPart(sight, g, found));
        sight.question().pourRate().ifPresent(r -> poursNobody(sight, r, found));
    }

    /** A gate that is thicker than the part it sits on cannot be told from it. */
    private static void thickerThanItsPart(GatingPlanner.Sight sight, Member gate, List<Finding> found) {
        double thick = Placing.thickest(gate.form());
        if (gate.form() instanceof Form.Bar b) {
            thick = Math.min(b.width(), b.thickness());
        } else if (gate.form() instanceof Form.Round r) {
            thick = r.tip();
        }
        for (Member piece : sight.assembly().childrenOf(gate, Use.PIECE)) {
            if (piece.form() instanceof Form.Body b && thick > b.across() * (1 + FeedChecks.SILENT)) {
                found.add(Finding.warn(
                                "gate-thick." + gate.key(),
                                place(gate),
                                words(
                                        "%s is %.1f mm thick where %s is %.1f mm.",
                                        gate.name(), thick, piece.name(), b.across()),
                                "It covers what it joins, tears the face when it is cut off, and heats the piece there.",
                                "A flat gate no thicker than the part, wider instead; or two gates.")
                        .from(Modulus.mm("thick", "gate", thick)));
            }
        }
    }

    private static void poursNobody(GatingPlanner.Sight sight, Figure rate, List<Finding> found) {
        boolean light = sight.question().alloy().family() == kilnryu.core.material.Alloy.Family.ALUMINIUM;
        double most = sight.value(GatingRules.BY_LADLE) / (light ? 3 : 1);
        if (rate.value() > most * MUCH) {
            found.add(Finding.warn(
                            "pour-rate",
                            place(sight.assembly().root()),
                            words(
                                    "Nobody pours %.1f kg a second; two people with a ladle come to %.1f.",
                                    rate.value(), most),
                            "The time to fill is foreseen too short, and thin walls seem to fill that do not.",
                            "Type what you pour, or leave it open.")
                    .from(rate));
        }
    }

    private static void thinWall(GatingPlanner.Sight sight, Member piece, List<Finding> found) {
        if (!(piece.form() instanceof Form.Body b) || b.walls().isEmpty()) {
            return;
        }
        double wall = b.walls().get().thinnest();
        margin(sight, Modulus.thinnest(piece, b.walls().get()), Form.Likeness.PLATE)
                .ifPresent(margin -> {
                    String message = words(
                            "The thinnest wall of %s, %.1f mm, is frozen %.1f times the filling time after the pour.",
                            piece.name(), wall, margin.value());
                    String remedy = words(
                            "At this mold and metal %.1f mm would fill. Hotter mold, hotter metal, larger sprue, or a thicker wall.",
                            sight.filling().leastWall().orElseThrow().value());
                    judge("misrun.", piece, margin, message, remedy, found);
                });
    }

    private static void gate(GatingPlanner.Sight sight, Member gate, List<Finding> found) {
        margin(sight, sight.modulus(gate), Form.Likeness.BAR)
                .ifPresent(margin -> judge(
                        "gate-freezes.",
                        gate,
                        margin,
                        words("%s is frozen %.1f times the filling time after the pour.", gate.name(), margin.value()),
                        "Thicker or shorter gates, or a larger sprue.",
                        found));
    }

    private static Optional<Figure> margin(GatingPlanner.Sight sight, Figure modulus, Form.Likeness like) {
        Filling filling = sight.filling();
        return filling.fill()
                .flatMap(fill -> filling.freezes(modulus, like)
                        .map(freeze -> Figure.computed("margin", "fill margin", Measure.TIMES)
                                .by(MARGIN, freeze, fill)));
    }

    private static void judge(String id, Member at, Figure margin, String message, String remedy, List<Finding> found) {
        String reason =
                "Metal that freezes on its way leaves misruns and cold shuts; at least twice the time is asked.";
        if (margin.value() < 1) {
            found.add(Finding.stop(id + at.key(), place(at), message, reason, remedy)
                    .from(margin));
        } else if (margin.value() < 2) {
            found.add(Finding.warn(id + at.key(), place(at), message, reason, remedy)
                    .from(margin));
        }
    }

    private static void ratio(GatingPlanner.Sight sight, Figure ratio, List<Finding> found) {
        GatingSchool school = sight.question().school();
        double least = sight.question().factors().value(school.least());
        double most = sight.question().factors().value(school.most());
        Member at = sight.assembly().of(Use.SPRUE).get(0);
        if (ratio.value() > most * (1 + FeedChecks.SILENT)) {
            found.add(Finding.warn(
                            "gate-ratio",
                            place(at),
                            words("The gates are %.1f times the sprue; this school goes to %.1f.", ratio.value(), most),
                            "The sprue cannot keep them full: the stream breaks up and draws air.",
                            "A thicker sprue, fewer or thinner gates, or another school.")
                    .from(ratio));
        } else if (ratio.value() < least * (1 - FeedChecks.SILENT)) {
            found.add(Finding.warn(
                            "gate-ratio",
                            place(at),
                            words(
                                    "The gates are only %.2f times the sprue; this school asks %.1f.",
                                    ratio.value(), least),
                            "Metal jets through narrow gates and fills slowly.",
                            "More or thicker gates, or another school.")
                    .from(ratio));
        }
    }

    /** A channel that is narrower than the one after it, by its ends. */
    private static void necks(GatingPlanner.Sight sight, List<Finding> found) {
        for (Member member : sight.assembly().fromRoot()) {
            Optional<Member> parent = sight.assembly().parentOf(member);
            boolean both = member.use().isChannel()
                    && parent.map(p -> p.use().isChannel()).orElse(false);
            if (!both
                    || member.use() == Use.GATE
                    || !(member.narrowest() > 1.15 * parent.get().narrowest())) {
                continue;
            }
            found.add(Finding.warn(
                            "neck." + member.key(),
                            place(parent.get()),
                            words(
                                    "%s necks to %.0f mm² before %s opens to %.0f mm².",
                                    parent.get().name(), parent.get().narrowest(), member.name(), member.narrowest()),
                            "Behind a neck the channel does not run full, and the neck freezes first.",
                            "Let each channel be as wide as the next or wider, unless it is meant as a choke.")
                    .from(sight.modulus(parent.get())));
        }
    }

    private static void head(GatingPlanner.Sight sight, Figure head, List<Finding> found) {
        Figure asked = sight.of(GatingRules.HEAD);
        if (head.value() < asked.value()) {
            found.add(Finding.warn(
                            "head",
                            place(sight.assembly().root()),
                            words(
                                    "The highest piece lies %.0f mm under the rim; %.0f asked.",
                                    head.value(), asked.value()),
                            "Too little metal above it to press it full and to feed it.",
                            "A taller cup, a longer sprue above the first piece, or hang the piece lower.")
                    .from(asked));
        }
    }

    private static void cup(GatingPlanner.Sight sight, List<Finding> found) {
        Member cup = sight.assembly().root();
        Filling filling = sight.filling();
        if (sight.question().pourRate().isEmpty()
                || filling.sprueFlow().isEmpty()
                || filling.fill().isEmpty()) {
            return;
        }
        Figure poured = Figure.computed("poured", "metal poured", Measure.CM3_PER_SECOND)
                .by(
                        POURED,
                        sight.question().pourRate().get().as("rate"),
                        sight.of(sight.question().alloy().density()));
        Figure takes = filling.sprueFlow().get();
        if (poured.value() > takes.value()) {
            Figure over = Figure.computed("held", "what the cup has to hold", Measure.CUBIC_CENTIMETRE)
                    .by(OVERFLOW, poured, takes.as("flow"), filling.fill().get());
            if (over.value() > cup.volume().value()) {
                found.add(Finding.warn(
                                "cup-small",
                                place(cup),
                                words(
                                        "At this pour rate the cup has to hold %.0f cm³; it holds %.0f.",
                                        over.value(), cup.volume().value()),
                                "It runs over, and the pour is broken off.",
                                "A larger cup, a thicker sprue, or pour slower.")
                        .from(over));
            }
        } else if (poured.value() < 0.6 * takes.value()) {
            found.add(Finding.note(
                            "sprue-not-full",
                            place(cup),
                            words("The sprue takes %.0f cm³/s, the pour brings %.0f.", takes.value(), poured.value()),
                            "A sprue that does not run full draws air in with the metal.",
                            "Pour faster, keep the cup full, or take a thinner sprue.")
                    .from(poured));
        }
    }
}

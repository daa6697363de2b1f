package kilnryu.core.gating;

import static kilnryu.core.gating.FeedChecks.words;
import static kilnryu.core.gating.GatingPlanner.place;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.mesh.Vec;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/** What the shape itself asks for: tears, joints, gaps, cores, and what the joints carry. */
final class ShapeChecks {
    /** A joint this little past the end still touches, mm. */
    private static final double TOUCHES = 0.5;

    private static final int MOST_COMPARED = 400;
    private static final Formula TIMES = Formula.of("thick / thin");
    private static final Formula SLENDER = Formula.of("length / diameter");
    private static final Formula PULL = Formula.rule("(wax + area * shell / 10 * 1.9) * 9.81 / 1000 / joint");

    private final GatingPlanner.Sight sight;
    private final List<Finding> found;

    private ShapeChecks(GatingPlanner.Sight sight, List<Finding> found) {
        this.sight = sight;
        this.found = found;
    }

    static void check(GatingPlanner.Sight sight, List<Finding> found) {
        ShapeChecks checks = new ShapeChecks(sight, found);
        for (Member member : sight.assembly().fromRoot()) {
            checks.joint(member);
            if (member.form() instanceof Form.Body body) {
                body.walls().ifPresent(w -> checks.tear(member, body, w));
                body.core().ifPresent(c -> checks.core(member, c));
            }
        }
        checks.corners();
        checks.gaps();
        checks.button();
        checks.carries();
    }

    private void tear(Member piece, Form.Body body, Form.Walls walls) {
        boolean restrained = sight.heldBy(piece) > 1 || body.core().isPresent();
        Figure times = Figure.computed("times", "thick to thin in " + piece.name(), Measure.TIMES)
                .by(
                        TIMES,
                        Modulus.mm("thick", "thickest wall", walls.thickest()),
                        Modulus.mm("thin", "thinnest wall", walls.thinnest()));
        double free = body.length() / walls.thinnest();
        if (restrained
                && times.value() >= sight.value(GatingRules.TEAR)
                && free >= sight.value(GatingRules.TEAR_LENGTH)) {
            found.add(Finding.warn(
                            "tear." + piece.key(),
                            place(piece),
                            words(
                                    "%s has a %.1f mm wall beside %.1f mm and is held at more than one place.",
                                    piece.name(), walls.thinnest(), walls.thickest()),
                            "The thin wall is solid and pulled while the thick one still shrinks: it tears hot.",
                            "Even out the walls, round the change, or hold it at one place only.")
                    .from(times));
        }
    }

    private void core(Member piece, Form.Core core) {
        Figure slender = Figure.computed("slender", "core of " + piece.name() + ", length in diameters", Measure.TIMES)
                .by(
                        SLENDER,
                        Modulus.mm("length", "length", core.length()),
                        Modulus.mm("diameter", "diameter", core.diameter()));
        if (core.pins() < 3) {
            boolean thin = slender.value() > sight.value(GatingRules.SLENDER);
            found.add(Finding.warn(
                            "core-pins." + piece.key(),
                            place(piece),
                            thin
                                    ? words(
                                            "The core of %s is %.1f times as long as thick and has %d pins.",
                                            piece.name(), slender.value(), core.pins())
                                    : words(
                                            "The core of %s has %d pins; at least 3 hold a core.",
                                            piece.name(), core.pins()),
                            "Once the pattern is gone, only the pins hold it: it sinks, floats or breaks.",
                            "Three pins or more; for a slender core on two levels, or a rod through it.")
                    .from(slender));
        } else if (slender.value() > 3 && core.levels() < 2) {
            found.add(Finding.warn(
                            "core-levels." + piece.key(),
                            place(piece),
                            words(
                                    "The core of %s is %.1f times as long as thick and held on one level.",
                                    piece.name(), slender.value()),
                            "It tips when the metal comes.",
                            "Set the pins on two levels or more.")
                    .from(slender));
        }
        Optional<Member> from = sight.assembly().parentOf(piece);
        Placing.Single one = sight.placing().of(piece).get(0);
        boolean falls =
                from.map(p -> sight.placing().of(p).get(0).way().z() < -0.8).orElse(false)
                        && one.way().z() < -0.8;
        if (falls) {
            found.add(Finding.warn(
                            "pours-on-core." + piece.key(),
                            place(from.get()),
                            words(
                                    "%s lets the stream fall straight onto the core of %s.",
                                    from.get().name(), piece.name()),
                            "A stream washes the core away and the sand goes into the casting.",
                            "Lead the metal in from the side or from below.")
                    .from(slender));
        }
    }

    private void joint(Member member) {
        Optional<Member> parent = sight.assembly().parentOf(member);
        if (parent.isEmpty()) {
            return;
        }
        Joint joint = member.joint().get();
        double past = joint.at()
                + (joint.rings() - 1) * joint.spacing()
                - parent.get().form().length();
        if (past > TOUCHES) {
            found.add(Finding.stop(
                            "past-end." + member.key(),
                            place(member),
                            words(
                                    "%s is set %.0f mm past the end of %s.",
                                    member.name(), past, parent.get().name()),
                            "Nothing is there for it to join.",
                            words(
                                    "Make %s longer, or set it nearer, or the rings closer.",
                                    parent.get().name()))
                    .from(Modulus.mm("past", "past the end", past)));
        }
        Vec way = sight.placing().of(member).get(0).way();
        Vec other = sight.placing().of(parent.get()).get(0).way();
        double inLine = Math.min(1, Math.abs(way.dot(other)));
        double angle = Math.toDegrees(Math.acos(inLine));
        double asked = sight.value(GatingRules.WEDGE);
        if (angle > 3 && angle < asked && member.form() instanceof Form.Round) {
            found.add(Finding.warn(
                            "wedge." + member.key(),
                            place(member),
                            words(
                                    "%s meets %s at %.0f°, a sharp wedge.",
                                    member.name(), parent.get().name(), angle),
                            "The mix does not get into the wedge, or stands there as a thin fin that breaks into the metal.",
                            words("Set it at %.0f° or more, and fill the corner with wax.", asked))
                    .from(Figure.given(
                            "angle", "angle of the joint, degrees", angle, Measure.TIMES, Known.ESTIMATED, 0)));
        }
    }

    private void corners() {
        List<Member> bare = sight.assembly().fromRoot().stream()
                .filter(m ->
                        m.use() == Use.GATE || m.use() == Use.PIECE || m.use() == Use.FEEDER || m.use() == Use.RUNNER)
                .filter(m -> m.joint().map(j -> j.fillet() == 0).orElse(false))
                .toList();
        if (!bare.isEmpty()) {
            found.add(Finding.note(
                    "bare-corners",
                    place(bare.get(0)),
                    bare.size() == 1
                            ? words(
                                    "The joint of %s has no fillet.",
                                    bare.get(0).name())
                            : words(
                                    "%d joints have no fillet, the first at %s.",
                                    bare.size(), bare.get(0).name()),
                    "A sharp inner corner breaks off as the metal passes and ends in the casting.",
                    "Round each with a little soft wax, and say how much."));
        }
    }

    private void gaps() {
        List<Placing.Single> all = sight.placing().singles();
        List<Placing.Single> some = all.subList(0, Math.min(MOST_COMPARED, all.size()));
        double asked = sight.value(GatingRules.GAP);
        Set<String> said = new HashSet<>();
        for (int i = 0; i < some.size(); i++) {
            for (int j = i + 1; j < some.size(); j++) {
                Placing.Single a = some.get(i);
                Placing.Single b = some.get(j);
                if (meet(a, b) || said.contains(pair(a, b))) {
                    continue;
                }
                double gap = Gap.between(a, b);
                if (gap < asked) {
                    said.add(pair(a, b));
                    found.add(gap(a.member(), b.member(), gap, asked));
                }
            }
        }
    }

    private Finding gap(Member a, Member b, double gap, double asked) {
        String both = a == b ? "Two of " + a.name() : b.name() + " and " + a.name();
        String message =
                gap <= 0 ? both + " touch or overlap." : words("%s stand %.1f mm apart; %.0f asked.", both, gap, asked);
        return Finding.warn(
                        "gap." + a.key() + "." + b.key(),
                        place(b),
                        message,
                        "A thin web of investment between them breaks, and metal runs across.",
                        "Turn or move one, or fewer on a ring.")
                .from(Figure.given("gap", "gap by outline", gap, Measure.MILLIMETRE, Known.ESTIMATED, 0));
    }

    private boolean meet(Placing.Single a, Placing.Single b) {
        return joins(a.member(), b.member()) || joins(b.member(), a.member());
    }

    private boolean joins(Member a, Member b) {
        return a.joint().map(j -> j.to().equals(b.key())).orElse(false)
                || a.endsAt().equals(b.key());
    }

    private static String pair(Placing.Single a, Placing.Single b) {
        return a.member().key() + "|" + b.member().key();
    }

    private void button() {
        Member cup = sight.assembly().root();
        if (cup.use() != Use.CUP) {
            return;
        }
        double bottom = sight.placing().of(cup).get(0).tip().z();
        Figure asked = sight.of(GatingRules.BUTTON);
        sight.placing().singles().stream()
                .filter(s ->
                        s.member().use() == Use.PIECE && bottom - s.top() < asked.value() * (1 - FeedChecks.SILENT))
                .findFirst()
                .ifPresent(s -> found.add(Finding.warn(
                                "button." + s.member().key(),
                                place(s.member()),
                                words(
                                        "%s stands %.0f mm from the cup; %.0f asked.",
                                        s.member().name(), bottom - s.top(), asked.value()),
                                "Next to the button it freezes last and gets porous.",
                                "Begin the first ring lower on the sprue.")
                        .from(asked)));
    }

    /** The weakest joint of a growing shell: what hangs on it against its section. */
    private void carries() {
        if (sight.question().in().shell().isEmpty()) {
            return;
        }
        for (Member member : sight.assembly().fromRoot()) {
            if (member.use() != Use.SPRUE && member.use() != Use.RUNNER || !Double.isFinite(member.narrowest())) {
                continue;
            }
            List<Member> hanging = new ArrayList<>();
            below(member, hanging);
            double wax =
                    hanging.stream().mapToDouble(m -> m.volume().value() * 0.95).sum();
            double area = hanging.stream()
                            .mapToDouble(m -> m.count() * m.form().surface())
                            .sum()
                    / 100;
            Figure pull = Figure.computed("pull", "pull on " + member.name() + " in a wet shell", Measure.MEGAPASCAL)
                    .by(
                            PULL,
                            Figure.given("wax", "wax that hangs on it", wax, Measure.GRAM, Known.ESTIMATED, 0),
                            Figure.given("area", "area coated", area, Measure.SQUARE_CENTIMETRE, Known.ESTIMATED, 0),
                            sight.of(GatingRules.SHELL),
                            Figure.given(
                                    "joint",
                                    "section",
                                    member.count() * member.narrowest(),
                                    Measure.SQUARE_MILLIMETRE,
                                    Known.MEASURED,
                                    0));
            if (pull.value() > sight.value(GatingRules.WAX_STRENGTH)) {
                found.add(Finding.warn(
                                "joint-weak." + member.key(),
                                place(member),
                                words(
                                        "In a shell %s would carry %.1f kg on %.0f mm² of wax.",
                                        member.name(),
                                        pull.value() * member.count() * member.narrowest() / 9.81,
                                        member.count() * member.narrowest()),
                                "The wax stretches or breaks as the coats grow heavy.",
                                "A thicker sprue, a wire or hook through it, or carry the piece itself.")
                        .from(pull));
            }
        }
    }

    private void below(Member from, List<Member> into) {
        into.add(from);
        sight.assembly().childrenOf(from).forEach(c -> below(c, into));
    }
}

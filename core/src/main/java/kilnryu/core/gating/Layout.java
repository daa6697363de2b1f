package kilnryu.core.gating;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/**
 * Ways to build a tree round one kind of piece. Each gives a first proposal that obeys the rules of feeding: every
 * section a tenth thicker than what it feeds, and a little more; the caster changes it from there.
 */
public enum Layout {
    TIERED("tiered", "tiered tree on a central sprue"),
    RUNNER("runner", "runner bar, pieces hanging below"),
    FROM_BELOW("from-below", "from below: down-sprue, runner, vents to the rim"),
    DIRECT("direct", "direct from the top, with a feeder");

    /** Thicker than asked, so that rounding and a file's stroke do not undo it. */
    private static final double AMPLE = 1.13;

    private static final double ROOM = 4;
    private static final double HEAD = 25;

    private final String key;
    private final String label;

    Layout(String key, String label) {
        this.key = key;
        this.label = label;
    }

    public static Optional<Layout> named(String key) {
        return Arrays.stream(values()).filter(l -> l.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /**
     * What is wanted.
     *
     * @param piece with its form; its count is how many
     * @param rings levels or places along, empty as it comes
     * @param spacing mm between them, empty as it comes
     * @param tilt of the pieces, degrees, empty as usual
     */
    public record Wish(Member piece, OptionalInt rings, OptionalDouble spacing, OptionalDouble tilt) {}

    /** All members of the proposal, the piece among them under its own key, everything after what it joins. */
    public List<Member> propose(Wish wish) {
        Sizes sizes = new Sizes(wish, this == RUNNER || this == FROM_BELOW);
        return switch (this) {
            case TIERED -> tiered(wish, sizes);
            case RUNNER -> runner(wish, sizes);
            case FROM_BELOW -> fromBelow(wish, sizes);
            case DIRECT -> direct(wish, sizes);
        };
    }

    /** Diameters that rise from the piece to the cup, mm. */
    private static final class Sizes {
        final double gate;
        final double runner;
        final double sprue;
        final double cupTip;
        final double cupRim;
        final double cupLength;
        final Form.Body body;

        Sizes(Wish wish, boolean withRunner) {
            Figure modulus = Modulus.of(wish.piece);
            gate = half(4 * modulus.value() * AMPLE, 2);
            runner = half(gate * AMPLE, 3);
            sprue = half((withRunner ? runner : gate) * AMPLE, 5);
            cupTip = half(sprue * 1.2, 8);
            cupRim = half(sprue * 2.8, 25);
            cupLength = half(Math.max(HEAD, sprue * 2), 25);
            body = bodyOf(wish.piece);
        }

        private static double half(double mm, double least) {
            return Math.max(least, Math.ceil(2 * mm) / 2);
        }
    }

    private static Form.Body bodyOf(Member piece) {
        if (piece.form() instanceof Form.Body b) {
            return b;
        }
        double thick = Placing.thickest(piece.form());
        return new Form.Body(piece.form().length(), thick, thick, Optional.empty(), Optional.empty());
    }

    private static List<Member> tiered(Wish wish, Sizes s) {
        double tilt = wish.tilt.orElse(-45);
        double level = Math.cos(Math.toRadians(tilt));
        double drop = Math.abs(Math.sin(Math.toRadians(tilt)));
        double gateLength = Math.max(6, s.gate);
        double out = s.sprue / 2 + (gateLength + s.body.length() / 2) * level;
        int round = Math.max(1, (int) Math.floor(2 * Math.PI * out / (s.body.width() + ROOM)));
        int atFace =
                Math.max(1, (int) Math.floor(Math.PI / Math.asin(Math.min(1, (s.gate + ROOM) / (s.sprue + s.gate)))));
        int count = wish.piece.count();
        int rings = wish.rings.orElse((int) Math.ceil(count / (double) Math.min(round, atFace)));
        double apart = Math.max(s.gate, s.body.thickness()) / Math.max(0.5, level) + ROOM;
        double spacing = wish.spacing.orElse(Math.ceil(apart));
        double rise = tilt > 0 ? (gateLength + s.body.length()) * drop : s.gate / 2 + 1;
        double first = Math.ceil(12 + rise + s.body.thickness() / 2);
        double length = Math.ceil(first + (rings - 1) * spacing + s.gate + 4);
        List<Member> members = trunk(s, length);
        members.add(member(
                "gate",
                Use.GATE,
                count,
                new Form.Round(s.gate, s.gate, gateLength),
                Joint.to("sprue", first, 0, tilt).inRings(rings, spacing).filleted(1)));
        members.add(placed(wish.piece, Joint.to("gate", gateLength, 0, tilt).filleted(1)));
        return members;
    }

    private static List<Member> runner(Wish wish, Sizes s) {
        int count = wish.piece.count();
        int sides = count > 1 ? 2 : 1;
        int places = wish.rings.orElse((int) Math.ceil(count / (double) sides));
        double spacing = wish.spacing.orElse(Math.ceil(Math.max(s.body.width(), s.gate) + ROOM));
        double first = Math.ceil(Math.max(spacing / 2, s.sprue));
        double thick = s.runner;
        double length = first + (places - 1) * spacing + s.gate;
        List<Member> members = trunk(s, 30);
        members.add(member(
                "runner",
                Use.RUNNER,
                sides,
                new Form.Bar(thick, thick, length),
                Joint.to("sprue", 28, 0, 0).filleted(2)));
        double gateLength = Math.max(6, s.gate);
        members.add(member(
                "gate",
                Use.GATE,
                count,
                new Form.Round(s.gate, s.gate, gateLength),
                Joint.to("runner", first, 0, -90).inRings(places, spacing).filleted(1)));
        members.add(placed(wish.piece, Joint.to("gate", gateLength, 0, -90).filleted(1)));
        return members;
    }

    private static List<Member> fromBelow(Wish wish, Sizes s) {
        int count = wish.piece.count();
        double wide = Math.max(s.body.width(), s.gate);
        double spacing = wish.spacing.orElse(Math.ceil(wide + ROOM));
        double thick = s.runner;
        double gateLength = Math.max(6, s.gate / 2);
        double first = Math.ceil(s.sprue / 2 + wide / 2 + ROOM + 6);
        int places = wish.rings.orElse((int) Math.ceil(count / 2.0));
        int sides = count > 1 ? 2 : 1;
        double down = Math.ceil(s.body.length() + gateLength + thick + 14);
        List<Member> members = trunk(s, down);
        members.add(member(
                "runner",
                Use.RUNNER,
                sides,
                new Form.Bar(thick, thick, first + (places - 1) * spacing + s.gate),
                Joint.to("sprue", down - thick / 2, 0, 0).filleted(2)));
        members.add(member(
                "gate",
                Use.GATE,
                count,
                new Form.Round(s.gate, s.gate, gateLength),
                Joint.to("runner", first, 0, 90).inRings(places, spacing).filleted(1)));
        members.add(placed(wish.piece, Joint.to("gate", gateLength, 0, 90).filleted(1)));
        double top = s.cupLength + down - thick / 2 - thick / 2 - gateLength - s.body.length();
        members.add(member(
                "vent",
                Use.VENT,
                count,
                new Form.Round(6, 6, Math.ceil(top)),
                Joint.to(wish.piece.key(), s.body.length(), 0, 90).filleted(1)));
        return members;
    }

    private static List<Member> direct(Wish wish, Sizes s) {
        List<Member> members = new ArrayList<>();
        double feeder = Math.ceil(s.gate * 1.4);
        members.add(member(
                "cup", Use.CUP, 1, new Form.Round(Math.max(s.cupRim, 2 * feeder), feeder + 4, s.cupLength), null));
        members.add(member(
                "feeder",
                Use.FEEDER,
                1,
                new Form.Round(feeder, feeder, Math.ceil(feeder * 1.5)),
                Joint.to("cup", s.cupLength, 0, -90).filleted(2)));
        double gateLength = Math.max(4, s.gate / 3);
        members.add(member(
                "gate",
                Use.GATE,
                1,
                new Form.Round(s.gate, s.gate, gateLength),
                Joint.to("feeder", Math.ceil(feeder * 1.5), 0, -90).filleted(2)));
        members.add(placed(
                one(wish.piece),
                Joint.to("gate", gateLength, 0, wish.tilt.orElse(-90)).filleted(2)));
        return members;
    }

    private static List<Member> trunk(Sizes s, double sprueLength) {
        List<Member> members = new ArrayList<>();
        members.add(member("cup", Use.CUP, 1, new Form.Round(s.cupRim, s.cupTip, s.cupLength), null));
        members.add(member(
                "sprue",
                Use.SPRUE,
                1,
                new Form.Round(s.sprue, s.sprue, sprueLength),
                Joint.to("cup", s.cupLength, 0, -90).filleted(2)));
        return members;
    }

    private static Member member(String key, Use use, int count, Form form, Joint joint) {
        Figure none = Figure.given("volume", "volume", 0, Measure.CUBIC_CENTIMETRE, Known.ESTIMATED, 0);
        return new Member(key, use.label(), use, count, form, none, Optional.ofNullable(joint), "");
    }

    private static Member placed(Member piece, Joint joint) {
        return new Member(
                piece.key(),
                piece.name(),
                Use.PIECE,
                piece.count(),
                piece.form(),
                piece.volume(),
                Optional.of(joint),
                "");
    }

    private static Member one(Member piece) {
        return new Member(
                piece.key(), piece.name(), piece.use(), 1, piece.form(), piece.volume(), piece.joint(), piece.endsAt());
    }
}

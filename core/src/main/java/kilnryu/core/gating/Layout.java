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
import org.jspecify.annotations.Nullable;

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

    /** A flat gate is at most so many times as wide as thick. */
    private static final double FLAT = 4;

    /** Of a piece's volume, what a feeder has to hold: 4.5 % over 17 %, and some more. */
    private static final double FEEDER_SHARE = 0.3;

    private static final double LEAST_GAP = 3;
    private static final double WIDER = 3;
    private static final int TRIED_APART = 8;
    private static final int MOST_TRIED = 64;
    private static final int MOST_HELD_APART = 60;
    /** A gate that only fills, mm. */
    private static final double FILLS = 7;

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
     * @param unfed thickest wall that casts sound without being fed, mm
     */
    public record Wish(Member piece, OptionalInt rings, OptionalDouble spacing, OptionalDouble tilt, double unfed) {
        private static final double USUAL_UNFED = 8;

        /** Of a copper alloy. */
        public Wish(Member piece, OptionalInt rings, OptionalDouble spacing, OptionalDouble tilt) {
            this(piece, rings, spacing, tilt, USUAL_UNFED);
        }
    }

    /** All members of the proposal, the piece among them under its own key, everything after what it joins. */
    public List<Member> propose(Wish wish) {
        Sizes sizes = new Sizes(wish, this);
        List<Member> members = new ArrayList<>(apart(wish, sizes));
        Member piece =
                members.stream().filter(m -> m.use() == Use.PIECE).findFirst().orElseThrow();
        // from below it stands on the top, where the vent would
        double at = this == FROM_BELOW ? sizes.body.length() : sizes.body.length() / 2;
        sizes.feeder.ifPresent(f -> members.add(member(
                "own-feeder",
                Use.FEEDER,
                piece.count(),
                f,
                Joint.to(piece.key(), at, 0, 90).filleted(2))));
        return members;
    }

    /** With as much room between the pieces as they ask: further apart first, then fewer on a ring. */
    private List<Member> apart(Wish wish, Sizes sizes) {
        List<Member> members = proposed(wish, sizes);
        OptionalInt rings = OptionalInt.empty();
        OptionalDouble spacing = OptionalDouble.empty();
        for (Member m : members) {
            if (m.use() == Use.GATE) {
                rings = OptionalInt.of(m.joint().orElseThrow().rings());
                spacing = OptionalDouble.of(m.joint().orElseThrow().spacing());
            }
        }
        boolean free = wish.spacing.isEmpty() && wish.rings.isEmpty() && rings.isPresent();
        for (int i = 1; i <= MOST_TRIED && free && gap(members) < LEAST_GAP; i++) {
            int more = rings.getAsInt() + i / TRIED_APART;
            double wider = spacing.getAsDouble() + WIDER * (i % TRIED_APART);
            if (more > wish.piece.count()) {
                break;
            }
            members = proposed(
                    new Wish(wish.piece, OptionalInt.of(more), OptionalDouble.of(wider), wish.tilt, wish.unfed), sizes);
        }
        return members;
    }

    /** Least gap between pieces and gates that do not join, of the first some dozen, mm. */
    private static double gap(List<Member> members) {
        List<Placing.Single> near = Placing.of(Assembly.of(members)).singles().stream()
                .filter(s -> s.member().use() == Use.PIECE || s.member().use() == Use.GATE)
                .limit(MOST_HELD_APART)
                .toList();
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < near.size(); i++) {
            for (int j = i + 1; j < near.size(); j++) {
                // a piece hangs on its own gate
                if (near.get(i).member().use() == near.get(j).member().use()) {
                    least = Math.min(least, Gap.between(near.get(i), near.get(j)));
                }
            }
        }
        return least;
    }

    private List<Member> proposed(Wish wish, Sizes sizes) {
        return switch (this) {
            case TIERED -> tiered(wish, sizes);
            case RUNNER -> runner(wish, sizes);
            case FROM_BELOW -> fromBelow(wish, sizes);
            case DIRECT -> direct(wish, sizes);
        };
    }

    /** Diameters that rise from the piece to the cup, mm. */
    private static final class Sizes {
        /** Diameter of the rod that freezes with the gate, mm. */
        final double gate;

        final Form gateForm;
        final double modulus;
        final double wall;
        /** On each piece, where no gate it bears can feed it. */
        final Optional<Form.Round> feeder;

        final double runner;
        final double sprue;
        final double cupTip;
        final double cupRim;
        final double cupLength;
        final Form.Body body;

        Sizes(Wish wish, Layout layout) {
            boolean withRunner = layout == RUNNER || layout == FROM_BELOW;
            body = bodyOf(wish.piece);
            modulus = Modulus.of(wish.piece).value();
            wall = body.walls().map(Form.Walls::thickest).orElse(2 * modulus);
            Form feeds = gate(body, 4 * modulus * AMPLE);
            boolean canFeed = across(feeds) >= modulus * 1.1 * (1 - FeedChecks.SILENT);
            boolean own = wall > wish.unfed && (layout == FROM_BELOW || !canFeed);
            // what has a feeder of its own is only filled through its gate
            gateForm = own ? gate(body, Math.min(FILLS, 4 * modulus)) : feeds;
            feeder = own ? Optional.of(feeder(wish.piece, modulus)) : Optional.empty();
            gate = 4 * across(gateForm);
            runner = half(gate * AMPLE, 3);
            sprue = half((withRunner ? runner : gate) * AMPLE, 5);
            cupTip = half(sprue * 1.2, 8);
            cupRim = half(Math.min(sprue * 2.8, Math.max(25, sprue + 30)), 25);
            cupLength = half(Math.max(HEAD, Math.min(sprue * 2, 40)), 25);
        }

        /** As thick as it has to be, but no thicker than the part where it sits: then flat, and wider instead. */
        private static Form gate(Form.Body body, double asked) {
            double part = body.across();
            double round = half(asked, 2);
            if (round <= part) {
                return new Form.Round(round, round, Math.max(6, round));
            }
            double thick = part >= 2 ? Math.floor(2 * part) / 2 : part;
            double most = Math.max(thick, 0.7 * Math.max(body.width(), body.thickness()));
            double wide = thick > asked / 2 ? asked / 2 * thick / (thick - asked / 2) : FLAT * thick;
            wide = Math.floor(2 * Math.min(most, Math.min(FLAT * thick, wide))) / 2;
            double length = Math.max(6, thick);
            return wide > thick * 1.2 ? new Form.Bar(wide, thick, length) : new Form.Round(thick, thick, length);
        }

        /** Modulus of a gate, mm. */
        private static double across(Form gate) {
            if (gate instanceof Form.Bar b) {
                return b.width() * b.thickness() / (2 * (b.width() + b.thickness()));
            }
            return ((Form.Round) gate).root() / 4;
        }

        /** Freezes a fifth later than the piece and holds what it shrinks by. */
        private static Form.Round feeder(Member piece, double modulus) {
            double byVolume = Math.cbrt(piece.oneVolume() * 1000 * FEEDER_SHARE / (1.5 * Math.PI / 4));
            double d = Math.ceil(Math.max(1.2 * modulus * 4.7, byVolume));
            return new Form.Round(d, d, Math.ceil(1.5 * d));
        }

        /** The wider of the piece's measures across, mm. */
        double wider() {
            return Math.max(body.width(), body.thickness());
        }

        /** How much of a face the gate takes, mm. */
        double wide() {
            return Placing.thickest(gateForm);
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
        double gateLength = s.gateForm.length();
        double out = s.sprue / 2 + (gateLength + s.body.length() / 2) * level;
        int round = Math.max(1, (int) Math.floor(2 * Math.PI * out / (s.body.width() + ROOM)));
        int atFace = Math.max(1, (int) Math.floor(
                Math.PI / Math.asin(Math.min(1, (s.wide() + ROOM) / (s.sprue + s.wide())))));
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
                s.gateForm,
                Joint.to("sprue", first, 0, tilt).inRings(rings, spacing).filleted(1)));
        members.add(placed(wish.piece, Joint.to("gate", gateLength, 0, tilt).filleted(1)));
        return members;
    }

    private static List<Member> runner(Wish wish, Sizes s) {
        int count = wish.piece.count();
        int sides = count > 1 ? 2 : 1;
        int places = wish.rings.orElse((int) Math.ceil(count / (double) sides));
        double spacing = wish.spacing.orElse(Math.ceil(Math.max(s.wider(), s.wide()) + ROOM));
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
        double gateLength = s.gateForm.length();
        members.add(member(
                "gate",
                Use.GATE,
                count,
                s.gateForm,
                Joint.to("runner", first, 0, -90).inRings(places, spacing).filleted(1)));
        members.add(placed(wish.piece, Joint.to("gate", gateLength, 0, -90).filleted(1)));
        return members;
    }

    private static List<Member> fromBelow(Wish wish, Sizes s) {
        int count = wish.piece.count();
        double wide = Math.max(
                Math.max(s.wider(), s.wide()), s.feeder.map(Form.Round::root).orElse(0.0));
        double spacing = wish.spacing.orElse(Math.ceil(wide + ROOM));
        double thick = s.runner;
        double gateLength = s.gateForm.length();
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
                s.gateForm,
                Joint.to("runner", first, 0, 90).inRings(places, spacing).filleted(1)));
        members.add(placed(wish.piece, Joint.to("gate", gateLength, 0, 90).filleted(1)));
        double top = s.cupLength + down - thick / 2 - thick / 2 - gateLength - s.body.length();
        if (s.feeder.isEmpty()) {
            members.add(member(
                    "vent",
                    Use.VENT,
                    count,
                    new Form.Round(6, 6, Math.ceil(top)),
                    Joint.to(wish.piece.key(), s.body.length(), 0, 90).filleted(1)));
        }
        return members;
    }

    private static List<Member> direct(Wish wish, Sizes s) {
        List<Member> members = new ArrayList<>();
        double feeder = Math.ceil(Math.max(8, s.gate * 1.4));
        double feederLength = feeder;
        double cupLength = Math.max(HEAD, Math.ceil(0.8 * feeder));
        members.add(member("cup", Use.CUP, 1, new Form.Round(Math.max(25, feeder + 10), feeder + 2, cupLength), null));
        members.add(member(
                "feeder",
                Use.FEEDER,
                1,
                new Form.Round(feeder, feeder, feederLength),
                Joint.to("cup", cupLength, 0, -90).filleted(2)));
        double gateLength = s.gateForm.length();
        members.add(member(
                "gate",
                Use.GATE,
                1,
                s.gateForm,
                Joint.to("feeder", feederLength, 0, -90).filleted(2)));
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

    private static Member member(String key, Use use, int count, Form form, @Nullable Joint joint) {
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
        Figure volume = Figure.given(
                "volume", "volume of one", piece.oneVolume(), Measure.CUBIC_CENTIMETRE, Known.ESTIMATED, 0);
        return new Member(
                piece.key(), piece.name(), piece.use(), 1, piece.form(), volume, piece.joint(), piece.endsAt());
    }
}

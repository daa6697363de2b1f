package kilnryu.core.foresight;

import java.util.Locale;
import java.util.Optional;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Joint;
import kilnryu.core.gating.Placing;
import kilnryu.core.mesh.Vec;

/** One change of a tree that would help, small enough to be tried beside the present and to be taken with one press. */
public sealed interface Change {
    /** As a button says it. */
    String words();

    /** As an address carries it. */
    String code();

    /**
     * A rod that stands on a piece and leads to the rim: a feeder or a vent.
     *
     * @param on the member it stands on
     * @param number of the one of those alike
     * @param x of the place that it is to serve, mm, cup up, the rim at 0; y and z likewise
     * @param diameter mm
     */
    record Stands(Kind kind, String on, String name, int number, double x, double y, double z, double diameter)
            implements Change {
        private static final double UPRIGHT = 0.7;
        private static final double NEAR_TOP = 0.6;
        private static final double ASIDE_DEG = 60;
        private static final double LEAST_MM = 8;

        @Override
        public String words() {
            return String.format(Locale.ROOT, "%s %.0f mm on %s", kind.words, diameter, name);
        }

        @Override
        public String code() {
            return String.format(
                    Locale.ROOT,
                    "stands~%s~%s~%s~%d~%.1f~%.1f~%.1f~%.1f",
                    kind.name().toLowerCase(Locale.ROOT),
                    on,
                    name.replace('~', ' '),
                    number,
                    x,
                    y,
                    z,
                    diameter);
        }

        /** Where it is joined, and how long it is. @param length mm, to the rim */
        public record Joined(Joint joint, double length) {}

        /** On top of a piece that stands under its place, else aside and up to the rim; empty where it is not there. */
        public Optional<Joined> joined(GatingPlan plan) {
            return plan.assembly()
                    .named(on)
                    .flatMap(m -> plan.placing().of(m).stream()
                            .filter(s -> s.number() == number)
                            .findFirst()
                            .map(this::joined));
        }

        private Joined joined(Placing.Single s) {
            Vec off = new Vec(x, y, z).minus(s.root());
            double length = s.member().form().length();
            double along = Math.max(0, Math.min(length, off.dot(s.way())));
            boolean upright = Math.abs(s.way().z()) > UPRIGHT;
            if (s.way().z() > UPRIGHT && along > NEAR_TOP * length) {
                return new Joined(
                        Joint.to(on, length, 0, 90), Math.max(LEAST_MM, -s.tip().z()));
            }
            Vec aside = off.minus(s.way().times(off.dot(s.way())));
            double round = aside.length() < 1 ? 0 : Math.toDegrees(Math.atan2(aside.y(), aside.x())) - s.azimuth();
            double tilt = upright ? ASIDE_DEG : 90;
            double up = -s.root().plus(s.way().times(along)).z();
            return new Joined(
                    Joint.to(on, along, upright ? round : 0, tilt),
                    Math.max(LEAST_MM, up / Math.sin(Math.toRadians(tilt))));
        }
    }

    /** What a rod that stands on a piece is for. */
    enum Kind {
        FEEDER("feeder"),
        VENT("vent");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String key() {
            return words;
        }
    }

    /**
     * A member made thicker.
     *
     * @param diameter mm of a rod, or the lesser side of a bar
     * @param feeds whether it is a feeder from then on
     */
    record Thicker(String key, String name, double diameter, boolean feeds) implements Change {
        @Override
        public String words() {
            return String.format(Locale.ROOT, feeds ? "%s as a feeder of %.0f mm" : "%s %.0f mm thick", name, diameter);
        }

        @Override
        public String code() {
            return String.format(
                    Locale.ROOT, "thicker~%s~%s~%.1f~%s", key, name.replace('~', ' '), diameter, feeds ? "feeds" : "");
        }
    }

    /** The mold hotter as it is poured. @param celsius of it then */
    record Hotter(double celsius) implements Change {
        @Override
        public String words() {
            return String.format(Locale.ROOT, "mold at %.0f °C", celsius);
        }

        @Override
        public String code() {
            return String.format(Locale.ROOT, "hotter~%.0f", celsius);
        }
    }

    /** Empty for what is no change. */
    static Optional<Change> of(String code) {
        String[] of = code.split("~", -1);
        try {
            return switch (of[0]) {
                case "stands" -> of.length == 9 ? Optional.of(stands(of)) : Optional.empty();
                case "thicker" ->
                    of.length == 5
                            ? Optional.of(new Thicker(of[1], of[2], number(of[3]), of[4].equals("feeds")))
                            : Optional.empty();
                case "hotter" -> of.length == 2 ? Optional.of(new Hotter(number(of[1]))) : Optional.empty();
                default -> Optional.empty();
            };
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Change stands(String[] of) {
        return new Stands(
                Kind.valueOf(of[1].toUpperCase(Locale.ROOT)),
                of[2],
                of[3],
                Integer.parseInt(of[4]),
                number(of[5]),
                number(of[6]),
                number(of[7]),
                number(of[8]));
    }

    private static double number(String of) {
        double number = Double.parseDouble(of);
        if (!Double.isFinite(number) || Math.abs(number) > 5000) {
            throw new IllegalArgumentException("no measure");
        }
        return number;
    }
}

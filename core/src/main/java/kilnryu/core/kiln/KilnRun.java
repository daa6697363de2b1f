package kilnryu.core.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.DoubleUnaryOperator;
import kilnryu.core.heat.Body;
import kilnryu.core.heat.Conduction;

/**
 * A kiln with molds in it, going through time: the kiln follows what is asked of it as far as its power goes, and gives
 * its heat to the molds (handbook 8). It may be led by what a thermocouple has measured, then go on by the model.
 *
 * <p>The molds see the kiln as it was when a step began and the kiln pays for what they took in it; steps are kept well
 * under the time in which the molds could draw the kiln down. Not safe for several threads.
 */
public final class KilnRun {
    private static final double[] MARKS = {105, 400, 680};
    private static final double BURNT_C = 680;
    /** What a mold's rim lets in once its face is as hot as the kiln, W/(m2 K). */
    private static final double RIM = 60;

    private static final int ENOUGH_FOR_THREADS = 3;

    /**
     * What stands in the kiln: one mold, or several that are alike in all that counts and are reckoned once.
     *
     * @param residue char that the pattern leaves to begin with, %
     * @param air 1 with air in the kiln, 0.3 closed
     */
    public record Charge(String name, Mold mold, int count, double residue, double air) {
        public Charge {
            if (count < 1 || residue < 0 || !(air > 0)) {
                throw new IllegalArgumentException("no such charge");
            }
        }
    }

    /**
     * How closely it is followed.
     *
     * @param cells from the axis to the side
     * @param step longest of the kiln, s
     * @param moment how often the course is noted, s
     * @param picture how often a section is noted, s; infinite for never
     */
    public record Detail(int cells, Conduction.Fineness fineness, double step, double moment, double picture) {
        /** For the answer of the API: hours to dry within 0.13 percent, the largest lag behind the kiln within 2 K. */
        public static final Detail FULL =
                new Detail(Body.cellsFor(0.0013), new Conduction.Fineness(4, 120), 30, 120, Double.POSITIVE_INFINITY);

        /** While a program is drawn: hours to dry within 1.5 percent. */
        public static final Detail QUICK =
                new Detail(Body.cellsFor(0.015), Conduction.Fineness.USUAL, 240, 240, Double.POSITIVE_INFINITY);

        /** With a section every so often. */
        public Detail pictures(double every) {
            return new Detail(cells, fineness, step, moment, every);
        }

        public Detail moments(double every) {
            return new Detail(cells, fineness, step, every, picture);
        }
    }

    /**
     * The section of a mold at a time: cells from the axis outwards, and from the middle or the bottom up.
     *
     * @param celsius layer by layer
     * @param wet share of the free water left, layer by layer
     */
    public record Section(double minute, int rings, int layers, boolean half, double[] celsius, double[] wet) {}

    private final List<Charge> charges;
    private final Detail detail;
    private final List<Course> courses;
    private final List<KilnAt> kilnAt;
    private Optional<Kiln> kiln;
    private double kilnC;
    private double joules;
    private double wall;
    private double lining;
    private double molds;
    private double time;
    private double behind;
    private Watch watch = Watch.NOBODY;
    private double noted = Double.NEGATIVE_INFINITY;
    private double pictured = Double.NEGATIVE_INFINITY;

    /** What was asked and what the kiln was, C. */
    public record KilnAt(double minute, double program, double kiln) {}

    /** @param kiln empty for one that follows exactly */
    public KilnRun(List<Charge> charges, Optional<Kiln> kiln, double start, Detail detail) {
        this.charges = List.copyOf(charges);
        this.kiln = kiln;
        this.detail = detail;
        kilnC = start;
        kilnAt = new ArrayList<>();
        courses = charges.stream().map(c -> new Course(c, detail, start)).toList();
        note(start);
    }

    private KilnRun(KilnRun from) {
        charges = from.charges;
        detail = from.detail;
        courses = from.courses.stream().map(Course::new).toList();
        kilnAt = new ArrayList<>(from.kilnAt);
        kiln = from.kiln;
        kilnC = from.kilnC;
        joules = from.joules;
        wall = from.wall;
        lining = from.lining;
        molds = from.molds;
        time = from.time;
        behind = from.behind;
        noted = from.noted;
        pictured = from.pictured;
    }

    /** A run as this one is now, that goes on for itself. */
    public KilnRun copy() {
        return new KilnRun(this);
    }

    /** Goes on to a time, s, with the program's temperature by seconds; corners of it should be ends of such a way. */
    public void go(double to, DoubleUnaryOperator asked) {
        while (time < to - 1e-6) {
            step(to, asked);
        }
    }

    /** A whole program from here, corner by corner. */
    public void go(FiringProgram program) {
        double end = program.seconds();
        while (time < end - 1e-6) {
            go(Math.min(end, program.corner(time)), program::at);
        }
        end(program.at(end));
    }

    /** One step, no further than a time, s, with the program's temperature by seconds. */
    public void step(double to, DoubleUnaryOperator asked) {
        double dt = Math.min(to - time, length());
        double then = time + dt;
        if (kiln.isEmpty()) {
            each(c -> c.go(then, asked));
            kilnC = asked.applyAsDouble(then);
        } else {
            double here = kilnC;
            double before = heat();
            each(c -> c.go(then, s -> here));
            heated(kiln.get(), dt, (heat() - before) / dt, asked.applyAsDouble(then));
        }
        time = then;
        watch.at(time);
        behind = Math.max(behind, asked.applyAsDouble(then) - kilnC);
        if (time >= noted + detail.moment - 1e-9) {
            note(asked.applyAsDouble(time));
        }
    }

    /** Bodies do not touch each other within a step. */
    private void each(Consumer<Course> way) {
        if (courses.size() < ENOUGH_FOR_THREADS) {
            courses.forEach(way);
        } else {
            courses.parallelStream().forEach(way);
        }
    }

    private void heated(Kiln k, double dt, double intoMolds, double asked) {
        double lost = k.lossPerK() * (kilnC - Kiln.room());
        double wanted = k.capacity() * (asked - kilnC) / dt + lost + intoMolds;
        double power = Math.max(0, Math.min(k.watts(), wanted));
        kilnC += (power - lost - intoMolds) * dt / k.capacity();
        joules += power * dt;
        wall += lost * dt;
        lining += (power - lost - intoMolds) * dt;
        molds += intoMolds * dt;
    }

    private double heat() {
        double sum = 0;
        for (Course c : courses) {
            sum += c.heat();
        }
        return sum;
    }

    /** A quarter of the time in which the molds, through their rims, could draw the kiln down. */
    private double length() {
        if (kiln.isEmpty()) {
            return detail.fineness.longest();
        }
        double drawn = kiln.get().lossPerK();
        for (Charge c : charges) {
            drawn += RIM * c.mold.surface() * c.count;
        }
        return Math.max(5, Math.min(detail.step, 0.25 * kiln.get().capacity() / drawn));
    }

    private void note(double asked) {
        noted = time;
        kilnAt.add(new KilnAt(time / 60, asked, kilnC));
        boolean picture = time >= pictured + detail.picture - 1e-9;
        if (picture) {
            pictured = time;
        }
        courses.forEach(c -> c.note(asked, kilnC, picture));
    }

    /** The last moment, wherever the others fall. */
    public void end(double asked) {
        if (noted < time - 1e-6) {
            note(asked);
        }
    }

    /** From now on someone looks on; a copy of this run is not watched. */
    public KilnRun watched(Watch by) {
        watch = by;
        return this;
    }

    /** From now on another kiln: one with its door ajar, without power, or none that binds. */
    public void kiln(Optional<Kiln> other) {
        kiln = other;
    }

    /** Seconds since the start. */
    public double time() {
        return time;
    }

    /** The kiln, C. */
    public double kilnC() {
        return kilnC;
    }

    /** Drawn so far, kWh; empty where no kiln was given. */
    public OptionalDouble energy() {
        return kiln.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(joules / 3.6e6);
    }

    /** Where it went; empty where no kiln was given. */
    public Optional<Firing.Spent> spent() {
        return kiln.isEmpty()
                ? Optional.empty()
                : Optional.of(new Firing.Spent(wall / 3.6e6, lining / 3.6e6, molds / 3.6e6));
    }

    /** Furthest that the kiln stayed behind its program, K. */
    public double behind() {
        return behind;
    }

    public List<KilnAt> kilnAt() {
        return List.copyOf(kilnAt);
    }

    public List<Charge> charges() {
        return charges;
    }

    /** The slowest point of a mold now, C. */
    public double core(int charge) {
        return courses.get(charge).core;
    }

    /** Minutes until its slowest point was past 105 C; empty while it is not. */
    public OptionalDouble dry(int charge) {
        return courses.get(charge).past[0];
    }

    /** Its face half way up now, C. */
    public double face(int charge) {
        return courses.get(charge).face();
    }

    /** Temperature at half height, so far from the axis, m; of a wall its inside. */
    public double within(int charge, double radius) {
        return courses.get(charge).within(radius);
    }

    /** Free water left in a mold, 1 to 0. */
    public double water(int charge) {
        return courses.get(charge).body.freeWaterLeft();
    }

    /** Char left, % of the pattern. */
    public double residue(int charge) {
        return courses.get(charge).residue;
    }

    /** Minutes its slowest point was at or over 680 C. */
    public double burnt(int charge) {
        return courses.get(charge).burnt / 60;
    }

    /** Largest difference of growth over a mold so far, %. */
    public double mismatch(int charge) {
        return courses.get(charge).mismatch;
    }

    public List<Section> sections(int charge) {
        return List.copyOf(courses.get(charge).sections);
    }

    /** A mold's course so far. */
    public Firing firing(int charge) {
        return courses.get(charge).firing(time / 60, spent());
    }

    /** One charge's course. */
    private static final class Course {
        private final Charge charge;
        private final Conduction body;
        private final double times;
        private final OptionalDouble[] past;
        private final List<Firing.Moment> trace;
        private final List<Section> sections;
        private double core;
        private double seen;
        private double most;
        private double hottest;
        private double lag;
        private double mismatch;
        private double residue;
        private double burnt;

        Course(Charge charge, Detail detail, double start) {
            this.charge = charge;
            body = charge.mold.body(detail.cells, start, detail.fineness);
            times = charge.mold.times(body) * charge.count;
            core = start;
            most = start;
            hottest = start;
            residue = charge.residue;
            past = new OptionalDouble[] {OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty()};
            trace = new ArrayList<>();
            sections = new ArrayList<>();
        }

        Course(Course from) {
            charge = from.charge;
            body = from.body.copy();
            times = from.times;
            past = from.past.clone();
            trace = new ArrayList<>(from.trace);
            sections = new ArrayList<>(from.sections);
            core = from.core;
            seen = from.seen;
            most = from.most;
            hottest = from.hottest;
            lag = from.lag;
            mismatch = from.mismatch;
            residue = from.residue;
            burnt = from.burnt;
        }

        void go(double to, DoubleUnaryOperator around) {
            while (body.time() < to - 1e-9) {
                body.step(to, around::applyAsDouble);
                strain();
                look(around.applyAsDouble(body.time()));
            }
        }

        double heat() {
            return body.heatIn() * times;
        }

        private void strain() {
            double low = Double.MAX_VALUE;
            double high = -Double.MAX_VALUE;
            for (int j = 0; j < body.layers(); j++) {
                for (int i = 0; i < body.rings(); i++) {
                    double t = body.at(i, j);
                    low = Math.min(low, t);
                    high = Math.max(high, t);
                }
            }
            high = Math.max(high, surface());
            hottest = Math.max(hottest, high);
            if (charge.mold.grows()) {
                // growth never falls with temperature: hottest and coldest differ most
                mismatch = Math.max(mismatch, Expansion.percent(high) - Expansion.percent(low));
            }
        }

        private double surface() {
            if (charge.mold.wall()) {
                return body.topOnAxis();
            }
            return halved() ? Math.max(body.sideAtFirstEnd(), body.topOnAxis()) : body.sideAtHalfHeight();
        }

        private double face() {
            if (charge.mold.wall()) {
                return body.topOnAxis();
            }
            return halved() ? body.sideAtFirstEnd() : body.sideAtHalfHeight();
        }

        private double within(double radius) {
            if (charge.mold.wall()) {
                return body.middleOfHalf();
            }
            int layer = halved() ? 0 : body.layers() / 2;
            double ring = radius / (charge.mold.across() / 2) * body.rings() - 0.5;
            int inner = (int) Math.max(0, Math.min(body.rings() - 1, Math.floor(ring)));
            int outer = Math.min(body.rings() - 1, inner + 1);
            double share = Math.max(0, Math.min(1, ring - inner));
            return body.at(inner, layer) * (1 - share) + body.at(outer, layer) * share;
        }

        private boolean halved() {
            return body.layers() == body.rings();
        }

        /** Middle of a half, inside of a wall; of a whole body the place on its axis that is furthest from the kiln. */
        private double slowest(double kilnC) {
            if (charge.mold.wall() || halved()) {
                return body.middleOfHalf();
            }
            double slowest = body.onAxis(0);
            for (int j = 1; j < body.layers(); j++) {
                double here = body.onAxis(j);
                if (Math.abs(kilnC - here) > Math.abs(kilnC - slowest)) {
                    slowest = here;
                }
            }
            return slowest;
        }

        private void look(double kilnC) {
            double before = core;
            double from = seen;
            seen = body.time();
            core = slowest(kilnC);
            most = Math.max(most, core);
            lag = Math.max(lag, kilnC - core);
            for (int i = 0; i < MARKS.length; i++) {
                if (past[i].isEmpty() && core >= MARKS[i]) {
                    double share = core > before ? Math.max(0, (MARKS[i] - before) / (core - before)) : 1;
                    past[i] = OptionalDouble.of((from + share * (seen - from)) / 60);
                }
            }
            if (core >= BURNT_C) {
                burnt += seen - from;
            }
            residue *= Math.exp(-(Char.rate(before, charge.air) + Char.rate(core, charge.air)) / 2 * (seen - from));
        }

        void note(double asked, double kilnC, boolean picture) {
            trace.add(new Firing.Moment(
                    body.time() / 60, asked, kilnC, face(), core, body.freeWaterLeft() * 100, residue));
            if (picture) {
                sections.add(section());
            }
        }

        private Section section() {
            int rings = body.rings();
            int layers = body.layers();
            double[] celsius = new double[rings * layers];
            double[] wet = new double[rings * layers];
            for (int j = 0; j < layers; j++) {
                for (int i = 0; i < rings; i++) {
                    celsius[j * rings + i] = body.at(i, j);
                    wet[j * rings + i] = body.wetAt(i, j);
                }
            }
            return new Section(body.time() / 60, rings, layers, !charge.mold.wall() && halved(), celsius, wet);
        }

        Firing firing(double minutes, Optional<Firing.Spent> spent) {
            return new Firing(
                    minutes,
                    List.of(past),
                    most,
                    core,
                    lag,
                    mismatch,
                    residue,
                    burnt / 60,
                    hottest,
                    spent,
                    List.copyOf(trace));
        }
    }
}

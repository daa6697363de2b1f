package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.ShellQuestion.Body;
import kilnryu.core.shell.ShellQuestion.Load;
import kilnryu.core.shell.Strength.Curve;
import kilnryu.core.shell.Strength.Held;
import kilnryu.core.shell.Strength.Place;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Replacement;
import org.junit.jupiter.api.Test;

/** Shells just at their limits, and what is said of them then. */
class ShellLimitsTest {
    private static final Factors BOOK = Factors.HANDBOOK;
    private static final Figure BRONZE = given("alloy_density", 8.36, Measure.GRAM_PER_CM3);

    private static Figure given(String symbol, double value, Measure unit) {
        return Figure.given(symbol, symbol, value, unit, Known.MEASURED, 0);
    }

    private static ShellPlan plan(List<Coat> coats, Air air, Optional<Load> load, Optional<Body> body) {
        return new ShellPlanner(BOOK)
                .plan(new ShellQuestion(
                        given("area", 500, Measure.SQUARE_CENTIMETRE),
                        Optional.empty(),
                        new Recipe("own", "own", "", coats, 0),
                        OptionalDouble.empty(),
                        air,
                        Drying.Openness.OPEN,
                        false,
                        load,
                        body));
    }

    private static final List<Coat> FEW = ShellSchool.FEW_COATS.recipe(7, BOOK).coats();
    private static final Air KEPT = new Air(22, 50, 1);

    private static Load load(double head, double size, boolean bed) {
        return new Load(
                List.of(new Place("foot", head, size, Curve.CYLINDER)),
                new Held(BRONZE, Optional.of(given("metal", 4000, Measure.GRAM)), false, bed));
    }

    private static String said(ShellPlan plan, String id) {
        return plan.findings().all().stream()
                .filter(f -> f.id().equals(id))
                .map(f -> f.message() + " | " + f.remedy())
                .findFirst()
                .orElse("");
    }

    /** Pressure 0.9 x 8.36 x 9.81 x 100 / 1000 = 7.381 kPa; 5 / 3 MPa are allowed: r 1000 mm wants 4.43 mm of wall. */
    @Test
    void theThinnestShellByItsCurve() {
        double mpa = 0.90 * 8.36 * 9.81 * 100 / 1000 / 1000;
        double allowed = 5.0 / 3;
        assertThat(Strength.thinnest(new Place("p", 100, 1000, Curve.CYLINDER), BRONZE, false, BOOK))
                .isCloseTo(mpa * 1000 / allowed, within(1e-9));
        assertThat(Strength.thinnest(new Place("p", 100, 1000, Curve.SPHERE), BRONZE, false, BOOK))
                .isCloseTo(mpa * 500 / allowed, within(1e-9));
        assertThat(Strength.thinnest(new Place("p", 100, 80, Curve.FLAT), BRONZE, false, BOOK))
                .isCloseTo(80 * Math.sqrt(0.5 * mpa / allowed), within(1e-9));
        // half as strong again with wire
        assertThat(Strength.thinnest(new Place("p", 100, 1000, Curve.CYLINDER), BRONZE, true, BOOK))
                .isCloseTo(mpa * 1000 / allowed / 1.5, within(1e-9));
    }

    /** A shell of just that thickness bears, a hair thinner does not. */
    @Test
    void exactlyThickEnoughBears() {
        Place place = new Place("p", 100, 1000, Curve.CYLINDER);
        Held held = new Held(BRONZE, Optional.empty(), false, false);
        double least = Strength.thinnest(place, BRONZE, false, BOOK);
        assertThat(Strength.of(List.of(place), given("t", least * 1.000001, Measure.MILLIMETRE), held, BOOK)
                        .bears())
                .isTrue();
        assertThat(Strength.of(List.of(place), given("t", least * 0.999, Measure.MILLIMETRE), held, BOOK)
                        .bears())
                .isFalse();
    }

    /** What does not bear is a stop with the thickness that would; in a bed of sand a note. */
    @Test
    void weakShellsAreSaid() {
        // 5.6 mm, 0.9 x 8.36 x 9.81 x 400 / 1000 = 29.52 kPa on 400 mm: 2.11 MPa; 29.52 x 400 / 1666.7 = 7.1 mm
        ShellPlan free = plan(FEW, KEPT, Optional.of(load(400, 400, false)), Optional.empty());
        assertThat(said(free, "shell-weak"))
                .startsWith("At foot the metal pulls with 2.11 MPa; 1.67 are allowed.")
                .contains("At least 7.1 mm free-standing, or wire; or a full bed");
        ShellPlan bedded = plan(FEW, KEPT, Optional.of(load(400, 400, true)), Optional.empty());
        assertThat(said(bedded, "bed-bears")).contains("The sand bed has to bear it.");
        assertThat(said(bedded, "shell-weak")).isEmpty();
    }

    /** 29.52 kPa x r / 5.6 mm: 260 mm give 1.371 MPa, a margin of 1.216; 240 give 1.265 and 1.317, enough. */
    @Test
    void aThinMarginIsANote() {
        Optional<Body> body =
                Optional.of(new Body(given("wax", 200, Measure.GRAM), 200, 100, OptionalDouble.empty(), false));
        ShellPlan thin = plan(FEW, KEPT, Optional.of(load(400, 260, false)), body);
        assertThat(said(thin, "thin-margin")).startsWith("It bears 1.22 times the metal's pull.");
        assertThat(said(plan(FEW, KEPT, Optional.of(load(400, 240, false)), body), "thin-margin"))
                .isEmpty();
        // what does not bear at all is not called thin
        assertThat(said(plan(FEW, KEPT, Optional.of(load(400, 400, false)), body), "thin-margin"))
                .isEmpty();
    }

    /** Fired 465.92 g and 4000 of metal: 4.466 kg at its heaviest. */
    @Test
    void liftAtItsLimit() {
        for (double carried : new double[] {4.5, 4.4}) {
            Optional<Body> body =
                    Optional.of(new Body(given("wax", 200, Measure.GRAM), 200, 100, OptionalDouble.of(carried), false));
            ShellPlan plan = plan(FEW, KEPT, Optional.of(load(100, 20, false)), body);
            assertThat(said(plan, "lift").isEmpty()).as("%s kg", carried).isEqualTo(carried == 4.5);
        }
        // a heavy wax weighs most while it is wet
        Optional<Body> wax =
                Optional.of(new Body(given("wax", 9000, Measure.GRAM), 200, 100, OptionalDouble.of(9), false));
        assertThat(said(plan(FEW, KEPT, Optional.of(load(100, 20, false)), wax), "lift"))
                .startsWith("9 kg at its heaviest; 9 are carried here.");
    }

    /** Coats are numbered from one; the first prime that lies on a coarse coat is told. */
    @Test
    void theOrderOfCoatsInWords() {
        assertThat(said(
                        plan(List.of(Coat.PRIME, Coat.BACKUP, Coat.PRIME), KEPT, Optional.empty(), Optional.empty()),
                        "prime-late"))
                .startsWith("A prime lies on a coarser coat, as number 3.");
        assertThat(said(
                        plan(List.of(Coat.PRIME, Coat.PRIME, Coat.SEAL), KEPT, Optional.empty(), Optional.empty()),
                        "seal-early"))
                .isEmpty();
        assertThat(said(
                        plan(List.of(Coat.PRIME, Coat.SEAL, Coat.BACKUP), KEPT, Optional.empty(), Optional.empty()),
                        "seal-early"))
                .isNotEmpty();
        assertThat(said(plan(List.of(Coat.SEAL, Coat.PRIME), KEPT, Optional.empty(), Optional.empty()), "seal-early"))
                .isNotEmpty();
    }

    /** 10 C is not cold yet, 9.9 is. */
    @Test
    void aColdRoom() {
        assertThat(said(plan(FEW, new Air(10, 50, 1), Optional.empty(), Optional.empty()), "cold-room"))
                .isEmpty();
        assertThat(said(plan(FEW, new Air(9.4, 50, 1), Optional.empty(), Optional.empty()), "cold-room"))
                .startsWith("The room is at 9 °C.");
    }

    /** The relation of the wet bulb holds from 5 to 99 %, both ends. */
    @Test
    void whereTheRelationHolds() {
        for (double humidity : new double[] {5, 99}) {
            assertThat(said(
                            plan(FEW, new Air(22, humidity, 3), Optional.empty(), Optional.empty()),
                            "outside-relation"))
                    .as("%s %%", humidity)
                    .isEmpty();
        }
        assertThat(said(plan(FEW, new Air(22, 4.9, 1), Optional.empty(), Optional.empty()), "outside-relation"))
                .startsWith("5 % humidity is outside");
    }

    /**
     * Still air at 70 %: 6 + 10 sqrt(0.1) = 9.16 against 16 W/(m2 K), and a wet bulb of 18.2 against 15.5 C: 3.8 K
     * against 6.5: the coats take three times as long.
     */
    @Test
    void aLongScheduleIsSaid() {
        ShellPlan slow = plan(FEW, new Air(22, 70, 0.1), Optional.empty(), Optional.empty());
        ShellPlan usual = plan(FEW, KEPT, Optional.empty(), Optional.empty());
        double times = slow.drying().orElseThrow().value()
                / usual.drying().orElseThrow().value();
        assertThat(times).isBetween(2.7, 3.3);
        assertThat(said(slow, "long-schedule"))
                .startsWith(String.format(
                        java.util.Locale.ROOT,
                        "All coats dry %.1f days; %.1f are usual for them in a kept room.",
                        slow.drying().orElseThrow().value() / 24,
                        usual.drying().orElseThrow().value() / 24));
        assertThat(said(usual, "long-schedule")).isEmpty();
        // a moderate room: 22 C, 60 %: 4.9 K against 6.5 at the same fan, a third longer and nothing to say
        assertThat(said(plan(FEW, new Air(22, 60, 1), Optional.empty(), Optional.empty()), "long-schedule"))
                .isEmpty();
    }

    /** The slowest coat over a day is told, with a fan first where the air stands. */
    @Test
    void coatsOfMoreThanADay() {
        ShellPlan still = plan(FEW, new Air(22, 87, 0.1), Optional.empty(), Optional.empty());
        double slowest = still.layers().stream()
                .mapToDouble(l -> l.drying().orElseThrow().value())
                .max()
                .orElseThrow();
        assertThat(slowest).isGreaterThan(24);
        assertThat(said(still, "dries-slowly"))
                .startsWith("The slowest coat dries " + Math.round(slowest) + " h.")
                .contains("a fan at 1 m/s");
        assertThat(said(plan(FEW, new Air(22, 94, 1), Optional.empty(), Optional.empty()), "dries-slowly"))
                .contains("Drier air; a window");
        assertThat(said(plan(FEW, new Air(22, 98, 0.1), Optional.empty(), Optional.empty()), "prime-too-slow"))
                .startsWith("Coat 1, a prime, dries ")
                .contains("it should not wait longer than 48.");
        assertThat(said(plan(FEW, new Air(22, 100, 1), Optional.empty(), Optional.empty()), "never-dries"))
                .startsWith("At 100 % humidity");
    }

    /** Days to the fire: all coats one after the other and the last dry, over 24. */
    @Test
    void daysToTheFire() {
        ShellPlan plan = plan(FEW, KEPT, Optional.empty(), Optional.empty());
        double last = plan.layers()
                .get(plan.layers().size() - 1)
                .drying()
                .orElseThrow()
                .value();
        double all = plan.layers().stream()
                .mapToDouble(l -> l.drying().orElseThrow().value())
                .sum();
        assertThat(plan.days().orElseThrow())
                .isCloseTo((all + plan.finalDry().orElseThrow().value()) / 24, within(1e-9));
        assertThat(plan.finalDry().orElseThrow().value()).isGreaterThanOrEqualTo(3 * last - 1e-9);
        assertThat(plan(FEW, new Air(22, 100, 1), Optional.empty(), Optional.empty())
                        .days())
                .isEmpty();
        assertThat(plan.recipe().coats()).isEqualTo(FEW);
        assertThat(plan.figures()).extracting(Figure::symbol).startsWith("thickness", "slurry", "stucco");
    }

    /** A backup cup of 12 s has 10 to 15, both ends; a studio's own 18 s moves it to 15 to 22.5. */
    @Test
    void bandsOfASlurry() {
        assertThat(flow(10, BOOK)).isEmpty();
        assertThat(flow(15, BOOK)).isEmpty();
        assertThat(flow(9.9, BOOK))
                .containsExactly("slurry-thin: The cup runs 10 s; 10 to 15 are usual here.: Let it settle");
        assertThat(flow(15.1, BOOK))
                .singleElement()
                .asString()
                .startsWith("slurry-thick")
                .contains("Water, a little");
        Factors own = new Factors(Map.of(SlurryCare.cup(false).key(), new Replacement(18, "our cup")));
        assertThat(flow(22.5, own)).isEmpty();
        assertThat(flow(14.9, own)).singleElement().asString().contains("15 to 23 are usual");
        assertThat(weighs(1.6)).isEmpty();
        assertThat(weighs(1.76)).isEmpty();
        assertThat(weighs(1.59))
                .singleElement()
                .asString()
                .contains("Too little flour")
                .contains("Mix it up");
        assertThat(weighs(1.77))
                .singleElement()
                .asString()
                .contains("Water has left it")
                .contains("Add water");
    }

    private static List<String> flow(double seconds, Factors factors) {
        return words(
                List.of(new SlurryCare.Reading(1, OptionalDouble.of(seconds), OptionalDouble.empty(), 0)), 1, factors);
    }

    private static List<String> weighs(double density) {
        return words(
                List.of(new SlurryCare.Reading(1, OptionalDouble.empty(), OptionalDouble.of(density), 0)), 1, BOOK);
    }

    private static List<String> words(List<SlurryCare.Reading> readings, double age, Factors factors) {
        return SlurryCare.check(false, readings, age, factors).all().stream()
                .map(f -> f.id() + ": " + f.message() + ": " + f.remedy().replaceAll(" with the lid.*", "")
                        + (f.id().equals("slurry-density") ? " " + f.reason() : ""))
                .toList();
    }

    /** Ninety days are not old yet. A quarter thicker is not gel; more than a quarter at no more density is. */
    @Test
    void ageAndGel() {
        assertThat(words(List.of(), 90, BOOK)).isEmpty();
        assertThat(words(List.of(), 91, BOOK))
                .singleElement()
                .asString()
                .startsWith("slurry-old: The slurry is 91 days");
        assertThat(gel(12, 15, 1.68, 1.68)).isFalse();
        assertThat(gel(11.9, 15, 1.68, 1.68)).isTrue();
        // five hundredths more flour explain it
        assertThat(gel(11, 15, 1.68, 1.73)).isFalse();
        assertThat(gel(11, 15, 1.68, 1.684)).isTrue();
    }

    private static boolean gel(double before, double after, double d1, double d2) {
        return SlurryCare.check(
                        false,
                        List.of(
                                new SlurryCare.Reading(1, OptionalDouble.of(before), OptionalDouble.of(d1), 0),
                                new SlurryCare.Reading(2, OptionalDouble.empty(), OptionalDouble.of(1.6), 0),
                                new SlurryCare.Reading(20, OptionalDouble.of(after), OptionalDouble.of(d2), 0)),
                        20,
                        BOOK)
                .has("slurry-gel");
    }

    /** A kilogram is small, five are middle, over fifteen wire; a deep head asks for its thickness and a third more. */
    @Test
    void whichSchoolIsProposed() {
        assertThat(proposed(1000, List.of(), false)).isEqualTo(ShellSchool.FEW_COATS);
        assertThat(proposed(1001, List.of(), false)).isEqualTo(ShellSchool.MANY_COATS);
        assertThat(proposed(5000, List.of(), false)).isEqualTo(ShellSchool.MANY_COATS);
        assertThat(proposed(5001, List.of(), false)).isEqualTo(ShellSchool.TO_THICKNESS);
        assertThat(proposed(15_000, List.of(), false)).isEqualTo(ShellSchool.TO_THICKNESS);
        assertThat(proposed(15_001, List.of(), false)).isEqualTo(ShellSchool.WIRE_BOUND);
        assertThat(proposed(800, List.of(), true)).isEqualTo(ShellSchool.GRADED);
    }

    /**
     * 29.52 kPa on 400 mm ask 7.09 mm; a third more is 9.21, the next half 9.5: over the 7 of a small piece. On 700 mm
     * 12.40 and 16.12, 16.5: over 15, wire.
     */
    @Test
    void theHeadAsksForMore() {
        Proposal small = Proposal.of(800, List.of(new Place("foot", 400, 400, Curve.CYLINDER)), BRONZE, false, BOOK);
        assertThat(small.target()).isEqualTo(9.5);
        assertThat(small.school()).isEqualTo(ShellSchool.TO_THICKNESS);
        assertThat(small.reason()).contains("the head asks for 7.1 mm and a third more");
        Proposal deep = Proposal.of(800, List.of(new Place("foot", 400, 700, Curve.CYLINDER)), BRONZE, false, BOOK);
        assertThat(deep.target()).isEqualTo(16.5);
        assertThat(deep.school()).isEqualTo(ShellSchool.WIRE_BOUND);
        Proposal usual = Proposal.of(800, List.of(new Place("foot", 10, 10, Curve.CYLINDER)), BRONZE, false, BOOK);
        assertThat(usual.target()).isEqualTo(7);
        assertThat(usual.reason()).contains("7 mm are usual for 0.8 kg of metal");
        assertThat(Proposal.all(7, BOOK)).hasSize(5);
    }

    private static ShellSchool proposed(double metal, List<Place> places, boolean fine) {
        return Proposal.of(metal, places, BRONZE, fine, BOOK).school();
    }

    /** 300 x 250 x 200 = 15 l less 200 of wax and 310 / 1.55 = 200 of shell: 14.6 l x 1.6 = 23.36 kg. */
    @Test
    void theBoxAtItsLimits() {
        SandBed.Box box = new SandBed.Box(300, 250, 200);
        Figure wax = given("wax", 200, Measure.CUBIC_CENTIMETRE);
        Figure shell = given("shell", 310, Measure.GRAM);
        SandBed bed = SandBed.of(box, wax, shell, 150, 200, BOOK);
        assertThat(bed.sand().value()).isCloseTo(23.36, within(1e-9));
        assertThat(bed.room()).isEqualTo(50);
        assertThat(bed.findings().all()).isEmpty();
        assertThat(SandBed.of(box, wax, shell, 152, 200, BOOK).findings().all())
                .extracting(Finding::message)
                .containsExactly("49 mm of sand at the narrowest; 50 asked.");
        assertThat(SandBed.of(box, wax, shell, 250, 200, BOOK).findings().has("box-narrow"))
                .isTrue();
        assertThat(SandBed.of(box, wax, shell, 250.1, 200, BOOK).findings().has("box-small"))
                .isTrue();
        assertThat(SandBed.of(box, wax, shell, 150, 200.1, BOOK).findings().has("box-small"))
                .isTrue();
        assertThat(SandBed.of(box, given("wax", 15_000, Measure.CUBIC_CENTIMETRE), shell, 150, 200, BOOK)
                        .findings()
                        .has("box-small"))
                .isTrue();
    }

    /** 200 g were in it: 204 out is still a scale's error, 205 is too much. */
    @Test
    void whatCameOut() {
        Dewax dewax = Dewax.of(
                new Dewax.Question(
                        Dewax.Method.FLASH, given("wax", 200, Measure.GRAM), false, List.of(), OptionalDouble.empty()),
                BOOK);
        assertThat(dewax.weighed(204).has("more-than-in")).isFalse();
        assertThat(dewax.weighed(205).has("more-than-in")).isTrue();
        assertThat(dewax.weighed(205).all().get(0).message())
                .startsWith("102 % of the wax")
                .isNotBlank();
    }

    /** Thirty coats can be written, thirty-one not; none neither. */
    @Test
    void asManyCoatsAsAShellHas() {
        assertThat(RecipeText.read(Recipe.MOST_COATS + " backup").coats()).hasSize(Recipe.MOST_COATS);
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> RecipeText.read("prime, " + Recipe.MOST_COATS + " backup"))
                .hasMessageContaining("1 to " + Recipe.MOST_COATS);
    }

    @Test
    void everythingHasItsWord() {
        for (ShellSchool school : ShellSchool.values()) {
            assertThat(ShellSchool.named(school.key())).contains(school);
            assertThat(school.label()).isNotBlank();
            assertThat(school.says()).endsWith(".");
        }
        assertThat(ShellSchool.named("own")).isEmpty();
        for (Drying.Openness openness : Drying.Openness.values()) {
            assertThat(Drying.Openness.named(openness.key())).contains(openness);
            assertThat(openness.label()).isNotBlank();
        }
        assertThat(Drying.Openness.named("shut")).isEmpty();
        for (Dewax.Method method : Dewax.Method.values()) {
            assertThat(Dewax.Method.named(method.key())).contains(method);
            assertThat(method.label()).isNotBlank();
        }
        assertThat(Dewax.Method.named("oven")).isEmpty();
        List<List<Constant>> all = List.of(
                ShellSchool.constants(),
                ShellPlanner.constants(),
                SlurryCare.constants(),
                Strength.constants(),
                SandBed.constants(),
                Drying.constants(),
                Dewax.constants());
        assertThat(all).allSatisfy(list -> assertThat(list).isNotEmpty());
        assertThat(all.stream().flatMap(List::stream).map(Constant::key)).doesNotHaveDuplicates();
    }
}

package kilnryu.core.solid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import kilnryu.core.solid.Radial.Question;
import kilnryu.core.solid.Radial.Shape;
import kilnryu.core.solid.Radial.Times;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class RadialTest {
    private static final double BORDER = 1000;
    private static final Inert GYPSUM = new Inert(1290, 900, 0.25, 0.45 - 0.10 * 100 / 600, 0.10 / 600);
    private static final Inert SHELL = new Inert(1550, 900, 0.25, 0.9, 0);
    private static final Surroundings ROOM = new Surroundings(10, 0.9, 20);
    private static final Map<String, Freezable> METALS = Map.of(
            "si-bronze", new Freezable(8360, 820, 970, 205e3, 420, 500, 45, 25),
            "sn-bronze-90-10", new Freezable(8780, 830, 1000, 190e3, 400, 480, 70, 35),
            "al-si7", new Freezable(2680, 557, 615, 389e3, 1050, 1180, 150, 75),
            "ag-925", new Freezable(10_360, 802, 893, 110e3, 280, 310, 330, 160),
            "yellow-brass", new Freezable(8440, 900, 930, 165e3, 400, 490, 120, 60));

    /** Wax of the handbook against rubber: a wall of 0.1600 mm for the root of a second (handbook 27, by Schwarz). */
    private static final Freezable WAX = new Freezable(900, 70, 70, 170e3, 2300, 2500, 0.25, 0.25);

    private static final Inert RUBBER = new Inert(1150, 1300, 0, 0.22, 0);

    private static Question question(
            String metal, String mold, String shape, double half, double thick, double pour, double warm) {
        boolean shell = mold.equals("shell");
        return new Question(
                Shape.valueOf(shape.toUpperCase(java.util.Locale.ROOT)),
                half / 1000,
                METALS.get(metal),
                pour,
                shell ? SHELL : GYPSUM,
                thick / 1000,
                warm,
                BORDER,
                shell ? ROOM : Surroundings.INSULATED);
    }

    /** reference/freeze.csv and reference/freeze-shell.csv: 5 % in each time with four cells from the middle to the face. */
    @ParameterizedTest(name = "{0} {2} {3} mm in {1}")
    @CsvSource({
        "si-bronze,gypsum,plate,2,30,1100,540,9.4,364.8,364.3",
        "si-bronze,gypsum,cylinder,8,40,1090,480,20.7,395.8,392.0",
        "si-bronze,gypsum,sphere,15,60,1080,480,29.6,463.7,455.3",
        "sn-bronze-90-10,gypsum,plate,3,60,1150,520,19.6,709.7,708.8",
        "al-si7,gypsum,plate,4,40,740,250,25.8,510.8,510.0",
        "al-si7,gypsum,cylinder,10,60,720,200,21.2,293.3,291.1",
        "ag-925,gypsum,plate,1,20,1010,540,2.4,50.1,50.1",
        "ag-925,gypsum,cylinder,2.5,20,1000,480,2.2,28.0,27.9",
        "yellow-brass,gypsum,sphere,6,40,1030,480,5.6,46.2,44.9",
        "sn-bronze-90-10,shell,plate,2.5,9,1180,700,23.7,242.9,242.4",
        "si-bronze,shell,cylinder,10,8,1120,850,70.6,339.3,333.3",
        "al-si7,shell,plate,3,7,750,300,13.1,196.7,196.2"
    })
    void theReferences(
            String metal,
            String mold,
            String shape,
            double half,
            double thick,
            double pour,
            double warm,
            double cooled,
            double middle,
            double face) {
        Question q = question(metal, mold, shape, half, thick, pour, warm);
        for (int cells : new int[] {4, 48}) {
            Times t = Radial.of(q, cells);
            assertThat(t.cooled().getAsDouble())
                    .as("cooled, %d", cells)
                    .isCloseTo(cooled, within(0.05 * cooled + 0.05));
            assertThat(t.middle().getAsDouble()).as("middle, %d", cells).isCloseTo(middle, within(0.05 * middle));
            assertThat(t.face().getAsDouble()).as("face, %d", cells).isCloseTo(face, within(0.05 * face));
            assertThat(t.leftOver()).isLessThan(1e-6);
        }
    }

    /** A flat face into a body without end: the front is where Schwarz' exact solution has it. */
    @ParameterizedTest
    @CsvSource({"1.24,60", "2.77,300"})
    void theExactSolutionOfAFlatFace(double wall, double seconds) {
        Question q = new Question(Shape.PLATE, wall / 1000, WAX, 70, RUBBER, 0.06, 22, 1e9, Surroundings.INSULATED);
        // the wall goes with the root of time: the three digits of the wall are two parts in a thousand of time
        assertThat(Radial.of(q).middle().getAsDouble()).isCloseTo(seconds, within(0.01 * seconds));
    }

    @ParameterizedTest
    @EnumSource(Shape.class)
    void finerCellsComeCloserToOneAnother(Shape shape) {
        Question q = question("al-si7", "gypsum", shape.name(), 6, 40, 720, 250);
        double finest = Radial.of(q, 96).middle().getAsDouble();
        double coarse = Math.abs(Radial.of(q, 6).middle().getAsDouble() - finest);
        double finer = Math.abs(Radial.of(q, 24).middle().getAsDouble() - finest);
        assertThat(finer).isLessThan(Math.max(coarse / 2, 0.002 * finest));
        assertThat(coarse).isLessThan(0.02 * finest);
    }

    /** By hand: 1 mm of bronze with 3 mm of mold round it, both hot, come to rest over the solidus. */
    @Test
    void inAMoldThatIsTooSmallAndTooWarmItNeverFreezes() {
        Times t = Radial.of(question("si-bronze", "gypsum", "plate", 5, 3, 1100, 700));
        assertThat(t.middle()).isEmpty();
        assertThat(t.face()).isEmpty();
        Surroundings furnace = new Surroundings(10, 0.9, 900);
        Question warm =
                new Question(Shape.PLATE, 0.002, METALS.get("si-bronze"), 1100, SHELL, 0.008, 850, BORDER, furnace);
        assertThat(Radial.of(warm).middle()).isEmpty();
    }

    @Test
    void whatIsColdFromTheBeginningTakesNoTime() {
        Times t = Radial.of(question("si-bronze", "gypsum", "plate", 2, 30, 800, 540));
        assertThat(List.of(
                        t.cooled().getAsDouble(),
                        t.middle().getAsDouble(),
                        t.face().getAsDouble()))
                .containsOnly(0.0);
    }

    @Test
    void aThickerBodyTakesFourTimesAsLongWhereTheMoldHasNoEnd() {
        double thin = Radial.of(
                        new Question(Shape.PLATE, 0.001, WAX, 70, RUBBER, 0.08, 22, 1e9, Surroundings.INSULATED))
                .middle()
                .getAsDouble();
        double thick = Radial.of(
                        new Question(Shape.PLATE, 0.002, WAX, 70, RUBBER, 0.08, 22, 1e9, Surroundings.INSULATED))
                .middle()
                .getAsDouble();
        assertThat(thick / thin).isCloseTo(4, within(0.04));
    }

    @Test
    void sizesThatAreNoneAreRefused() {
        assertThatThrownBy(
                        () -> new Question(Shape.PLATE, 0, WAX, 70, RUBBER, 0.01, 22, BORDER, Surroundings.INSULATED))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Surroundings(-1, 0.5, 20)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Surroundings(1, 1.5, 20)).isInstanceOf(IllegalArgumentException.class);
    }
}

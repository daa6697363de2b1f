package kilnryu.core.solid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.atomic.AtomicInteger;
import kilnryu.core.solid.Freezing.Frozen;
import kilnryu.core.solid.Freezing.Question;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Bodies on a grid: against the fine solutions of the references, against themselves turned, and their heat counted. */
class FreezingTest {
    private static final double BORDER = 1000;
    private static final Inert GYPSUM = new Inert(1290, 900, 0.25, 0.45 - 0.10 * 100 / 600, 0.10 / 600);
    private static final Inert SHELL = new Inert(1550, 900, 0.25, 0.9, 0);
    private static final Surroundings ROOM = new Surroundings(10, 0.9, 20);
    private static final Freezable SI_BRONZE = new Freezable(8360, 820, 970, 205e3, 420, 500, 45, 25);
    private static final Freezable SN_BRONZE = new Freezable(8780, 830, 1000, 190e3, 400, 480, 70, 35);
    private static final Freezable AL_SI7 = new Freezable(2680, 557, 615, 389e3, 1050, 1180, 150, 75);
    private static final Freezable SILVER = new Freezable(10_360, 802, 893, 110e3, 280, 310, 330, 160);
    private static final Freezable BRASS = new Freezable(8440, 900, 930, 165e3, 400, 490, 120, 60);

    private static Freezable metal(String key) {
        return switch (key) {
            case "si-bronze" -> SI_BRONZE;
            case "sn-bronze-90-10" -> SN_BRONZE;
            case "al-si7" -> AL_SI7;
            case "ag-925" -> SILVER;
            default -> BRASS;
        };
    }

    /**
     * A plate (1), bar (2) or ball (3) in the middle of its grid, mold around it, outside beyond.
     *
     * @param across cells across the whole of it
     */
    private static Question round(
            int ways, Freezable metal, Inert mold, double half, double thick, int across, double[] temperatures) {
        double h = 2 * half / across;
        int n = across + 2 * (int) Math.ceil(thick / h) + 2;
        Grid grid = new Grid(n, ways > 1 ? n : 1, ways > 2 ? n : 1, h / 1000);
        byte[] kind = new byte[grid.cells()];
        int body = 0;
        for (int z = 0; z < grid.nz(); z++) {
            for (int y = 0; y < grid.ny(); y++) {
                for (int x = 0; x < n; x++) {
                    double dx = (x + 0.5 - n / 2.0) * h;
                    double dy = ways > 1 ? (y + 0.5 - n / 2.0) * h : 0;
                    double dz = ways > 2 ? (z + 0.5 - n / 2.0) * h : 0;
                    double r = Math.sqrt(dx * dx + dy * dy + dz * dz);
                    byte is = r < half ? Freezing.BODY : r < half + thick ? Freezing.MOLD : Freezing.OUTSIDE;
                    kind[grid.at(x, y, z)] = is;
                    body += is == Freezing.BODY ? 1 : 0;
                }
            }
        }
        double volume =
                ways == 1 ? 2 * half : ways == 2 ? Math.PI * half * half : 4 / 3.0 * Math.PI * Math.pow(half, 3);
        double area = ways == 1 ? 2 : ways == 2 ? 2 * Math.PI * half : 4 * Math.PI * half * half;
        return new Question(
                grid,
                kind,
                metal,
                temperatures[0],
                mold,
                temperatures[1],
                BORDER,
                area / (faces(grid, kind, Freezing.BODY, Freezing.MOLD) * Math.pow(h, ways - 1)),
                area
                        * Math.pow((half + thick) / half, ways - 1)
                        / (faces(grid, kind, Freezing.MOLD, Freezing.OUTSIDE) * Math.pow(h, ways - 1)),
                volume / (body * Math.pow(h, ways)),
                mold == SHELL ? ROOM : Surroundings.INSULATED);
    }

    private static int faces(Grid grid, byte[] kind, byte one, byte other) {
        int faces = 0;
        for (int d = 0; d < 3; d++) {
            for (int line = 0; line < grid.cells() / grid.along(d); line++) {
                int first = grid.first(d, line);
                for (int j = 1; j < grid.along(d); j++) {
                    int a = kind[first + (j - 1) * grid.stride(d)];
                    int b = kind[first + j * grid.stride(d)];
                    faces += a == one && b == other || a == other && b == one ? 1 : 0;
                }
            }
        }
        return faces;
    }

    private static Frozen frozen(Question q) {
        return Freezing.of(q, share -> true);
    }

    /** reference/freeze.csv and freeze-shell.csv, the last of each body to be solid: within 5 % with eight cells across. */
    @ParameterizedTest(name = "{0} {2} {3} mm in {1}")
    @CsvSource({
        "si-bronze,gypsum,1,2,30,1100,540,364.8",
        "si-bronze,gypsum,2,8,40,1090,480,395.8",
        "si-bronze,gypsum,3,15,60,1080,480,463.7",
        "sn-bronze-90-10,gypsum,1,3,60,1150,520,709.7",
        "al-si7,gypsum,1,4,40,740,250,510.8",
        "al-si7,gypsum,2,10,60,720,200,293.3",
        "ag-925,gypsum,1,1,20,1010,540,50.1",
        "ag-925,gypsum,2,2.5,20,1000,480,28.0",
        "sn-bronze-90-10,shell,1,2.5,9,1180,700,242.9",
        "si-bronze,shell,2,10,8,1120,850,339.3",
        "al-si7,shell,1,3,7,750,300,196.7"
    })
    void theReferences(
            String metal, String mold, int ways, double half, double thick, double pour, double warm, double solid) {
        Frozen f = frozen(round(
                ways, metal(metal), mold.equals("shell") ? SHELL : GYPSUM, half, thick, 8, new double[] {pour, warm}));
        assertThat(f.seconds()).isCloseTo(solid, within(0.05 * solid));
        assertThat(f.leftOver()).isLessThan(1e-6);
    }

    /** The same with four cells across: plates and bars within 5 %; balls, of 32 cells in all, come out late. */
    @ParameterizedTest(name = "{0} {2} {3} mm in {1}")
    @CsvSource({
        "si-bronze,gypsum,1,2,30,1100,540,364.8,5",
        "si-bronze,gypsum,2,8,40,1090,480,395.8,5",
        "si-bronze,gypsum,3,15,60,1080,480,463.7,9",
        "sn-bronze-90-10,gypsum,1,3,60,1150,520,709.7,5",
        "al-si7,gypsum,1,4,40,740,250,510.8,5",
        "al-si7,gypsum,2,10,60,720,200,293.3,5",
        "ag-925,gypsum,1,1,20,1010,540,50.1,5",
        "ag-925,gypsum,2,2.5,20,1000,480,28.0,5",
        "brass,gypsum,3,6,40,1030,480,46.2,9",
        "sn-bronze-90-10,shell,1,2.5,9,1180,700,242.9,5",
        "si-bronze,shell,2,10,8,1120,850,339.3,5",
        "al-si7,shell,1,3,7,750,300,196.7,5"
    })
    void theReferencesWithFourCells(
            String metal,
            String mold,
            int ways,
            double half,
            double thick,
            double pour,
            double warm,
            double solid,
            double percent) {
        Frozen f = frozen(round(
                ways, metal(metal), mold.equals("shell") ? SHELL : GYPSUM, half, thick, 4, new double[] {pour, warm}));
        assertThat(f.seconds()).isCloseTo(solid, within(percent / 100 * solid));
        assertThat(f.leftOver()).isLessThan(1e-6);
    }

    /** A thick bar with a fin along it, in a block of mold that heats through. */
    private static Question finned(Freezable metal) {
        Block b = new Block(
                200, 200, 1, 0.0005, Block.any(Block.box(40, 99, 70, 129, 0, 0), Block.box(100, 159, 97, 102, 0, 0)));
        return new Question(b.grid, b.kind, metal, 1120, GYPSUM, 520, BORDER, 1, 1, 1, Surroundings.INSULATED);
    }

    /** What directions do to one another must not make it late: an eighth of the step comes to the same. */
    @Test
    void theStepIsShortEnough() {
        Question q = finned(SI_BRONZE);
        double here = frozen(q).seconds();
        double finer = Freezing.of(q, Freezing.STEP / 8, share -> true).seconds();
        assertThat(here).isCloseTo(finer, within(0.04 * finer));
    }

    /**
     * Neumann's exact solution of a flat face, with a mold without end: the front goes by 2 lambda (a t)^(1/2), lambda by
     * the heat that both sides of the border pass, 0.0294529 for bronze in gypsum (border at 899.15 C) and 0.686944 for a
     * poor conductor in iron (at 262.96 C). A pure metal at its freezing point, half a wall of 2 mm: 89.95 and 7.441 s.
     */
    @ParameterizedTest
    @CsvSource({"45,0.5,1290,500,60,89.95", "1,30,4000,100,80,7.441"})
    void theExactSolutionOfAFlatFace(
            double conducts, double mold, double density, double warm, double thick, double seconds) {
        int across = 20;
        double h = 4.0 / across;
        int n = across + 2 * (int) Math.round(thick / h);
        byte[] kind = new byte[n];
        for (int i = 0; i < n; i++) {
            kind[i] = Math.abs(i + 0.5 - n / 2.0) * h < 2 ? Freezing.BODY : Freezing.MOLD;
        }
        Frozen f = frozen(new Question(
                new Grid(n, 1, 1, h / 1000),
                kind,
                new Freezable(8360, 900, 900, 205e3, 420, 420, conducts, conducts),
                900,
                new Inert(density, 1000, 0, mold, 0),
                warm,
                1e9,
                1,
                1,
                1,
                Surroundings.INSULATED));
        assertThat(f.seconds()).isCloseTo(seconds, within(0.03 * seconds));
        assertThat(f.leftOver()).isLessThan(1e-6);
    }

    /** What freezes at one temperature neither overshoots nor holds the step down, and takes as long as over a few K. */
    @Test
    void aPureMetalFreezesInAsFewSteps() {
        Frozen pure = frozen(finned(new Freezable(8360, 900, 900, 205e3, 420, 500, 45, 25)));
        Frozen wide = frozen(finned(new Freezable(8360, 890, 910, 205e3 - 420 * 10, 420, 500, 45, 25)));
        assertThat(pure.steps()).isLessThan(300);
        assertThat(pure.seconds()).isCloseTo(wide.seconds(), within(0.03 * wide.seconds()));
        assertThat(pure.leftOver()).isLessThan(1e-6);
    }

    /** A cube in a cube of mold: no direction and no side is before another. */
    @Test
    void whatIsSymmetricFreezesSymmetrically() {
        int n = 14;
        Grid grid = new Grid(n, n, n, 0.002);
        byte[] kind = new byte[grid.cells()];
        for (int z = 0; z < n; z++) {
            for (int y = 0; y < n; y++) {
                for (int x = 0; x < n; x++) {
                    boolean in = Math.min(x, Math.min(y, z)) >= 4 && Math.max(x, Math.max(y, z)) < n - 4;
                    kind[grid.at(x, y, z)] = in ? Freezing.BODY : Freezing.MOLD;
                }
            }
        }
        Frozen f =
                frozen(new Question(grid, kind, SI_BRONZE, 1100, GYPSUM, 300, BORDER, 1, 1, 1, Surroundings.INSULATED));
        for (int z = 4; z < n - 4; z++) {
            for (int y = 4; y < n - 4; y++) {
                for (int x = 4; x < n - 4; x++) {
                    float here = f.solidAt()[grid.at(x, y, z)];
                    for (int[] there : new int[][] {
                        {n - 1 - x, y, z},
                        {x, n - 1 - y, z},
                        {x, y, n - 1 - z},
                        {y, x, z},
                        {z, y, x},
                        {x, z, y},
                        {y, z, x}
                    }) {
                        assertThat(f.solidAt()[grid.at(there[0], there[1], there[2])])
                                .isCloseTo(here, within(1e-5f * here));
                    }
                }
            }
        }
        // the corner before the middle of a face, that before the heart
        float corner = f.solidAt()[grid.at(4, 4, 4)];
        float side = f.solidAt()[grid.at(6, 6, 4)];
        float heart = f.solidAt()[grid.at(6, 6, 6)];
        assertThat(corner).isLessThan(side);
        assertThat(side).isLessThan(heart);
        assertThat(f.seconds()).isCloseTo(heart, within(1e-3 * heart));
    }

    /**
     * A thick end and a thin one, with as much mold at either end: the last is in the thick end, under its face, off its
     * middle since the thin one draws heat from the other side (the fifteenth of each row at a twentieth of the step too).
     */
    @Test
    void theThickEndIsTheLast() {
        Grid grid = new Grid(56, 30, 30, 0.001);
        byte[] kind = new byte[grid.cells()];
        for (int z = 0; z < 30; z++) {
            for (int y = 0; y < 30; y++) {
                for (int x = 0; x < 56; x++) {
                    double r = Math.hypot(y - 14.5, z - 14.5);
                    boolean in = x >= 14 && x < 22 && r < 5 || x >= 22 && x < 42 && r < 2;
                    kind[grid.at(x, y, z)] = in ? Freezing.BODY : Freezing.MOLD;
                }
            }
        }
        Frozen f =
                frozen(new Question(grid, kind, SI_BRONZE, 1120, GYPSUM, 200, BORDER, 1, 1, 1, Surroundings.INSULATED));
        int x = f.last() % 56;
        assertThat(x).isBetween(15, 17);
        assertThat(f.solidAt()[grid.at(41, 14, 14)]).isLessThan((float) f.seconds() * 0.7f);
    }

    @Test
    void itCanBeStopped() {
        AtomicInteger steps = new AtomicInteger();
        Question q = round(2, SI_BRONZE, GYPSUM, 8, 20, 8, new double[] {1090, 480});
        Frozen f = Freezing.of(q, share -> steps.incrementAndGet() < 5);
        assertThat(f.stopped()).isTrue();
        assertThat(f.steps()).isEqualTo(5);
        assertThat(f.seconds()).isInfinite();
    }

    /** By hand: 10 mm of bronze between 2 mm of mold at 800 C on each side give off more than that takes up. */
    @Test
    void whatNeverFreezesIsNotWaitedFor() {
        Frozen f = frozen(round(1, SI_BRONZE, GYPSUM, 5, 2, 8, new double[] {1100, 800}));
        assertThat(f.seconds()).isInfinite();
        assertThat(f.steps()).isZero();
    }

    @Test
    void finerCellsComeCloserToTheReference() {
        double[] temperatures = {720, 200};
        double coarse = Math.abs(
                frozen(round(2, AL_SI7, GYPSUM, 10, 60, 4, temperatures)).seconds() - 293.3);
        double fine = Math.abs(
                frozen(round(2, AL_SI7, GYPSUM, 10, 60, 16, temperatures)).seconds() - 293.3);
        assertThat(fine).isLessThan(coarse);
    }

    @Test
    void gridsAndQuestionsThatAreNone() {
        assertThatThrownBy(() -> new Grid(0, 1, 1, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Grid(1000, 1000, 1000, 1)).hasMessageContaining("at most");
        Grid one = new Grid(2, 1, 1, 0.001);
        assertThatThrownBy(() -> new Question(
                        one, new byte[1], SILVER, 1000, GYPSUM, 500, BORDER, 1, 1, 1, Surroundings.INSULATED))
                .hasMessageContaining("of a kind");
        assertThatThrownBy(() ->
                        new Question(one, new byte[2], BRASS, 1000, GYPSUM, 500, 0, 1, 1, 1, Surroundings.INSULATED))
                .hasMessageContaining("touch");
        // nothing of the body in it: nothing to freeze
        Frozen none = frozen(new Question(
                one, new byte[] {2, 2}, SN_BRONZE, 1100, GYPSUM, 500, BORDER, 1, 1, 1, Surroundings.INSULATED));
        assertThat(none.last()).isEqualTo(-1);
    }
}

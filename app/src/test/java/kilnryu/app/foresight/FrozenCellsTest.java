package kilnryu.app.foresight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.foresight.CastCells;
import kilnryu.core.gating.Use;
import kilnryu.core.mesh.Vec;
import kilnryu.core.solid.Freezing;
import kilnryu.core.solid.Grid;
import org.junit.jupiter.api.Test;

/** Cells as they are kept and drawn. */
class FrozenCellsTest {
    /** A bar of two by two cells along x in mold; the right half is solid at 600 s, the left at 60. */
    private static FrozenCells bar() {
        Grid grid = new Grid(10, 4, 4, 0.002);
        int n = grid.cells();
        short[] part = new short[n];
        char[] times = new char[n];
        char[] none = new char[n];
        byte[] marks = new byte[n];
        Arrays.fill(part, (short) -1);
        Arrays.fill(none, FrozenCells.NEVER);
        for (int i = 0; i < n; i++) {
            boolean in = grid.place(0, i) > 0
                    && grid.place(0, i) < 9
                    && grid.place(1, i) > 0
                    && grid.place(1, i) < 3
                    && grid.place(2, i) > 0
                    && grid.place(2, i) < 3;
            part[i] = (short) (in ? 0 : -1);
            times[i] = (char) (grid.place(0, i) < 5 ? 6_000 : 60_000);
            marks[i] = in ? 0 : FrozenCells.MOLD;
        }
        char[] alone = none.clone();
        alone[grid.at(7, 1, 1)] = 30_000;
        return new FrozenCells(
                grid, 2, new double[] {-10, -4, -8}, 1.5, 600, part, new char[n], times, times, alone, marks);
    }

    private static Told told() {
        Told.Mark mark =
                new Told.Mark(1, "POOL", "stop", 5, -1, -5, "leg", 0, 0.9, 1.2, "Pool in leg", "Alone.", List.of());
        return new Told(
                160,
                2,
                4,
                1.5,
                600,
                1100,
                500,
                true,
                "leg",
                5,
                -1,
                -5,
                List.of(mark),
                List.of(new Told.Piece("leg", "leg & foot", "piece", 0)),
                List.of());
    }

    @Test
    void theyAreTheSameWhenTheyAreUnpacked() {
        FrozenCells cells = bar();
        FrozenCells again = FrozenCells.unpacked(cells.packed());
        assertThat(again.part()).isEqualTo(cells.part());
        assertThat(again.solid()).isEqualTo(cells.solid());
        assertThat(again.alone()).isEqualTo(cells.alone());
        assertThat(again.marks()).isEqualTo(cells.marks());
        assertThat(again.grid()).isEqualTo(cells.grid());
        assertThat(again.low()).isEqualTo(cells.low());
        assertThat(again.seconds()).isEqualTo(600);
    }

    @Test
    void aMarkSinceWhenItIsAlone() {
        FrozenCells cells = bar();
        assertThat(cells.time(cells.alone(told().marks().get(0)))).isCloseTo(300, within(0.01));
        assertThat(cells.time(FrozenCells.NEVER)).isInfinite();
    }

    @Test
    void aCutShowsMetalByItsTime() {
        Outlook outlook = new Outlook(told(), bar());
        String cut = CutDrawing.of(outlook, new CutDrawing.View(CutDrawing.Plane.FRONT, -1, false, 450, false, false));
        // 600 s in six classes, by a round number a little under 100 s: 60 s is the palest, 600 s the last
        assertThat(CutDrawing.classes(told(), bar())).containsExactly(90, 180, 270, 360, 450);
        assertThat(cut)
                .contains("fill=\"#e3e7d8\"")
                .contains("fill=\"#28265c\"")
                .contains("leg &amp; foot");
        assertThat(cut).contains(">1</text>").doesNotContain("style=");
        assertThat(CutDrawing.classOf(new double[] {120, 240}, 240)).isEqualTo(1);
        assertThat(CutDrawing.classOf(new double[] {120, 240}, Double.POSITIVE_INFINITY))
                .isEqualTo(2);
        assertThat(CutDrawing.best(outlook, CutDrawing.Plane.FRONT)).isCloseTo(0, within(1e-9));
        assertThat(CutDrawing.best(outlook, CutDrawing.Plane.LEVEL)).isEqualTo(-5);
    }

    /** Eight by two cells lie in a cut along the bar, two by two across it. */
    @Test
    void theFullestCutIsAlong() {
        CutDrawing.View view = CutDrawing.fullest(new Outlook(told(), bar()));
        assertThat(view.plane()).isEqualTo(CutDrawing.Plane.FRONT);
        assertThat(view.off()).isEqualTo(-1);
    }

    @Test
    void aMomentOfTheSliderFillsFirst() {
        assertThat(ForesightPage.Moment.of(20, bar())).isEqualTo(new ForesightPage.Moment(true, 0.75));
        assertThat(ForesightPage.Moment.of(ForesightPage.STEPS, bar())).isEqualTo(new ForesightPage.Moment(false, 600));
        assertThat(ForesightPage.Moment.of(120, bar()).words()).isEqualTo("5:00 min after it is full");
        assertThat(ForesightPage.Moment.of(-5, bar()).seconds()).isZero();
    }

    /** Twenty cells of a casting in a row, a feeder of five after them: the two weakest are a tenth, four more a fifth. */
    @Test
    void whereMetalIsDrawnInMostWeaklyIsRankedOverCastingsAlone() {
        int n = 26;
        short[] part = new short[n];
        float[] draws = new float[n];
        for (int i = 0; i < n; i++) {
            part[i] = (short) (i < 20 ? 0 : i < 25 ? 1 : -1);
            // the feeder draws most weakly of all, and one cell of the casting is not known
            draws[i] = i < 20 ? 20 - i : 0.1f;
        }
        byte[] marks = new byte[n];
        FrozenCells.weak(row(n, part), draws, marks);
        for (int i = 0; i < n; i++) {
            assertThat(marks[i])
                    .as("cell " + i)
                    .isEqualTo(i >= 20 || i < 14 ? 0 : i < 18 ? FrozenCells.WEAK : FrozenCells.WEAKEST);
        }
        draws[19] = 0;
        byte[] less = new byte[n];
        FrozenCells.weak(row(n, part), draws, less);
        assertThat(less[19]).isZero();
        assertThat(less[18]).isEqualTo(FrozenCells.WEAKEST);
    }

    private static CastCells row(int n, short[] part) {
        byte[] kind = new byte[n];
        Arrays.fill(kind, Freezing.BODY);
        CastCells.Part leg = new CastCells.Part("leg", "leg", Use.PIECE, 0, true, 1, 1);
        CastCells.Part feeder = new CastCells.Part("feeder", "feeder", Use.FEEDER, 0, true, 1, 1);
        return new CastCells(
                new Grid(n, 1, 1, 0.002),
                2,
                new Vec(0, 0, 0),
                kind,
                part,
                List.of(leg, feeder),
                new int[0],
                new boolean[n],
                1,
                1,
                List.of());
    }

    @Test
    void fineHolesAreDrawnWhereMetalIsDrawnInMostWeakly() {
        FrozenCells cells = bar();
        cells.marks()[cells.grid().at(7, 1, 1)] |= FrozenCells.WEAKEST;
        String cut = CutDrawing.of(
                new Outlook(told(), cells), new CutDrawing.View(CutDrawing.Plane.FRONT, -1, false, 450, true, false));
        assertThat(cut).contains(CutDrawing.DRAWS.get(0)).contains(CutDrawing.DRAWS.get(2));
        assertThat(cut).doesNotContain("d=\"\" fill=\"" + CutDrawing.DRAWS.get(0));
        assertThat(CutDrawing.CLASSES).noneMatch(cut::contains);
    }

    /** 160 cells of 2 mm are two across a wall of 4 mm: 60,000 are (60,000 / 160) ^ (1/3) = 7.2 times as many across. */
    @Test
    void howManyCellsLieAcrossIsSaidBeforeTheyAreAskedFor() {
        Map<Integer, String> sizes = ForesightController.sizes(Optional.of(told()));
        assertThat(sizes.get(60_000)).isEqualTo("60,000 cells, a second, 14.4 across");
        assertThat(ForesightController.sizes(Optional.empty()).get(60_000)).isEqualTo("60,000 cells, a second");
        assertThat(ForesightController.usual(Optional.of(told()))).isEqualTo(300_000);
        assertThat(ForesightController.usual(Optional.empty())).isEqualTo(300_000);
    }
}

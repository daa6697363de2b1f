package kilnryu.core.block;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Figure;

/**
 * A block as it is built.
 *
 * @param wall mm round the tree
 * @param outerWidth mm
 * @param outerDepth mm
 * @param outerHeight mm
 * @param body inside its outer faces, cm3
 * @param fine face coat and core
 * @param backup the rest
 * @param freeWater that has to leave before heat, g
 * @param wet freshly filled, g
 * @param cured set and dry to the touch of the scale, pattern inside, g
 * @param burnt out, g
 * @param poured with metal, g
 * @param cure hours before heat at the earliest
 * @param support what holds core and block
 * @param partition walls between several cavities, empty for one
 */
public record BlockPlan(
        Figure wall,
        double outerWidth,
        double outerDepth,
        double outerHeight,
        Figure body,
        Quantity fine,
        Quantity backup,
        Figure freeWater,
        Figure wet,
        Figure cured,
        Figure burnt,
        Optional<Figure> poured,
        Figure cure,
        Support support,
        Optional<Partition> partition,
        Findings findings) {

    /** Volume of one mix with overfill, cm3, its powder and water, g. */
    public record Quantity(String mix, Figure volume, Figure powder, Figure water) {}

    /**
     * What a core and a block are held by.
     *
     * @param levels of chaplets along the core, 0 without a core
     * @param chaplets in all cavities
     * @param bands of steel round the block, 0 where none are asked
     * @param sand to fill a box round it, kg; 0 where none is asked
     */
    public record Support(int levels, int chaplets, int bands, double sand) {}

    /**
     * The walls between cavities of one block.
     *
     * @param between their thickness, mm
     * @param stress in such a wall while one side is full and the other empty, MPa; empty without a metal
     */
    public record Partition(int cavities, Figure between, Optional<Figure> stress) {}

    public List<Figure> figures() {
        return Stream.concat(
                        Stream.of(
                                wall,
                                body,
                                fine.powder(),
                                fine.water(),
                                backup.powder(),
                                backup.water(),
                                freeWater,
                                wet,
                                cured,
                                burnt),
                        Stream.concat(
                                Stream.concat(poured.stream(), Stream.of(cure)),
                                partition.stream()
                                        .flatMap(p -> Stream.concat(Stream.of(p.between()), p.stress().stream()))))
                .toList();
    }
}

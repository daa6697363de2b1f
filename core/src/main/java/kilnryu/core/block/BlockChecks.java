package kilnryu.core.block;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.block.BlockPlan.Partition;
import kilnryu.core.block.BlockPlan.Support;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** What stands against a block. */
final class BlockChecks {
    private static final double SLENDER = 4;
    private static final double SMALL_G = 8000;
    private static final int MANY = 3;
    /** Off by no more than this is as asked. */
    private static final double SILENT = 0.05;

    private final BlockQuestion q;
    private final double largest;
    private final Factors factors;
    private final List<Finding> found = new ArrayList<>();

    /** @param largest side of all that is inside, of several cavities the whole row, mm */
    BlockChecks(BlockQuestion q, double largest, Factors factors) {
        this.largest = largest;
        this.q = q;
        this.factors = factors;
    }

    Findings check(Figure wet, Support support, Optional<Figure> poured, Optional<Partition> partition) {
        thinWall();
        partition.ifPresent(this::between);
        if (support.bands() > 0) {
            found.add(Finding.warn(
                            "reinforce",
                            "block",
                            say(
                                    "Over %.0f mm high or %.0f kg wet: wire mesh between the coats, %d steel bands, or a box with %.0f kg of dry sand round it.",
                                    factors.value(BlockPlanner.TALL),
                                    factors.value(BlockPlanner.HEAVY) / 1000,
                                    support.bands(),
                                    support.sand()),
                            "The head of metal presses on a wall that has lost its water's strength.",
                            "Mesh overlaps by 30 mm and stays 15 mm under the face.")
                    .from(wet));
        }
        q.core().ifPresent(c -> core(c, support));
        smallOnly(wet);
        lift(wet, poured);
        return new Findings(found);
    }

    private void thinWall() {
        if (q.wall().isEmpty()) {
            return;
        }
        double asked = BlockPlanner.wallAsked(largest, factors).value();
        if (q.wall().getAsDouble() < asked * (1 - SILENT)) {
            found.add(Finding.warn(
                            "thin-wall",
                            "wall_mm",
                            say("The wall is %.0f mm; %.0f asked.", q.wall().getAsDouble(), asked),
                            "A thin wall cracks in the fire and metal runs out.",
                            "A thicker wall, or mesh, bands and a box of sand.")
                    .from(Figure.given("asked", "wall asked", asked, Measure.MILLIMETRE, Known.COMPUTED, 0)));
        }
    }

    /** Several cavities: what stands between them, and that they fail together. */
    private void between(Partition partition) {
        double asked = BlockPlanner.betweenAsked(q, factors).value();
        if (partition.between().value() < asked - 1e-9) {
            found.add(Finding.warn(
                            "thin-between",
                            "between_mm",
                            say(
                                    "%.0f mm between two cavities; %.0f asked.",
                                    partition.between().value(), asked),
                            "It dries and heats from both sides and cracks first; metal runs across.",
                            "More room between, or a block for each.")
                    .from(partition.between()));
        }
        double allowed = factors.value(BlockPlanner.STRENGTH) / 3;
        partition
                .stress()
                .filter(s -> s.value() > allowed)
                .ifPresent(s -> found.add(Finding.warn(
                                "between-breaks",
                                "between_mm",
                                say(
                                        "Filled one after the other, the wall between bends at %.2f MPa; %.2f allowed.",
                                        s.value(), allowed),
                                "The head stands on one side while the other is empty: the wall breaks into the empty cavity.",
                                "Thicker between, less head, mesh in it, or pour both at once.")
                        .from(s)));
        if (partition.cavities() > MANY) {
            found.add(Finding.note(
                            "many-cavities",
                            "cavities",
                            say("%d cavities in one block: one crack loses them all.", partition.cavities()),
                            "They share the drying, the fire and the lift.",
                            "Two smaller blocks dry sooner and risk half.")
                    .from(partition.between()));
        }
    }

    private void core(BlockQuestion.Core core, Support support) {
        int needed = 3 * support.levels();
        Figure pins = Figure.given("pins", "chaplets of a core", needed, Measure.TIMES, Known.COMPUTED, 0);
        if (core.pins().isPresent() && core.pins().getAsInt() < needed) {
            found.add(Finding.warn(
                            "few-chaplets",
                            "core.pins",
                            say(
                                    "%d chaplets hold the core; %d asked, three on each of %d levels.",
                                    core.pins().getAsInt(), needed, support.levels()),
                            "Once the wax is gone nothing else holds it: it sinks or floats and the wall is holed.",
                            "Three round each level, not in line; same metal as the casting, or steel to be drawn and plugged.")
                    .from(pins));
        }
        double slender = core.length() / core.diameter();
        if (slender > SLENDER) {
            found.add(Finding.warn(
                            "slender-core",
                            "core.length_mm",
                            say("The core is %.1f times as long as it is thick.", slender),
                            "It bends under its own weight in the fire and under the metal.",
                            "A core rod through it, of stainless steel, held outside the cavity; or a vented tube.")
                    .from(pins));
        }
    }

    /** A hobby mix that holds a fist of metal fails at a block's size. */
    private void smallOnly(Figure wet) {
        if ((q.fine().smallOnly() || q.backup().smallOnly()) && wet.value() > SMALL_G) {
            found.add(Finding.warn(
                            "small-works-large-fails",
                            "backup",
                            say("%.0f kg of a mix that is known for small pieces.", wet.value() / 1000),
                            "What holds in a small mold cracks in a large one: more steam, more shrinkage, more head.",
                            "Try a block of half the size with it first, or a mix with silica and grog.")
                    .from(wet));
        }
    }

    private void lift(Figure wet, Optional<Figure> poured) {
        Figure heaviest = poured.filter(p -> p.value() > wet.value()).orElse(wet);
        if (q.carried().isPresent() && heaviest.value() / 1000 > q.carried().getAsDouble()) {
            found.add(Finding.warn(
                            "lift",
                            "block",
                            say(
                                    "%.0f kg at its heaviest; %.0f are carried here.",
                                    heaviest.value() / 1000, q.carried().getAsDouble()),
                            "A wet or hot mold that slips hurts and is lost.",
                            "Build it on a board with battens or on the kiln shelf; hoist or trolley, two people, path clear.")
                    .from(heaviest));
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}

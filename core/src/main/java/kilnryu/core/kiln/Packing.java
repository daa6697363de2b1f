package kilnryu.core.kiln;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;

/**
 * Molds on the floors of a kiln, seen from above; x to the right and y to the back from the middle, mm.
 *
 * @param placed where each stands
 */
public record Packing(Chamber chamber, List<Placed> placed) {
    /** A neighbour nearer than this keeps heat from a face; our own figure. */
    private static final double REACH = 60;

    private static final double[] GAPS = {80, 60, 45, 30, 22, Chamber.BETWEEN};
    private static final double GRID = 5;
    private static final double RIGHT_ANGLE = 90;

    public Packing {
        placed = List.copyOf(placed);
    }

    /** Outline and height of a mold, mm; a round one has its diameter as width. */
    public record Item(String key, String name, boolean round, double width, double depth, double height) {}

    /** @param turned a rectangle by a right angle */
    public record Placed(Item item, double x, double y, int floor, boolean turned) {
        public double wide() {
            return turned ? item.depth : item.width;
        }

        public double deep() {
            return turned ? item.width : item.depth;
        }
    }

    /**
     * Places for all of them: the widest first, as far from each other as they all still fit; those that fit nowhere are
     * left out. Not the best there is, but one that keeps its distances.
     */
    public static Packing propose(Chamber chamber, List<Item> items) {
        List<Item> widest = items.stream()
                .sorted(Comparator.comparingDouble((Item i) -> -Math.max(i.width, i.depth))
                        .thenComparing(i -> -i.height))
                .toList();
        Packing best = new Packing(chamber, List.of());
        for (double gap : GAPS) {
            Packing tried = place(chamber, widest, gap);
            if (tried.placed.size() == items.size()) {
                return tried;
            }
            if (tried.placed.size() > best.placed.size()) {
                best = tried;
            }
        }
        return best;
    }

    private static Packing place(Chamber chamber, List<Item> items, double gap) {
        List<Placed> placed = new ArrayList<>();
        for (Item item : items) {
            find(chamber, placed, item, gap).ifPresent(placed::add);
        }
        return new Packing(chamber, placed).centred();
    }

    /** The same with each floor's molds moved together towards the middle, as far as the wall allows. */
    private Packing centred() {
        List<Placed> moved = new ArrayList<>(placed);
        for (int floor = 0; floor < chamber.shelves().size(); floor++) {
            int at = floor;
            List<Placed> here = placed.stream().filter(p -> p.floor == at).toList();
            double x = here.stream().mapToDouble(p -> p.x).average().orElse(0);
            double y = here.stream().mapToDouble(p -> p.y).average().orElse(0);
            for (double share = 1; share > 0; share -= 0.25) {
                double dx = Math.rint(x * share / GRID) * GRID;
                double dy = Math.rint(y * share / GRID) * GRID;
                List<Placed> tried = here.stream()
                        .map(p -> new Placed(p.item, p.x - dx, p.y - dy, p.floor, p.turned))
                        .toList();
                if (tried.stream().allMatch(p -> chamber.toWall(p) >= Chamber.TO_WALL)) {
                    moved.removeIf(p -> p.floor == at);
                    moved.addAll(tried);
                    break;
                }
            }
        }
        return new Packing(chamber, moved);
    }

    /** The first place from the back to the front, floor by floor. */
    private static Optional<Placed> find(Chamber chamber, List<Placed> placed, Item item, double gap) {
        double half = Math.max(chamber.width(), chamber.depth()) / 2;
        for (int floor = 0; floor < chamber.shelves().size(); floor++) {
            if (item.height > chamber.above(floor)) {
                continue;
            }
            for (double y = half; y >= -half; y -= GRID) {
                for (double x = -half; x <= half; x += GRID) {
                    for (boolean turned : item.round ? new boolean[] {false} : new boolean[] {false, true}) {
                        Placed p = new Placed(item, x, y, floor, turned);
                        if (fits(chamber, placed, p, gap)) {
                            return Optional.of(p);
                        }
                    }
                }
            }
        }
        return Optional.empty();
    }

    private static boolean fits(Chamber chamber, List<Placed> placed, Placed p, double gap) {
        if (chamber.toWall(p) < Chamber.TO_WALL) {
            return false;
        }
        for (Placed other : placed) {
            if (other.floor == p.floor && gap(other, p) < gap) {
                return false;
            }
        }
        return true;
    }

    /** Room between two outlines, mm; negative where they overlap. */
    static double gap(Placed a, Placed b) {
        double dx = Math.abs(a.x - b.x);
        double dy = Math.abs(a.y - b.y);
        if (a.item.round && b.item.round) {
            return Math.hypot(dx, dy) - (a.item.width + b.item.width) / 2;
        }
        if (!a.item.round && !b.item.round) {
            double gx = dx - (a.wide() + b.wide()) / 2;
            double gy = dy - (a.deep() + b.deep()) / 2;
            return gx > 0 && gy > 0 ? Math.hypot(gx, gy) : Math.max(gx, gy);
        }
        Placed round = a.item.round ? a : b;
        Placed box = a.item.round ? b : a;
        double gx = dx - box.wide() / 2;
        double gy = dy - box.deep() / 2;
        double toBox = gx > 0 && gy > 0 ? Math.hypot(gx, gy) : Math.max(gx, gy);
        return toBox - round.item.width / 2;
    }

    /** Nearest neighbour on the same floor, mm; infinite when it stands alone. */
    public double nearest(int index) {
        double nearest = Double.POSITIVE_INFINITY;
        for (int i = 0; i < placed.size(); i++) {
            if (i != index && placed.get(i).floor == placed.get(index).floor) {
                nearest = Math.min(nearest, gap(placed.get(i), placed.get(index)));
            }
        }
        return nearest;
    }

    /** Least room to the wall, mm. */
    public double toWall(int index) {
        return chamber.toWall(placed.get(index));
    }

    /**
     * Share of a mold's side that neighbours leave free: each hides the angle it fills, the more the nearer it stands, and
     * one further than a hand's width hides nothing.
     */
    public double free(int index) {
        Placed me = placed.get(index);
        double hidden = 0;
        for (int i = 0; i < placed.size(); i++) {
            Placed other = placed.get(i);
            if (i == index || other.floor != me.floor) {
                continue;
            }
            double gap = Math.max(0, gap(other, me));
            if (gap >= REACH) {
                continue;
            }
            double radius = Math.max(other.wide(), other.deep()) / 2;
            double far = Math.max(radius, Math.hypot(other.x - me.x, other.y - me.y));
            double angle = 2 * Math.toDegrees(Math.asin(Math.min(1, radius / far)));
            hidden += Math.min(RIGHT_ANGLE, angle) / 360 * (1 - gap / REACH);
        }
        return Math.max(0.4, 1 - hidden);
    }

    /** What stands against it: too near, in the wall, too high, one through another. */
    public Findings check() {
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < placed.size(); i++) {
            Placed p = placed.get(i);
            String place = "load[" + p.item.key + "]";
            if (toWall(i) < 0) {
                found.add(Finding.stop(
                        "in-wall",
                        place,
                        p.item.name + " stands in the wall of the kiln.",
                        "It does not fit there.",
                        "Move it towards the middle, or take it out of the load."));
            } else if (toWall(i) < Chamber.TO_WALL) {
                found.add(Finding.warn(
                        "near-wall",
                        place,
                        say(
                                "%s stands %.0f mm from the wall; %.0f are asked.",
                                p.item.name, toWall(i), Chamber.TO_WALL),
                        "The element burns that side: it is through the inversion long before the other.",
                        "Move it towards the middle."));
            }
            if (p.item.height > chamber.above(p.floor)) {
                found.add(Finding.stop(
                        "too-high",
                        place,
                        say("%s is %.0f mm high; %.0f are free.", p.item.name, p.item.height, chamber.above(p.floor)),
                        "The shelf or lid does not go over it.",
                        "Another floor, or without the shelf above."));
            }
            for (int j = 0; j < i; j++) {
                Placed other = placed.get(j);
                if (other.floor == p.floor) {
                    between(p, other, place, found);
                }
            }
        }
        return new Findings(found);
    }

    private static void between(Placed p, Placed other, String place, List<Finding> found) {
        double gap = gap(p, other);
        if (gap < 0) {
            found.add(Finding.stop(
                    "overlap",
                    place,
                    p.item.name + " stands in " + other.item.name + ".",
                    "Two molds do not fit in one place.",
                    "Move one, or let the packing be proposed."));
        } else if (gap < Chamber.BETWEEN) {
            found.add(Finding.warn(
                    "near-mold",
                    place,
                    say(
                            "%s and %s stand %.0f mm apart; %.0f are asked.",
                            p.item.name, other.item.name, gap, Chamber.BETWEEN),
                    "The sides that face each other see no heat: they dry last.",
                    "Move them apart."));
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}

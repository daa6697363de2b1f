package kilnryu.app.demo;

import static kilnryu.app.breakout.BreakOutIntake.pin;
import static kilnryu.core.diagnosis.Place.FAR_END;
import static kilnryu.core.diagnosis.Place.JUNCTION;
import static kilnryu.core.diagnosis.Place.OUTER_FACE;
import static kilnryu.core.diagnosis.Place.THICK;
import static kilnryu.core.diagnosis.Place.THIN;
import static kilnryu.core.diagnosis.Place.TOP;
import static kilnryu.core.diagnosis.Place.UNDERSIDE;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import kilnryu.app.account.Account;
import kilnryu.app.breakout.BreakOutIntake;
import kilnryu.app.breakout.BreakOutIntake.Foreseen;
import kilnryu.app.breakout.BreakOutIntake.Poured;
import kilnryu.app.breakout.BreakOutIntake.Tap;
import kilnryu.app.finishing.FinishIntake;
import kilnryu.app.finishing.FinishStage;
import kilnryu.app.learning.NoteIntake;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.tree.TreeStore;
import org.springframework.stereotype.Component;

/**
 * Forty castings of the invented studio over a year, and six on the bench now: limpets that misran until the mold was poured hotter, a thick lid that sank,
 * samphire with pits; made up, so that the log has something to show.
 */
@Component
class YearOfCastings {
    private static final long SEED = 18;

    private final Plans plans;
    private final BreakOutIntake breakOuts;
    private final FinishIntake finishing;
    private final NoteIntake notes;
    private final TreeStore trees;
    private final Clock clock;
    private final Random dice = new Random(SEED);
    private java.time.ZoneId zone;

    YearOfCastings(
            Plans plans,
            BreakOutIntake breakOuts,
            FinishIntake finishing,
            NoteIntake notes,
            TreeStore trees,
            Clock clock) {
        this.plans = plans;
        this.breakOuts = breakOuts;
        this.finishing = finishing;
        this.notes = notes;
        this.trees = trees;
        this.clock = clock;
    }

    /**
     * What hangs on a tree.
     *
     * @param grams of one pattern, wax
     * @param box its length, width, thickness, mm
     */
    private record Design(
            String name,
            String alloy,
            int count,
            double grams,
            double[] box,
            double thin,
            double thick,
            String material) {}

    private static final Design LIMPET =
            new Design("limpet brooch", "si-bronze", 6, 2.1, new double[] {26, 22, 9}, 1.6, 2.6, "injection-wax");
    private static final Design LID =
            new Design("cockle lid", "gunmetal", 2, 8.4, new double[] {48, 44, 12}, 3, 9, "sculpture-wax");
    private static final Design SAMPHIRE =
            new Design("samphire sprig", "ag-925", 3, 1.2, new double[] {34, 7, 4}, 1.2, 3.4, "castable-resin");
    private static final Design SANDERLING =
            new Design("sanderling", "si-bronze", 1, 38, new double[] {88, 40, 30}, 3.2, 11, "sculpture-wax");

    void load(Account account) {
        zone = account.zoneId();
        limpets(account);
        lids(account);
        samphire(account);
        sanderlings(account);
        onTheBench(account);
        beside(account);
    }

    private static String mm(double v) {
        return String.format(Locale.ROOT, "%.1f", v);
    }

    private long tree(Account account, Design d, String name, int moldC, int pourC) {
        Map<String, String> tree =
                new LinkedHashMap<>(Map.of("name", name, "alloy", d.alloy, "gating_school", "free-tree"));
        part(tree, 0, "cup", "gating", "cup", "sprue-wax");
        tree.putAll(Map.of(
                "parts[0].how",
                "cone",
                "parts[0].cone.top_diameter_mm",
                "30",
                "parts[0].cone.bottom_diameter_mm",
                "10",
                "parts[0].cone.length_mm",
                "20"));
        part(tree, 1, "sprue", "gating", "sprue", "sprue-wax");
        tree.putAll(Map.of(
                "parts[1].how",
                "rod",
                "parts[1].rod.diameter_mm",
                "9",
                "parts[1].rod.length_mm",
                d.count == 1 ? "20" : "84",
                "parts[1].joins",
                "0",
                "parts[1].at_mm",
                "20",
                "parts[1].tilt_deg",
                "-90"));
        int piece = d.count == 1 ? 2 : 3;
        if (d.count > 1) {
            part(tree, 2, "gate", "gating", "gate", "sprue-wax");
            tree.putAll(Map.of(
                    "parts[2].how",
                    "rod",
                    "parts[2].count",
                    Integer.toString(d.count),
                    "parts[2].rod.diameter_mm",
                    "3.2",
                    "parts[2].rod.length_mm",
                    "6",
                    "parts[2].joins",
                    "1",
                    "parts[2].at_mm",
                    "16",
                    "parts[2].tilt_deg",
                    "-20",
                    "parts[2].rings",
                    Integer.toString(Math.max(1, d.count / 2)),
                    "parts[2].spacing_mm",
                    "26"));
        }
        piece(tree, d, piece);
        return plans.create(account, stages(d, tree, moldC, pourC), Map.of());
    }

    private static void piece(Map<String, String> tree, Design d, int piece) {
        part(tree, piece, d.name, "piece", "piece", d.material);
        String at = "parts[" + piece + "].";
        tree.put(at + "how", "mass_g");
        tree.put(at + "count", Integer.toString(d.count));
        tree.put(at + "mass_g", mm(d.grams) + " g");
        tree.put(at + "box.length_mm", mm(d.box[0]));
        tree.put(at + "box.width_mm", mm(d.box[1]));
        tree.put(at + "box.thickness_mm", mm(d.box[2]));
        tree.put(at + "wall.thin_mm", mm(d.thin));
        tree.put(at + "wall.thick_mm", mm(d.thick));
        tree.put(at + "joins", Integer.toString(piece - 1));
        tree.put(at + "at_mm", d.count == 1 ? "20" : "6");
        tree.put(at + "tilt_deg", d.count == 1 ? "-90" : "-20");
    }

    private static Map<Stage, Map<String, String>> stages(Design d, Map<String, String> tree, int moldC, int pourC) {
        Map<Stage, Map<String, String>> stages = new EnumMap<>(Stage.class);
        stages.put(Stage.TREE, tree);
        stages.put(
                Stage.MOLD,
                Map.of(
                        "inner_diameter_mm",
                        d == LID ? "130" : "100",
                        "height_mm",
                        "150",
                        "system",
                        "gypsum-jewelry",
                        "water_per_100",
                        "40",
                        "mix_school",
                        "vacuum"));
        stages.put(
                Stage.FIRING,
                Map.of(
                        "section",
                        d.thick > 5 ? "medium" : "thin",
                        "school",
                        d.material.equals("castable-resin") ? "filament" : "standard",
                        "mold_C",
                        moldC + " °C",
                        "pour_C",
                        pourC + " °C"));
        return stages;
    }

    private static void part(Map<String, String> tree, int n, String name, String role, String use, String material) {
        String at = "parts[" + n + "].";
        tree.put(at + "name", name);
        tree.put(at + "role", role);
        tree.put(at + "use", use);
        tree.put(at + "material", material);
    }

    /** By day, between half past ten and half past three. */
    private Instant ago(int days) {
        return clock.instant()
                .atZone(zone)
                .minusDays(days)
                .with(java.time.LocalTime.of(10, 30))
                .plusMinutes(days * 7L % 300)
                .toInstant();
    }

    private static List<Tap> judged(Map<Integer, String> others, int count) {
        List<Tap> taps = new ArrayList<>();
        others.forEach((casting, verdict) -> {
            String[] steps =
                    verdict.equals("mend") ? new String[] {"good", "mend"} : new String[] {"good", "mend", "scrap"};
            String saw = "unseen";
            for (String s : steps) {
                taps.add(new Tap(s, Map.of("casting", Integer.toString(casting), "saw", saw)));
                saw = s;
            }
        });
        if (others.size() < count) {
            taps.add(new Tap("all-good", Map.of()));
        }
        return taps;
    }

    private static Tap fact(String key, String value) {
        return new Tap("fact", Map.of("fact", key, "value", value));
    }

    private static Tap cause(String id) {
        return new Tap("cause", Map.of("cause", id));
    }

    private static Tap mass(String what, double grams) {
        return new Tap("mass", Map.of("what", what, "value", String.format(Locale.ROOT, "%.1f g", grams)));
    }

    /** Tree, castings and gating on the scale: a cavity takes a little more than the plan says. */
    private List<Tap> weighed(Account account, long tree, Design d, double over) {
        double planned = plans.find(account, tree)
                .plan()
                .tree()
                .orElseThrow()
                .cavityMetal()
                .value();
        double cast = planned * (over + 0.004 * dice.nextGaussian());
        double density = plans.find(account, tree)
                .plan()
                .tree()
                .orElseThrow()
                .tree()
                .alloy()
                .density()
                .value();
        double own = d.count * d.grams / 0.96 * density * over;
        return List.of(mass("cast", cast), mass("castings", own), mass("gating", cast - own - cast * 0.006));
    }

    private Poured poured(String by, double metalC) {
        double fill = 3 + 0.4 * dice.nextGaussian();
        double stood = 34 + 5 * dice.nextGaussian();
        return new Poured(
                by, 3.0, Math.max(1.2, fill), 32.0, Math.max(15, stood), metalC, metalC - 6 + 5 * dice.nextGaussian());
    }

    private static Tap size(int casting, String place, double pattern, double cast) {
        return new Tap(
                "size",
                new HashMap<>(Map.of(
                        "casting",
                        Integer.toString(casting),
                        "place",
                        place,
                        "way",
                        "outside",
                        "pattern",
                        mm(pattern) + "0 mm",
                        "cast",
                        String.format(Locale.ROOT, "%.2f mm", cast))));
    }

    /** Four tries of the same tree: misrun rims, until the mold was poured hotter. */
    private void limpets(Account account) {
        long first = tree(account, LIMPET, "Limpet brooches, six", 480, 1090);
        List<Tap> taps = new ArrayList<>(judged(Map.of(1, "scrap", 2, "scrap", 4, "scrap"), 6));
        taps.add(pin(1, "misrun", "5 mm", "bad", "0.17 0.64", THIN, FAR_END));
        taps.add(pin(2, "misrun", "4 mm", "medium", "0.84 0.66", THIN, FAR_END));
        taps.add(pin(4, "misrun", "3 mm", "medium", "0.8 0.62", THIN));
        taps.addAll(List.of(fact("carry_s", "74"), fact("vacuum", "reached"), cause("mold-too-cold")));
        taps.addAll(weighed(account, first, LIMPET, 1.019));
        taps.add(size(3, "across the rim", 26, 25.62));
        past(account, first, 302, poured("Demo", 1090), new Foreseen(6, "same as the cufflinks"), taps);

        long second = tree(account, LIMPET, "Limpet brooches, six, try 2", 480, 1130);
        taps = new ArrayList<>(judged(Map.of(1, "scrap", 2, "mend"), 6));
        taps.add(pin(1, "misrun", "3 mm", "medium", "0.19 0.6", THIN, FAR_END));
        taps.add(pin(2, "cold-shut", "2 mm", "slight", "0.62 0.52", THIN));
        taps.addAll(List.of(fact("carry_s", "68"), fact("vacuum", "reached")));
        taps.addAll(weighed(account, second, LIMPET, 1.021));
        taps.add(size(3, "across the rim", 26, 25.60));
        past(account, second, 281, poured("Demo", 1130), new Foreseen(5, "hotter metal"), taps);
        breakOuts.again(
                account,
                second,
                first,
                "metal-too-cold",
                "Metal 1130 °C, was 1090 °C.",
                "misrun in 3 castings: metal too cold.",
                ago(290));

        long third = tree(account, LIMPET, "Limpet brooches, six, try 3", 540, 1130);
        taps = new ArrayList<>(judged(Map.of(5, "mend"), 6));
        taps.add(pin(5, "beads", "5 %", "slight", "0.45 0.62", UNDERSIDE));
        taps.add(fact("bubbles_removed", "vibration"));
        taps.addAll(weighed(account, third, LIMPET, 1.017));
        taps.add(size(2, "across the rim", 26, 25.61));
        past(account, third, 240, poured("Demo", 1130), new Foreseen(5, "hotter mold, one rim is thin"), taps);
        breakOuts.again(
                account,
                third,
                second,
                "mold-too-cold",
                "Mold 540 °C, was 480 °C.",
                "misrun in casting 1 and cold shut: mold too cold at the pour.",
                ago(262));

        long fourth = tree(account, LIMPET, "Limpet brooches, six, try 4", 540, 1130);
        taps = new ArrayList<>(judged(Map.of(), 6));
        taps.addAll(weighed(account, fourth, LIMPET, 1.022));
        taps.add(size(1, "across the rim", 26, 25.63));
        past(account, fourth, 201, poured("Demo", 1130), new Foreseen(6, "nothing changed, it worked"), taps);
        breakOuts.again(
                account,
                fourth,
                third,
                "bubbles-in-mix",
                "Vacuum on the bowl, brushed first.",
                "beads in casting 5: bubbles in the mix.",
                ago(220));
        hours(account, fourth, 6 * 19.5, 0.5, 0.3, 0, 1.8, 0.8);
    }

    /** On the bench now: six more limpets, some of them not looked at yet. */
    private void onTheBench(Account account) {
        long tree = tree(account, LIMPET, "Limpet brooches, six for the fair", 540, 1130);
        List<Tap> taps = new ArrayList<>(judged(Map.of(1, "scrap", 2, "mend"), 0));
        taps.add(pin(1, "misrun", "5 mm", "bad", "0.17 0.64", THIN, FAR_END));
        taps.add(pin(2, "misrun", "2 mm", "slight", "0.82 0.58", FAR_END));
        for (int good = 3; good <= 5; good++) {
            taps.add(new Tap("good", Map.of("casting", Integer.toString(good), "saw", "unseen")));
        }
        taps.addAll(List.of(fact("gauge_kPa", "58"), fact("metal_C", "1138"), fact("metal_planned_C", "1130")));
        taps.add(mass("cast", 217));
        taps.add(mass("gating", 96));
        open(account, tree, 1, poured("Ines", 1130), new Foreseen(6, "worked four times"), taps);
    }

    /** A thick lid sinks at its boss; a feeder helps. */
    private void lids(Account account) {
        long[] all = new long[3];
        for (int i = 0; i < all.length; i++) {
            all[i] = tree(account, LID, "Cockle lids, two" + (i == 0 ? "" : ", try " + (i + 1)), 520, 1150);
        }
        plans.put(account, all[1], Stage.TREE, Map.of("parts[2].rod.diameter_mm", "6"));
        plans.put(account, all[2], Stage.TREE, Map.of("parts[2].rod.diameter_mm", "7"));
        List<Tap> taps = new ArrayList<>(judged(Map.of(1, "scrap", 2, "mend"), 2));
        taps.add(pin(1, "sunken", "6 mm", "bad", "0.5 0.46", THICK, JUNCTION));
        taps.add(pin(1, "shrinkage", "3 mm", "medium", "0.5 0.55", THICK));
        taps.add(pin(2, "sunken", "3 mm", "medium", "0.5 0.46", THICK));
        taps.addAll(List.of(fact("hollow_face", "crystals"), fact("button", "flat"), cause("no-feed")));
        taps.addAll(weighed(account, all[0], LID, 1.012));
        past(account, all[0], 188, poured("Ines", 1150), new Foreseen(2, "thick, but short"), taps);
        taps = new ArrayList<>(judged(Map.of(2, "mend"), 2));
        taps.add(pin(2, "sunken", "2 mm", "slight", "0.5 0.46", THICK));
        taps.addAll(weighed(account, all[1], LID, 1.015));
        past(account, all[1], 150, poured("Ines", 1150), new Foreseen(2, "thicker gate"), taps);
        breakOuts.again(
                account,
                all[1],
                all[0],
                "no-feed",
                "Gate 6 mm, was 3.2 mm.",
                "sunken face in both: no feed.",
                ago(170));
        taps = new ArrayList<>(judged(Map.of(), 2));
        taps.addAll(weighed(account, all[2], LID, 1.018));
        past(account, all[2], 118, poured("Demo", 1150), new Foreseen(1, "gate is thick now, the boss still is"), taps);
        breakOuts.again(
                account,
                all[2],
                all[1],
                "no-feed",
                "Gate 7 mm, was 6 mm.",
                "a slightly sunken boss is left: no feed.",
                ago(130));
        hours(account, all[1], 160, 0.4, 0.3, 1.2, 1.5, 0.7);
        hours(account, all[2], 160, 0.4, 0.25, 0, 1.3, 0.7);
        finishing.signed(account, all[2], "metal", "Ines", "boss is sound");
    }

    /** Resin prints leave pits until they are burnt out longer. */
    private void samphire(Account account) {
        long first = tree(account, SAMPHIRE, "Samphire sprigs, three", 600, 1010);
        List<Tap> taps = new ArrayList<>(judged(Map.of(1, "mend", 3, "scrap"), 3));
        taps.add(pin(1, "rough", "20 %", "medium", "0.5 0.5", OUTER_FACE));
        taps.add(pin(3, "rough", "60 %", "bad", "0.5 0.5", OUTER_FACE));
        taps.add(pin(3, "gas-hole", "1 mm", "medium", "0.5 0.4", OUTER_FACE));
        taps.addAll(List.of(fact("vent_of_kiln", "closed"), fact("blown_out", "no"), cause("pattern-residue")));
        taps.addAll(weighed(account, first, SAMPHIRE, 1.003));
        past(account, first, 96, poured("Ines", 1010), new Foreseen(3, "silver is easy"), taps);
        long second = tree(account, SAMPHIRE, "Samphire sprigs, three, try 2", 600, 1010);
        taps = new ArrayList<>(judged(Map.of(), 3));
        taps.addAll(weighed(account, second, SAMPHIRE, 0.998));
        past(account, second, 74, poured("Ines", 1010), new Foreseen(2, "vent open, blown out"), taps);
        breakOuts.again(
                account,
                second,
                first,
                "pattern-residue",
                "Vent open from 370 °C, mold blown out.",
                "rough in two: residue of the pattern.",
                ago(84));
        hours(account, second, 45, 0.3, 0.1, 0, 0.9, 0.5);
    }

    /** One at a time: two good ones, a torn leg, and the last, not yet closed. */
    private void sanderlings(Account account) {
        long tree = tree(account, SANDERLING, "Sanderling, standing", 520, 1120);
        List<Tap> taps = new ArrayList<>(judged(Map.of(), 1));
        taps.addAll(weighed(account, tree, SANDERLING, 1.023));
        past(account, tree, 66, poured("Demo", 1120), new Foreseen(1, "thick enough"), taps);
        hours(account, tree, 330, 0.6, 0.5, 0, 3.1, 1.2);
        tree = tree(account, SANDERLING, "Sanderling, running", 520, 1120);
        taps = new ArrayList<>(judged(Map.of(1, "mend"), 1));
        taps.add(pin(1, "tear", "8 mm", "medium", "0.5 0.6", THIN, JUNCTION));
        taps.addAll(List.of(fact("quench_C", "520"), fact("moved_early", "no"), cause("quenched-hot")));
        taps.addAll(weighed(account, tree, SANDERLING, 1.02));
        past(account, tree, 45, poured("Demo", 1120), new Foreseen(1, "as the standing one"), taps);
        hours(account, tree, 330, 0.7, 0.5, 1.6, 3.6, 1.2);
        tree = tree(account, SANDERLING, "Sanderling, preening", 520, 1120);
        taps = new ArrayList<>(judged(Map.of(), 1));
        // somebody weighed it with investment still in it
        taps.addAll(weighed(account, tree, SANDERLING, 1.11));
        past(account, tree, 24, poured("Ines", 1120), new Foreseen(1, "waited before the water"), taps);
        tree = tree(account, SANDERLING, "Sanderling, asleep", 520, 1120);
        taps = new ArrayList<>(judged(Map.of(1, "mend"), 1));
        taps.add(pin(1, "gas-hole", "2 mm", "medium", "0.5 0.4", TOP));
        taps.addAll(List.of(fact("hollow_face", "smooth"), fact("vents", "none")));
        open(account, tree, 2, poured("Ines", 1120), new Foreseen(1, "vents are not needed on this one"), taps);
    }

    private void past(Account account, long tree, int days, Poured poured, Foreseen foreseen, List<Tap> taps) {
        breakOuts.past(account, tree, ago(days), poured, Optional.of(foreseen), taps, true);
        trees.archive(account.studioId(), tree, true);
    }

    private void open(Account account, long tree, int days, Poured poured, Foreseen foreseen, List<Tap> taps) {
        breakOuts.past(account, tree, ago(days), poured, Optional.of(foreseen), taps, false);
    }

    private void hours(Account account, long tree, double grams, double... ofStages) {
        FinishStage[] stages = {
            FinishStage.CUT, FinishStage.BLAST, FinishStage.WELD, FinishStage.CHASE, FinishStage.PATINA
        };
        for (int i = 0; i < stages.length; i++) {
            if (ofStages[i] > 0) {
                finishing.hours(account, tree, stages[i], i % 2 == 0 ? "Demo" : "Ines", grams, ofStages[i]);
            }
        }
    }

    private void beside(Account account) {
        notes.note(
                account,
                new HashMap<>(Map.of(
                        "says",
                        "Dip the warm wax tree in cold water and spin it before investing: fewer beads under ledges.",
                        "source",
                        "a caster up the river",
                        "trust",
                        "a caster I know",
                        "outcome",
                        "works here",
                        "trial",
                        "Limpet brooches, try 4")));
        notes.note(
                account,
                new HashMap<>(Map.of(
                        "says",
                        "A spoon of salt in the quench water keeps bronze bright.",
                        "source",
                        "heard at the harbor market",
                        "trust",
                        "hearsay",
                        "outcome",
                        "no difference",
                        "trial",
                        "two sanderlings")));
        Map<String, String> dark = new LinkedHashMap<>(
                Map.of("name", "Wet mud", "look", "dark brown, warm where it is rubbed", "chemical", "sulfide"));
        dark.putAll(Map.of(
                "what-0",
                "Blasted, degreased",
                "coats-0",
                "1",
                "what-1",
                "Sulfide, weak, brushed on",
                "celsius-1",
                "60",
                "solution-1",
                "0.5 % by mass",
                "coats-1",
                "3"));
        dark.putAll(Map.of(
                "what-2",
                "Rinsed, rubbed back on the high places",
                "coats-2",
                "1",
                "what-3",
                "Wax, hot",
                "celsius-3",
                "90",
                "coats-3",
                "2"));
        finishing.patina(account, dark);
    }
}

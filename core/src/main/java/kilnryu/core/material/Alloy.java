package kilnryu.core.material;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;

/** Metals that are poured (handbook 2). */
public enum Alloy {
    SI_BRONZE(
            "si-bronze",
            "silicon bronze Cu 95 Si 4 Mn 1",
            Family.COPPER,
            8.36,
            new Melting(820, 970, 205, 420, 500, 1.6, 45, 25),
            new Preheat(595, 480, 870, 540),
            new Melt(Superheat.BRONZE, Quench.BRONZE, 1250, 1.3, 4.5, Trait.NO_PHOSPHORUS)),
    SN_BRONZE_90_10(
            "sn-bronze-90-10",
            "tin bronze Cu 90 Sn 10",
            Family.COPPER,
            8.78,
            new Melting(830, 1000, 190, 400, 480, 1.5, 70, 35),
            new Preheat(595, 480, 900, 540),
            new Melt(Superheat.BRONZE, Quench.BRONZE, 1250, 1.3, 4.5, Trait.TAKES_PHOSPHORUS)),
    GUNMETAL(
            "gunmetal",
            "gunmetal Cu 88 Sn 10 Zn 2",
            Family.ZINC_BEARING,
            8.72,
            new Melting(855, 1000, 190, 400, 480, 1.5, 70, 35),
            new Preheat(595, 480, 900, 540),
            new Melt(Superheat.BRONZE, Quench.BRONZE, 1250, 1.3, 4.5, Trait.ZINC_FUME, Trait.TAKES_PHOSPHORUS)),
    RED_BRASS(
            "red-brass",
            "red brass Cu 85 Sn 5 Pb 5 Zn 5",
            Family.ZINC_BEARING,
            8.80,
            new Melting(855, 1010, 185, 400, 480, 1.5, 90, 45),
            new Preheat(595, 480, 870, 540),
            new Melt(Superheat.BRONZE, Quench.BRASS, 1200, 1.3, 4.5, Trait.ZINC_FUME, Trait.LEAD)),
    YELLOW_BRASS(
            "yellow-brass",
            "yellow brass Cu 63 Zn 37",
            Family.ZINC_BEARING,
            8.44,
            new Melting(900, 930, 165, 400, 490, 1.6, 120, 60),
            new Preheat(540, 430, 760, 480),
            new Melt(Superheat.YELLOW_BRASS, Quench.BRASS, 1060, 1.0, 4.5, Trait.ZINC_FUME, Trait.ZINC_BOILS)),
    COPPER(
            "copper",
            "copper",
            Family.COPPER,
            8.93,
            new Melting(1085, 1085, 205, 430, 495, 1.9, 330, 165),
            new Preheat(650, 540, 980, 650),
            new Melt(Superheat.COPPER, Quench.COPPER, 1270, 1.3, 4.5)),
    AL_SI7(
            "al-si7",
            "aluminium Al Si 7 Mg",
            Family.ALUMINIUM,
            2.68,
            new Melting(557, 615, 389, 1050, 1180, 1.2, 150, 75),
            new Preheat(315, 200, 550, 200),
            new Melt(Superheat.ALUMINIUM, Quench.ALUMINIUM, 780, 0.9, 6.5, Trait.TAKES_UP_HYDROGEN)),
    AL_WROUGHT(
            "al-wrought",
            "aluminium scrap, wrought 6000 series",
            Family.ALUMINIUM,
            2.70,
            new Melting(585, 652, 395, 1050, 1180, 1.4, 180, 90),
            new Preheat(350, 230, 600, 230),
            new Melt(Superheat.ALUMINIUM, Quench.ALUMINIUM, 780, 0.9, 6.5, Trait.TAKES_UP_HYDROGEN)),
    AG_925(
            "ag-925",
            "sterling silver",
            Family.SILVER,
            10.36,
            new Melting(802, 893, 110, 280, 310, 1.6, 330, 160),
            new Preheat(620, 430, 760, 540),
            new Melt(Superheat.SILVER, Quench.PRECIOUS, 1060, 0.9, 5, Trait.PRECIOUS)),
    AG_999(
            "ag-999",
            "fine silver",
            Family.SILVER,
            10.49,
            new Melting(962, 962, 105, 280, 310, 1.8, 360, 175),
            new Preheat(650, 480, 760, 540),
            new Melt(Superheat.SILVER, Quench.PRECIOUS, 1060, 0.9, 5, Trait.PRECIOUS)),
    AU_9Y(
            "au-9y",
            "9 kt yellow gold",
            Family.GOLD,
            11.2,
            new Melting(850, 905, 90, 250, 280, 1.4, 110, 55),
            new Preheat(620, 450, Double.NaN, Double.NaN),
            new Melt(Superheat.GOLD, Quench.UNTABLED, 1180, 1.1, 5.5, Trait.PRECIOUS)),
    AU_10Y(
            "au-10y",
            "10 kt yellow gold",
            Family.GOLD,
            11.6,
            new Melting(850, 905, 90, 250, 280, 1.4, 110, 55),
            new Preheat(620, 450, Double.NaN, Double.NaN),
            new Melt(Superheat.GOLD, Quench.UNTABLED, 1180, 1.1, 5.5, Trait.PRECIOUS)),
    AU_14Y(
            "au-14y",
            "14 kt yellow gold",
            Family.GOLD,
            13.1,
            new Melting(830, 880, 80, 220, 250, 1.4, 110, 55),
            new Preheat(620, 450, Double.NaN, Double.NaN),
            new Melt(Superheat.GOLD, Quench.PRECIOUS, 1180, 1.1, 5.5, Trait.PRECIOUS)),
    AU_18Y(
            "au-18y",
            "18 kt yellow gold",
            Family.GOLD,
            15.5,
            new Melting(885, 905, 70, 180, 200, 1.3, 110, 55),
            new Preheat(620, 450, Double.NaN, Double.NaN),
            new Melt(Superheat.GOLD, Quench.PRECIOUS, 1180, 1.1, 5.5, Trait.PRECIOUS)),
    AU_22Y(
            "au-22y",
            "22 kt yellow gold",
            Family.GOLD,
            17.8,
            new Melting(940, 960, 65, 140, 160, 1.3, 180, 90),
            new Preheat(680, 500, Double.NaN, Double.NaN),
            new Melt(Superheat.GOLD, Quench.PRECIOUS, 1180, 1.1, 5.5, Trait.PRECIOUS)),
    AU_24(
            "au-24",
            "fine gold",
            Family.GOLD,
            19.3,
            new Melting(1064, 1064, 65, 140, 160, 1.3, 250, 105),
            new Preheat(680, 500, Double.NaN, Double.NaN),
            new Melt(Superheat.GOLD, Quench.UNTABLED, 1180, 1.1, 5.5, Trait.PRECIOUS)),
    PEWTER(
            "pewter",
            "lead-free pewter Sn 92 Sb 6 Cu 2",
            Family.TIN,
            7.28,
            new Melting(244, 295, 60, 240, 250, 0.6, 50, 28),
            new Preheat(150, 40, Double.NaN, Double.NaN),
            new Melt(Superheat.PEWTER, Quench.NEVER, 400, 0.5, 2.8)),
    ZINC_4AL(
            "zinc-4al",
            "zinc Al 4",
            Family.ZINC_BEARING,
            6.65,
            new Melting(381, 387, 112, 420, 510, 1.1, 105, 55),
            new Preheat(200, 80, Double.NaN, Double.NaN),
            new Melt(Superheat.ZINC, Quench.NEVER, 480, 0.8, 4.7, Trait.ZINC_FUME)),
    PT_950(
            "pt-950",
            "platinum 950",
            Family.REFRACTORY,
            20.7,
            new Melting(Double.NaN, Double.NaN, Double.NaN, Double.NaN, Double.NaN, Double.NaN, 75, 50),
            new Preheat(Double.NaN, Double.NaN, Double.NaN, Double.NaN),
            new Melt(Superheat.UNTABLED, Quench.NEVER, Double.NaN, Double.NaN, Double.NaN, Trait.PRECIOUS)),
    STEEL(
            "steel",
            "stainless steel",
            Family.REFRACTORY,
            7.9,
            new Melting(Double.NaN, Double.NaN, Double.NaN, Double.NaN, Double.NaN, Double.NaN, 30, 28),
            new Preheat(Double.NaN, Double.NaN, Double.NaN, Double.NaN),
            new Melt(Superheat.UNTABLED, Quench.NEVER, Double.NaN, Double.NaN, Double.NaN)),
    IRON(
            "iron",
            "grey iron",
            Family.REFRACTORY,
            7.15,
            new Melting(Double.NaN, Double.NaN, Double.NaN, Double.NaN, Double.NaN, Double.NaN, 45, 35),
            new Preheat(Double.NaN, Double.NaN, Double.NaN, Double.NaN),
            new Melt(Superheat.UNTABLED, Quench.NEVER, Double.NaN, Double.NaN, Double.NaN));

    /** What decides melt loss, superheat and cautions. */
    public enum Family {
        COPPER(2),
        /** Any alloy that lists zinc: it boils off, so it loses more and bears less superheat. */
        ZINC_BEARING(4),
        ALUMINIUM(4),
        SILVER(1),
        GOLD(1),
        TIN(2),
        /** Over 1150 C: platinum, steel, iron. Never in gypsum or plaster. */
        REFRACTORY(2);

        private final Constant meltLoss;

        Family(double lossPercent) {
            String label = name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
            meltLoss = new Constant(
                    "melt-loss." + label,
                    "loss",
                    "melt loss, " + label.replace('-', ' '),
                    lossPercent,
                    lossPercent / 2,
                    lossPercent * 2,
                    Measure.PERCENT,
                    Mark.T,
                    "handbook 3, charge");
        }

        public Constant meltLoss() {
            return meltLoss;
        }
    }

    /**
     * Solidus and liquidus C, latent heat kJ/kg, heat capacities J/(kg K), linear shrinkage %; NaN where not tabled; and
     * conductivities near freezing, W/(m K) (handbook 15).
     */
    public record Melting(
            double solidus,
            double liquidus,
            double latent,
            double cpSolid,
            double cpLiquid,
            double shrink,
            double solidConducts,
            double liquidConducts) {}

    /** Mold temperatures C from fine to heavy sections, in a flask and in a shell; NaN where not tabled. */
    public record Preheat(double flaskFine, double flaskHeavy, double shellFine, double shellHeavy) {}

    /** What a rule may ask of an alloy. */
    public enum Trait {
        /** Holds lead: fume and dust poison, never for food. */
        LEAD,
        /** Holds zinc, whose fume is breathed in. */
        ZINC_FUME,
        /** So much zinc that it boils off at its limit. */
        ZINC_BOILS,
        /** Takes up hydrogen the more the hotter it is. */
        TAKES_UP_HYDROGEN,
        /** Deoxidised with phosphor copper. */
        TAKES_PHOSPHORUS,
        /** Deoxidises itself: phosphor copper only by its supplier's sheet. */
        NO_PHOSPHORUS,
        /** Masses are usually given in troy units. */
        PRECIOUS
    }

    /**
     * What decides how it is poured (handbook 2, 3).
     *
     * @param mostC it may not pass this, C
     * @param tension surface tension of the melt, N/m
     * @param shrinks volume shrinkage from liquid to solid, %
     */
    private record Melt(
            Superheat superheat, Quench quench, double mostC, double tension, double shrinks, Set<Trait> traits) {
        Melt(Superheat superheat, Quench quench, double mostC, double tension, double shrinks, Trait... traits) {
            this(superheat, quench, mostC, tension, shrinks, Set.of(traits));
        }
    }

    private final Melt melt;
    private final String key;
    private final String label;
    private final Family family;
    private final Constant density;
    private final Melting melting;
    private final Preheat preheat;

    Alloy(String key, String label, Family family, double density, Melting melting, Preheat preheat, Melt melt) {
        this.melt = melt;
        this.key = key;
        this.label = label;
        this.family = family;
        this.density = new Constant(
                "alloy." + key + ".density",
                "alloy_density",
                "density of " + label,
                density,
                density * 0.99,
                density * 1.01,
                Measure.GRAM_PER_CM3,
                Mark.T,
                "handbook 2, alloys");
        this.melting = melting;
        this.preheat = preheat;
    }

    public static Optional<Alloy> named(String key) {
        return Arrays.stream(values()).filter(a -> a.key.equals(key)).findFirst();
    }

    public static List<Constant> constants() {
        return java.util.stream.Stream.concat(
                        Arrays.stream(values()).map(Alloy::density),
                        Arrays.stream(Family.values()).map(Family::meltLoss))
                .toList();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    public Family family() {
        return family;
    }

    public Constant density() {
        return density;
    }

    public Melting melting() {
        return melting;
    }

    public Preheat preheat() {
        return preheat;
    }

    /** Whether its melting range and mold temperatures are tabled. */
    public boolean isTabled() {
        return !Double.isNaN(melting.liquidus);
    }

    /** Whether a rule's question holds for it. */
    public boolean is(Trait trait) {
        return melt.traits.contains(trait);
    }

    /** How far over its liquidus it is poured. */
    public Superheat superheat() {
        return melt.superheat;
    }

    /** When it may go into water. */
    public Quench quench() {
        return melt.quench;
    }

    /** The hottest it may be, C; NaN where not tabled. */
    public double mostC() {
        return melt.mostC;
    }

    /** Surface tension of the melt, N/m; NaN where not tabled. */
    public double surfaceTension() {
        return melt.tension;
    }

    /** Volume shrinkage from liquid to solid, %; NaN where not tabled. */
    public double volumeShrinkage() {
        return melt.shrinks;
    }

    public boolean containsLead() {
        return is(Trait.LEAD);
    }

    /** Whether masses are usually given in troy units. */
    public boolean isPrecious() {
        return is(Trait.PRECIOUS);
    }
}

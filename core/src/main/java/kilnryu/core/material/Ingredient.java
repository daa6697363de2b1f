package kilnryu.core.material;

import java.util.Arrays;
import java.util.Optional;

/** What investment blends are made of (handbook 2): true density in g/cm3 and what each is there for. */
public enum Ingredient {
    PLASTER("plaster", "plaster, hemihydrate", 2.73, Role.BINDER, 0.9),
    CEMENT("cement", "portland or alumina cement", 3.1, Role.CEMENT, 1.3),
    SILICA_FLOUR("silica-flour", "silica flour", 2.65, Role.REFRACTORY, 1.0),
    SILICA_SAND("silica-sand", "silica sand", 2.65, Role.REFRACTORY, 1.55),
    CRISTOBALITE("cristobalite", "cristobalite", 2.33, Role.REFRACTORY, 0.9),
    GROG("grog", "grog, fired clay", 2.5, Role.REFRACTORY, 1.3),
    TALC("talc", "talc", 2.75, Role.FILLER, 0.8),
    VERMICULITE("vermiculite", "vermiculite", 2.5, Role.FILLER, 0.12),
    PERLITE("perlite", "perlite", 2.3, Role.FILLER, 0.1),
    WOOD_ASH("wood-ash", "wood ash", 2.4, Role.FILLER, 0.6),
    GLASS_FIBRE("glass-fibre", "glass fibre", 2.55, Role.FIBRE, 0.2);

    /** What an ingredient does in a blend. */
    public enum Role {
        BINDER("binder"),
        REFRACTORY("refractory"),
        FILLER("filler"),
        FIBRE("fibre"),
        CEMENT("cement");

        private final String key;

        Role(String key) {
            this.key = key;
        }

        public static Optional<Role> named(String key) {
            return Arrays.stream(values()).filter(r -> r.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }
    }

    private final String key;
    private final String label;
    private final double density;
    private final Role role;
    private final double loose;

    Ingredient(String key, String label, double density, Role role, double loose) {
        this.loose = loose;
        this.key = key;
        this.label = label;
        this.density = density;
        this.role = role;
    }

    public static Optional<Ingredient> named(String key) {
        return Arrays.stream(values()).filter(i -> i.key.equals(key)).findFirst();
    }

    /** By a word as casters say it: plaster, sand, silica, flour, grog; empty for one that is none of these. */
    public static Optional<Ingredient> told(String word) {
        String said = word.toLowerCase(java.util.Locale.ROOT);
        if (said.contains("sand")) {
            return Optional.of(SILICA_SAND);
        }
        if (said.equals("silica") || said.contains("flour")) {
            return Optional.of(SILICA_FLOUR);
        }
        return Arrays.stream(values())
                .filter(i -> said.contains(i.key) || said.contains(i.key.replace('-', ' ')) || i.label.contains(said))
                .findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** True density of its grains, g/cm3. */
    public double density() {
        return density;
    }

    public Role role() {
        return role;
    }

    /** Of it scooped loosely, g/cm3: our own estimate [M], for recipes by volume; a weighed scoop knows better. */
    public double loose() {
        return loose;
    }
}

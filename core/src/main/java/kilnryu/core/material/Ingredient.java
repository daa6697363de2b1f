package kilnryu.core.material;

import java.util.Arrays;
import java.util.Optional;

/** What investment blends are made of (handbook 2): true density in g/cm3 and what each is there for. */
public enum Ingredient {
    PLASTER("plaster", "plaster, hemihydrate", 2.73, Role.BINDER),
    CEMENT("cement", "portland or alumina cement", 3.1, Role.CEMENT),
    SILICA_FLOUR("silica-flour", "silica flour", 2.65, Role.REFRACTORY),
    SILICA_SAND("silica-sand", "silica sand", 2.65, Role.REFRACTORY),
    CRISTOBALITE("cristobalite", "cristobalite", 2.33, Role.REFRACTORY),
    GROG("grog", "grog, fired clay", 2.5, Role.REFRACTORY),
    TALC("talc", "talc", 2.75, Role.FILLER),
    VERMICULITE("vermiculite", "vermiculite", 2.5, Role.FILLER),
    PERLITE("perlite", "perlite", 2.3, Role.FILLER),
    WOOD_ASH("wood-ash", "wood ash", 2.4, Role.FILLER),
    GLASS_FIBRE("glass-fibre", "glass fibre", 2.55, Role.FIBRE);

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

    Ingredient(String key, String label, double density, Role role) {
        this.key = key;
        this.label = label;
        this.density = density;
        this.role = role;
    }

    public static Optional<Ingredient> named(String key) {
        return Arrays.stream(values()).filter(i -> i.key.equals(key)).findFirst();
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
}

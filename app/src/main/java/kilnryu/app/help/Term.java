package kilnryu.app.help;

import java.util.List;

/**
 * A word of the trade.
 *
 * @param key its place on the page of words
 * @param part of the scene that is meant
 */
public record Term(String key, String word, String meaning, Scene scene, String part) {
    static final List<Term> ALL = List.of(
            new Term(
                    "base",
                    "base",
                    "What a flask stands on while it is filled; its dome forms the cup.",
                    Scene.FLASK,
                    "base"),
            new Term(
                    "block",
                    "block",
                    "A mold of plaster and sand without a steel wall, cast round the tree and stripped.",
                    Scene.BLOCK,
                    "block"),
            new Term(
                    "burnout",
                    "burnout",
                    "The long fire that dries the mold, drains the pattern and burns what it leaves.",
                    Scene.CURVE,
                    "program"),
            new Term(
                    "button",
                    "button",
                    "What stands in the cup after the pour; its sunken top shows that it fed.",
                    Scene.TREE,
                    "button"),
            new Term(
                    "chaplet",
                    "chaplet",
                    "A pin that holds the core in its place while the metal comes.",
                    Scene.BLOCK,
                    "chaplet"),
            new Term(
                    "char",
                    "char",
                    "Carbon that the pattern leaves; it needs air and time at red heat.",
                    Scene.CURVE,
                    "char"),
            new Term(
                    "charge",
                    "charge",
                    "Metal to melt: cavity, melt loss, spill reserve and heel.",
                    Scene.POT,
                    "charge"),
            new Term(
                    "clearance",
                    "clearance",
                    "Investment between the tree and the steel, and over its top.",
                    Scene.FLASK,
                    "clearance"),
            new Term(
                    "coat",
                    "coat",
                    "One dip of a shell: slurry and its stucco, dried before the next.",
                    Scene.SHELL,
                    "coat"),
            new Term(
                    "collar",
                    "collar",
                    "Tape or sleeve above the rim, for the rise under vacuum.",
                    Scene.FLASK,
                    "collar"),
            new Term("core", "core", "Investment inside a hollow casting.", Scene.BLOCK, "core"),
            new Term("cup", "cup", "Where the metal is poured in.", Scene.TREE, "cup"),
            new Term("drain", "drain", "An opening low down by which wax runs out.", Scene.TREE, "drain"),
            new Term(
                    "face-coat",
                    "face coat",
                    "The fine first layer against the wax; the backup behind it bears the load.",
                    Scene.BLOCK,
                    "face"),
            new Term(
                    "feeder",
                    "feeder",
                    "Thick metal beside a thick place, liquid longer than it, so that it does not sink.",
                    Scene.TREE,
                    "feeder"),
            new Term(
                    "fillet",
                    "fillet",
                    "The rounded corner of a joint: it keeps the gate from tearing the mold's edge.",
                    Scene.TREE,
                    "fillet"),
            new Term("flask", "flask", "The steel ring that holds the investment.", Scene.FLASK, "flask"),
            new Term(
                    "gate",
                    "gate",
                    "The last short way into the piece; it has to freeze after it.",
                    Scene.TREE,
                    "gate"),
            new Term(
                    "gloss-off",
                    "gloss-off",
                    "When the wet shine leaves the surface: the mix has set, the working time is over.",
                    Scene.FLASK,
                    "gloss"),
            new Term("heel", "heel", "Metal that stays in the crucible.", Scene.POT, "heel"),
            new Term(
                    "hold",
                    "hold",
                    "Time at one temperature, until the slowest middle has what it needs.",
                    Scene.CURVE,
                    "hold"),
            new Term(
                    "investment",
                    "investment",
                    "Plaster or phosphate with silica, mixed with water round the wax.",
                    Scene.FLASK,
                    "investment"),
            new Term(
                    "lag",
                    "lag",
                    "How far the kiln or the middle of a mold stays behind the program.",
                    Scene.CURVE,
                    "lag"),
            new Term(
                    "alloy-loss",
                    "melt loss",
                    "Metal that burns or goes into the dross; it is added to the charge.",
                    Scene.POT,
                    "reserve"),
            new Term(
                    "modulus",
                    "modulus",
                    "Volume over cooled surface: the larger, the later it freezes.",
                    Scene.TREE,
                    "piece"),
            new Term(
                    "pattern",
                    "pattern",
                    "What the mold is made round, of wax, resin or found: it burns out.",
                    Scene.SHELL,
                    "pattern"),
            new Term("piece", "piece", "What is wanted, before it is on a tree.", Scene.TREE, "piece"),
            new Term("program", "program", "Segments of a kiln: ramp, temperature, hold.", Scene.CURVE, "program"),
            new Term("ramp", "ramp", "How fast the kiln is to rise or fall.", Scene.CURVE, "ramp"),
            new Term("runner", "runner", "The level way from the sprue to the gates.", Scene.TREE, "runner"),
            new Term(
                    "school",
                    "school",
                    "A way of working with its own rules; it can be copied and changed.",
                    Scene.BOWL,
                    "scale"),
            new Term(
                    "shell",
                    "shell",
                    "A ceramic skin of several coats, fired and poured red-hot or cold.",
                    Scene.SHELL,
                    "coat"),
            new Term(
                    "slurry",
                    "slurry",
                    "Fine ceramic in binder, into which the piece is dipped.",
                    Scene.SHELL,
                    "slurry"),
            new Term(
                    "reserve",
                    "spill reserve",
                    "Metal more than is needed, so that the cup is full.",
                    Scene.POT,
                    "reserve"),
            new Term("sprue", "sprue", "The main way down from the cup.", Scene.TREE, "sprue"),
            new Term("stucco", "stucco", "Grain thrown on the wet slurry.", Scene.SHELL, "stucco"),
            new Term("tree", "tree", "Pieces with their sprue, cast at once.", Scene.TREE, "tree"),
            new Term("vent", "vent", "A thin way by which air and gas leave a high place.", Scene.TREE, "vent"),
            new Term(
                    "water-ratio",
                    "water to powder",
                    "Grams of water to 100 of powder: thinner flows, thicker is stronger.",
                    Scene.BOWL,
                    "water"),
            new Term(
                    "working-time",
                    "working time",
                    "From water and powder together until the mix is let alone.",
                    Scene.BOWL,
                    "bowl"));

    /** As a page's script asks for it. */
    public record Said(String key, String word, String meaning) {}

    public String drawing() {
        return scene.drawn(part, word);
    }
}

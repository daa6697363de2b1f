package kilnryu.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.Drying.Openness;
import kilnryu.core.shell.Proposal;
import kilnryu.core.shell.Recipe;
import kilnryu.core.shell.RecipeText;
import kilnryu.core.shell.SandBed;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.shell.ShellPlanner;
import kilnryu.core.shell.ShellQuestion;
import kilnryu.core.shell.ShellQuestion.Body;
import kilnryu.core.shell.ShellQuestion.Load;
import kilnryu.core.shell.ShellSchool;
import kilnryu.core.shell.Strength.Curve;
import kilnryu.core.shell.Strength.Held;
import kilnryu.core.shell.Strength.Place;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** Reads a shell from its fields; on the plan's page most of it follows from the tree, in the API all is asked. */
public final class ShellReader {
    private static final Range HUMIDITY = new Range(Measure.PERCENT, 0, 100);
    private static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, 0, 50);
    private static final Range SPEED = new Range(Measure.TIMES, 0, 20);
    private static final Range SOLIDS = new Range(Measure.PERCENT, 20, 95);
    private static final Range SLURRY = new Range(Measure.GRAM_PER_CM3, 1, 5);
    private static final Range CURVATURE = new Range(Measure.CENTIMETRE, 0, 100_000);
    private static final Range THICKNESS = new Range(Measure.MILLIMETRE, 1, 60);
    private static final Range CARRIED = new Range(Measure.KILO, 0.1, 5000);
    private static final int LONGEST = 400;

    private final Fields fields;
    private final Factors factors;

    private ShellReader(Fields fields, Factors factors) {
        this.fields = fields;
        this.factors = factors;
    }

    /**
     * What is known of the tree already.
     *
     * @param places where metal presses, deepest of each part; one at least
     * @param lowPockets what the gating found not to drain
     */
    public record Tree(
            Alloy alloy,
            Figure volume,
            Figure area,
            Figure wax,
            Figure metal,
            List<Place> places,
            double width,
            double height,
            boolean plastic,
            List<String> lowPockets) {}

    /** A shell with all that follows from it. */
    public record Built(ShellPlan plan, Proposal proposal, Dewax dewax, Optional<SandBed> bed) {
        public Findings findings() {
            return plan.findings()
                    .and(dewax.findings())
                    .and(bed.map(SandBed::findings).orElse(Findings.NONE));
        }
    }

    /** The shell of the API: everything is a field. */
    public static Optional<ShellPlan> read(Fields fields, Factors factors) {
        return new ShellReader(fields, factors).contract();
    }

    /** The shell of a plan, its fields under {@code shell.}. */
    public static Optional<Built> read(Fields fields, Tree tree, Recipes recipes, Factors factors) {
        return new ShellReader(fields, factors).planned(tree, recipes);
    }

    private Optional<ShellPlan> contract() {
        OptionalDouble area = fields.required("area_cm2", Range.AREA);
        OptionalDouble curvature = fields.quantity("curvature_cm", CURVATURE);
        List<Coat> coats = coats();
        fields.quantity("slurry_density", SLURRY);
        OptionalDouble solids = fields.quantity("solids_pct", SOLIDS);
        OptionalDouble celsius = fields.required("climate.temperature_C", ROOM);
        OptionalDouble humidity = fields.required("climate.humidity_pct", HUMIDITY);
        OptionalDouble speed = fields.required("climate.air_m_s", SPEED);
        Optional<Openness> openness = fields.choice("openness", Openness::named);
        if (openness.isEmpty()) {
            fields.missing("openness", "Say open, pockets or blind.");
        }
        Optional<Alloy> alloy = fields.choice("alloy", Alloy::named);
        OptionalDouble head = fields.quantity("head_mm", Range.LENGTH);
        OptionalDouble radius = fields.quantity("radius_mm", Range.LENGTH);
        OptionalDouble metal = fields.quantity("metal_g", Range.MASS);
        boolean wire = fields.choice("wire", ShellReader::truth).orElse(false);
        if (fields.hasErrors() || coats.isEmpty()) {
            return Optional.empty();
        }
        Optional<Load> load = alloy.isPresent() && head.isPresent() && radius.isPresent()
                ? Optional.of(new Load(
                        List.of(new Place(
                                "the deepest place", head.getAsDouble(), radius.getAsDouble(), Curve.CYLINDER)),
                        new Held(
                                factors.of(alloy.get().density()),
                                metal.isPresent()
                                        ? Optional.of(given("metal", "metal", metal.getAsDouble(), Measure.GRAM))
                                        : Optional.empty(),
                                wire,
                                false)))
                : Optional.empty();
        return Optional.of(new ShellPlanner(factors)
                .plan(new ShellQuestion(
                        given("A0", "area", area.getAsDouble(), Measure.SQUARE_CENTIMETRE),
                        curvature.isPresent()
                                ? Optional.of(
                                        given("S", "growth of the area", curvature.getAsDouble(), Measure.CENTIMETRE))
                                : Optional.empty(),
                        new Recipe("asked", "as asked", "", coats, 0),
                        solids,
                        new Air(celsius.getAsDouble(), humidity.getAsDouble(), speed.getAsDouble()),
                        openness.orElseThrow(),
                        false,
                        load,
                        Optional.empty())));
    }

    private List<Coat> coats() {
        List<Coat> coats = new ArrayList<>();
        List<String> keys = fields.keys("coats");
        if (keys.isEmpty()) {
            fields.missing("coats", "Name the coats in their order.");
        }
        if (keys.size() > Recipe.MOST_COATS) {
            fields.error("coats", "At most " + Recipe.MOST_COATS + " coats.");
            return coats;
        }
        for (String key : keys) {
            String path = "coats[" + key + "]";
            fields.choice(path, Coat::named).ifPresentOrElse(coats::add, () -> fields.missing(path, "Name a coat."));
        }
        return coats;
    }

    private static Optional<Boolean> truth(String word) {
        return word.equals("true") || word.equals("false") ? Optional.of(word.equals("true")) : Optional.empty();
    }

    private Optional<Built> planned(Tree tree, Recipes recipes) {
        boolean fine = fields.choice("shell.detail", ShellReader::detail).orElse(false);
        OptionalDouble area = fields.quantity("shell.area_cm2", Range.AREA);
        OptionalDouble curvature = fields.quantity("shell.curvature_cm", CURVATURE);
        OptionalDouble solids = fields.quantity("shell.solids_pct", SOLIDS);
        OptionalDouble target = fields.quantity("shell.target_mm", THICKNESS);
        OptionalDouble flat = fields.quantity("shell.flat_mm", Range.LENGTH);
        Openness openness = fields.choice("shell.openness", Openness::named).orElse(Openness.OPEN);
        boolean window = fields.choice("shell.window", ShellReader::yes).orElse(false);
        boolean bed = fields.choice("shell.bed", ShellReader::yes).orElse(true);
        Air air = new Air(
                fields.quantity("shell.temperature_C", ROOM).orElse(21),
                fields.quantity("shell.humidity_pct", HUMIDITY).orElse(50),
                fields.quantity("shell.air_m_s", SPEED).orElse(1));
        OptionalDouble carried = fields.quantity("shell.lift_kg", CARRIED);
        List<Place> places = new ArrayList<>(tree.places);
        flat.ifPresent(span -> places.add(new Place("the flat face", tree.height, span, Curve.FLAT)));
        Figure density = factors.of(tree.alloy.density());
        Proposal proposal = Proposal.of(tree.metal.value(), places, density, fine, factors);
        Optional<Recipe> recipe = recipe(recipes, target.orElse(proposal.target()), proposal.school());
        Dewax.Method method = fields.choice("shell.dewax", Dewax.Method::named)
                .orElse(tree.plastic ? Dewax.Method.SLOW_MELT : Dewax.Method.FLASH);
        OptionalDouble tray = fields.quantity("shell.tray_cm3", Range.VOLUME);
        Optional<SandBed.Box> box = box();
        if (fields.hasErrors() || recipe.isEmpty()) {
            return Optional.empty();
        }
        ShellPlan plan = new ShellPlanner(factors)
                .plan(new ShellQuestion(
                        area.isPresent()
                                ? given(
                                        "area",
                                        "area of pattern and gating",
                                        area.getAsDouble(),
                                        Measure.SQUARE_CENTIMETRE)
                                : tree.area,
                        curvature.isPresent()
                                ? Optional.of(
                                        given("S", "growth of the area", curvature.getAsDouble(), Measure.CENTIMETRE))
                                : Optional.empty(),
                        recipe.get(),
                        solids,
                        air,
                        openness,
                        window,
                        Optional.of(new Load(
                                places,
                                new Held(
                                        density,
                                        Optional.of(tree.metal),
                                        recipe.get().wired(),
                                        bed))),
                        Optional.of(new Body(tree.wax, tree.height, tree.width, carried, tree.plastic))));
        double wide = tree.width + 2 * plan.thickness().value();
        return Optional.of(new Built(
                plan,
                proposal,
                Dewax.of(new Dewax.Question(method, tree.wax, tree.plastic, tree.lowPockets, tray), factors),
                box.map(b -> SandBed.of(b, tree.volume, plan.fired(), wide, tree.height, factors))));
    }

    /** Coats as written come before the recipe that is chosen. */
    private Optional<Recipe> recipe(Recipes recipes, double target, ShellSchool proposed) {
        Optional<Recipe> chosen = fields.choice("shell.recipe", key -> recipes.named(key, target, factors));
        Optional<String> written = fields.text("shell.coats", LONGEST);
        if (written.isPresent()) {
            try {
                RecipeText.Read read = RecipeText.read(written.get());
                return Optional.of(new Recipe(
                        "written", "coats of its own", "As written for this piece.", read.coats(), read.wireAfter()));
            } catch (IllegalArgumentException e) {
                fields.error("shell.coats", e.getMessage());
                return Optional.empty();
            }
        }
        return fields.hasError("shell.recipe")
                ? Optional.empty()
                : chosen.or(() -> Optional.of(proposed.recipe(target, factors)));
    }

    private Optional<SandBed.Box> box() {
        OptionalDouble length = fields.quantity("shell.box.length_mm", Range.LENGTH);
        OptionalDouble width = fields.quantity("shell.box.width_mm", Range.LENGTH);
        OptionalDouble height = fields.quantity("shell.box.height_mm", Range.LENGTH);
        if (length.isEmpty() && width.isEmpty() && height.isEmpty()) {
            return Optional.empty();
        }
        for (String side : List.of("length_mm", "width_mm", "height_mm")) {
            if (!fields.has("shell.box." + side)) {
                fields.missing("shell.box." + side, "A box has three measures.");
            }
        }
        return length.isPresent() && width.isPresent() && height.isPresent()
                ? Optional.of(new SandBed.Box(length.getAsDouble(), width.getAsDouble(), height.getAsDouble()))
                : Optional.empty();
    }

    private static Optional<Boolean> yes(String key) {
        return key.equals("yes") || key.equals("no") ? Optional.of(key.equals("yes")) : Optional.empty();
    }

    private static Optional<Boolean> detail(String key) {
        return key.equals("usual") || key.equals("fine") ? Optional.of(key.equals("fine")) : Optional.empty();
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.MEASURED, 0);
    }
}

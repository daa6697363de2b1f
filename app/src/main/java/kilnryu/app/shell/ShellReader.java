package kilnryu.app.shell;

import static kilnryu.app.shell.ShellFields.onPage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
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
        OptionalDouble area = fields.required(ShellFields.AREA);
        OptionalDouble curvature = fields.quantity(ShellFields.CURVATURE);
        List<Coat> coats = coats();
        fields.quantity(ShellFields.SLURRY_DENSITY);
        OptionalDouble solids = fields.quantity(ShellFields.SOLIDS);
        OptionalDouble celsius = fields.required(ShellFields.AIR_C.under("climate."));
        OptionalDouble humidity = fields.required(ShellFields.HUMIDITY.under("climate."));
        OptionalDouble speed = fields.required(ShellFields.AIR_SPEED.under("climate."));
        Optional<Openness> openness = fields.chosen(ShellFields.OPENNESS, "Say open, pockets or blind.");
        Optional<Alloy> alloy = fields.choice(ShellFields.ALLOY);
        OptionalDouble head = fields.quantity(ShellFields.HEAD);
        OptionalDouble radius = fields.quantity(ShellFields.RADIUS);
        OptionalDouble metal = fields.quantity(ShellFields.METAL);
        boolean wire = fields.choice(ShellFields.WIRE).orElse(false);
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
            Declared.Choice<Coat> coat = ShellFields.COAT.in(key);
            fields.choice(coat).ifPresentOrElse(coats::add, () -> fields.missing(coat, "Name a coat."));
        }
        return coats;
    }

    private Optional<Built> planned(Tree tree, Recipes recipes) {
        boolean fine = fields.choice(onPage(ShellFields.DETAIL)).orElse(false);
        OptionalDouble area = fields.quantity(onPage(ShellFields.AREA));
        OptionalDouble curvature = fields.quantity(onPage(ShellFields.CURVATURE));
        OptionalDouble solids = fields.quantity(onPage(ShellFields.SOLIDS));
        OptionalDouble target = fields.quantity(onPage(ShellFields.TARGET));
        OptionalDouble flat = fields.quantity(onPage(ShellFields.FLAT));
        Openness openness = fields.choice(onPage(ShellFields.OPENNESS)).orElse(Openness.OPEN);
        boolean window = fields.choice(onPage(ShellFields.WINDOW)).orElse(false);
        boolean bed = fields.choice(onPage(ShellFields.BED)).orElse(true);
        Air air = new Air(
                fields.quantity(onPage(ShellFields.AIR_C)).orElse(21),
                fields.quantity(onPage(ShellFields.HUMIDITY)).orElse(50),
                fields.quantity(onPage(ShellFields.AIR_SPEED)).orElse(1));
        OptionalDouble carried = fields.quantity(onPage(ShellFields.LIFT));
        List<Place> places = new ArrayList<>(tree.places);
        flat.ifPresent(span -> places.add(new Place("the flat face", tree.height, span, Curve.FLAT)));
        Figure density = factors.of(tree.alloy.density());
        Proposal proposal = Proposal.of(tree.metal.value(), places, density, fine, factors);
        Optional<Recipe> recipe = recipe(recipes, target.orElse(proposal.target()), proposal.school());
        Dewax.Method method = fields.choice(onPage(ShellFields.DEWAX))
                .orElse(tree.plastic ? Dewax.Method.SLOW_MELT : Dewax.Method.FLASH);
        OptionalDouble tray = fields.quantity(onPage(ShellFields.TRAY));
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
        Declared.Text own = ShellFields.COATS.under("shell.");
        Optional<Recipe> chosen = fields.choice(onPage(ShellFields.RECIPE), key -> recipes.named(key, target, factors));
        Optional<String> written = fields.text(own);
        if (written.isPresent()) {
            try {
                RecipeText.Read read = RecipeText.read(written.get());
                return Optional.of(new Recipe(
                        "written", "coats of its own", "As written for this piece.", read.coats(), read.wireAfter()));
            } catch (IllegalArgumentException e) {
                fields.error(own, e.getMessage());
                return Optional.empty();
            }
        }
        return fields.hasError(onPage(ShellFields.RECIPE))
                ? Optional.empty()
                : chosen.or(() -> Optional.of(proposed.recipe(target, factors)));
    }

    private Optional<SandBed.Box> box() {
        OptionalDouble length = fields.quantity(onPage(ShellFields.BOX_LENGTH));
        OptionalDouble width = fields.quantity(onPage(ShellFields.BOX_WIDTH));
        OptionalDouble height = fields.quantity(onPage(ShellFields.BOX_HEIGHT));
        if (length.isEmpty() && width.isEmpty() && height.isEmpty()) {
            return Optional.empty();
        }
        ShellFields.box()
                .filter(side -> !fields.has(side))
                .forEach(side -> fields.missing(side, "A box has three measures."));
        return length.isPresent() && width.isPresent() && height.isPresent()
                ? Optional.of(new SandBed.Box(length.getAsDouble(), width.getAsDouble(), height.getAsDouble()))
                : Optional.empty();
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.MEASURED, 0);
    }
}

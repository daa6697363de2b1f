package kilnryu.app.plan;

import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.LongFunction;
import kilnryu.app.blend.Mixes;
import kilnryu.app.firing.FiringReader;
import kilnryu.app.firing.FiringReader.Firing;
import kilnryu.app.firing.Programs;
import kilnryu.app.mold.BlockReader;
import kilnryu.app.mold.MoldReader;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Fields;
import kilnryu.app.shell.Recipes;
import kilnryu.app.shell.ShellReader;
import kilnryu.app.tree.GatingReader;
import kilnryu.app.tree.TreeFields;
import kilnryu.app.tree.TreeReader;
import kilnryu.app.web.Units;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.finding.Findings;
import kilnryu.core.flask.Clearances;
import kilnryu.core.flask.Fit;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.flask.MoldChecks;
import kilnryu.core.flask.SchoolChecks;
import kilnryu.core.gating.InMold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Blend;
import kilnryu.core.material.HeatChecks;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.mesh.Profile;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.OfTree;
import kilnryu.core.shell.Strength.Curve;
import kilnryu.core.shell.Strength.Place;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.tree.Crucible;
import kilnryu.core.tree.Lift;
import kilnryu.core.tree.Outline;
import kilnryu.core.tree.TreePlan;
import kilnryu.core.tree.WeighedTree;

/**
 * All that can be said of a tree from what is typed so far. Later stages are empty until the earlier ones can be read.
 *
 * @param name as typed, empty when there is none yet
 * @param fields of each stage, with their remarks
 * @param reading how it was read; its factors are those of the studio under those of the chosen schools
 * @param found what its checks found, by page
 */
public record Plan(
        String name,
        Map<Stage, Fields> fields,
        Reading reading,
        Optional<TreePlan> tree,
        Optional<WeighedTree> weighed,
        Optional<GatingReader.Built> gating,
        Optional<FlaskPlan> flask,
        Optional<BlockPlan> block,
        Optional<ShellReader.Built> shell,
        MoldReader.Extras moldExtras,
        Optional<Outline> outline,
        Optional<Clearances> clearances,
        Optional<Figure> pour,
        Optional<Firing> firing,
        Found found) {

    /**
     * What a studio melts and lifts at once.
     *
     * @param lift kg that one person lifts, empty where not said
     */
    public record Hands(Crucible crucible, OptionalDouble lift) {
        /** Where no equipment is on file. */
        public static final Hands UNKNOWN =
                new Hands(new Crucible(OptionalDouble.empty(), OptionalDouble.empty()), OptionalDouble.empty());
    }

    /** What decides how typed things are read. */
    public record Reading(
            Units units,
            Factors factors,
            ZoneId zone,
            Schools schools,
            Mixes mixes,
            Recipes recipes,
            Hands hands,
            LongFunction<Optional<Profile>> faces,
            Programs programs) {
        /** Where no studio has schools of its own. */
        public Reading(Units units, Factors factors, ZoneId zone) {
            this(
                    units,
                    factors,
                    zone,
                    Schools.NONE,
                    Mixes.NONE,
                    Recipes.NONE,
                    Hands.UNKNOWN,
                    id -> Optional.empty(),
                    Programs.ANEW);
        }

        /** The same with the constants of the schools that the sheets name. */
        private Reading by(Map<Stage, Map<String, String>> typed) {
            return new Reading(
                    units,
                    schools.over(factors, typed.values()),
                    zone,
                    schools,
                    mixes,
                    recipes,
                    hands,
                    faces,
                    programs);
        }
    }

    public static Plan read(Map<Stage, Map<String, String>> typed, Reading reading) {
        Map<Stage, Fields> fields = new EnumMap<>(Stage.class);
        for (Stage stage : Stage.values()) {
            fields.put(stage, Fields.typed(typed.getOrDefault(stage, Map.of()), reading.units));
        }
        return new Builder(fields, reading.by(typed)).build();
    }

    /** The same with what a look ahead found of its gating. */
    Plan foretold(Findings gatingFound) {
        return new Plan(
                name,
                fields,
                reading,
                tree,
                weighed,
                gating.map(g -> g.foretold(gatingFound)),
                flask,
                block,
                shell,
                moldExtras,
                outline,
                clearances,
                pour,
                firing,
                new Found(found.tree(), gatingFound, found.mold(), found.firing()));
    }

    /** All that the checks found, most severe first. */
    public Findings findings() {
        return found.all();
    }

    /** What of each page is judged, and what is missing for it. */
    public Judged judged() {
        return Judged.of(this);
    }

    /** What the water of a flask's mix does, by its share and by its heat. */
    public List<String> mixSays() {
        return flask.map(f -> {
                    double water = f.waterPer100().value();
                    double usual = f.flask()
                            .system()
                            .waterPer100()
                            .map(Constant::value)
                            .orElse(water);
                    return List.of(Blend.effect(water, usual), SchoolChecks.effect(f));
                })
                .orElse(List.of());
    }

    public boolean precious() {
        return tree.map(t -> t.tree().alloy().isPrecious()).orElse(false);
    }

    private static final class Builder {
        /** Wall of a shell until one is planned, mm (handbook 6). */
        private static final double USUAL_SHELL_MM = 7;

        private final Map<Stage, Fields> fields;
        private final Reading reading;

        Builder(Map<Stage, Fields> fields, Reading reading) {
            this.fields = fields;
            this.reading = reading;
        }

        Plan build() {
            Fields treeFields = fields.get(Stage.TREE);
            Optional<String> name = name();
            Optional<TreePlan> tree = TreeReader.read(treeFields, reading.factors);
            Fields moldFields = fields.get(Stage.MOLD);
            MoldReader.Extras extras = MoldReader.extras(moldFields, reading.schools);
            FiringReader.Choices choices =
                    FiringReader.choices(fields.get(Stage.FIRING), reading.zone, reading.schools);
            Optional<Figure> pour = tree.flatMap(t -> choices.metal(t, reading.factors));
            Optional<WeighedTree> weighed = weighed(tree);
            GatingReader.Rules rules = new GatingReader.Rules(reading.factors, reading.schools, reading.faces);
            Optional<GatingReader.Built> first = tree.flatMap(t -> GatingReader.read(
                    treeFields, t, heat(choices, t, pour, extras, InMold.shell(USUAL_SHELL_MM)), rules));
            Optional<FlaskPlan> flask = extras.kind() != MoldReader.Kind.FLASK
                    ? Optional.empty()
                    : tree.flatMap(t -> MoldReader.read(moldFields, t.treeVolume(), reading.factors));
            Optional<Outline> drawn = tree.map(t -> standing(t, first, extras));
            Optional<BlockPlan> block = extras.block()
                    ? tree.flatMap(t -> block(moldFields, t, drawn.orElseThrow(), weighed))
                    : Optional.empty();
            Optional<ShellReader.Built> shell = extras.shell()
                    ? tree.flatMap(t -> shell(moldFields, t, drawn.orElseThrow(), weighed, first))
                    : Optional.empty();
            Optional<InMold> in = flask.map(Builder::in)
                    .or(() -> block.map(Builder::in))
                    .or(() -> shell.map(s -> InMold.shell(s.plan().thickness().value())));
            // judged by the mold it will freeze in, which is known only now
            Optional<GatingReader.Built> gating = first.isEmpty() || in.isEmpty()
                    ? first
                    : tree.flatMap(
                            t -> GatingReader.read(treeFields, t, heat(choices, t, pour, extras, in.get()), rules));
            Optional<Clearances> clearances = flask.map(f -> clearances(f, drawn.orElseThrow(), extras));
            Optional<Firing> firing = tree.flatMap(t -> firing(choices, t, flask, block, shell));
            Found found = new Found(
                    ofTree(tree, weighed),
                    gating.map(GatingReader.Built::findings).orElse(Findings.NONE),
                    flask.map(f -> againstFlask(f, clearances.orElseThrow(), tree.orElseThrow(), pour, extras))
                            .orElse(Findings.NONE)
                            .and(block.map(b -> againstBlock(b, tree.orElseThrow(), pour))
                                    .orElse(Findings.NONE))
                            .and(shell.map(ShellReader.Built::findings).orElse(Findings.NONE))
                            .and(lifted(tree, flask, block, shell, moldFields)),
                    ofFiring(firing, tree.map(t -> poured(choices, t, extras, pour))));
            return new Plan(
                    name.orElse(""),
                    fields,
                    reading,
                    tree,
                    weighed,
                    gating,
                    flask,
                    block,
                    shell,
                    extras,
                    drawn,
                    clearances,
                    pour,
                    firing,
                    found);
        }

        private Outline standing(TreePlan tree, Optional<GatingReader.Built> built, MoldReader.Extras extras) {
            Outline stretched = outline(tree, built)
                    .stretched(extras.treeWidth().orElse(0), extras.treeHeight().orElse(0));
            return leaning(stretched, extras);
        }

        private Optional<String> name() {
            Fields treeFields = fields.get(Stage.TREE);
            Optional<String> name = treeFields.named(TreeFields.NAME, "Give the tree a name.");
            return name;
        }

        private Optional<WeighedTree> weighed(Optional<TreePlan> tree) {
            OptionalDouble onScale = fields.get(Stage.TREE).quantity(TreeFields.WEIGHED);
            return onScale.isPresent()
                    ? tree.map(t -> WeighedTree.of(t, Mass.grams(onScale.getAsDouble()), reading.factors))
                    : Optional.empty();
        }

        /** Of whatever mold the tree has. */
        private Optional<Firing> firing(
                FiringReader.Choices choices,
                TreePlan tree,
                Optional<FlaskPlan> flask,
                Optional<BlockPlan> block,
                Optional<ShellReader.Built> shell) {
            FiringReader.By by = new FiringReader.By(reading.factors, reading.programs);
            return flask.map(f -> FiringReader.firing(choices, tree, f, by))
                    .or(() -> block.map(b -> FiringReader.firing(choices, tree, b, by)))
                    .or(() -> shell.map(s -> FiringReader.firing(choices, tree, s, by)));
        }

        private Findings ofTree(Optional<TreePlan> tree, Optional<WeighedTree> weighed) {
            if (tree.isEmpty()) {
                return Findings.NONE;
            }
            Figure charge = weighed.map(WeighedTree::charge).orElse(tree.get().charge());
            return tree.get()
                    .findings()
                    .and(weighed.map(WeighedTree::findings).orElse(Findings.NONE))
                    .and(melted(tree.get(), charge));
        }

        private Findings ofFiring(Optional<Firing> firing, Optional<HeatChecks.Pour> poured) {
            return firing.map(f -> f.program()
                            .findings()
                            .and(f.clock().map(c -> c.findings()).orElse(Findings.NONE)))
                    .orElse(Findings.NONE)
                    .and(poured.map(p -> HeatChecks.check(p, reading.factors)).orElse(Findings.NONE));
        }

        private Optional<BlockPlan> block(
                Fields moldFields, TreePlan tree, Outline drawn, Optional<WeighedTree> weighed) {
            Figure metal = weighed.map(WeighedTree::cavity).orElse(tree.cavityMetal());
            return BlockReader.read(
                    moldFields,
                    new BlockReader.Tree(tree.treeVolume(), drawn.width(), drawn.height(), Optional.of(metal)),
                    reading.mixes,
                    reading.factors);
        }

        private Optional<ShellReader.Built> shell(
                Fields moldFields,
                TreePlan tree,
                Outline drawn,
                Optional<WeighedTree> weighed,
                Optional<GatingReader.Built> gating) {
            List<Place> places = gating.map(g -> OfTree.places(g.plan()))
                    .filter(p -> !p.isEmpty())
                    .orElseGet(() -> List.of(new Place(
                            "the lowest place",
                            Math.max(1, drawn.height()),
                            Math.max(1, drawn.width() / 2),
                            Curve.CYLINDER)));
            return ShellReader.read(
                    moldFields,
                    new ShellReader.Tree(
                            tree.tree().alloy(),
                            tree.treeVolume(),
                            OfTree.area(tree),
                            tree.patternMass(),
                            weighed.map(WeighedTree::cavity).orElse(tree.cavityMetal()),
                            places,
                            drawn.width(),
                            drawn.height(),
                            tree.tree().parts().stream()
                                    .anyMatch(p -> p.material().drainsHot()),
                            gating.map(g -> g.findings().all().stream()
                                            .filter(f -> f.id().startsWith("low-"))
                                            .map(f -> f.message())
                                            .toList())
                                    .orElse(List.of())),
                    reading.recipes,
                    reading.factors);
        }

        /** Blocks here are bound by plaster. */
        private static Findings againstBlock(BlockPlan block, TreePlan tree, Optional<Figure> pour) {
            return block.findings()
                    .and(MoldChecks.check(
                            tree.tree().alloy(), InvestmentSystem.PLASTER_SILICA, pour, Optional.empty()));
        }

        private static HeatChecks.Pour poured(
                FiringReader.Choices choices, TreePlan tree, MoldReader.Extras extras, Optional<Figure> pour) {
            return new HeatChecks.Pour(
                    tree.tree().alloy(),
                    choices.section(),
                    extras.shell(),
                    pour,
                    extras.shell() ? choices.shellPours(tree) : choices.pours(tree));
        }

        private static GatingReader.Heat heat(
                FiringReader.Choices choices,
                TreePlan tree,
                Optional<Figure> pour,
                MoldReader.Extras extras,
                InMold in) {
            boolean flask = extras.kind() == MoldReader.Kind.FLASK;
            return new GatingReader.Heat(
                    pour,
                    extras.shell() ? choices.shellPours(tree) : choices.pours(tree),
                    extras.shell() || in.shell().isEmpty() ? in : InMold.FLASK,
                    flask);
        }

        /** Dry, of its own powder and water. */
        private static InMold in(FlaskPlan flask) {
            return InMold.investment(
                    "flask",
                    Setting.gypsum(
                                    flask.waterPer100().value(),
                                    flask.powderDensity().value(),
                                    flask.flask().system().hemihydratePercent())
                            .density());
        }

        private static InMold in(BlockPlan block) {
            double ratio =
                    block.backup().water().value() / block.backup().powder().value() * 100;
            InvestmentSystem system = InvestmentSystem.PLASTER_SILICA;
            double density = system.density().orElseThrow().value();
            return InMold.investment(
                    "block",
                    Setting.gypsum(ratio, density, system.hemihydratePercent()).density());
        }

        /** As it stands in the flask. */
        private static Outline leaning(Outline upright, MoldReader.Extras extras) {
            if (extras.tilt() == 0 && extras.lift() == 0) {
                return upright;
            }
            Fit.Stand stand =
                    new Fit.Stand(upright.width(), upright.width(), upright.height(), extras.tilt(), extras.lift(), 1);
            return upright.stretched(stand.wide(), stand.high());
        }

        /** Width and height as built, or as the parts alone suggest. */
        private static Outline outline(TreePlan tree, Optional<GatingReader.Built> gating) {
            return gating.map(g -> new Outline(
                            java.util.List.of(),
                            g.plan().placing().width(),
                            g.plan().placing().depth()))
                    .orElseGet(() -> Outline.of(tree.tree(), tree.partVolumes()));
        }

        private Clearances clearances(FlaskPlan flask, Outline outline, MoldReader.Extras extras) {
            Known width = extras.treeWidth().isPresent() ? Known.MEASURED : Known.ESTIMATED;
            Known height = extras.treeHeight().isPresent() ? Known.MEASURED : Known.ESTIMATED;
            return Clearances.of(
                    flask.flask(),
                    new Clearances.Envelope(
                            Length.millimetres(outline.width()), Length.millimetres(outline.height()), width, height),
                    reading.factors);
        }

        private Findings againstFlask(
                FlaskPlan flask,
                Clearances clearances,
                TreePlan tree,
                Optional<Figure> pour,
                MoldReader.Extras extras) {
            return flask.findings()
                    .and(clearances.findings())
                    .and(MoldChecks.check(tree.tree().alloy(), flask.flask().system(), pour, Optional.empty()))
                    .and(SchoolChecks.check(flask, extras.school(), reading.factors));
        }

        /** The charge against the crucible on file, and against who carries it. */
        private Findings melted(TreePlan tree, Figure charge) {
            Hands hands = reading.hands;
            Findings found = hands.crucible().check(tree.tree().alloy(), charge, reading.factors);
            return hands.lift().isEmpty()
                    ? found
                    : found.and(Lift.check(
                            charge, "The charge alone", "charge", hands.lift().getAsDouble()));
        }

        /** The mold at its heaviest against who carries it; a block or shell with a limit of its own judges itself. */
        private Findings lifted(
                Optional<TreePlan> tree,
                Optional<FlaskPlan> flask,
                Optional<BlockPlan> block,
                Optional<ShellReader.Built> shell,
                Fields mold) {
            if (reading.hands.lift().isEmpty()) {
                return Findings.NONE;
            }
            double kilos = reading.hands.lift().getAsDouble();
            if (flask.isPresent()) {
                Figure wet = flask.get().filledMass();
                Figure poured = Figure.computed("poured", "flask with its metal", Measure.GRAM)
                        .total(List.of(flask.get().powder(), tree.orElseThrow().cavityMetal()));
                return Lift.check(
                        poured.value() > wet.value() ? poured : wet, "The flask without its steel", "mold", kilos);
            }
            if (block.isPresent()
                    && mold.written().getOrDefault("block.lift_kg", "").isBlank()) {
                Figure wet = block.get().wet();
                Figure poured = block.get().poured().orElse(wet);
                return Lift.check(poured.value() > wet.value() ? poured : wet, "The block", "mold", kilos);
            }
            if (mold.written().getOrDefault("shell.lift_kg", "").isBlank()) {
                return shell.flatMap(s -> s.plan().lift())
                        .map(l -> Lift.check(l, "The shell with its metal", "mold", kilos))
                        .orElse(Findings.NONE);
            }
            return Findings.NONE;
        }
    }
}

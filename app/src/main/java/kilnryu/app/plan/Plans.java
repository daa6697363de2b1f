package kilnryu.app.plan;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.blend.BlendStore;
import kilnryu.app.blend.Mixes;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.firing.Programs;
import kilnryu.app.piece.PieceParts;
import kilnryu.app.school.SchoolStore;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.SheetStore;
import kilnryu.app.sheet.SheetStore.Sheet;
import kilnryu.app.shell.RecipeStore;
import kilnryu.app.shell.Recipes;
import kilnryu.app.simulation.Simulations;
import kilnryu.app.tree.Face;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Replacement;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.server.ResponseStatusException;

/** Finds, reads and saves plans of a person's studio. */
@Service
public class Plans {
    private static final int MOST_TRIES = 5;
    private static final Duration FACES_TAKE = Duration.ofMillis(120);

    private final TreeStore trees;
    private final SheetStore sheets;
    private final FactorStore factors;
    private final SchoolStore schools;
    private final BlendStore blends;
    private final RecipeStore recipes;
    private final PieceParts pieces;
    private final EquipmentStore equipment;
    private final Series series;
    private final Simulations simulations;
    private final LookedAhead lookedAhead;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Plans(
            TreeStore trees,
            SheetStore sheets,
            FactorStore factors,
            SchoolStore schools,
            BlendStore blends,
            RecipeStore recipes,
            PieceParts pieces,
            EquipmentStore equipment,
            Series series,
            Simulations simulations,
            LookedAhead lookedAhead,
            TransactionTemplate transaction,
            Clock clock) {
        this.lookedAhead = lookedAhead;
        this.transaction = transaction;
        this.simulations = simulations;
        this.series = series;
        this.clock = clock;
        this.equipment = equipment;
        this.pieces = pieces;
        this.recipes = recipes;
        this.trees = trees;
        this.sheets = sheets;
        this.factors = factors;
        this.schools = schools;
        this.blends = blends;
    }

    /** A tree as saved, with its plan. */
    public record Saved(TreeStore.Row row, Map<Stage, Sheet> sheets, Plan plan, Factors factors) {}

    /** @throws ResponseStatusException 404 when the studio has no such tree */
    TreeStore.Row row(Account account, long id) {
        return trees.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** @throws ResponseStatusException 404 when the studio has no such tree */
    public Saved find(Account account, long id) {
        TreeStore.Row row = row(account, id);
        Map<Stage, Sheet> stages = sheets(id);
        Factors own = factors(account, id);
        return new Saved(row, stages, ahead(account, row, texts(stages), read(account, texts(stages), own)), own);
    }

    /** A plan with what was foreseen of its tree, as long as it is of that; the same where nobody looked ahead. */
    Plan ahead(Account account, TreeStore.Row row, Map<Stage, Map<String, String>> typed, Plan plan) {
        return plan.gating().isEmpty()
                ? plan
                : plan.foretold(
                        lookedAhead.over(account, row.foreseen(), typed.getOrDefault(Stage.TREE, Map.of()), plan));
    }

    /** The studio's factors, and over them those that came with an imported tree. */
    Factors factors(Account account, long tree) {
        return carriedOver(factors.of(account.studioId(), tree), tree);
    }

    private Factors carriedOver(Factors studio, long tree) {
        Map<String, Replacement> carried = tree == 0 ? Map.of() : trees.factors(tree);
        if (carried.isEmpty()) {
            return studio;
        }
        Map<String, Replacement> all = new HashMap<>(studio.replaced());
        all.putAll(carried);
        return new Factors(all);
    }

    /** What can be said of sheets as they are typed. */
    public Plan read(Account account, Map<Stage, Map<String, String>> typed, Factors own) {
        return Plan.read(meshed(account, typed), reading(account, own));
    }

    /** The face of a piece by its mesh, where a part comes from one and does not say it yet. */
    private Map<Stage, Map<String, String>> meshed(Account account, Map<Stage, Map<String, String>> typed) {
        return meshed(typed, piece -> pieces.area(account, piece));
    }

    private static Map<Stage, Map<String, String>> meshed(
            Map<Stage, Map<String, String>> typed, Function<Long, Optional<Double>> areaOf) {
        Map<String, String> tree = typed.getOrDefault(Stage.TREE, Map.of());
        Map<String, String> more = new HashMap<>();
        tree.forEach((path, text) -> {
            String area = path.replaceFirst("\\]\\.piece$", "].area_cm2");
            boolean linked = path.endsWith("].piece") && text.matches("\\d{1,18}");
            if (linked && tree.getOrDefault(area, "").isBlank()) {
                areaOf.apply(Long.parseLong(text)).ifPresent(a -> more.put(area, Show.exact(a) + " cm²"));
            }
        });
        if (more.isEmpty()) {
            return typed;
        }
        Map<Stage, Map<String, String>> all = new EnumMap<>(typed);
        Map<String, String> parts = new java.util.LinkedHashMap<>(tree);
        parts.putAll(more);
        all.put(Stage.TREE, parts);
        return all;
    }

    private Plan.Reading reading(Account account, Factors own) {
        Schools known = schools.of(account.studioId());
        return new Plan.Reading(
                account.units(),
                own,
                account.zoneId(),
                known,
                blends.mixes(account.studioId(), own),
                recipes.of(account.studioId()),
                hands(account),
                id -> pieces.profile(account, id),
                Programs.by(simulations, account.studioId()));
    }

    private Plan.Hands hands(Account account) {
        EquipmentReader.Workshop workshop =
                EquipmentReader.workshop(equipment.of(account.studioId()).fields());
        return new Plan.Hands(workshop.crucible(), workshop.equipment().lift());
    }

    /**
     * A document as this studio would read it, without taking it in: its own constants over the studio's, judged by the
     * studio's equipment.
     *
     * @throws PlanDocument.Unusable with a clear word when it is no plan or holds what cannot be
     */
    public Plan asked(Account account, String document) throws PlanDocument.Unusable {
        Factors studio = factors.of(account.studioId());
        PlanDocument.Content content = PlanDocument.read(document, reading(account, studio));
        Map<String, Replacement> own = new HashMap<>(studio.replaced());
        content.constants().forEach((key, value) -> {
            boolean other = kilnryu.app.factor.Catalogue.named(key)
                    .map(c -> studio.value(c) != value)
                    .orElse(false);
            if (other) {
                own.put(key, new Replacement(value, "as the document says"));
            }
        });
        Map<Stage, Map<String, String>> typed = new EnumMap<>(Stage.class);
        typed.putAll(content.stages());
        Plan.Reading reading = reading(account, new Factors(own));
        return Plan.read(
                meshed(account, typed),
                new Plan.Reading(
                        Units.METRIC,
                        reading.factors(),
                        reading.zone(),
                        reading.schools(),
                        reading.mixes(),
                        reading.recipes(),
                        reading.hands(),
                        reading.faces(),
                        reading.programs()));
    }

    /**
     * A plan as it was frozen.
     *
     * @param why it cannot be reckoned anew, empty where it can
     */
    public record Thawed(Optional<Plan> plan, String why) {
        static Thawed not(String why) {
            return new Thawed(Optional.empty(), why);
        }
    }

    /** A plan as it was when a document of it was frozen: with the constants of that day. */
    public Thawed thawed(Account account, long tree, String document) {
        try {
            Plan.Reading now = reading(account, factors.of(account.studioId()));
            PlanDocument.Content content = PlanDocument.read(document, now);
            Map<String, Replacement> then = new HashMap<>();
            content.constants().forEach((key, value) -> then.put(key, new Replacement(value, "as it was planned")));
            Plan.Reading frozen = new Plan.Reading(
                    account.units(),
                    new Factors(then),
                    account.zoneId(),
                    Schools.NONE,
                    Mixes.NONE,
                    Recipes.NONE,
                    Plan.Hands.UNKNOWN,
                    now.faces(),
                    now.programs());
            return new Thawed(Optional.of(Plan.read(faced(tree, content.stages()), frozen)), "");
        } catch (PlanDocument.Unusable e) {
            return Thawed.not(e.getMessage());
        } catch (IllegalArgumentException | java.util.NoSuchElementException e) {
            return Thawed.not("It was reckoned in a way that is not known any more.");
        }
    }

    /**
     * A frozen plan with the pieces its parts come from, which a plan document does not carry: only to draw them by their
     * meshes, found by the names of the parts. No figure follows from it.
     */
    private Map<Stage, Map<String, String>> faced(long tree, Map<Stage, Map<String, String>> stages) {
        Map<String, String> saved = sheets(tree).get(Stage.TREE).fields();
        Map<String, String> pieces = new HashMap<>();
        saved.forEach((path, text) -> {
            if (path.endsWith("].piece")) {
                String at = path.substring(0, path.length() - "piece".length());
                pieces.put(saved.getOrDefault(at + "name", ""), text);
            }
        });
        Map<Stage, Map<String, String>> faced = new EnumMap<>(stages);
        Map<String, String> parts = new LinkedHashMap<>(stages.getOrDefault(Stage.TREE, Map.of()));
        for (Map.Entry<String, String> part : Map.copyOf(parts).entrySet()) {
            if (part.getKey().endsWith("].name") && pieces.containsKey(part.getValue())) {
                String at = part.getKey().substring(0, part.getKey().length() - "name".length());
                parts.put(at + "piece", pieces.get(part.getValue()));
            }
        }
        faced.put(Stage.TREE, parts);
        return faced;
    }

    /** A stage to be saved over the version it was begun from. */
    public record Save(long tree, Stage stage, int baseVersion, Map<String, String> fields, String page) {}

    /**
     * Saves a stage that could be read without errors; makes the tree when it has no number yet.
     *
     * @return the tree's number, empty when someone else saved in between
     */
    @Transactional
    public OptionalLong save(Account account, Save save) {
        long id = save.tree == 0 ? trees.create(account.studioId(), save.fields.getOrDefault("name", "")) : save.tree;
        Optional<Integer> version = sheets.save(id, save.stage.key(), save.baseVersion, save.fields, account.id());
        if (version.isEmpty()) {
            return OptionalLong.empty();
        }
        sheets.closeDraft(new SheetStore.DraftOf(account.id(), save.tree, save.stage.key(), save.page));
        summarise(account, id);
        if (save.stage == Stage.TREE) {
            series.spread(account, id).forEach(other -> summarise(account, other));
        }
        return OptionalLong.of(id);
    }

    /**
     * Makes a tree so many times in all: each further one with the same parts, and with mold and firing as they stand here,
     * its own from then on. Asked again for as many, nothing more is made.
     */
    @Transactional
    public void makeSeries(Account account, long id, int times) {
        Saved from = find(account, id);
        int next = series.begin(account, id);
        int missing = Math.min(times, Series.MOST) - series.size(account, id);
        for (int i = 0; i < missing; i++, next++) {
            String name = shortened(from.row.name() + ", tree " + next);
            long made = trees.create(account.studioId(), name);
            from.sheets.forEach((stage, sheet) -> {
                Map<String, String> fields = new java.util.LinkedHashMap<>(sheet.fields());
                fields.computeIfPresent("name", (key, old) -> name);
                fields.remove("weighed_g");
                fields.remove("change_note");
                sheets.save(made, stage.key(), 0, fields, account.id());
            });
            trees.keepFactors(made, numbers(trees.factors(id)));
            series.join(account, made, id, next);
            summarise(account, made);
        }
    }

    /** Writes the mass of the finished tree into its list of parts, over whatever version is current. */
    @Transactional
    public void weighed(Account account, long id, String mass) {
        put(account, id, Stage.TREE, Map.of("weighed_g", mass));
    }

    /** The trees of a studio that have a mold, changed last first, each with its name alone. */
    public Map<Long, String> moldNames(Account account, int most) {
        return trees.withMold(account.studioId(), most);
    }

    /** The trees of a studio whose mold is a ceramic shell, changed last first, each with its name. */
    public Map<Long, String> shellNames(Account account, int most) {
        return trees.withShell(account.studioId(), most);
    }

    /** Some trees of a studio with their plans, in the order asked; those that are not there are left out. */
    public List<Saved> find(Account account, Collection<Long> ids) {
        if (ids.isEmpty()) {
            return List.of();
        }
        Function<Instant, Factors> own = factors.byMoment(account.studioId());
        Plan.Reading usual = reading(account, own.apply(Instant.MAX));
        Map<Long, TreeStore.Row> rows = trees.find(account.studioId(), ids);
        Map<Long, Map<String, Sheet>> typed = sheets.all(ids);
        Map<Long, TreeStore.Carried> carried = trees.carried(ids);
        pieces.foresee(account, piecesOf(typed));
        Map<Long, Optional<Double>> areas = new HashMap<>();
        return ids.stream()
                .filter(rows::containsKey)
                .map(id -> {
                    Map<Stage, Sheet> stages = byStage(typed.getOrDefault(id, Map.of()));
                    Factors of = own.apply(carried.get(id).made());
                    Map<String, Replacement> all = new HashMap<>(of.replaced());
                    all.putAll(carried.get(id).factors());
                    boolean alike = all.equals(usual.factors().replaced());
                    Map<Stage, Map<String, String>> texts =
                            meshed(texts(stages), p -> areas.computeIfAbsent(p, piece -> pieces.area(account, piece)));
                    Factors in = alike ? usual.factors() : new Factors(all);
                    Plan plan = Plan.read(texts, alike ? usual : usual(account, usual, in));
                    return new Saved(rows.get(id), stages, plan, in);
                })
                .toList();
    }

    private static Set<Long> piecesOf(Map<Long, Map<String, Sheet>> typed) {
        return typed.values().stream()
                .map(t -> t.getOrDefault(Stage.TREE.key(), Sheet.EMPTY).fields())
                .flatMap(f -> f.entrySet().stream())
                .filter(e -> e.getKey().endsWith("].piece") && e.getValue().matches("\\d{1,18}"))
                .map(e -> Long.parseLong(e.getValue()))
                .collect(Collectors.toSet());
    }

    /** The same with other factors: only the mixes of own blends follow from them. */
    private Plan.Reading usual(Account account, Plan.Reading usual, Factors own) {
        return new Plan.Reading(
                usual.units(),
                own,
                usual.zone(),
                usual.schools(),
                blends.mixes(account.studioId(), own),
                usual.recipes(),
                usual.hands(),
                usual.faces(),
                usual.programs());
    }

    /** @param more whether there are others that were not read */
    public record Unmixed(List<Saved> molds, boolean more) {}

    /** The trees of a studio with a mold that is still to be filled with investment, changed last first. */
    public Unmixed unmixed(Account account, int most) {
        List<Long> ids = List.copyOf(trees.unmixed(account.studioId(), most + 1).keySet());
        List<Saved> molds = find(account, ids.subList(0, Math.min(most, ids.size()))).stream()
                .filter(s -> s.plan().flask().isPresent() || s.plan().block().isPresent())
                .toList();
        return new Unmixed(molds, ids.size() > most);
    }

    /** Takes a flask for a tree: writes its measures into the mold's sheet, over whatever version is current. */
    @Transactional
    public void useFlask(Account account, long id, Map<String, String> flask) {
        put(account, id, Stage.MOLD, flask);
    }

    /**
     * Writes some fields of a stage over whatever version is current. What the account has typed of it and not saved stays
     * as it was typed, with these fields in it.
     *
     * @throws ResponseStatusException 409 when others save so often that it never comes in
     */
    public void put(Account account, long id, Stage stage, Map<String, String> some) {
        Map<Stage, Map<String, String>> typed = new EnumMap<>(texts(sheets(id)));
        typed.put(stage, over(typed.getOrDefault(stage, Map.of()), some));
        foresee(account, typed, factors(account, id));
        transaction.executeWithoutResult(t -> putLocked(account, id, stage, some));
    }

    /** Has simulated, before a transaction begins, what the plan asks that is read in it. */
    private void foresee(Account account, Map<Stage, Map<String, String>> typed, Factors own) {
        read(account, typed, own);
    }

    private void putLocked(Account account, long id, Stage stage, Map<String, String> some) {
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            Sheet sheet = sheets(id).get(stage);
            Optional<Integer> version =
                    sheets.save(id, stage.key(), sheet.version(), over(sheet.fields(), some), account.id());
            if (version.isPresent()) {
                sheets.draft(account.id(), id, stage.key())
                        .ifPresent(d -> sheets.keepDraft(
                                new SheetStore.DraftOf(account.id(), id, stage.key(), "put"),
                                d.baseVersion() == sheet.version() ? version.get() : d.baseVersion(),
                                over(d.fields(), some)));
                summarise(account, id);
                return;
            }
        }
        throw new ResponseStatusException(HttpStatus.CONFLICT);
    }

    private static Map<String, String> over(Map<String, String> fields, Map<String, String> some) {
        Map<String, String> all = new java.util.LinkedHashMap<>(fields);
        all.putAll(some);
        all.values().removeIf(String::isBlank);
        return all;
    }

    /** What is typed of a stage and saved. */
    public Map<String, String> typed(long id, Stage stage) {
        return sheets(id).get(stage).fields();
    }

    public long copy(Account account, long id) {
        Saved from = find(account, id);
        return transaction.execute(t -> copied(account, id, from));
    }

    private long copied(Account account, long id, Saved from) {
        String name = shortened("Copy of " + from.row.name());
        long copy = trees.create(account.studioId(), name);
        from.sheets.forEach((stage, sheet) -> {
            Map<String, String> fields = new java.util.LinkedHashMap<>(sheet.fields());
            fields.computeIfPresent("name", (key, old) -> name);
            sheets.save(copy, stage.key(), 0, fields, account.id());
        });
        trees.keepFactors(copy, numbers(trees.factors(id)));
        summarise(account, copy);
        return copy;
    }

    /** Makes a tree from stages that were read elsewhere, with constants that hold for it alone. */
    public long create(Account account, Map<Stage, Map<String, String>> stages, Map<String, Double> carried) {
        Map<String, Replacement> own =
                new HashMap<>(factors.of(account.studioId()).replaced());
        carried.forEach((key, value) -> own.put(key, new Replacement(value, "came with the tree")));
        foresee(account, stages, new Factors(own));
        return transaction.execute(t -> created(account, stages, carried));
    }

    private long created(Account account, Map<Stage, Map<String, String>> stages, Map<String, Double> carried) {
        long id = trees.create(account.studioId(), stages.get(Stage.TREE).getOrDefault("name", "imported tree"));
        trees.keepFactors(id, carried);
        stages.forEach((stage, fields) -> {
            if (!fields.isEmpty()) {
                sheets.save(id, stage.key(), 0, fields, account.id());
            }
        });
        summarise(account, id);
        return id;
    }

    private void summarise(Account account, long id) {
        Plan plan = find(account, id).plan;
        trees.summarise(
                id,
                new TreeStore.Summary(
                        plan.name(),
                        plan.tree().map(t -> t.tree().alloy().label()).orElse(null),
                        plan.tree().map(t -> t.cavityMetal().value()).orElse(null),
                        plan.tree().map(t -> t.charge().value()).orElse(null),
                        plan.flask()
                                .map(f -> flask(
                                        f.flask().innerDiameter().millimetres(),
                                        f.flask().height().millimetres()))
                                .or(() -> plan.block().map(b -> "block"))
                                .or(() -> plan.shell().map(b -> "shell"))
                                .orElse(null),
                        pour(plan).orElse(null),
                        face(plan),
                        PlanVerdict.mark(plan),
                        Ahead.of(plan).written(),
                        plan.fields().get(Stage.TREE).written().entrySet().stream()
                                .filter(e -> e.getKey().endsWith("].piece")
                                        && e.getValue().matches("\\d{1,18}"))
                                .map(e -> Long.valueOf(e.getValue()))
                                .distinct()
                                .toList()));
    }

    /** Sums up anew how a saved tree stands once it was looked ahead at, for lists and the day; what was saved meanwhile counts. */
    public void standsAnew(Account account, long id) {
        transaction.executeWithoutResult(t -> {
            trees.hold(account.studioId(), id);
            Plan plan = find(account, id).plan;
            trees.keepMark(id, PlanVerdict.mark(plan), Ahead.of(plan).written());
        });
    }

    private static String face(Plan plan) {
        return Face.of(plan.gating().map(g -> g.plan()), plan.outline());
    }

    /**
     * Makes the faces of trees that were saved before faces were kept, as many as can be made in a moment; the others follow
     * when a list shows them again.
     *
     * @return the same rows with what is known now
     */
    public List<TreeStore.Row> withFaces(Account account, List<TreeStore.Row> rows) {
        Instant end = clock.instant().plus(FACES_TAKE);
        return rows.stream()
                .map(r -> r.face() != null || clock.instant().isAfter(end) ? r : faced(account, r))
                .toList();
    }

    private TreeStore.Row faced(Account account, TreeStore.Row row) {
        Plan plan = find(account, row.id()).plan;
        trees.keepFace(
                row.id(), face(plan), PlanVerdict.mark(plan), Ahead.of(plan).written());
        return row.seen(face(plan), PlanVerdict.mark(plan));
    }

    private static Optional<Instant> pour(Plan plan) {
        return plan.firing().flatMap(f -> f.choices().pour()).map(p -> p.toInstant());
    }

    private static String flask(double diameter, double height) {
        return Math.round(diameter) + " × "
                + Show.value(Math.rint(height), Measure.MILLIMETRE, Units.METRIC, false)
                        .toString()
                        .replaceAll("\\.0+ ", " ");
    }

    private static Map<String, Double> numbers(Map<String, Replacement> carried) {
        Map<String, Double> numbers = new HashMap<>();
        carried.forEach((key, own) -> numbers.put(key, own.value()));
        return numbers;
    }

    Map<Stage, Sheet> sheets(long id) {
        return byStage(id == 0 ? Map.of() : sheets.all(id));
    }

    private static Map<Stage, Sheet> byStage(Map<String, Sheet> all) {
        Map<Stage, Sheet> stages = new EnumMap<>(Stage.class);
        for (Stage stage : Stage.values()) {
            stages.put(stage, all.getOrDefault(stage.key(), Sheet.EMPTY));
        }
        return stages;
    }

    public static Map<Stage, Map<String, String>> texts(Map<Stage, Sheet> sheets) {
        Map<Stage, Map<String, String>> texts = new EnumMap<>(Stage.class);
        sheets.forEach((stage, sheet) -> texts.put(stage, sheet.fields()));
        return texts;
    }

    private static String shortened(String name) {
        return name.length() > 120 ? name.substring(0, 120) : name;
    }
}

package kilnryu.app.fit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.mold.MoldReader;
import kilnryu.app.plan.MoldChoice;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.PlanVerdict;
import kilnryu.app.plan.Plans;
import kilnryu.app.shell.ShellReader;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Verdict.Remedy;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.Fit;
import kilnryu.core.flask.StudioFlask;
import kilnryu.core.quantity.Measure;
import org.springframework.stereotype.Component;

/** The studio's flasks, a block and a shell, each with the tree in it; and the flask that mends what does not fit. */
@Component
class Choices implements MoldChoice.Source, PlanVerdict.Source {
    private static final double TALLEST = 84;
    private static final double LARGEST_SCALE = 0.55;
    private static final double LEAST_WALL = 40;
    private static final double SHARE_OF_SIZE = 0.15;
    private static final int MOST = 12;

    private final EquipmentStore equipment;

    Choices(EquipmentStore equipment) {
        this.equipment = equipment;
    }

    /** All flasks of the studio held against a tree. */
    private Optional<Fit> fit(Account account, Plan plan, Fit.Stand stand) {
        EquipmentReader.Workshop workshop = workshop(account);
        if (workshop.flasks().isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(Fit.of(
                workshop.flasks(),
                stand,
                workshop.shop(),
                FitController.mix(plan),
                plan.moldExtras().school(),
                plan.reading().factors()));
    }

    private EquipmentReader.Workshop workshop(Account account) {
        return EquipmentReader.workshop(equipment.of(account.studioId()).fields());
    }

    @Override
    public List<MoldChoice> of(Account account, Plan plan) {
        if (plan.tree().isEmpty()) {
            return List.of();
        }
        Fit.Stand stand = FitController.stand(plan);
        Optional<Fit> fit = fit(account, plan, stand);
        double wall = Math.max(LEAST_WALL, SHARE_OF_SIZE * Math.max(stand.wide(), stand.high()));
        double tallest = fit.stream()
                .flatMap(f -> f.verdicts().stream())
                .mapToDouble(v -> v.flask().height())
                .reduce(stand.high() + 2 * wall, Math::max);
        double scale = Math.min(LARGEST_SCALE, TALLEST / tallest);
        List<MoldChoice> all = new ArrayList<>();
        fit.ifPresent(f -> f.verdicts().stream()
                .limit(MOST)
                .forEach(v -> all.add(
                        flask(account, plan, v, f.chosen().filter(c -> c == v).isPresent(), stand, scale))));
        // what takes the tree first, each by its size
        List<MoldChoice> sorted = new ArrayList<>();
        all.stream().filter(c -> c.mark().equals("good") || c.chosen()).forEach(sorted::add);
        all.stream().filter(c -> !sorted.contains(c)).forEach(sorted::add);
        int fitting = (int) sorted.stream().filter(c -> c.mark().equals("good")).count();
        sorted.add(Math.min(fitting, sorted.size()), block(account, plan, stand, wall, scale));
        sorted.add(Math.min(fitting + 1, sorted.size()), shell(plan, stand, scale));
        return sorted;
    }

    private static MoldChoice flask(
            Account account, Plan plan, Fit.Verdict v, boolean smallest, Fit.Stand stand, double scale) {
        boolean chosen = plan.moldExtras().kind() == MoldReader.Kind.FLASK
                && v.flask().name().equals(plan.moldExtras().flaskName());
        String says = v.fits()
                ? smallest ? "fits, the smallest" : "fits"
                : Spoken.in(v.against().get(0).message(), account.units());
        return new MoldChoice(
                "flask",
                v.flask().key(),
                v.flask().name(),
                size(account, v.flask()),
                new FitDrawing(v, stand, plan.gating().map(g -> g.plan()), account.units(), scale, false).outline(),
                v.fits() ? "good" : "stop",
                says,
                chosen,
                fields(v.flask()));
    }

    private static MoldChoice block(Account account, Plan plan, Fit.Stand stand, double wall, double scale) {
        Optional<BlockPlan> built = plan.block();
        double wide = built.map(BlockPlan::outerWidth).orElse(stand.wide() + 2 * wall);
        double high = built.map(BlockPlan::outerHeight).orElse(stand.high() + wall);
        return new MoldChoice(
                "block",
                "",
                "Block",
                length(account, wide) + " × " + length(account, high),
                FitDrawing.block(wide, high, stand, plan.gating().map(g -> g.plan()), scale),
                built.isPresent() ? "good" : "note",
                "wall " + length(account, wall) + ", free-standing",
                plan.moldExtras().block(),
                Map.of("mold_kind", "block"));
    }

    private static MoldChoice shell(Plan plan, Fit.Stand stand, double scale) {
        Optional<ShellReader.Built> built = plan.shell();
        String says =
                built.map(b -> b.plan().recipe().coats().size() + " coats").orElse("coats by its weight");
        return new MoldChoice(
                "shell",
                "",
                "Shell",
                says,
                FitDrawing.shell(stand, plan.gating().map(g -> g.plan()), scale),
                built.isPresent() ? "good" : "note",
                "dipped, dried, dewaxed",
                plan.moldExtras().shell(),
                Map.of("mold_kind", "shell"));
    }

    /** Measures of a flask as the Mold page types them. */
    static Map<String, String> fields(StudioFlask taken) {
        Map<String, String> measures = new LinkedHashMap<>();
        measures.put("mold_kind", "flask");
        measures.put("flask_name", taken.name());
        measures.put("inner_diameter_mm", mm(taken.inner()));
        measures.put("other_diameter_mm", taken.other().map(Choices::mm).orElse(""));
        measures.put("height_mm", mm(taken.height()));
        measures.put("base_volume_cm3", taken.dome() > 0 ? Show.exact(taken.dome()) + " cm³" : "");
        measures.put("steel", taken.perforated() ? "perforated" : "solid");
        return measures;
    }

    private static String mm(double value) {
        return Show.exact(value) + " mm";
    }

    private static String size(Account account, StudioFlask f) {
        String inner = length(account, f.inner()).replaceAll(" .*", "");
        return inner
                + f.other()
                        .map(o -> "/" + length(account, o).replaceAll(" .*", ""))
                        .orElse("") + " × " + length(account, f.height());
    }

    private static String length(Account account, double mm) {
        return Show.value(mm, Measure.MILLIMETRE, account.units(), false).toString();
    }

    @Override
    public Optional<MoldChoice> smallest(Account account, Plan plan) {
        if (plan.tree().isEmpty() || plan.moldExtras().kind() != MoldReader.Kind.FLASK) {
            return Optional.empty();
        }
        Fit.Stand stand = FitController.stand(plan);
        return fit(account, plan, stand)
                .flatMap(f -> f.chosen().map(v -> flask(account, plan, v, true, stand, LARGEST_SCALE)));
    }

    /** Too near the wall or the open end: the smallest flask that takes it, where it is not in that one already. */
    @Override
    public Optional<Remedy> of(Account account, Plans.Saved saved, Plan plan, Finding finding) {
        if (plan.flask().isEmpty() || !List.of("wall", "end").contains(finding.place())) {
            return Optional.empty();
        }
        return smallest(account, plan)
                .filter(c -> !c.chosen())
                .map(c -> new Remedy(
                        "Take " + c.name(), "/trees/" + saved.row().id() + "/fit", Map.of("flask", c.key())));
    }
}

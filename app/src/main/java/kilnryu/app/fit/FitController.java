package kilnryu.app.fit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.mold.MoldFields;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.Fit;
import kilnryu.core.flask.Flask;
import kilnryu.core.flask.StudioFlask;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Volume;
import kilnryu.core.tree.Part;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The page on which a tree is held against all flasks of the studio, and one of them taken. */
@Controller
class FitController {
    private static final double TALLEST = 190;
    private static final double LARGEST_SCALE = 1.5;

    private final Plans plans;
    private final EquipmentStore equipment;

    FitController(Plans plans, EquipmentStore equipment) {
        this.plans = plans;
        this.equipment = equipment;
    }

    /** A flask as the page shows it. */
    public record Card(
            String key,
            String name,
            String drawing,
            boolean chosen,
            boolean inUse,
            List<String> against,
            List<String> beside,
            String filled,
            String powder,
            String water,
            String count,
            boolean perforated) {
        public boolean isFits() {
            return against.isEmpty();
        }
    }

    /** Flasks stand on the Mold page now; what was noted down elsewhere leads there. */
    @GetMapping("/trees/{id}/fit")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id) {
        plans.find(account, id);
        return "redirect:/trees/" + id + "/mold#choice";
    }

    /** Every flask with what stands against it, as tilt and height are typed. */
    @GetMapping("/trees/{id}/fit/flasks")
    String flasks(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> asked,
            Model model) {
        fill(account, plans.find(account, id), asked, model);
        return "fit/fit :: flasks";
    }

    @PostMapping("/trees/{id}/fit")
    String choose(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam String flask,
            @RequestParam Map<String, String> asked,
            Model model) {
        plans.find(account, id);
        StudioFlask taken = workshop(account).flasks().stream()
                .filter(f -> f.key().equals(flask))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        Fields fields = lean(account, asked);
        Map<String, String> measures = new LinkedHashMap<>(Choices.fields(taken));
        if (asked.containsKey("tilt_deg")) {
            measures.put("tilt_deg", Show.exact(fields.quantity(MoldFields.TILT).orElse(0)) + "°");
        }
        if (asked.containsKey("lift_mm")) {
            measures.put("lift_mm", mm(fields.quantity(MoldFields.LIFT).orElse(0)));
        }
        plans.useFlask(account, id, measures);
        return "redirect:/trees/" + id + "/mold?saved";
    }

    /** A flask that was typed by hand becomes one of the studio's. */
    @PostMapping("/trees/{id}/fit/keep")
    @Transactional
    public String keep(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String name) {
        Plan plan = plans.find(account, id).plan();
        Flask flask = plan.flask()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.CONFLICT))
                .flask();
        String words = name.replaceAll("\\p{Cntrl}", " ").strip();
        String called = words.isEmpty()
                ? "flask " + Math.round(flask.innerDiameter().millimetres()) + " × "
                        + Math.round(flask.height().millimetres())
                : words.substring(0, Math.min(60, words.length()));
        var sheet = equipment.of(account.studioId());
        boolean there =
                workshop(account).flasks().stream().anyMatch(f -> f.name().equals(called));
        if (!there) {
            Map<String, String> fields = new LinkedHashMap<>(sheet.fields());
            int k = 1;
            while (fields.containsKey("flasks[k" + k + "].name")) {
                k++;
            }
            String at = "flasks[k" + k + "].";
            fields.put(at + "name", called);
            fields.put(at + "inner_mm", mm(flask.innerDiameter().millimetres()));
            fields.put(at + "height_mm", mm(flask.height().millimetres()));
            flask.otherDiameter().ifPresent(o -> fields.put(at + "other_mm", mm(o.millimetres())));
            flask.baseVolume().ifPresent(v -> fields.put(at + "dome_cm3", Show.exact(v.cubicCentimetres()) + " cm³"));
            fields.put(at + "steel", plan.moldExtras().perforated() ? "perforated" : "solid");
            fields.put(at + "count", "1");
            if (!equipment.save(account.studioId(), sheet.version(), fields)) {
                throw new Late(
                        "Nothing was kept: someone saved the equipment just now. Try again.", "/trees/" + id + "/mold");
            }
        }
        plans.useFlask(account, id, Map.of("flask_name", called));
        return "redirect:/trees/" + id + "/mold?saved";
    }

    private EquipmentReader.Workshop workshop(Account account) {
        return EquipmentReader.workshop(equipment.of(account.studioId()).fields());
    }

    /** Tilt and height as they are asked. */
    private static Fields lean(Account account, Map<String, String> asked) {
        Fields fields = Fields.typed(asked, account.units());
        fields.quantity(MoldFields.TILT);
        fields.quantity(MoldFields.LIFT);
        return fields;
    }

    private void fill(Account account, Plans.Saved saved, Map<String, String> asked, Model model) {
        Plan plan = saved.plan();
        Map<String, String> typed = new LinkedHashMap<>(asked);
        Map<String, String> mold = plans.typed(saved.row().id(), Stage.MOLD);
        typed.putIfAbsent("tilt_deg", mold.getOrDefault("tilt_deg", "0°"));
        typed.putIfAbsent("lift_mm", mold.getOrDefault("lift_mm", "0 mm"));
        Fields fields = lean(account, typed);
        EquipmentReader.Workshop workshop = workshop(account);
        model.addAttribute("id", saved.row().id());
        model.addAttribute("name", saved.row().name());
        model.addAttribute("form", new SheetForm(fields, typed, true));
        model.addAttribute("ready", plan.tree().isPresent());
        model.addAttribute("none", workshop.flasks().isEmpty());
        if (plan.tree().isEmpty() || workshop.flasks().isEmpty()) {
            model.addAttribute("cards", List.of());
            model.addAttribute("changes", List.of());
            return;
        }
        Fit.Stand stand = stand(plan, fields);
        Fit fit = Fit.of(
                workshop.flasks(),
                stand,
                workshop.shop(),
                mix(plan),
                plan.moldExtras().school(),
                plan.reading().factors());
        model.addAttribute("changes", fit.changes());
        model.addAttribute("school", plan.moldExtras().school());
        model.addAttribute("assumed", plan.flask().isEmpty());
        model.addAttribute("cards", cards(account, plan, fit, stand));
    }

    /** As it is planned to stand. */
    static Fit.Stand stand(Plan plan) {
        return stand(plan, plan.moldExtras().tilt(), plan.moldExtras().lift());
    }

    private static Fit.Stand stand(Plan plan, Fields fields) {
        return stand(
                plan,
                fields.quantity(MoldFields.TILT).orElse(0),
                fields.quantity(MoldFields.LIFT).orElse(0));
    }

    private static Fit.Stand stand(Plan plan, double tilt, double lift) {
        var outline = plan.gating().isPresent()
                ? new double[] {
                    plan.gating().get().plan().placing().width(),
                    plan.gating().get().plan().placing().depth()
                }
                : upright(plan);
        double width = plan.moldExtras().treeWidth().orElse(outline[0]);
        double height = plan.moldExtras().treeHeight().orElse(outline[1]);
        int pieces = plan.tree().orElseThrow().tree().parts().stream()
                .filter(p -> p.role() == Part.Role.PIECE)
                .mapToInt(Part::count)
                .sum();
        return new Fit.Stand(width, width, height, tilt, lift, pieces);
    }

    private static double[] upright(Plan plan) {
        var tree = plan.tree().orElseThrow();
        var outline = kilnryu.core.tree.Outline.of(tree.tree(), tree.partVolumes());
        return new double[] {outline.width(), outline.height()};
    }

    /** The mix as it is planned, or the usual one while none is. */
    static Flask mix(Plan plan) {
        double tree = plan.tree().orElseThrow().treeVolume().value();
        return plan.flask()
                .map(f -> f.flask())
                .orElseGet(() -> new Flask(
                        Length.millimetres(1),
                        Length.millimetres(1),
                        Volume.cubicCentimetres(tree),
                        Optional.empty(),
                        InvestmentSystem.GYPSUM_JEWELRY,
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Optional.empty(),
                        Optional.empty()));
    }

    private static List<Card> cards(Account account, Plan plan, Fit fit, Fit.Stand stand) {
        double tallest = fit.verdicts().stream()
                .mapToDouble(v -> Math.max(v.flask().height(), stand.high()))
                .max()
                .orElse(1);
        double scale = Math.min(LARGEST_SCALE, TALLEST / tallest);
        Fit.Verdict held = fit.chosen().orElse(fit.verdicts().get(fit.verdicts().size() - 1));
        return fit.verdicts().stream()
                .map(v -> new Card(
                        v.flask().key(),
                        v.flask().name(),
                        new FitDrawing(v, stand, plan.gating().map(g -> g.plan()), account.units(), scale, v == held)
                                .draw(),
                        fit.chosen().filter(c -> c == v).isPresent(),
                        v.flask().name().equals(plan.moldExtras().flaskName()),
                        v.against().stream().map(Finding::message).toList(),
                        v.beside().stream().map(Finding::message).toList(),
                        Double.isNaN(v.filled()) ? "–" : shown(account, v.filled() * 1000),
                        v.plan().map(p -> shown(account, p.powder().value())).orElse("–"),
                        v.plan().map(p -> shown(account, p.water().value())).orElse("–"),
                        v.flask().count() > 1 ? v.flask().count() + " of them" : "one of it",
                        v.flask().perforated()))
                .toList();
    }

    private static String shown(Account account, double grams) {
        return Show.value(grams, Measure.GRAM, account.units(), false)
                .toString()
                .replace(' ', '\u00a0');
    }

    private static String mm(double value) {
        return Show.exact(value) + " mm";
    }
}

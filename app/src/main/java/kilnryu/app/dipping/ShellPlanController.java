package kilnryu.app.dipping;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.piece.PieceParts;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Streams;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.OfTree;
import kilnryu.core.shell.Recipe;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.shell.ShellPlanner;
import kilnryu.core.shell.Tank;
import kilnryu.core.sum.Figure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The page of a tree's shell before its first dip: the schools side by side, tanks, dewax, and the start. */
@Controller
class ShellPlanController {
    private static final double PLENTY = 100;

    private final Plans plans;
    private final Shells shells;
    private final DipStore dips;
    private final TankStore tanks;
    private final EquipmentStore equipment;
    private final PieceParts pieces;
    private final Streams streams;

    ShellPlanController(
            Plans plans,
            Shells shells,
            DipStore dips,
            TankStore tanks,
            EquipmentStore equipment,
            PieceParts pieces,
            Streams streams) {
        this.pieces = pieces;
        this.plans = plans;
        this.shells = shells;
        this.dips = dips;
        this.tanks = tanks;
        this.equipment = equipment;
        this.streams = streams;
    }

    /** A school for this piece. */
    public record School(
            String key,
            String name,
            String coats,
            String number,
            String days,
            String slurry,
            String stucco,
            String thickness,
            String mass,
            String margin,
            boolean weak,
            String cost,
            boolean chosen,
            boolean proposed) {}

    /** A tank and what it says to this piece. */
    public record InTank(String name, String says, boolean goes) {}

    @GetMapping("/trees/{id}/shell")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        Optional<DipStore.Run> open = dips.last(account.studioId(), id).filter(r -> r.endedAt() == null);
        if (open.isPresent()) {
            return "redirect:/shells/" + open.get().id();
        }
        return page(account, plans.find(account, id), model);
    }

    @PostMapping("/trees/{id}/shell/take")
    String take(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam String recipe) {
        Plans.Saved saved = plans.find(account, id);
        Plan plan = saved.plan();
        if (plan.reading().recipes().named(recipe, 1, plan.reading().factors()).isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        if (plan.shell().isPresent()) {
            Map<String, String> fields = new LinkedHashMap<>();
            fields.put("shell.recipe", recipe);
            fields.put("shell.coats", "");
            plans.useFlask(account, id, fields);
        }
        return "redirect:/trees/" + id + "/shell";
    }

    /** The area that the meshes of its pieces give takes the place of the estimate. */
    @PostMapping("/trees/{id}/shell/area")
    String area(@AuthenticationPrincipal Account account, @PathVariable long id) {
        Plans.Saved saved = plans.find(account, id);
        meshed(saved)
                .ifPresent(a -> plans.useFlask(account, id, Map.of("shell.area_cm2", Show.exact(a.value()) + " cm²")));
        return "redirect:/trees/" + id + "/shell";
    }

    /** Pieces by their meshes, the rest by its measures; empty where no part comes from a measured mesh. */
    private static Optional<Figure> meshed(Plans.Saved saved) {
        return saved.plan()
                .tree()
                .filter(t -> t.tree().parts().stream().anyMatch(p -> p.area().isPresent()))
                .map(OfTree::area);
    }

    @PostMapping("/trees/{id}/shell/begin")
    String begin(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String rack,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String sure,
            Model model,
            HttpServletResponse response) {
        Plans.Saved saved = plans.find(account, id);
        List<String> against = new ArrayList<>();
        if (saved.plan().shell().isEmpty()) {
            against.add("The shell is not planned yet.");
        } else {
            blocking(saved.plan(), reason).forEach(f -> against.add(Spoken.in(f.message(), account.units())));
        }
        if (shells.room(account).racks().stream().noneMatch(r -> r.name().equals(rack))) {
            against.add("Choose the rack it hangs on.");
        } else if (sure.isEmpty() && shells.free(account, rack) < 1) {
            against.add(
                    "Every place of " + rack + " is taken. Choose another, or tick that it hangs there all the same.");
            model.addAttribute("full", rack);
        }
        if (against.isEmpty()) {
            OptionalLong begun = shells.begin(account, saved, rack);
            if (begun.isPresent()) {
                if (!reason.isBlank()) {
                    dips.event(account, begun.getAsLong(), "overruled", Map.of("note", reason.strip()));
                }
                return "redirect:/shells/" + begun.getAsLong();
            }
            against.add("A shell of this tree is being built already.");
        }
        response.setStatus(HttpStatus.CONFLICT.value());
        model.addAttribute("refused", against);
        model.addAttribute("reason", reason);
        return page(account, saved, model);
    }

    /** Stops block the first dip until they are overruled with a reason; those of safety always do. */
    private static List<Finding> blocking(Plan plan, String reason) {
        Set<String> overruled = new HashSet<>();
        if (!reason.isBlank()) {
            plan.findings().stops().forEach(f -> overruled.add(f.id()));
        }
        return plan.findings().blocking(overruled);
    }

    private String page(Account account, Plans.Saved saved, Model model) {
        Plan plan = saved.plan();
        model.addAttribute("id", saved.row().id());
        model.addAttribute("name", saved.row().name());
        streams.of(account, saved, plan, "shell").into(model);
        model.addAttribute("ready", plan.shell().isPresent());
        model.addAttribute(
                "rackNames",
                shells.room(account).racks().stream().map(r -> r.name()).toList());
        if (plan.shell().isPresent()) {
            var built = plan.shell().get();
            meshed(saved)
                    .filter(a ->
                            Math.abs(a.value() - built.plan().question().area().value()) > 0.5)
                    .ifPresent(a -> model.addAttribute("meshed", shown(account, a)));
            model.addAttribute("area", shown(account, built.plan().question().area()));
            model.addAttribute("proposal", built.proposal().reason());
            model.addAttribute("schools", schools(account, plan));
            model.addAttribute("tanks", tanks(account, plan));
            model.addAttribute(
                    "steps",
                    built.dewax().steps().stream().map(Dewax.Step::title).toList());
            model.addAttribute("method", built.dewax().method().label());
            model.addAttribute(
                    "stops",
                    plan.findings().stops().stream()
                            .map(f -> Spoken.in(f.message(), account.units()))
                            .toList());
        }
        return "dipping/plan";
    }

    private List<School> schools(Account account, Plan plan) {
        var built = plan.shell().orElseThrow();
        Map<String, String> shop = equipment.of(account.studioId()).fields();
        Optional<EquipmentReader.Prices> prices = EquipmentReader.prices(shop);
        String money = EquipmentReader.money(shop);
        List<School> schools = new ArrayList<>();
        List<Recipe> recipes = new ArrayList<>(plan.reading()
                .recipes()
                .all(built.proposal().target(), plan.reading().factors()));
        Recipe planned = built.plan().recipe();
        if (recipes.stream().noneMatch(r -> r.key().equals(planned.key()))) {
            recipes.add(planned);
        }
        for (Recipe recipe : recipes) {
            ShellPlan shell = new ShellPlanner(plan.reading().factors())
                    .plan(built.plan().question().by(recipe));
            double margin = shell.strength().map(s -> s.margin()).orElse(PLENTY);
            schools.add(new School(
                    recipe.key(),
                    recipe.label(),
                    recipe.told(),
                    Integer.toString(recipe.coats().size()),
                    shell.days().map(Show::digits).orElse("never dry"),
                    shown(account, shell.slurry()),
                    shown(account, shell.stucco()),
                    shown(account, shell.thickness()),
                    shown(account, shell.fired()),
                    margin >= PLENTY ? "over 100" : Show.digits(margin),
                    margin < 1,
                    prices.map(p -> Show.digits(
                                            shell.cost(p.slurry(), p.stucco()).value())
                                    + (money.isEmpty() ? "" : " " + money))
                            .orElse("–"),
                    recipe.key().equals(planned.key()),
                    recipe.key().equals(built.proposal().school().key())));
        }
        return schools;
    }

    private List<InTank> tanks(Account account, Plan plan) {
        ShellPlan shell = plan.shell().orElseThrow().plan();
        var body = shell.question().body().orElseThrow();
        double volume = plan.tree().orElseThrow().treeVolume().value();
        List<InTank> in = new ArrayList<>();
        for (TankStore.Row row : tanks.list(account.studioId())) {
            TankReader.read(Fields.typed(row.fields(), Units.METRIC)).ifPresent(tank -> {
                double t = tank.prime() ? 0 : shell.thickness().value();
                Tank.Dip dip = tank.dip(
                        body.width() + 2 * t,
                        body.height() + t,
                        volume + shell.question().area().value() * t / 10);
                in.add(new InTank(
                        tank.name(),
                        dip.findings().all().isEmpty()
                                ? "goes in whole; the slurry rises "
                                        + Show.value(dip.rise().value(), Measure.MILLIMETRE, account.units(), false)
                                : String.join(
                                        " ",
                                        dip.findings().all().stream()
                                                .map(f -> f.message() + " " + f.remedy())
                                                .toList()),
                        dip.immerses()));
            });
        }
        return in;
    }

    private static String shown(Account account, Figure figure) {
        return Show.figure(figure, account.units()).toString();
    }
}

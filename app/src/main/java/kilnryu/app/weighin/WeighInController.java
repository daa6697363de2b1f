package kilnryu.app.weighin;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.device.Scale;
import kilnryu.app.device.SimulatedScale;
import kilnryu.app.plan.Plans;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.flask.UnitGuard;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.QuantityReader;
import kilnryu.core.quantity.Typed;
import kilnryu.core.quantity.UnreadableQuantity;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The bench view on which a finished tree is weighed; a scale sends digits only, so its unit has to be believed. */
@Controller
class WeighInController {
    private static final double MOST_GRAMS = 1_000_000;

    private final Plans plans;
    private final WeighingStore weighings;
    private final Scale scale;
    private final SimulatedScale standIn;

    WeighInController(Plans plans, WeighingStore weighings, SimulatedScale standIn) {
        this.plans = plans;
        this.weighings = weighings;
        this.scale = standIn;
        this.standIn = standIn;
    }

    /** A line of the record. */
    public record Line(String at, String mass, String shown, String by) {}

    @GetMapping("/trees/{id}/weigh")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        double planned = planned(plans.find(account, id));
        model.addAttribute("id", id);
        model.addAttribute("name", plans.find(account, id).row().name());
        model.addAttribute("planned", Show.value(planned, Measure.GRAM, account.units(), false));
        model.addAttribute(
                "record",
                weighings.of(account.studioId(), id).stream()
                        .map(r -> new Line(
                                Show.dayAndClock(r.at().atZone(account.zoneId())),
                                Show.value(r.grams(), Measure.GRAM, account.units(), false)
                                        .toString(),
                                r.shown(),
                                r.by()))
                        .toList());
        put(account, model);
        return "weighin/weigh";
    }

    /** The display alone, asked for again and again. */
    @GetMapping("/trees/{id}/weigh/display")
    String display(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        model.addAttribute("id", id);
        put(account, model);
        return "weighin/weigh :: display";
    }

    private void put(Account account, Model model) {
        Scale.Reading reading = scale.read(account.studioId());
        model.addAttribute("digits", digits(reading));
        model.addAttribute("steady", reading.steady());
        model.addAttribute("panel", reading.unit().symbol());
    }

    private static String digits(Scale.Reading reading) {
        int decimals = switch (reading.unit()) {
            case OUNCE, TROY_OUNCE -> 3;
            case PENNYWEIGHT -> 2;
            case POUND -> 4;
            default -> 1;
        };
        return String.format(Locale.ROOT, "%." + decimals + "f", reading.digits() + 0.0);
    }

    /** Takes a reading. A doubt about its unit is asked first; the answer is the unit it was in. */
    @PostMapping("/trees/{id}/weigh")
    String take(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String typed,
            @RequestParam(defaultValue = "") String unit,
            Model model) {
        Plans.Saved saved = plans.find(account, id);
        double planned = planned(saved);
        String shown = typed.isBlank() ? digits(scale.read(account.studioId())) : typed.strip();
        try {
            Measure in = unit(unit).orElse(Measure.GRAM);
            Typed read = QuantityReader.read(shown, Measure.GRAM, in);
            double grams = read.value();
            if (!(grams > 0) || grams > MOST_GRAMS) {
                return remark(account, id, shown, "Nothing is on the pan, or far too much.", model);
            }
            Optional<Measure> suspect = unit.isEmpty() ? UnitGuard.suspect(grams, planned) : Optional.empty();
            if (suspect.isPresent()) {
                return doubt(account, id, shown, suspect.get(), model);
            }
            weighings.keep(
                    new WeighingStore.Weighing(
                            account.studioId(),
                            id,
                            grams,
                            shown + (read.unitTaken() ? " taken as " + in.symbol() : ""),
                            planned,
                            !unit.isEmpty()),
                    account.id());
            plans.weighed(account, id, Show.exact(grams) + " g");
            return "redirect:/trees/" + id + "/weigh?taken";
        } catch (UnreadableQuantity e) {
            return remark(account, id, shown, e.getMessage(), model);
        }
    }

    private static Optional<Measure> unit(String name) {
        return List.of(Measure.GRAM, Measure.OUNCE, Measure.TROY_OUNCE, Measure.PENNYWEIGHT, Measure.POUND).stream()
                .filter(m -> m.name().equals(name))
                .findFirst();
    }

    private String doubt(Account account, long id, String shown, Measure suspect, Model model) {
        double digits = Double.parseDouble(shown.replaceAll("[^0-9.].*", ""));
        model.addAttribute("doubt", suspect);
        model.addAttribute("doubtWord", word(suspect));
        model.addAttribute("typed", shown);
        model.addAttribute(
                "asGrams",
                Show.value(suspect.to(Measure.GRAM, digits), Measure.GRAM, Units.METRIC, false)
                        .toString());
        return show(account, id, model);
    }

    private String remark(Account account, long id, String shown, String remark, Model model) {
        model.addAttribute("remark", remark);
        model.addAttribute("typed", shown);
        return show(account, id, model);
    }

    private static String word(Measure unit) {
        return switch (unit) {
            case OUNCE -> "ounces";
            case TROY_OUNCE -> "troy ounces";
            case PENNYWEIGHT -> "pennyweights";
            case POUND -> "pounds";
            default -> "grams";
        };
    }

    /** The stand-in's own buttons. */
    @PostMapping("/trees/{id}/weigh/scale")
    String press(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam String button) {
        double planned = planned(plans.find(account, id));
        switch (button) {
            case "unit" -> standIn.nextUnit(account.studioId());
            case "tare" -> standIn.tare(account.studioId());
            case "on" -> standIn.load(account.studioId(), standIn.asBuilt(planned, id));
            case "off" -> standIn.load(account.studioId(), 0);
            default -> throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        return "redirect:/trees/" + id + "/weigh";
    }

    private static double planned(Plans.Saved saved) {
        return saved.plan()
                .tree()
                .map(t -> t.patternMass().value())
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}

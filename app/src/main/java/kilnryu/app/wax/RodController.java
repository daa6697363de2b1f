package kilnryu.app.wax;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.core.quantity.Measure;
import kilnryu.core.wax.Wax;
import kilnryu.core.wax.WaxRod;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Rods of sprue wax: nothing is kept, what is asked stands in the address. */
@Controller
class RodController {
    private static final Range NOZZLE = new Range(Measure.MILLIMETRE, 1, 60);
    private static final Range WARM = new Range(Measure.DEGREE_CELSIUS, 0, 100);
    private static final Range COLD = new Range(Measure.DEGREE_CELSIUS, -40, 40);
    private static final List<String> PATHS = List.of("nozzle_mm", "mass_g", "length_mm", "warm_C", "cold_C", "firm_C");
    private static final Map<String, String> USUAL =
            Map.of("nozzle_mm", "10 mm", "mass_g", "200 g", "warm_C", "40 °C", "cold_C", "5 °C", "firm_C", "15 °C");

    @GetMapping("/waxes/rods")
    String rods(@AuthenticationPrincipal Account account, @RequestParam Map<String, String> sent, Model model) {
        Map<String, String> typed = new LinkedHashMap<>();
        boolean asked = PATHS.stream().anyMatch(sent::containsKey);
        PATHS.forEach(p -> typed.put(p, asked ? sent.getOrDefault(p, "") : USUAL.getOrDefault(p, "")));
        Fields fields = Fields.typed(typed, account.units());
        Optional<WaxRod> rod = rod(fields);
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        model.addAttribute("form", new SheetForm(fields, typed, fields.hasErrors()));
        model.addAttribute(
                "figures",
                rod.stream()
                        .flatMap(r -> Stream.of(r.length(), r.mass(), r.chill()))
                        .flatMap(Optional::stream)
                        .map(views::of)
                        .toList());
        model.addAttribute(
                "findings",
                rod.stream()
                        .flatMap(r -> r.findings().all().stream())
                        .map(f -> FindingView.of(f, views, 0))
                        .toList());
        return "wax/rods";
    }

    private static Optional<WaxRod> rod(Fields fields) {
        OptionalDouble nozzle = fields.required("nozzle_mm", NOZZLE);
        OptionalDouble mass = fields.quantity("mass_g", Range.MASS);
        OptionalDouble length = fields.quantity("length_mm", Range.ROD);
        OptionalDouble warm = fields.required("warm_C", WARM);
        OptionalDouble cold = fields.required("cold_C", COLD);
        OptionalDouble firm = fields.required("firm_C", WARM);
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(WaxRod.of(new WaxRod.Question(
                        Wax.SCULPTURE,
                        nozzle.getAsDouble(),
                        mass,
                        length,
                        warm.getAsDouble(),
                        cold.getAsDouble(),
                        firm.getAsDouble())));
    }
}

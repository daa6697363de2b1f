package kilnryu.app.stock;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.stock.Chilling;
import kilnryu.core.stock.RodSums;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.Wax;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of sprue stock; its question stands in its address. */
@Controller
class StockController {

    private final FactorStore factors;

    StockController(FactorStore factors) {
        this.factors = factors;
    }

    @GetMapping("/stock")
    String show(@AuthenticationPrincipal Account account, @RequestParam Map<String, String> asked, Model model) {
        Map<String, String> typed = new LinkedHashMap<>(asked);
        Fields fields = Fields.typed(typed, account.units());
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        List<Figure> figures = figures(fields, factors.of(account.studioId()));
        Optional<Chilling> chilling = chilling(fields);
        chilling.flatMap(Chilling::chill).ifPresent(figures::add);
        model.addAttribute("figures", figures.stream().map(views::of).toList());
        model.addAttribute(
                "findings",
                chilling.stream()
                        .flatMap(c -> c.findings().all().stream())
                        .map(f -> FindingView.of(f, views, 0))
                        .toList());
        model.addAttribute("soft", "soft-wax".equals(typed.get("material")));
        model.addAttribute("form", new SheetForm(fields, typed, !typed.isEmpty(), StockFields.ALL));
        return "stock/stock";
    }

    /** Where a cold place is said: until the rod is firm; soft wax is firm at 8 C, hard at 18. */
    private static Optional<Chilling> chilling(Fields fields) {
        OptionalDouble diameter = fields.quantity(StockFields.DIAMETER);
        OptionalDouble cold = fields.quantity(StockFields.COLD_PLACE);
        boolean soft = fields.choice(StockFields.MATERIAL)
                .filter(m -> m == PatternMaterial.SOFT_WAX)
                .isPresent();
        double warm = fields.quantity(StockFields.PRESSED_AT).orElse(40);
        double firm = fields.quantity(StockFields.FIRM_AT).orElse(soft ? 8 : 18);
        return diameter.isEmpty() || cold.isEmpty() || fields.hasErrors()
                ? Optional.empty()
                : Optional.of(Chilling.of(new Chilling.Question(
                        Wax.SCULPTURE,
                        diameter.getAsDouble(),
                        fields.quantity(StockFields.LENGTH),
                        warm,
                        cold.getAsDouble(),
                        firm)));
    }

    private static List<Figure> figures(Fields fields, Factors own) {
        PatternMaterial wax = fields.choice(StockFields.MATERIAL).orElse(PatternMaterial.SPRUE_WAX);
        OptionalDouble diameter = fields.quantity(StockFields.DIAMETER);
        OptionalDouble mass = fields.quantity(StockFields.AT_HAND);
        OptionalDouble length = fields.quantity(StockFields.LENGTH);
        double lost = fields.quantity(StockFields.LOST).orElse(0);
        List<Figure> figures = new ArrayList<>();
        if (diameter.isPresent()) {
            Length thick = Length.millimetres(diameter.getAsDouble());
            mass.ifPresent(g -> figures.add(RodSums.length(Mass.grams(g), thick, wax, lost, own)));
            length.ifPresent(mm -> figures.add(RodSums.mass(Length.millimetres(mm), thick, wax, lost, own)));
        } else if (mass.isPresent() || length.isPresent()) {
            fields.missing(StockFields.DIAMETER, "How thick is the rod?");
        }
        return figures;
    }
}

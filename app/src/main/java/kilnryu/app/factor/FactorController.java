package kilnryu.app.factor;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;
import kilnryu.core.sum.Replacement;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The page on which a studio sees every constant, and replaces those its supplier or its own scale knows better. */
@Controller
class FactorController {
    private static final int LONGEST_REASON = 200;

    private final FactorStore factors;

    FactorController(FactorStore factors) {
        this.factors = factors;
    }

    /** One line of the page. */
    public record Line(
            String key,
            String name,
            String usual,
            String range,
            Mark mark,
            String source,
            String own,
            String reason,
            String by) {
        public boolean isReplaced() {
            return !own.isEmpty();
        }

        public String id() {
            return "f-" + key.replace('.', '-');
        }
    }

    /** Lines that belong together. */
    public record LineGroup(String name, List<Line> lines) {}

    @GetMapping("/factors")
    String show(@AuthenticationPrincipal Account account, Model model) {
        return page(account, "", Map.of(), Map.of(), model);
    }

    @PostMapping("/factors/{key}")
    String replace(
            @AuthenticationPrincipal Account account,
            @PathVariable String key,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Constant constant = Catalogue.named(key).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        Fields fields = Fields.typed(typed, Units.METRIC);
        OptionalDouble value = fields.required("value", Range.of(constant));
        var reason = fields.text("reason", LONGEST_REASON);
        if (reason.isEmpty()) {
            fields.missing("reason", "Say where it comes from, such as the supplier's sheet.");
        }
        if (fields.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, key, typed, fields.errors(), model);
        }
        factors.replace(account.studioId(), key, new Replacement(value.getAsDouble(), reason.get()), account.id());
        return "redirect:/factors#f-" + key.replace('.', '-');
    }

    @PostMapping("/factors/{key}/restore")
    String restore(@AuthenticationPrincipal Account account, @PathVariable String key) {
        factors.restore(account.studioId(), key);
        return "redirect:/factors#f-" + key.replace('.', '-');
    }

    private String page(
            Account account, String open, Map<String, String> typed, Map<String, String> errors, Model model) {
        Map<String, FactorStore.Row> own = factors.rows(account.studioId()).stream()
                .collect(Collectors.toMap(FactorStore.Row::key, Function.identity()));
        List<LineGroup> groups = Catalogue.groups().stream()
                .map(g -> new LineGroup(
                        g.name(),
                        g.constants().stream()
                                .map(c -> line(c, own.get(c.key())))
                                .toList()))
                .toList();
        model.addAttribute("groups", groups);
        model.addAttribute("open", open);
        model.addAttribute("typed", typed);
        model.addAttribute("errors", errors);
        return "factor/factors";
    }

    private static Line line(Constant c, FactorStore.Row own) {
        String unit = c.unit().symbol();
        return new Line(
                c.key(),
                c.name(),
                with(c.value(), unit),
                Show.exact(c.low()) + " to " + with(c.high(), unit),
                c.mark(),
                c.source(),
                own == null ? "" : with(own.value(), unit),
                own == null ? "" : own.reason(),
                own == null ? "" : own.by());
    }

    private static String with(double value, String unit) {
        return (Show.exact(value) + " " + unit).strip();
    }
}

package kilnryu.app.pour;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Berth;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.Show;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Additions;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The melt of a pour: heat, time and tap, when the furnace goes on, what goes in when. */
@Controller
class MeltController {
    private static final Duration MEETS = Duration.ofMinutes(10);

    private final PourPages pages;
    private final Berth.Source berths;

    MeltController(PourPages pages, Berth.Source berths) {
        this.pages = pages;
        this.berths = berths;
    }

    /** Something on the way to the pour. */
    public record When(String at, String what) {}

    @GetMapping("/pours/{id:\\d+}/melt")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        PourSheet sheet = pages.saved(account, pages.found(account, id));
        pages.frame(account, sheet, "melt", false, model);
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        List<FigureView> figures = new ArrayList<>();
        sheet.melt().ifPresent(m -> {
            figures.add(views.of(m.tap()));
            figures.add(views.of(m.heat()));
            figures.add(views.of(m.minutes()));
            figures.add(views.of(m.energy()));
            figures.add(views.of(m.volume()));
            m.fill().ifPresent(f -> figures.add(views.of(f)));
            model.addAttribute("heats", m.heats());
            model.addAttribute("curve", MeltDrawing.of(m, account.units()));
        });
        model.addAttribute("figures", figures);
        model.addAttribute("whens", whens(sheet));
        model.addAttribute("meets", meets(account, sheet));
        model.addAttribute(
                "steps",
                sheet.charge()
                        .map(c -> Additions.of(c).steps().stream()
                                .map(s -> new ChargeController.Step(
                                        s.share()
                                                .map(x -> ChargeController.grams(x.grams(), account))
                                                .orElse(""),
                                        s.share().map(x -> x.lot().name()).orElse(""),
                                        s.words()))
                                .toList())
                        .orElse(List.of()));
        model.addAttribute("furnaceName", sheet.furnaceRow().map(r -> r.name()).orElse(""));
        model.addAttribute("potName", sheet.crucibleRow().map(r -> r.name()).orElse(""));
        model.addAttribute(
                "zinc", sheet.alloy().map(a -> a.is(Alloy.Trait.ZINC_FUME)).orElse(false));
        model.addAttribute("lead", sheet.alloy().map(Alloy::containsLead).orElse(false));
        return "pour/melt";
    }

    private static List<When> whens(PourSheet sheet) {
        if (sheet.at().isEmpty()) {
            return List.of();
        }
        ZonedDateTime at = sheet.at().get();
        List<When> all = new ArrayList<>();
        ZonedDateTime tap = at.minusSeconds(Math.round(sheet.crew().skim()));
        sheet.countdown()
                .steps()
                .forEach(s -> all.add(new When(
                        Show.dayAndClock(tap.minus(Duration.ofSeconds(Math.round(s.minutes() * 60)))), s.words())));
        all.add(new When(Show.dayAndClock(tap), "skim, pot out of the furnace"));
        all.add(new When(Show.dayAndClock(at), "first metal flows"));
        return all;
    }

    /** Whether kiln and metal come together, or which of them waits. */
    private String meets(Account account, PourSheet sheet) {
        if (sheet.at().isEmpty()) {
            return "Set the hour of the pour: then the furnace's hour is counted back from it.";
        }
        Optional<ZonedDateTime> kiln = sheet.molds().stream()
                .filter(m -> m.berth().isPresent())
                .flatMap(m -> berths.of(account, m.id(), true).stream())
                .flatMap((Berth b) -> b.pour().stream())
                .max(ZonedDateTime::compareTo);
        if (kiln.isEmpty()) {
            return "No kiln's hour is known yet: whether molds and metal come together is not judged.";
        }
        Duration between = Duration.between(kiln.get(), sheet.at().get());
        if (between.abs().compareTo(MEETS) <= 0) {
            return "Kiln and metal come together at "
                    + Show.dayAndClock(sheet.at().get()) + ".";
        }
        return between.isNegative()
                ? "The kiln is at its pour temperature only at " + Show.dayAndClock(kiln.get())
                        + ": the metal would wait " + Show.length(between.negated()) + ". Pour later."
                : "The kiln waits " + Show.length(between) + " for the metal: it holds from "
                        + Show.dayAndClock(kiln.get()) + ".";
    }
}

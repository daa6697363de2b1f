package kilnryu.app.pour;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.app.account.Account;
import kilnryu.app.web.Pdf;
import kilnryu.app.web.Show;
import kilnryu.core.melt.Additions;
import kilnryu.core.pour.PourPlan;
import kilnryu.core.quantity.Measure;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** The card of a pour, to hang beside the furnace. */
@Controller
class PourCardController {
    private final PourPages pages;
    private final ITemplateEngine templates;

    PourCardController(PourPages pages, ITemplateEngine templates) {
        this.pages = pages;
        this.templates = templates;
    }

    /** A mold on the card. */
    public record Line(
            int place,
            String name,
            String kind,
            String mold,
            String metal,
            String asks,
            String out,
            String start,
            String window,
            boolean again) {}

    /** The card. */
    public record Card(
            String name,
            String studio,
            String alloy,
            String at,
            String tap,
            String furnace,
            String crucible,
            String melt,
            List<Line> lines,
            List<ChargeController.Step> charge,
            List<MeltController.When> steps,
            String limits) {}

    @GetMapping("/pours/{id:\\d+}/card")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        model.addAttribute("card", card(account, pages.saved(account, pages.found(account, id))));
        model.addAttribute("id", id);
        return "pour/card";
    }

    @GetMapping("/pours/{id:\\d+}/card.pdf")
    ResponseEntity<byte[]> pdf(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "a4") String paper) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("card", card(account, pages.saved(account, pages.found(account, id))));
        context.setVariable("paper", paper.equals("letter") ? "letter" : "A4");
        byte[] pdf = Pdf.of(templates.process("pour/pdf", context));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"pour-" + id + ".pdf\"")
                .body(pdf);
    }

    private static Card card(Account account, PourSheet sheet) {
        List<Line> lines = new ArrayList<>();
        sheet.plan().ifPresent(p -> p.legs().forEach(l -> lines.add(line(account, sheet, l, lines.size() + 1))));
        if (sheet.plan().isEmpty()) {
            sheet.molds()
                    .forEach(m -> lines.add(new Line(
                            lines.size() + 1,
                            m.name(),
                            m.kind(),
                            "",
                            "",
                            grams(m.metal().value(), account),
                            "",
                            "",
                            "",
                            false)));
        }
        return new Card(
                sheet.row().name(),
                account.studio(),
                sheet.alloy().map(a -> a.label()).orElse("alloys differ"),
                sheet.at().map(Show::dayAndClock).orElse("no hour yet"),
                sheet.melt().map(m -> celsius(m.tap().value(), account)).orElse("not judged"),
                sheet.furnaceRow().map(r -> r.name()).orElse("no furnace"),
                sheet.crucibleRow().map(r -> r.name()).orElse("no crucible"),
                sheet.melt()
                        .map(m -> Show.value(m.minutes().value(), Measure.MINUTE, account.units(), false)
                                .toString())
                        .orElse("not judged"),
                lines,
                sheet.charge()
                        .map(c -> Additions.of(c).steps().stream()
                                .map(s -> new ChargeController.Step(
                                        s.share()
                                                .map(x -> ChargeController.grams(x.grams(), account))
                                                .orElse(""),
                                        s.share().map(x -> x.lot().name()).orElse(""),
                                        s.words()))
                                .toList())
                        .orElse(List.of()),
                sheet.countdown().steps().stream()
                        .map(s -> new MeltController.When(
                                sheet.at()
                                        .map(at -> Show.clock(at.minusSeconds(Math.round(
                                                s.minutes() * 60 + sheet.crew().skim()))))
                                        .orElse(String.format(Locale.ROOT, "%.0f min before", s.minutes())),
                                s.words()))
                        .toList(),
                sheet.plan().isEmpty()
                        ? "Not yet judged: " + String.join("; ", sheet.missing()) + "."
                        : "Stop when: metal under what a mold asks, a mold past its window, damp anywhere, somebody missing.");
    }

    private static Line line(Account account, PourSheet sheet, PourPlan.Leg l, int place) {
        String kind = sheet.molds().stream()
                .filter(m -> m.key().equals(l.of().key()))
                .findFirst()
                .map(CastMold::kind)
                .orElse("");
        return new Line(
                place,
                l.of().name(),
                kind,
                celsius(l.of().group(), account),
                celsius(l.metal(), account) + ", at least " + celsius(l.of().least(), account),
                grams(l.of().grams(), account),
                clock(l.out()),
                clock(l.start()),
                l.of().window().seconds().isPresent()
                        ? Show.value(
                                        l.of().window().seconds().getAsDouble() / 60,
                                        Measure.MINUTE,
                                        account.units(),
                                        false)
                                .toString()
                        : "over 4 h",
                l.again());
    }

    /** Minutes and seconds from the pot leaving the furnace. */
    private static String clock(double second) {
        long s = Math.round(Math.abs(second));
        return (second < 0 ? "−" : "") + s / 60 + ":" + String.format(Locale.ROOT, "%02d", s % 60);
    }

    private static String celsius(double c, Account account) {
        return Show.value(c, Measure.DEGREE_CELSIUS, account.units(), false).toString();
    }

    private static String grams(double g, Account account) {
        return Show.value(g, Measure.GRAM, account.units(), false).toString();
    }
}

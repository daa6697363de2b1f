package kilnryu.app.card;

import java.time.Clock;
import java.time.ZonedDateTime;
import java.util.EnumSet;
import java.util.List;
import kilnryu.app.account.Account;
import kilnryu.app.plan.PlanPage;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Station;
import kilnryu.app.plan.Stations;
import kilnryu.app.web.Show;
import kilnryu.core.flask.MixSchool;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The bench card of a saved plan. */
@Controller
class CardController {
    private final Plans plans;
    private final CardPdf pdf;
    private final List<Station.Source> laterStations;
    private final Clock clock;

    CardController(Plans plans, CardPdf pdf, List<Station.Source> laterStations, Clock clock) {
        this.plans = plans;
        this.pdf = pdf;
        this.laterStations = laterStations;
        this.clock = clock;
    }

    /** What the card says besides the plan's page. */
    public record Card(PlanPage page, List<MixSchool.Move> moves, String made, long revision, String studio) {}

    @GetMapping("/trees/{id}/card")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        Plans.Saved saved = plans.find(account, id);
        model.addAttribute("card", card(account, saved));
        model.addAttribute("stream", Stations.of(saved, saved.plan(), "card", laterStations));
        model.addAttribute("id", id);
        return "card/card";
    }

    @GetMapping("/trees/{id}/card.pdf")
    ResponseEntity<byte[]> pdf(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "a4") String paper) {
        if (!paper.equals("a4") && !paper.equals("letter")) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        byte[] bytes = pdf.of(card(account, plans.find(account, id)), paper);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=\"bench-card-" + id + ".pdf\"")
                .body(bytes);
    }

    private Card card(Account account, Plans.Saved saved) {
        ZonedDateTime now = clock.instant().atZone(account.zoneId());
        long revision =
                saved.sheets().values().stream().mapToLong(s -> s.version()).sum();
        return new Card(
                PlanPage.of(saved.plan(), account.units(), now, EnumSet.allOf(PlanPage.Drawing.class)),
                saved.plan().moldExtras().school().moves(saved.plan().reading().factors()),
                Show.dayAndClock(now),
                revision,
                account.studio());
    }
}

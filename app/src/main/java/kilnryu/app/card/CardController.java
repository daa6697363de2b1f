package kilnryu.app.card;

import java.time.Clock;
import java.time.ZonedDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Berth;
import kilnryu.app.plan.PlanPage;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.PourNote;
import kilnryu.app.plan.Streams;
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
    private final Streams streams;
    private final PourNote.Source pours;
    private final Clock clock;

    CardController(Plans plans, CardPdf pdf, Streams streams, PourNote.Source pours, Clock clock) {
        this.pours = pours;
        this.plans = plans;
        this.pdf = pdf;
        this.streams = streams;
        this.clock = clock;
    }

    /** What the card says besides the plan's page. */
    public record Card(
            PlanPage page,
            List<MixSchool.Move> moves,
            String made,
            long revision,
            String studio,
            String berth,
            List<String> pour,
            List<String> unjudged,
            long stops) {}

    @GetMapping("/trees/{id}/card")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        Plans.Saved saved = plans.find(account, id);
        Streams.Seen seen = streams.of(account, saved, saved.plan(), "card");
        seen.into(model);
        model.addAttribute("card", card(account, saved, seen.berth()));
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
        Plans.Saved saved = plans.find(account, id);
        Optional<Berth> berth = streams.of(account, saved, saved.plan(), "card").berth();
        byte[] bytes = pdf.of(card(account, saved, berth), paper);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=\"bench-card-" + id + ".pdf\"")
                .body(bytes);
    }

    private Card card(Account account, Plans.Saved saved, Optional<Berth> berth) {
        ZonedDateTime now = clock.instant().atZone(account.zoneId());
        long revision =
                saved.sheets().values().stream().mapToLong(s -> s.version()).sum();
        return new Card(
                PlanPage.of(
                        saved.plan(),
                        account.units(),
                        now,
                        EnumSet.of(PlanPage.Drawing.PRINTED, PlanPage.Drawing.CURVE)),
                saved.plan().moldExtras().school().moves(saved.plan().reading().factors()),
                Show.dayAndClock(now),
                revision,
                account.studio(),
                berth.map(Berth::told).orElse(""),
                pours.of(account, saved.row().id()).map(PourNote::lines).orElse(List.of()),
                saved.plan().judged().all(),
                saved.plan().findings().stops().size());
    }
}

package kilnryu.app.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.SheetStore;
import kilnryu.app.sheet.SheetStore.Revision;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Findings;
import kilnryu.core.finding.Severity;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;

/** Every saved state of a tree: who changed it, why, and what it did to metal and checks. */
@Controller
class RevisionsController {
    private static final int SHOWN = 40;

    private final Plans plans;
    private final SheetStore sheets;
    private final Outcome.Source outcomes;

    RevisionsController(Plans plans, SheetStore sheets, Outcome.Source outcomes) {
        this.plans = plans;
        this.sheets = sheets;
        this.outcomes = outcomes;
    }

    /** A saved state; newest first. @param came what came out of the mold that was made of it; empty for the others */
    public record Line(
            int version,
            String at,
            String by,
            String why,
            String metal,
            String parts,
            long stops,
            long warns,
            long notes,
            String came) {}

    @GetMapping("/trees/{id}/revisions")
    String list(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        model.addAttribute("id", id);
        model.addAttribute("name", plans.row(account, id).name());
        List<Revision> all = sheets.since(id, Stage.TREE.key(), 0);
        Optional<Outcome> outcome = outcomes.of(account, id);
        int cast = outcome.map(o -> castFrom(all, o.begun())).orElse(-1);
        List<Line> lines = new ArrayList<>();
        for (int i = all.size() - 1; i >= 0 && lines.size() < SHOWN; i--) {
            lines.add(line(account, id, all.get(i), i == cast ? outcome.get().words() : ""));
        }
        model.addAttribute("lines", lines);
        return "plan/revisions";
    }

    /** The version that was saved last before the mold was opened; the first where none was. */
    private static int castFrom(List<Revision> all, Instant begun) {
        int last = 0;
        for (int i = 0; i < all.size(); i++) {
            if (!all.get(i).at().isAfter(begun)) {
                last = i;
            }
        }
        return last;
    }

    private Line line(Account account, long id, Revision revision, String came) {
        Map<Stage, Map<String, String>> texts = Plans.texts(plans.sheets(id));
        texts.put(Stage.TREE, revision.fields());
        Plan plan = plans.read(account, texts, plans.factors(account, id));
        Findings findings = plan.gating().map(g -> g.findings()).orElse(Findings.NONE);
        return new Line(
                revision.version(),
                Show.dayAndClock(revision.at().atZone(account.zoneId())),
                revision.by(),
                revision.fields().getOrDefault("change_note", ""),
                plan.tree()
                        .map(t -> Show.figure(t.cavityMetal(), account.units()).toString())
                        .orElse("–"),
                plan.gating()
                        .map(g -> g.plan().placing().singles().size() + " placed")
                        .orElse("a list"),
                count(findings, Severity.STOP),
                count(findings, Severity.WARN),
                count(findings, Severity.NOTE),
                came);
    }

    private static long count(Findings findings, Severity severity) {
        return findings.all().stream().filter(f -> f.severity() == severity).count();
    }

    /** Lays an earlier state on the table again, as a draft over the present one; nothing is lost by it. */
    @PostMapping("/trees/{id}/revisions/{version}/take")
    String take(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable int version) {
        plans.row(account, id);
        Revision wanted = sheets.since(id, Stage.TREE.key(), version).stream()
                .filter(r -> r.version() == version)
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        Map<String, String> fields = new LinkedHashMap<>(wanted.fields());
        fields.put("change_note", "back to version " + version);
        int now = plans.sheets(id).get(Stage.TREE).version();
        sheets.keepDraft(
                new SheetStore.DraftOf(
                        account.id(), id, Stage.TREE.key(), UUID.randomUUID().toString()),
                now,
                fields);
        return "redirect:/trees/" + id + "/gating";
    }
}

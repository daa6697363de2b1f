package kilnryu.app.plan;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.tree.Face;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.web.Filter;
import kilnryu.app.web.ListPage;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.core.quantity.Measure;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The list of the studio's trees, and what is done with a tree as a whole. */
@Controller
class TreesController {
    private static final int EXPORTED = 100_000;

    private final TreeStore trees;
    private final Plans plans;
    private final Clock clock;

    TreesController(TreeStore trees, Plans plans, Clock clock) {
        this.clock = clock;
        this.trees = trees;
        this.plans = plans;
    }

    /** A line of the list in the reader's units. */
    public record Line(
            long id,
            String name,
            String alloy,
            String metal,
            String charge,
            String flask,
            String face,
            String mark,
            TreeStore.Stand stand,
            String pour,
            String away,
            String updated) {
        /** The mark in words, for those who do not see it. */
        public String told() {
            return switch (mark) {
                case "stop" -> "a stop stands against it";
                case "warn" -> "a warning";
                case "good" -> "no problems found";
                default -> "not yet judged";
            };
        }
    }

    @GetMapping("/trees")
    String list(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(name = "sort", required = false) String asked,
            @RequestParam(defaultValue = "false") boolean archived,
            @RequestParam(name = "mark", required = false) String marked,
            @RequestParam(defaultValue = "1") String page,
            HttpSession session,
            Model model) {
        String sort = Filter.stays(
                session, "trees.sort", asked, "updated", List.of("updated", "name", "alloy", "metal", "pour"));
        String mark = Filter.stays(session, "trees.mark", marked, "", List.of("", "stop", "warn", "note", "good"));
        String search = q.length() > 120 ? q.substring(0, 120) : q.replace("\u0000", "");
        List<Long> also = search.isBlank() ? List.of() : trees.ofPieces(account.studioId(), search);
        ZonedDateTime now = clock.instant().atZone(account.zoneId());
        ListPage<Line> lines = ListPage.asked(
                        page,
                        span -> plans.withFaces(
                                account,
                                trees.list(new TreeStore.Wanted(
                                        account.studioId(), archived, search, also, mark, sort(sort), span))))
                .map(r -> line(r, account, now));
        model.addAttribute("mark", mark);
        model.addAttribute("lines", lines.rows());
        model.addAttribute("list", lines);
        model.addAttribute("q", search);
        model.addAttribute("sort", sort);
        model.addAttribute("archived", archived);
        return "plan/trees";
    }

    @GetMapping("/trees.csv")
    void export(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "false") boolean archived,
            HttpServletResponse response)
            throws IOException {
        response.setContentType("text/csv;charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"trees.csv\"");
        CSVFormat format = CSVFormat.EXCEL
                .builder()
                .setHeader("id", "name", "alloy", "cavity_metal_g", "charge_g", "flask", "pour_at", "updated_at")
                .get();
        try (CSVPrinter csv = new CSVPrinter(response.getWriter(), format)) {
            for (TreeStore.Row r : trees.list(account.studioId(), archived, "", TreeStore.Sort.NAME, EXPORTED)) {
                csv.printRecord(
                        r.id(),
                        safe(r.name()),
                        r.alloy(),
                        r.cavityGrams(),
                        r.chargeGrams(),
                        r.flask(),
                        r.pourAt(),
                        r.updatedAt());
            }
        }
    }

    @PostMapping("/trees/{id}/copy")
    String copy(@AuthenticationPrincipal Account account, @PathVariable long id) {
        return "redirect:/trees/" + plans.copy(account, id) + "/tree?copied";
    }

    @PostMapping("/trees/{id}/archive")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id) {
        found(trees.archive(account.studioId(), id, true));
        return "redirect:/trees?away=" + id;
    }

    @PostMapping("/trees/{id}/restore")
    String restore(@AuthenticationPrincipal Account account, @PathVariable long id) {
        found(trees.archive(account.studioId(), id, false));
        return "redirect:/trees/" + id + "/tree";
    }

    private static void found(boolean done) {
        if (!done) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
    }

    /** A name a spreadsheet would take for a formula is written so that it does not. */
    private static String safe(String name) {
        return name.matches("^[=+\\-@\\t].*") ? "'" + name : name;
    }

    private static TreeStore.Sort sort(String key) {
        return Arrays.stream(TreeStore.Sort.values())
                .filter(s -> s.name().toLowerCase(Locale.ROOT).equals(key))
                .findFirst()
                .orElse(TreeStore.Sort.UPDATED);
    }

    private static Line line(TreeStore.Row r, Account account, ZonedDateTime now) {
        Optional<ZonedDateTime> pour = r.stand().station() == 5
                ? Optional.empty()
                : r.stand()
                        .poured(account.zoneId())
                        .or(() -> Optional.ofNullable(r.pourAt()).map(p -> p.atZone(account.zoneId())));
        boolean precious = r.alloy() != null && r.alloy().matches(".*(silver|gold|platinum).*");
        return new Line(
                r.id(),
                r.name(),
                r.alloy() == null ? "" : r.alloy(),
                mass(r.cavityGrams(), account, precious),
                mass(r.chargeGrams(), account, precious),
                r.flask() == null ? "" : Spoken.in(r.flask(), account.units()),
                Face.drawn(r.face()),
                r.mark() == null ? "note" : r.mark(),
                r.stand(),
                pour.map(Show::dayAndClock).orElse(""),
                pour.map(p -> Show.away(now, p)).orElse(""),
                Show.dayAndClock(r.updatedAt().atZone(account.zoneId())));
    }

    private static String mass(Double grams, Account account, boolean precious) {
        return grams == null
                ? ""
                : Show.value(grams, Measure.GRAM, account.units(), precious).toString();
    }
}

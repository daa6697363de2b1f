package kilnryu.app.pour;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plans;
import kilnryu.app.sheet.Fields;
import kilnryu.app.tree.Face;
import kilnryu.app.web.Late;
import kilnryu.app.web.ListPage;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.core.quantity.Measure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The list of pours, and the plan of one on its time line. */
@Controller
public class PoursController {
    private final PourStore store;
    private final PourPages pages;
    private final PourReader reader;
    private final Plans plans;
    private final PourIntake intake;

    private final Clock clock;

    PoursController(PourStore store, PourPages pages, PourReader reader, Plans plans, PourIntake intake, Clock clock) {
        this.clock = clock;
        this.intake = intake;
        this.store = store;
        this.pages = pages;
        this.reader = reader;
        this.plans = plans;
    }

    /** A pour in the list. */
    public record Listed(long id, String name, String state, String when, String alloy, String molds) {}

    /** A mold that could be poured. */
    public record Choice(long id, String name, String face, String alloy, String metal, String mold, boolean taken) {}

    @GetMapping("/pours")
    String list(@AuthenticationPrincipal Account account, @RequestParam(defaultValue = "1") String page, Model model) {
        ListPage<Listed> list = ListPage.asked(page, span -> store.list(account.studioId(), span))
                .map(p -> listed(account, p));
        model.addAttribute("pours", list.rows());
        model.addAttribute("list", list);
        return "pour/pours";
    }

    private Listed listed(Account account, PourStore.Line p) {
        ZonedDateTime now = clock.instant().atZone(account.zoneId());
        String when = p.pourAt() == null ? "no hour yet" : p.pourAt().replace('T', ' ');
        return new Listed(
                p.id(),
                p.name(),
                p.state().equals("done") ? "poured" : p.state(),
                p.endedAt() != null ? Show.dayAndClock(p.endedAt().atZone(account.zoneId()), now) : when,
                p.alloy() == null ? "" : p.alloy(),
                p.molds() == 1 ? "1 mold" : p.molds() + " molds");
    }

    @GetMapping("/pours/new")
    String fresh(
            @AuthenticationPrincipal Account account, @RequestParam(required = false) Set<Long> tree, Model model) {
        Set<Long> taken = tree == null ? Set.of() : tree;
        Set<Long> offered = new LinkedHashSet<>(taken);
        offered.addAll(store.candidates(account.studioId(), 0));
        model.addAttribute(
                "choices",
                plans.find(account, offered).stream()
                        .map(s -> new Choice(
                                s.row().id(),
                                s.row().name(),
                                Face.drawn(s.row().face()),
                                s.plan()
                                        .tree()
                                        .map(t -> t.tree().alloy().label())
                                        .orElse("not complete"),
                                s.plan()
                                        .tree()
                                        .map(t -> Show.figure(t.cavityMetal(), account.units())
                                                .toString())
                                        .orElse(""),
                                s.row().flask() == null ? "" : s.row().flask(),
                                taken.contains(s.row().id())))
                        .sorted(Comparator.comparing(Choice::alloy))
                        .toList());
        return "pour/new";
    }

    @PostMapping("/pours/new")
    @Transactional
    public String create(
            @AuthenticationPrincipal Account account,
            @RequestParam(required = false) List<Long> tree,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String pour_at,
            Model model,
            HttpServletResponse response) {
        List<Plans.Saved> molds = tree == null ? List.of() : plans.find(account, new LinkedHashSet<>(tree));
        String called = name.replaceAll("\\p{Cntrl}", " ").strip();
        if (molds.isEmpty() || molds.size() > PourReader.MOST_MOLDS || called.length() > 80) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute(
                    "fault",
                    molds.isEmpty()
                            ? "Choose at least one mold."
                            : called.length() > 80
                                    ? "A name has at most 80 letters."
                                    : "At most " + PourReader.MOST_MOLDS + " molds.");
            model.addAttribute("typedName", called);
            return fresh(account, tree == null ? Set.of() : new LinkedHashSet<>(tree), model);
        }
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("name", called.isEmpty() ? molds.get(0).row().name() : called);
        if (!pour_at.isBlank()) {
            fields.put("pour_at", pour_at.strip());
        }
        molds.get(0)
                .plan()
                .tree()
                .ifPresent(t -> fields.put("alloy", t.tree().alloy().label()));
        List<Long> ids = molds.stream().map(m -> m.row().id()).toList();
        long id = store.create(account, fields.get("name"), fields, ids);
        intake.ordered(account, id);
        return "redirect:/pours/" + id;
    }

    @GetMapping("/pours/{id:\\d+}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        return page(account, pages.saved(account, pages.found(account, id)), false, model);
    }

    @PostMapping("/pours/{id:\\d+}/try")
    String tryOut(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        PourStore.Row row = pages.found(account, id);
        page(account, reader.read(account, row.with(merged(row, form)), order(id, form), true), false, model);
        return "pour/plan :: fresh";
    }

    @PostMapping("/pours/{id:\\d+}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        PourStore.Row row = pages.found(account, id);
        PourStore.Row typed = new PourStore.Row(
                id,
                row.studio(),
                form.getOrDefault("name", row.name()),
                row.state(),
                merged(row, form),
                version,
                row.record(),
                row.begunAt(),
                row.endedAt(),
                row.createdAt());
        PourSheet sheet = reader.read(account, typed, order(id, form), false);
        if (sheet.fields().hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, sheet, true, model);
        }
        Map<String, String> kept = sheet.fields().kept();
        sheet.alloy().ifPresent(a -> kept.put("alloy", a.label()));
        PourStore.Row now = new PourStore.Row(
                id, row.studio(), kept.get("name"), row.state(), kept, version, null, null, null, null);
        if (!store.save(now, sheet.molds().stream().map(CastMold::id).toList())) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("conflict", true);
            PourStore.Row there = pages.found(account, id);
            return page(
                    account,
                    reader.read(account, there.with(merged(there, form)), order(id, form), false),
                    true,
                    model);
        }
        return "redirect:/pours/" + id + "?saved";
    }

    @PostMapping("/pours/{id:\\d+}/best")
    String best(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam int version) {
        PourSheet sheet = pages.saved(account, pages.found(account, id));
        PourStore.Row row = sheet.row();
        List<Long> order = sheet.plan().map(PourIntake::best).orElse(store.molds(id));
        return changed(
                new PourStore.Row(
                        id, row.studio(), row.name(), row.state(), row.fields(), version, null, null, null, null),
                order);
    }

    /** A remedy: the pot goes back to the furnace before a mold. */
    @PostMapping("/pours/{id:\\d+}/again")
    String again(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam long tree,
            @RequestParam boolean on) {
        PourStore.Row row = pages.found(account, id);
        Map<String, String> fields = new LinkedHashMap<>(row.fields());
        if (on) {
            fields.put("again[" + tree + "].pot", "yes");
        } else {
            fields.remove("again[" + tree + "].pot");
        }
        return changed(row.with(fields), store.molds(id));
    }

    /** A remedy: how the molds are taken out. */
    @PostMapping("/pours/{id:\\d+}/together")
    String together(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam String together) {
        PourStore.Row row = pages.found(account, id);
        Map<String, String> fields = new LinkedHashMap<>(row.fields());
        fields.put("together", together.equals("all") ? "all" : "one");
        return changed(row.with(fields), store.molds(id));
    }

    private String changed(PourStore.Row row, List<Long> order) {
        if (!store.save(row, order)) {
            throw new Late("Nothing was changed: someone saved or began this pour in between.", "/pours/" + row.id());
        }
        return "redirect:/pours/" + row.id() + "?saved";
    }

    @PostMapping("/pours/{id:\\d+}/archive")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id) {
        pages.found(account, id);
        if (!store.archive(account.studioId(), id)) {
            throw new Late("A pour that was begun stays on record.", "/pours/" + id);
        }
        return "redirect:/pours?gone";
    }

    /** What the page sent over what other pages of the pour keep. */
    static Map<String, String> merged(PourStore.Row row, Map<String, String> form) {
        Map<String, String> all = new LinkedHashMap<>(row.fields());
        Map<String, String> sent = Fields.sent(form);
        sent.remove("order");
        sent.keySet().removeIf(k -> k.equals("add"));
        all.keySet().removeIf(k -> k.startsWith("again[") && form.containsKey("pour_at"));
        all.putAll(sent);
        all.values().removeIf(String::isBlank);
        return all;
    }

    /** The order as it was dragged, with what is added or taken out; molds that are not of the studio are left out later. */
    private List<Long> order(long id, Map<String, String> form) {
        String typed = form.getOrDefault("order", "");
        List<Long> order = typed.isBlank()
                ? new ArrayList<>(store.molds(id))
                : new ArrayList<>(Arrays.stream(typed.split(","))
                        .map(String::strip)
                        .filter(s -> s.matches("\\d{1,18}"))
                        .map(Long::valueOf)
                        .distinct()
                        .limit(PourReader.MOST_MOLDS)
                        .toList());
        Stream.of(form.getOrDefault("add", ""))
                .filter(s -> s.matches("\\d{1,18}"))
                .map(Long::valueOf)
                .filter(t -> !order.contains(t))
                .forEach(order::add);
        return order;
    }

    private String page(Account account, PourSheet sheet, boolean wrong, Model model) {
        pages.frame(account, sheet, "plan", wrong, model);
        model.addAttribute("line", PourDrawing.of(sheet, account.units()));
        model.addAttribute("placed", PourPages.placed(sheet, account.units()));
        model.addAttribute(
                "order",
                String.join(",", sheet.molds().stream().map(CastMold::key).toList()));
        model.addAttribute("furnaces", pages.options(account, "furnace"));
        model.addAttribute("crucibles", pages.options(account, "crucible"));
        if (sheet.sand()) {
            double kilos =
                    sheet.molds().stream().mapToDouble(CastMold::sandKilos).sum();
            if (kilos > 0) {
                model.addAttribute(
                        "sandAsked",
                        Show.value(kilos, Measure.KILO, account.units(), false).toString());
            }
        }
        model.addAttribute("crew", sheet.crew());
        model.addAttribute(
                "pourHint",
                sheet.pourC()
                        .map(f -> Show.figure(f, account.units()).toString())
                        .orElse("1100 °C"));
        model.addAttribute(
                "cautions",
                Spoken.in(
                        "Metal tubs for sand, never plastic. No bare concrete under a pour. A vessel that is not rated is never put under pressure: it bursts and throws metal.",
                        account.units()));
        return "pour/plan";
    }
}

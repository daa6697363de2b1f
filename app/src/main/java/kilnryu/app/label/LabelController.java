package kilnryu.app.label;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import kilnryu.app.account.Account;
import kilnryu.app.mold.WayUp;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.web.Pdf;
import kilnryu.app.web.Show;
import kilnryu.core.quantity.Measure;
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
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** Tags for molds, single or as sheets. */
@Controller
class LabelController {
    private static final int MOST = 200;
    private static final int PER_SHEET = 8;

    private final Plans plans;
    private final ITemplateEngine templates;

    LabelController(Plans plans, ITemplateEngine templates) {
        this.plans = plans;
        this.templates = templates;
    }

    /** A tag: what is written on it. */
    public record Label(String code, String name, String mold, String metal, String mass, WayUp way, String number) {}

    /** A mold that a tag can be made for. */
    public record Choice(long id, String name, boolean taken) {}

    @GetMapping("/labels")
    String choose(
            @AuthenticationPrincipal Account account,
            @RequestParam(required = false) Set<Long> tree,
            @RequestParam(defaultValue = "1") int each,
            Model model) {
        Set<Long> taken = tree == null ? Set.of() : tree;
        List<Choice> choices = plans.moldNames(account, MOST).entrySet().stream()
                .map(t -> new Choice(t.getKey(), t.getValue(), taken.contains(t.getKey())))
                .toList();
        model.addAttribute("choices", choices);
        model.addAttribute("each", bounded(each));
        model.addAttribute("rows", rows(labels(account, taken, each), 2));
        model.addAttribute(
                "query", taken.stream().map(t -> "tree=" + t).reduce("each=" + bounded(each), (a, b) -> a + "&" + b));
        return "label/labels";
    }

    @GetMapping("/labels.pdf")
    ResponseEntity<byte[]> sheet(
            @AuthenticationPrincipal Account account,
            @RequestParam Set<Long> tree,
            @RequestParam(defaultValue = "1") int each) {
        List<Label> labels = labels(account, tree, each);
        if (labels.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return pdf(labels, false, "labels.pdf");
    }

    @GetMapping("/trees/{id}/label.pdf")
    ResponseEntity<byte[]> single(@AuthenticationPrincipal Account account, @PathVariable long id) {
        return pdf(List.of(label(plans.find(account, id))), true, "label-" + id + ".pdf");
    }

    private ResponseEntity<byte[]> pdf(List<Label> labels, boolean single, String file) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("single", single);
        List<List<List<Label>>> sheets = new ArrayList<>();
        for (int i = 0; i < labels.size(); i += PER_SHEET) {
            sheets.add(rows(labels.subList(i, Math.min(labels.size(), i + PER_SHEET)), single ? 1 : 2));
        }
        context.setVariable("sheets", sheets);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=\"" + file + "\"")
                .body(Pdf.of(templates.process("label/pdf", context)));
    }

    private static int bounded(int each) {
        return Math.max(1, Math.min(20, each));
    }

    private List<Label> labels(Account account, Set<Long> trees, int each) {
        List<Label> labels = new ArrayList<>();
        trees.stream().limit(MOST).forEach(id -> {
            Label label = label(plans.find(account, id));
            for (int i = 0; i < bounded(each); i++) {
                labels.add(label);
            }
        });
        return labels;
    }

    private static List<List<Label>> rows(List<Label> labels, int wide) {
        List<List<Label>> rows = new ArrayList<>();
        for (int i = 0; i < labels.size(); i += wide) {
            rows.add(labels.subList(i, Math.min(labels.size(), i + wide)));
        }
        return rows;
    }

    private static Label label(Plans.Saved saved) {
        Plan plan = saved.plan();
        long id = saved.row().id();
        String address = ServletUriComponentsBuilder.fromCurrentContextPath()
                .path("/trees/{id}/mold")
                .buildAndExpand(id)
                .toUriString();
        String mold = plan.block()
                .map(b -> "block")
                .or(() -> plan.shell().map(b -> "shell"))
                .or(() -> plan.flask()
                        .map(f -> plan.moldExtras().flaskName().isEmpty()
                                ? Math.round(f.flask().innerDiameter().millimetres()) + " × "
                                        + Math.round(f.flask().height().millimetres()) + " mm"
                                : plan.moldExtras().flaskName()))
                .orElse("no mold yet");
        return new Label(
                Code.of(address),
                saved.row().name(),
                mold,
                plan.tree().map(t -> t.tree().alloy().label()).orElse("alloy not said"),
                plan.tree()
                        .map(t -> Show.value(
                                        plan.weighed()
                                                .map(w -> w.charge())
                                                .orElse(t.charge())
                                                .value(),
                                        Measure.GRAM,
                                        plan.reading().units(),
                                        false)
                                .toString())
                        .orElse("–"),
                WayUp.way("into the kiln", false),
                "no. " + id);
    }
}

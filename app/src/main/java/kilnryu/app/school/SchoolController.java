package kilnryu.app.school;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.Show;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The pages on which a studio compares schools, copies one and makes it its own. */
@Controller
class SchoolController {
    private final SchoolStore store;
    private final FactorStore factors;

    SchoolController(SchoolStore store, FactorStore factors) {
        this.store = store;
        this.factors = factors;
    }

    /** A school in the list; {@code rules} only those that differ from one school to the next. */
    public record Line(
            String key, String name, String says, String based, List<String> rules, boolean own, boolean archived) {
        public long id() {
            return Long.parseLong(key.substring("own-".length()));
        }
    }

    /** The schools of one step of the work. */
    public record Group(Craft craft, List<Line> lines) {}

    /** A rule on the page of a school. */
    public record Rule(SheetForm.Field field, String name, String usual, String studio, String mark, String source) {}

    @GetMapping("/schools")
    String list(@AuthenticationPrincipal Account account, Model model) {
        List<OwnSchool> own = store.of(account.studioId()).own();
        model.addAttribute(
                "groups",
                Stream.of(Craft.values()).map(c -> new Group(c, lines(c, own))).toList());
        return "school/schools";
    }

    private static List<Line> lines(Craft craft, List<OwnSchool> own) {
        Stream<Line> along = craft.schools().stream()
                .map(s -> new Line(s.key(), s.label(), s.says(), "", particular(craft, s), false, false));
        Stream<Line> made = own.stream().filter(s -> s.craft() == craft).map(SchoolController::line);
        return Stream.concat(along, made).toList();
    }

    private static Line line(OwnSchool s) {
        Map<String, Double> values = new LinkedHashMap<>();
        s.replacements().forEach((key, own) -> values.put(key, own.value()));
        List<String> rules = s.rules().stream()
                .filter(c -> values.containsKey(c.key()))
                .map(c -> c.name() + " " + with(c, values.get(c.key())) + ", usual " + with(c, c.value()))
                .toList();
        String based = s.craft().school(s.based()).orElseThrow().label();
        return new Line(s.key(), s.name(), s.fields().getOrDefault("note", ""), based, rules, true, s.archived());
    }

    /** The rules that no other school of the craft has. */
    private static List<String> particular(Craft craft, Craft.Named school) {
        return school.rules().stream()
                .filter(c -> craft.schools().stream()
                        .noneMatch(other -> other != school && other.rules().contains(c)))
                .map(c -> c.name() + " " + with(c, c.value()))
                .toList();
    }

    @PostMapping("/schools/copy")
    String copy(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "") String craft,
            @RequestParam(defaultValue = "") String from) {
        Craft of = Craft.named(craft).orElseThrow(SchoolController::unknown);
        OwnSchool own = store.of(account.studioId()).own().stream()
                .filter(s -> s.craft() == of && s.key().equals(from))
                .findFirst()
                .orElse(null);
        long id;
        if (own != null) {
            id = store.copy(account, of, copyOf(own.name()), own.based(), own.fields());
        } else {
            Craft.Named along = of.school(from).orElseThrow(SchoolController::unknown);
            id = store.copy(account, of, copyOf(along.label().split("[,:]")[0]), along.key(), Map.of());
        }
        return "redirect:/schools/" + id;
    }

    private static String copyOf(String name) {
        String copy = "Our " + name;
        return copy.length() > OwnSchool.LONGEST_NAME ? copy.substring(0, OwnSchool.LONGEST_NAME) : copy;
    }

    @GetMapping("/schools/{id}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        OwnSchool own = found(account, id);
        Map<String, String> typed = new LinkedHashMap<>(own.fields());
        typed.put("name", own.name());
        return page(account, own, typed, false, model);
    }

    @PostMapping("/schools/{id}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        OwnSchool own = found(account, id);
        Map<String, String> typed = Fields.sent(form);
        Fields fields = read(account, own, typed);
        return new Saving(model, response)
                .saveOver(
                        fields,
                        () -> store.save(account, changed(own, version, fields)),
                        between -> page(account, between ? found(account, id) : own, typed, true, model),
                        "/schools/" + id + "?saved");
    }

    private static OwnSchool changed(OwnSchool own, int version, Fields fields) {
        Map<String, String> written = new LinkedHashMap<>(fields.written());
        String name = written.remove("name").strip();
        written.values().removeIf(String::isBlank);
        written.keySet().retainAll(known(own));
        return new OwnSchool(own.id(), own.craft(), name, own.based(), written, version, own.archived());
    }

    @PostMapping("/schools/{id}/{move:away|back}")
    String putAway(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String move) {
        found(account, id);
        store.putAway(account.studioId(), id, move.equals("away"));
        return "redirect:/schools";
    }

    private String page(Account account, OwnSchool own, Map<String, String> typed, boolean showErrors, Model model) {
        Fields fields = read(account, own, typed);
        SheetForm form = new SheetForm(fields, typed, showErrors);
        Factors studio = factors.of(account.studioId());
        model.addAttribute("school", own);
        model.addAttribute("base", own.craft().school(own.based()).orElseThrow());
        model.addAttribute("trees", store.trees(own));
        model.addAttribute("form", form);
        model.addAttribute("version", own.version());
        model.addAttribute(
                "rules",
                own.rules().stream()
                        .map(c -> new Rule(
                                form.field(c.key()),
                                c.name(),
                                Show.exact(c.low()) + " to " + with(c, c.high()),
                                with(c, studio.value(c)),
                                c.mark().toString(),
                                c.source()))
                        .toList());
        return "school/school";
    }

    private static Fields read(Account account, OwnSchool own, Map<String, String> typed) {
        Fields fields = Fields.typed(typed, account.units());
        if (fields.text("name", OwnSchool.LONGEST_NAME).isEmpty()) {
            fields.missing("name", "Give the school a name.");
        }
        OwnSchool.read(fields, own.rules());
        return fields;
    }

    private static List<String> known(OwnSchool own) {
        return Stream.concat(Stream.of("note"), own.rules().stream().map(Constant::key))
                .toList();
    }

    private OwnSchool found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(SchoolController::unknown);
    }

    private static ResponseStatusException unknown() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }

    private static String with(Constant c, double value) {
        return (Show.exact(value) + " " + c.unit().symbol()).strip();
    }
}

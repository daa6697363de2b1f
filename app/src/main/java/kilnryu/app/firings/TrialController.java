package kilnryu.app.firings;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import kilnryu.app.account.Account;
import kilnryu.app.kiln.ProgramReader;
import kilnryu.app.load.LoadPage;
import kilnryu.app.load.LoadPlan;
import kilnryu.app.load.LoadReader;
import kilnryu.app.load.Stand;
import kilnryu.app.run.Firings;
import kilnryu.app.web.Show;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.kiln.KilnRun;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.server.ResponseStatusException;

/** Looks at a planned firing that change nothing: what if, and the inside of a mold through time. */
@Controller
class TrialController {
    private static final int PICTURES = 72;

    private final Firings firings;
    private final LoadReader reader;

    TrialController(Firings firings, LoadReader reader) {
        this.firings = firings;
        this.reader = reader;
    }

    /** A figure as planned and as it would be. */
    public record Compared(String what, String planned, String whatIf) {}

    /** Sections of a mold for the scrubber: whole kelvins, and hundredths of its water. */
    @JsonInclude(JsonInclude.Include.ALWAYS)
    public record Sections(
            String name, int rings, int layers, boolean half, double across, double along, List<Picture> pictures) {}

    /** One section. */
    public record Picture(double minute, String when, int[] celsius, int[] wet) {}

    /** What would be if one thing were otherwise. */
    @PostMapping("/firings/{id:\\d+}/whatif")
    String whatIf(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "") String what,
            Model model) {
        firings.planned(account, id);
        Map<String, String> typed = firings.merged(account, id, form, false);
        LoadPlan plan = reader.read(account, typed, LoadReader.Way.USUAL);
        if (plan.held().isEmpty()) {
            return "load/program :: whatif";
        }
        Map<String, String> fixed = new LinkedHashMap<>(typed);
        Firings.clearProgram(fixed);
        fixed.putAll(ProgramReader.fields(plan.segments()));
        fixed.put("program_is", "typed");
        fixed.remove("lengthen");
        Optional<LoadReader.Way> way = way(what);
        boolean known = what.startsWith("without-") || way(what).isPresent();
        if (!known) {
            return "load/program :: whatif";
        }
        LoadPlan other = what.matches("without-\\d{1,18}")
                ? reader.read(account, without(typed, what.substring(8)), LoadReader.Way.USUAL)
                : way.map(w -> reader.read(account, fixed, w)).orElse(plan);
        if (other.held().isPresent()) {
            model.addAttribute("asked", words(what, plan));
            model.addAttribute("compared", compared(plan, other));
            model.addAttribute(
                    "against",
                    LoadPage.of(other, account).findings().stream()
                            .filter(f -> !f.severity().equals("note"))
                            .toList());
        }
        return "load/program :: whatif";
    }

    /** The program of the school for the load without one of its molds. */
    private static Map<String, String> without(Map<String, String> typed, String mold) {
        Map<String, String> fewer = new LinkedHashMap<>(typed);
        fewer.remove("molds[" + mold + "].in");
        Firings.clearProgram(fewer);
        fewer.put("program_is", "school");
        return fewer;
    }

    private static Optional<LoadReader.Way> way(String what) {
        KilnRun.Detail detail = KilnRun.Detail.QUICK;
        if (what.matches("half-\\d{1,3}")) {
            return Optional.of(new LoadReader.Way(
                    detail, false, Optional.empty(), OptionalInt.of(Integer.parseInt(what.substring(5)))));
        }
        return switch (what) {
            case "ajar" -> Optional.of(new LoadReader.Way(detail, true, Optional.empty(), OptionalInt.empty()));
            case "bare" -> Optional.of(new LoadReader.Way(detail, false, Optional.of(true), OptionalInt.empty()));
            default -> Optional.empty();
        };
    }

    private static String words(String what, LoadPlan plan) {
        if (what.startsWith("half-")) {
            int at = Math.min(
                    Integer.parseInt(what.substring(5)), plan.segments().size() - 1);
            return "the hold at " + Math.round(plan.segments().get(at).target()) + " °C were half as long";
        }
        if (what.startsWith("without-")) {
            return plan.stands().stream()
                    .filter(s -> s.key().equals(what.substring(8)))
                    .findFirst()
                    .map(s -> s.name() + " were fired apart, by the school")
                    .orElse("nothing were changed");
        }
        return switch (what) {
            case "ajar" -> "the door stood ajar all the while";
            default -> "all flasks were taken off and the molds bare";
        };
    }

    private static List<Compared> compared(LoadPlan plan, LoadPlan other) {
        HeldProgram a = plan.held().orElseThrow();
        HeldProgram b = other.held().orElseThrow();
        List<Compared> all = new ArrayList<>();
        all.add(new Compared("program", length(plan), length(other)));
        List<Long> others = other.stands().stream().map(Stand::tree).toList();
        for (int i = 0; i < Math.min(plan.stands().size(), 8); i++) {
            String name = plan.stands().get(i).name();
            int j = others.indexOf(plan.stands().get(i).tree());
            all.add(new Compared(
                    "middle of " + name + " dry",
                    after(a.run().firing(i).past().get(0)),
                    j < 0 ? "apart" : after(b.run().firing(j).past().get(0))));
            all.add(new Compared(
                    "middle of " + name + " at heat, over 680 °C",
                    minutes(a.run().burnt(i)),
                    j < 0 ? "apart" : minutes(b.run().burnt(j))));
        }
        all.add(new Compared("largest difference of growth", percent(a.mismatch()), percent(b.mismatch())));
        plan.energy()
                .ifPresent(e -> all.add(new Compared(
                        "energy",
                        Show.digits(e) + " kWh",
                        Show.digits(other.energy().orElse(0)) + " kWh")));
        all.add(new Compared(
                "largest kiln lag",
                Math.round(a.run().behind()) + " K",
                Math.round(b.run().behind()) + " K"));
        return all;
    }

    private static String length(LoadPlan plan) {
        return minutes(plan.program().orElseThrow().minutes());
    }

    private static String minutes(double minutes) {
        return Show.length(java.time.Duration.ofMinutes(Math.round(minutes)));
    }

    private static String after(java.util.OptionalDouble minute) {
        return minute.isPresent() ? "after " + minutes(minute.getAsDouble()) : "never";
    }

    private static String percent(double value) {
        return Show.digits(value) + " %";
    }

    /** The sections of one mold through the firing. */
    @PostMapping("/firings/{id:\\d+}/sections")
    @ResponseBody
    Sections sections(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int mold) {
        firings.planned(account, id);
        Map<String, String> typed = firings.merged(account, id, form, false);
        LoadPlan usual = reader.read(account, typed, LoadReader.Way.USUAL);
        double seconds = usual.held().map(h -> h.run().time()).orElse(0.0);
        LoadPlan plan = reader.read(account, typed, LoadReader.Way.USUAL.pictures(Math.max(60, seconds / PICTURES)));
        if (plan.held().isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        int at = Math.max(0, Math.min(mold, plan.fired().size() - 1));
        KilnRun.Charge charge = plan.fired().get(at).charge();
        List<KilnRun.Section> all = plan.held().get().run().sections(at);
        return new Sections(
                charge.name(),
                all.get(0).rings(),
                all.get(0).layers(),
                all.get(0).half(),
                charge.mold().across() * 1000,
                charge.mold().wall()
                        ? charge.mold().across() * 1000
                        : charge.mold().along() * 1000,
                all.stream().map(s -> picture(plan, s)).toList());
    }

    /** Asked for when someone opens it: each mold is cooled for itself. */
    @PostMapping("/firings/{id:\\d+}/cooling")
    String cooling(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        firings.planned(account, id);
        LoadPlan plan = reader.read(account, firings.merged(account, id, form, false), LoadReader.Way.USUAL);
        model.addAttribute("cooling", LoadPage.cooling(plan, account));
        return "load/program :: cooling";
    }

    private static Picture picture(LoadPlan plan, KilnRun.Section s) {
        int[] celsius = new int[s.celsius().length];
        int[] wet = new int[s.wet().length];
        for (int i = 0; i < celsius.length; i++) {
            celsius[i] = (int) Math.round(s.celsius()[i]);
            wet[i] = (int) Math.round(s.wet()[i] * 100);
        }
        String when = plan.clock().map(c -> Show.weekday(c.at(s.minute()))).orElseGet(() -> minutes(s.minute()));
        return new Picture(s.minute(), when, celsius, wet);
    }
}

package kilnryu.app.finishing;

import java.io.IOException;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.piece.Photo;
import kilnryu.app.piece.PhotoStore;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Station;
import kilnryu.app.plan.Streams;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Late;
import kilnryu.app.web.OneLine;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Finishing of a tree's castings: hours by a clock or typed, mending or casting again, sign-off. */
@Controller
class FinishController {
    private static final int MOST_LOG = 4000;
    private static final List<String> SETTINGS = List.of("current_A", "filler", "gas", "trial_first", "patina", "note");
    private static final List<String> SIGNED = List.of("wax", "metal", "patina");

    private final FinishStore store;
    private final Plans plans;
    private final Streams streams;
    private final PhotoStore photos;
    private final Heats heats;
    private final MatingStore fits;
    private final Clock clock;

    FinishController(
            FinishStore store,
            Plans plans,
            Streams streams,
            PhotoStore photos,
            Heats heats,
            MatingStore fits,
            Clock clock) {
        this.store = store;
        this.plans = plans;
        this.streams = streams;
        this.photos = photos;
        this.heats = heats;
        this.fits = fits;
        this.clock = clock;
    }

    /** Finishing of a tree, on its stream once it was opened. */
    @Component
    @Order(240)
    static class Finishing implements Station.Source {
        private final FinishStore store;

        Finishing(FinishStore store) {
            this.store = store;
        }

        @Override
        public boolean afterTheKiln() {
            return true;
        }

        @Override
        public Optional<Station> of(Plans.Saved saved, String open, String base) {
            long tree = saved.row().id();
            if (store.castings(tree).isEmpty()) {
                return Optional.empty();
            }
            double hours = store.of(tree).stream()
                    .filter(w -> w.hours() != null)
                    .mapToDouble(FinishStore.Work::hours)
                    .sum();
            boolean signed = store.signs(tree).stream().anyMatch(s -> s.stage().equals("patina"));
            return Optional.of(new Station(
                    "Finishing",
                    signed
                            ? "signed off"
                            : hours > 0 ? String.format(java.util.Locale.ROOT, "%.1f h so far", hours) : "not begun",
                    "/breakout/" + tree + "/finish",
                    open.equals("finish") ? "now" : signed ? "done" : "next"));
        }
    }

    @GetMapping("/breakout/{tree:\\d+}/finish")
    String show(@AuthenticationPrincipal Account account, @PathVariable long tree, Model model) {
        FinishStore.Sheet sheet = store.sheet(tree);
        return page(account, tree, sheet.fields(), model);
    }

    private String page(Account account, long tree, Map<String, String> sheet, Model model) {
        Plans.Saved saved = plans.find(account, tree);
        streams.of(account, saved, saved.plan(), "finish").into(model);
        List<FinishStore.Casting> castings = store.castings(tree);
        model.addAttribute("name", saved.row().name());
        model.addAttribute("id", tree);
        model.addAttribute("castings", castings);
        model.addAttribute("version", store.sheet(tree).version());
        model.addAttribute("me", account.shownName());
        model.addAttribute("patinas", store.patinas(account.studioId(), false));
        model.addAttribute("heats", heats.of(account, tree));
        MatingController.into(account, fits.of(tree), model);
        model.addAttribute("signed", SIGNED);
        model.addAttribute("sheet", sheet);
        if (!model.containsAttribute("typedWork")) {
            model.addAttribute("typedWork", Map.of());
        }
        model.addAttribute(
                "page",
                FinishPage.of(
                        account,
                        new FinishPage.Seen(
                                saved.plan(),
                                store.of(tree),
                                castings,
                                store.log(account.studioId(), MOST_LOG),
                                saved.plan().reading().factors(),
                                store.came(account.studioId()),
                                sheet,
                                store.signs(tree),
                                clock.instant())));
        return "finishing/finish";
    }

    @PostMapping("/breakout/{tree:\\d+}/finish/work")
    String work(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        plans.find(account, tree);
        Optional<FinishStage> stage = FinishStage.named(form.getOrDefault("stage", ""));
        String who = OneLine.of(form.getOrDefault("who", ""));
        String number = form.getOrDefault("casting", "").strip();
        Integer casting = number.matches("\\d{1,6}") ? Integer.valueOf(number) : null;
        Fields fields = Fields.typed(form, account.units());
        OptionalDouble hours = fields.quantity("hours", Range.HOURS);
        List<FinishStore.Casting> castings = store.castings(tree);
        Optional<FinishStore.Casting> of = castings.stream()
                .filter(c -> casting != null && c.number() == casting)
                .findFirst();
        String fault = stage.isEmpty()
                ? "Choose the stage."
                : who.isEmpty()
                        ? "Say who works."
                        : casting != null && of.isEmpty()
                                ? "There is no casting " + casting + " on this tree."
                                : fields.errors().getOrDefault("hours", "");
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
            redirect.addFlashAttribute("typedWork", new LinkedHashMap<>(form));
            return "redirect:/breakout/" + tree + "/finish#work";
        }
        Map<String, String> settings = new LinkedHashMap<>();
        for (String s : SETTINGS) {
            String typed = OneLine.of(form.getOrDefault(s, ""));
            if (!typed.isEmpty()) {
                settings.put(s, typed);
            }
        }
        store.begin(
                account,
                tree,
                casting,
                OneLine.of(form.getOrDefault("section", "")),
                stage.get(),
                who,
                of.map(FinishStore.Casting::grams).orElseGet(() -> whole(castings)),
                hours.isPresent() ? hours.getAsDouble() : null,
                settings);
        return "redirect:/breakout/" + tree + "/finish#work";
    }

    /** Of all castings that are kept; null where not all of them were weighed. */
    private static Double whole(List<FinishStore.Casting> castings) {
        List<FinishStore.Casting> kept =
                castings.stream().filter(c -> !c.verdict().equals("scrap")).toList();
        return kept.isEmpty() || kept.stream().anyMatch(c -> c.grams() == null)
                ? null
                : Double.valueOf(
                        kept.stream().mapToDouble(FinishStore.Casting::grams).sum());
    }

    @PostMapping("/breakout/{tree:\\d+}/finish/work/{work:\\d+}/{way:stop|remove|restore}")
    String change(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @PathVariable long work,
            @PathVariable String way,
            RedirectAttributes redirect) {
        plans.find(account, tree);
        boolean done = way.equals("stop")
                ? store.stop(account.studioId(), work)
                : store.remove(account.studioId(), work, way.equals("remove"));
        if (!done) {
            redirect.addFlashAttribute("fault", "Its clock was stopped meanwhile.");
        } else if (way.equals("remove")) {
            redirect.addFlashAttribute("removed", work);
        }
        return "redirect:/breakout/" + tree + "/finish#work";
    }

    /** Mend or cast again, and what it is at the end. */
    @PostMapping("/breakout/{tree:\\d+}/finish")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam Map<String, String> form,
            Model model) {
        plans.find(account, tree);
        Map<String, String> fields = new LinkedHashMap<>(store.sheet(tree).fields());
        form.forEach((k, v) -> {
            if (k.matches("mend_hours|rate|filler|worth|cast_cost|cast_hours|risk|good|mend_days|cast_days|due_days"
                    + "|final_mass|final_size|balance|mount")) {
                fields.put(k, OneLine.of(v));
            }
        });
        String version = form.getOrDefault("version", "0");
        if (!store.save(account, tree, fields, version.matches("\\d{1,9}") ? Integer.parseInt(version) : 0)) {
            throw new Late(
                    "Nothing was saved: someone saved this page while it was open here.",
                    "/breakout/" + tree + "/finish");
        }
        return "redirect:/breakout/" + tree + "/finish#mending";
    }

    @PostMapping("/breakout/{tree:\\d+}/finish/sign")
    String sign(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(defaultValue = "") String stage,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String note,
            @RequestParam(required = false) MultipartFile photo,
            RedirectAttributes redirect)
            throws IOException {
        plans.find(account, tree);
        String who = OneLine.of(name);
        String fault = !SIGNED.contains(stage)
                ? "Choose what is signed off: wax, metal or patina."
                : who.length() < 2 ? "A sign-off wants a name." : "";
        Long shot = null;
        if (fault.isEmpty() && photo != null && !photo.isEmpty()) {
            try {
                shot = photos.keep(account, PhotoStore.Of.TREE, tree, Photo.of(photo));
            } catch (Photo.Unusable e) {
                fault = e.getMessage();
            }
        }
        if (fault.isEmpty()) {
            store.sign(account, tree, stage, who, OneLine.of(note), shot);
        } else {
            redirect.addFlashAttribute("fault", fault);
            redirect.addFlashAttribute("typedName", who);
        }
        return "redirect:/breakout/" + tree + "/finish#signs";
    }

    static ResponseStatusException gone() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}

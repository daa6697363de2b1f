package kilnryu.app.pour;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import kilnryu.app.device.Scale;
import kilnryu.app.device.SimulatedScale;
import kilnryu.app.melt.MakeUpDrawing;
import kilnryu.app.melt.MetalStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.core.flask.UnitGuard;
import kilnryu.core.melt.Additions;
import kilnryu.core.melt.Bands;
import kilnryu.core.melt.Charge;
import kilnryu.core.melt.Charging;
import kilnryu.core.melt.Fineness;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The charge of a pour: what to weigh from the store, and its weighing, lot by lot. */
@Controller
class ChargeController {
    private static final Range GRAMS = new Range(Measure.GRAM, 0, 1e7);
    private static final double TOLERANCE = 0.02;
    private final PourStore store;
    private final PourPages pages;
    private final PourReader reader;
    private final MetalStore metal;
    private final Scale scale;
    private final SimulatedScale standIn;

    ChargeController(
            PourStore store,
            PourPages pages,
            PourReader reader,
            MetalStore metal,
            Scale scale,
            SimulatedScale standIn) {
        this.store = store;
        this.pages = pages;
        this.reader = reader;
        this.metal = metal;
        this.scale = scale;
        this.standIn = standIn;
    }

    /** A lot as the charge sees it. */
    public record Line(
            long id,
            String name,
            String makeUp,
            String there,
            String weigh,
            String pieces,
            String left,
            boolean goesIn,
            String weighed) {}

    /** A step of the melt in its order. */
    public record Step(String mass, String name, String words) {}

    /** What is bought. */
    public record Buy(String element, String mass) {}

    @GetMapping("/pours/{id:\\d+}/charge")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        return page(account, pages.saved(account, pages.found(account, id)), false, model);
    }

    @PostMapping("/pours/{id:\\d+}/charge/try")
    String tryOut(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        PourStore.Row row = pages.found(account, id);
        page(account, reader.read(account, row.with(merged(row, form)), store.molds(id), true), false, model);
        return "pour/charge :: fresh";
    }

    @PostMapping("/pours/{id:\\d+}/charge")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        PourStore.Row row = pages.found(account, id);
        PourSheet sheet = reader.read(account, row.with(merged(row, form)), store.molds(id), false);
        if (sheet.fields().hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, sheet, true, model);
        }
        PourStore.Row now = new PourStore.Row(
                id, row.studio(), row.name(), row.state(), sheet.fields().kept(), version, null, null, null, null);
        if (!store.save(now, store.molds(id))) {
            throw new Late(
                    "Nothing was saved: someone saved or began this pour in between.", "/pours/" + id + "/charge");
        }
        return "redirect:/pours/" + id + "/charge?saved";
    }

    private static Map<String, String> merged(PourStore.Row row, Map<String, String> form) {
        Map<String, String> all = new LinkedHashMap<>(row.fields());
        all.keySet().removeIf(k -> k.startsWith("lot["));
        all.putAll(Fields.sent(form));
        all.values().removeIf(String::isBlank);
        all.entrySet()
                .removeIf(e -> e.getKey().endsWith("].use") && e.getValue().equals("in"));
        return all;
    }

    private String page(Account account, PourSheet sheet, boolean wrong, Model model) {
        pages.frame(account, sheet, "charge", wrong, model);
        FigureView.Maker views = new FigureView.Maker(
                account.units(), sheet.alloy().map(a -> a.isPrecious()).orElse(false));
        sheet.charge().ifPresent(c -> charge(account, sheet, c, views, model));
        sheet.charging().filter(c -> c.charge().isEmpty()).ifPresent(c -> none(account, c, model));
        model.addAttribute("lines", lines(account, sheet));
        model.addAttribute(
                "bands", sheet.alloy().flatMap(Bands::of).map(Bands::words).orElse(""));
        sheet.needed().ifPresent(n -> model.addAttribute("needed", views.of(n)));
        model.addAttribute("simple", simple(account, sheet, views));
        return "pour/charge";
    }

    private void charge(Account account, PourSheet sheet, Charge c, FigureView.Maker views, Model model) {
        model.addAttribute("drawing", MakeUpDrawing.beside(c.question().bands(), c));
        List<FigureView> figures = new ArrayList<>();
        figures.add(views.of(c.charged()));
        figures.add(views.of(c.melt()));
        figures.add(views.of(c.returns()));
        c.after().values().forEach(f -> figures.add(views.of(f)));
        model.addAttribute("figures", figures);
        String money = pages.money(account);
        String unpriced = c.unpriced().isEmpty() ? "" : ", without " + String.join(", ", c.unpriced());
        model.addAttribute(
                "cost",
                c.unpriced().size() == c.shares().size()
                        ? "no price is known"
                        : String.format(Locale.ROOT, "%.2f %s%s", c.cost(), money, unpriced)
                                .strip());
        model.addAttribute(
                "steps",
                Additions.of(c).steps().stream()
                        .map(s -> new Step(
                                s.share().map(x -> grams(x.grams(), account)).orElse(""),
                                s.share().map(x -> x.lot().name()).orElse(""),
                                s.words()))
                        .toList());
    }

    private static void none(Account account, Charging c, Model model) {
        model.addAttribute("conflict", String.join(", ", c.conflict()));
        model.addAttribute(
                "buys",
                c.buy().entrySet().stream()
                        .map(e -> new Buy(e.getKey().label(), grams(Math.ceil(e.getValue()), account)))
                        .toList());
    }

    private static List<Line> lines(Account account, PourSheet sheet) {
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < sheet.lots().size(); i++) {
            MetalStore.Lot lot = sheet.lots().get(i);
            double taken = sheet.weighed().containsKey(lot.id())
                    ? sheet.weighed().get(lot.id()).grams()
                    : 0;
            int at = i;
            double mass = sheet.charge().map(c -> c.grams().get(at)).orElse(0.0);
            boolean goesIn = mass > 1e-6;
            String pieces = goesIn && lot.piece().isPresent()
                    ? pieces(Math.round(mass / lot.piece().getAsDouble()))
                    : "";
            lines.add(new Line(
                    lot.id(),
                    lot.name(),
                    lot.makeUp().map(Object::toString).orElse("unknown"),
                    grams(lot.remaining() + taken, account),
                    goesIn ? grams(mass, account) : "",
                    pieces,
                    goesIn ? grams(Math.max(0, lot.remaining() + taken - mass), account) : "",
                    goesIn,
                    taken > 0 ? grams(taken, account) : ""));
        }
        return lines;
    }

    private static String pieces(long count) {
        return count == 1 ? "1 whole piece" : count + " whole pieces";
    }

    /** The sums of the simple rules, for this alloy and this much metal. */
    private static List<FigureView> simple(Account account, PourSheet sheet, FigureView.Maker views) {
        if (sheet.alloy().isEmpty() || sheet.needed().isEmpty()) {
            return List.of();
        }
        double mass = sheet.needed().get().value();
        List<FigureView> all = new ArrayList<>();
        Bands.of(sheet.alloy().get())
                .ifPresent(b -> b.bands().forEach((e, band) -> {
                    if (band.low() > 0 && e != b.main() && !sheet.alloy().get().isPrecious()) {
                        Figure part = Fineness.part(mass, band.middle(), e.label());
                        all.add(views.of(part));
                        all.add(views.of(Fineness.rest(
                                mass, part, "the rest, mostly " + b.main().label())));
                    }
                    if (band.boldLow() && band.low() < 99) {
                        all.add(views.of(Fineness.fineToAdd(mass, band.low() - 2.5, band.low())));
                        all.add(views.of(Fineness.alloyToAdd(mass, 100, band.low())));
                    }
                }));
        return all;
    }

    /** To a tenth of a gram, as a bench scale shows it. */
    static String grams(double grams, Account account) {
        return grams < 1000 && account.units().summary().startsWith("g")
                ? String.format(Locale.ROOT, "%.1f g", grams)
                : Show.value(grams, Measure.GRAM, account.units(), false).toString();
    }

    /**
     * What is weighed next: lots of the charge that were not weighed, in the order in which they go in.
     *
     * @param piece which of its pieces, from 1; 0 where it is cut
     */
    private record Next(MetalStore.Lot lot, double grams, int number, int of, int piece, int pieces) {
        boolean last() {
            return piece >= pieces;
        }
    }

    private static Optional<Next> next(PourSheet sheet) {
        if (sheet.charge().isEmpty()) {
            return Optional.empty();
        }
        List<Charge.Share> order = Additions.of(sheet.charge().get()).steps().stream()
                .flatMap(s -> s.share().stream())
                .toList();
        for (int i = 0; i < order.size(); i++) {
            Charge.Share share = order.get(i);
            int at = sheet.charge().get().question().stock().indexOf(share.lot());
            MetalStore.Lot lot = sheet.lots().get(at);
            MetalStore.Taken taken = sheet.weighed().get(lot.id());
            if (taken == null || !taken.all()) {
                return Optional.of(
                        next(lot, share.grams(), taken == null ? 0 : taken.weighings(), i + 1, order.size()));
            }
        }
        return Optional.empty();
    }

    /** Pieces that cannot be cut go over the scale one by one. */
    private static Next next(MetalStore.Lot lot, double grams, int weighings, int number, int of) {
        if (lot.piece().isEmpty()) {
            return new Next(lot, grams, number, of, 0, 0);
        }
        int pieces = (int) Math.max(1, Math.round(grams / lot.piece().getAsDouble()));
        return new Next(lot, lot.piece().getAsDouble(), number, of, Math.min(pieces, weighings + 1), pieces);
    }

    @GetMapping("/pours/{id:\\d+}/weigh")
    String weigh(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        return weighing(account, pages.saved(account, pages.found(account, id)), "", "", model);
    }

    private String weighing(Account account, PourSheet sheet, String typed, String remark, Model model) {
        model.addAttribute("id", sheet.row().id());
        model.addAttribute("name", sheet.row().name());
        model.addAttribute("typed", typed);
        model.addAttribute("remark", remark);
        Optional<Next> next = next(sheet);
        next.ifPresent(n -> {
            model.addAttribute("lot", n.lot.id());
            model.addAttribute("lotName", n.lot.name());
            model.addAttribute("place", n.lot.fields().getOrDefault("place", ""));
            model.addAttribute("mass", grams(n.grams, account));
            model.addAttribute("count", n.number + " of " + n.of);
            model.addAttribute("pieces", n.piece > 0 ? "piece " + n.piece + " of " + n.pieces : "");
        });
        model.addAttribute("done", next.isEmpty() && !sheet.weighed().isEmpty());
        model.addAttribute(
                "stops", sheet.charge().map(c -> c.findings().stops()).orElse(List.of()));
        Scale.Reading shown = scale.read(account.studioId());
        model.addAttribute("digits", Show.exact(shown.digits()));
        return "pour/weigh";
    }

    @GetMapping("/pours/{id:\\d+}/weigh/display")
    String display(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        model.addAttribute("id", id);
        model.addAttribute("digits", Show.exact(scale.read(account.studioId()).digits()));
        return "pour/weigh :: display";
    }

    /** The buttons of the stand-in. */
    @PostMapping("/pours/{id:\\d+}/weigh/device")
    String press(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam String button) {
        long studio = account.studioId();
        double planned = next(pages.saved(account, pages.found(account, id)))
                .map(Next::grams)
                .orElse(0.0);
        switch (button) {
            case "on" -> standIn.load(studio, planned * 1.002);
            case "off" -> standIn.load(studio, 0);
            case "tare" -> standIn.tare(studio);
            case "unit" -> standIn.nextUnit(studio);
            default -> throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        return "redirect:/pours/" + id + "/weigh";
    }

    @PostMapping("/pours/{id:\\d+}/weigh")
    String weighed(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam long lot,
            @RequestParam(defaultValue = "") String reading,
            @RequestParam(defaultValue = "false") boolean device,
            @RequestParam(defaultValue = "false") boolean sure,
            Model model,
            HttpServletResponse response) {
        PourSheet sheet = pages.saved(account, pages.found(account, id));
        Optional<Next> next = next(sheet);
        if (next.isEmpty() || next.get().lot.id() != lot || sheet.row().state().equals("done")) {
            throw new Late(
                    "Nothing was written, someone else was quicker: look at what is next now.",
                    "/pours/" + id + "/weigh");
        }
        String typed = device && reading.isBlank()
                ? Show.exact(scale.read(account.studioId()).digits())
                : reading;
        Fields fields = Fields.typed(Map.of("reading", typed), account.units());
        OptionalDouble grams = fields.required("reading", GRAMS);
        String remark = grams.isEmpty()
                ? fields.errors().getOrDefault("reading", "Type what the scale reads.")
                : sure ? "" : guarded(grams.getAsDouble(), next.get().grams, account);
        if (remark.isEmpty()) {
            OptionalDouble left = metal.move(
                    account,
                    lot,
                    OptionalLong.of(id),
                    had -> -grams.getAsDouble(),
                    new MetalStore.Why("charged", next.get().last() ? MetalStore.ALL : "piece " + next.get().piece));
            if (left.isPresent()) {
                return "redirect:/pours/" + id + "/weigh";
            }
            remark =
                    "There is not so much of it any more: someone else took from this lot. What is there now is reckoned anew.";
        }
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        return weighing(account, pages.saved(account, pages.found(account, id)), typed, remark, model);
    }

    /** Asked back where the digits only make sense in another unit, or are far off. */
    private static String guarded(double grams, double planned, Account account) {
        Optional<Measure> suspect = UnitGuard.suspect(grams, planned);
        if (suspect.isPresent()) {
            return "Is the scale on " + suspect.get().symbol() + "? " + Show.exact(grams) + " g is far from the "
                    + grams(planned, account) + " planned; as " + suspect.get().symbol() + " it would fit.";
        }
        return Math.abs(grams - planned) > Math.max(0.5, TOLERANCE * planned)
                ? "That is " + grams(Math.abs(grams - planned), account) + (grams > planned ? " more" : " less")
                        + " than planned. Take it, and the rest of the charge follows it."
                : "";
    }

    /** Puts a weighing back into the store. */
    @PostMapping("/pours/{id:\\d+}/weigh/back")
    String back(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam long lot) {
        PourStore.Row row = pages.found(account, id);
        double taken =
                metal.taken(id).containsKey(lot) ? metal.taken(id).get(lot).grams() : 0;
        if (row.state().equals("done") || taken <= 0) {
            throw new Late(
                    "Nothing was put back: it is not weighed, or the pour has ended.", "/pours/" + id + "/charge");
        }
        metal.move(account, lot, OptionalLong.of(id), had -> taken, new MetalStore.Why("charged", "put back"));
        return "redirect:/pours/" + id + "/charge";
    }
}

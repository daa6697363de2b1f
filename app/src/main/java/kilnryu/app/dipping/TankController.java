package kilnryu.app.dipping;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.SlurryCare;
import kilnryu.core.shell.Tank;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The pages of slurry tanks: what they hold, their diary, and which shells they take. */
@Controller
class TankController {
    private final TankStore store;
    private final Shells shells;
    private final FactorStore factors;
    private final Clock clock;

    TankController(TankStore store, Shells shells, FactorStore factors, Clock clock) {
        this.store = store;
        this.shells = shells;
        this.factors = factors;
        this.clock = clock;
    }

    /** A tank in the list. */
    public record Line(
            long id, String name, String holds, String measures, String mass, String age, List<String> against) {}

    /** A shell over a tank. */
    public record Over(String shell, String rise, String topUp, List<String> against) {}

    /** A line of the diary. */
    public record Diary(String at, String flow, String density, String water, String note, String by) {}

    @GetMapping("/shells/tanks")
    String list(@AuthenticationPrincipal Account account, Model model) {
        return page(account, 0, 0, Map.of(), false, model);
    }

    @GetMapping("/shells/tanks/{id}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        TankStore.Row row = found(account, id);
        return page(account, id, row.version(), row.fields(), false, model);
    }

    @PostMapping("/shells/tanks/{id}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        if (id != 0) {
            found(account, id);
        }
        Map<String, String> typed = Fields.sent(form);
        Fields fields = Fields.typed(typed, account.units());
        TankReader.read(fields);
        Optional<Instant> made = made(fields, account);
        return new Saving(model, response)
                .save(
                        fields,
                        () -> save(account, id, version, fields.kept(), made),
                        between ->
                                page(account, id, between ? found(account, id).version() : version, typed, true, model),
                        saved -> "/shells/tanks/" + saved + "?saved");
    }

    private OptionalLong save(Account account, long id, int version, Map<String, String> kept, Optional<Instant> made) {
        if (id == 0) {
            return OptionalLong.of(store.create(account.studioId(), kept, made.orElse(clock.instant())));
        }
        TankStore.Row row =
                new TankStore.Row(id, kept, made.orElse(found(account, id).madeAt()), version);
        return store.save(account.studioId(), row) ? OptionalLong.of(id) : OptionalLong.empty();
    }

    private static Optional<Instant> made(Fields fields, Account account) {
        Optional<String> day = fields.text(TankFields.MADE);
        try {
            return day.map(
                    d -> LocalDate.parse(d).atStartOfDay(account.zoneId()).toInstant());
        } catch (DateTimeParseException e) {
            fields.error("made_on", "Type a day like 2026-05-08.");
            return Optional.empty();
        }
    }

    @PostMapping("/shells/tanks/{id}/read")
    String read(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        TankStore.Row row = found(account, id);
        Fields fields = Fields.typed(Fields.sent(form), account.units());
        Optional<TankStore.Entry> entry = TankReader.entry(fields, clock.instant());
        if (entry.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            String to = page(account, id, row.version(), row.fields(), false, model);
            model.addAttribute("reading", new SheetForm(fields, Fields.sent(form), true, TankFields.DIARY));
            return to;
        }
        store.read(account, id, entry.get());
        return "redirect:/shells/tanks/" + id + "?read";
    }

    @PostMapping("/shells/tanks/{id}/away")
    String putAway(@AuthenticationPrincipal Account account, @PathVariable long id) {
        found(account, id);
        store.putAway(account.studioId(), id, true);
        return "redirect:/shells/tanks";
    }

    private String page(
            Account account, long id, int version, Map<String, String> typed, boolean showErrors, Model model) {
        Fields fields = Fields.typed(typed, account.units());
        Optional<Tank> tank = TankReader.read(fields);
        made(fields, account);
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("form", new SheetForm(fields, typed, showErrors, TankFields.ALL));
        model.addAttribute(
                "reading", new SheetForm(Fields.typed(Map.of(), account.units()), Map.of(), false, TankFields.DIARY));
        List<TankStore.Row> all = store.list(account.studioId());
        Map<Long, List<TankStore.Entry>> read =
                store.entries(all.stream().map(TankStore.Row::id).toList());
        model.addAttribute(
                "tanks",
                all.stream()
                        .map(r -> line(account, r, read.getOrDefault(r.id(), List.of())))
                        .toList());
        if (id != 0) {
            List<TankStore.Entry> entries = store.entries(id);
            FigureView.Maker views = new FigureView.Maker(account.units(), false);
            model.addAttribute("name", found(account, id).fields().getOrDefault("name", "tank"));
            model.addAttribute(
                    "diary", entries.stream().map(e -> diary(account, e)).toList());
            model.addAttribute(
                    "findings",
                    tank.map(t -> care(account, t, found(account, id), entries).all().stream()
                                    .map(f -> FindingView.of(f, views, 0))
                                    .toList())
                            .orElse(List.of()));
            model.addAttribute("over", tank.map(t -> over(account, t)).orElse(List.of()));
        }
        return "dipping/tanks";
    }

    private kilnryu.core.finding.Findings care(
            Account account, Tank tank, TankStore.Row row, List<TankStore.Entry> entries) {
        double age = days(row.madeAt(), clock.instant());
        List<SlurryCare.Reading> readings = entries.stream()
                .map(e -> new SlurryCare.Reading(
                        days(row.madeAt(), e.at()),
                        e.flow(),
                        e.density(),
                        e.water().orElse(0)))
                .toList();
        return SlurryCare.check(tank.prime(), readings, age, factors.of(account.studioId()));
    }

    private static double days(Instant from, Instant to) {
        return Duration.between(from, to).toHours() / 24.0;
    }

    private Line line(Account account, TankStore.Row row, List<TankStore.Entry> entries) {
        Optional<Tank> tank = TankReader.read(Fields.typed(row.fields(), Units.METRIC));
        return new Line(
                row.id(),
                row.fields().getOrDefault("name", "tank"),
                tank.map(t -> t.prime() ? "fine, for primes" : "backup").orElse(""),
                tank.map(t -> Show.exact(t.diameter()) + " × " + Show.exact(t.depth()) + " mm, level "
                                + Show.exact(t.level()) + " mm")
                        .orElse("not complete"),
                tank.map(t -> Show.value(t.mass(), Measure.GRAM, account.units(), false)
                                .toString())
                        .orElse(""),
                Math.round(days(row.madeAt(), clock.instant())) + " days",
                tank.map(t -> care(account, t, row, entries).all().stream()
                                .map(f -> f.message())
                                .toList())
                        .orElse(List.of()));
    }

    private List<Over> over(Account account, Tank tank) {
        List<Over> over = new ArrayList<>();
        for (ShellState s : shells.open(account)) {
            if (s.next().isEmpty() || s.next().get().isPrime() != tank.prime()) {
                continue;
            }
            double so =
                    s.on() == 0 ? 0 : s.shell().layers().get(s.on() - 1).after().value();
            var body = s.shell().question().body().orElseThrow();
            double displaced = s.plan().tree().orElseThrow().treeVolume().value()
                    + s.shell().question().area().value() * so / 10;
            Tank.Dip dip = tank.dip(body.width() + 2 * so, body.height() + so, displaced);
            over.add(new Over(
                    s.run().name(),
                    Show.value(dip.rise().value(), Measure.MILLIMETRE, account.units(), false)
                            .toString(),
                    dip.topUp().value() > 0
                            ? Show.value(dip.topUp().value(), Measure.GRAM, account.units(), false)
                                    .toString()
                            : "–",
                    dip.findings().all().stream()
                            .map(f -> f.message() + " " + f.remedy())
                            .toList()));
        }
        return over;
    }

    private static Diary diary(Account account, TankStore.Entry e) {
        return new Diary(
                Show.dayAndClock(e.at().atZone(account.zoneId())),
                shown(e.flow(), " s"),
                shown(e.density(), " g/cm³"),
                shown(e.water(), " g"),
                e.note(),
                e.by());
    }

    private static String shown(OptionalDouble value, String unit) {
        return value.isPresent() ? Show.exact(value.getAsDouble()) + unit : "–";
    }

    private TankStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}

package kilnryu.app.kilnlog;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.load.LoadPage;
import kilnryu.app.load.LoadPlan;
import kilnryu.app.load.LoadReader;
import kilnryu.app.logger.KilnLog;
import kilnryu.app.logger.LoggerCsv;
import kilnryu.app.run.Deviation;
import kilnryu.app.run.FiringLogStore;
import kilnryu.app.run.FiringStore;
import kilnryu.app.run.Firings;
import kilnryu.app.run.Frozen;
import kilnryu.app.run.KeptPage;
import kilnryu.app.run.RunPage;
import kilnryu.app.run.Runs;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.Show;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.Segment;
import kilnryu.core.quantity.Measure;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;

/** What was measured beside what was planned, and programs as files and on a card. */
@Controller
public class LogController {
    private static final Range MOVED = new Range(Measure.MINUTE, -10_080, 10_080);

    private static final double NEXT_TO_MIN = 10;

    private final Firings firings;
    private final FiringStore store;
    private final FiringLogStore readings;
    private final Runs runs;
    private final KilnStore kilns;
    private final LogIntake intake;
    private final LoadReader reader;

    LogController(
            Firings firings,
            FiringStore store,
            FiringLogStore readings,
            Runs runs,
            KilnStore kilns,
            LogIntake intake,
            LoadReader reader) {
        this.firings = firings;
        this.store = store;
        this.readings = readings;
        this.runs = runs;
        this.kilns = kilns;
        this.intake = intake;
        this.reader = reader;
    }

    /** A line of the card. */
    public record Keyed(
            int number, String stage, String rate, String target, String hold, String ends, String exact, String was) {}

    @GetMapping("/firings/{id:\\d+}/log")
    public String log(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        FiringStore.Row row = firings.found(account, id);
        if (row.planned()) {
            return "redirect:/firings/" + id;
        }
        Map<String, String> asked = asked(row, Map.of());
        return page(account, row, new SheetForm(Fields.typed(asked, account.units()), asked, false), model);
    }

    private String page(Account account, FiringStore.Row row, SheetForm form, Model model) {
        if (row.frozen().isEmpty()) {
            return KeptPage.into(account, row, store.events(row.id()), model);
        }
        model.addAttribute("record", row.kept().record().orElse(null));
        intake.heldAgainstItsPlan(account, row);
        Runs.Standing standing = runs.standing(row);
        List<FiringStore.Event> events = store.events(row.id());
        model.addAttribute("id", row.id());
        model.addAttribute("name", row.name());
        model.addAttribute("running", row.running());
        model.addAttribute("page", RunPage.of(row, standing, events, account));
        model.addAttribute("deviation", Deviation.of(standing));
        model.addAttribute("stream", LoadPage.stations(row.id(), row.state(), "log", Optional.empty()));
        model.addAttribute("startedAt", Show.dayAndClock(row.startedAt().atZone(account.zoneId())));
        model.addAttribute("form", form);
        model.addAttribute("units", List.of(new SheetForm.Option("C", "°C"), new SheetForm.Option("F", "°F")));
        model.addAttribute("from", List.of(new SheetForm.Option("start", "the start of the firing")));
        events.stream()
                .filter(e -> e.kind().equals("log") && e.data().containsKey("bad"))
                .reduce((a, b) -> b)
                .ifPresent(e -> model.addAttribute("lately", words(e)));
        return "load/log";
    }

    private static String words(FiringStore.Event e) {
        String bad = e.data().get("bad");
        return e.subject() + " taken in from \"" + e.data().get("temperature") + "\""
                + (bad.equals("0") ? "" : ", " + bad + (bad.equals("1") ? " line" : " lines") + " could not be read")
                + ".";
    }

    /** What was typed of the columns, and what is kept of them for the kiln. */
    private Map<String, String> asked(FiringStore.Row row, Map<String, String> typed) {
        Long kiln = kiln(row);
        Map<String, String> asked = new LinkedHashMap<>();
        if (kiln != null) {
            kilns.columns(kiln).forEach((key, value) -> asked.put("col_" + key, value));
        }
        typed.forEach((key, value) -> {
            if (!value.isBlank() && !key.startsWith("_")) {
                asked.put(key, value.strip());
            }
        });
        return asked;
    }

    private static Long kiln(FiringStore.Row row) {
        String key = row.fields().getOrDefault("kiln", "");
        return key.matches("\\d{1,18}") ? Long.valueOf(key) : null;
    }

    @PostMapping("/firings/{id:\\d+}/log")
    public String take(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(required = false) MultipartFile file,
            Model model,
            HttpServletResponse response)
            throws IOException {
        FiringStore.Row row = firings.found(account, id);
        if (row.planned() || row.frozen().isEmpty()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT);
        }
        Map<String, String> typed = asked(row, form);
        Fields fields = Fields.typed(typed, account.units());
        try {
            KilnLog.ColumnChoice asked = asked(account, row, fields);
            if (file == null || file.isEmpty()) {
                throw new LoggerCsv.Unusable("Choose the file first.");
            }
            if (!fields.hasErrors()) {
                intake.take(account, row, LoggerCsv.Source.of(file), asked, kiln(row));
                return "redirect:/firings/" + id + "/log?taken";
            }
        } catch (LoggerCsv.Unusable e) {
            fields.error(e.field(), e.getMessage());
        }
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        return page(account, row, new SheetForm(fields, typed, true), model);
    }

    private static KilnLog.ColumnChoice asked(Account account, FiringStore.Row row, Fields fields) {
        Map<String, String> columns = new LinkedHashMap<>();
        for (String key : List.of("time", "temperature", "unit", "clock")) {
            fields.text("col_" + key, 80).ifPresent(value -> columns.put(key, value));
        }
        boolean fromStart = fields.text("from", 10).orElse("").equals("start");
        return new KilnLog.ColumnChoice(
                columns,
                account.zoneId(),
                fromStart ? Optional.of(row.startedAt()) : Optional.empty(),
                fields.quantity("moved", MOVED).orElse(0) * 60);
    }

    /** How far a file is that is being taken in; nothing while none is. */
    @GetMapping("/firings/{id:\\d+}/log/intake")
    @ResponseBody
    public ResponseEntity<FiringLogStore.Intake> intake(
            @AuthenticationPrincipal Account account, @PathVariable long id) {
        firings.found(account, id);
        return readings.intake(id)
                .map(ResponseEntity::ok)
                .orElseGet(() -> ResponseEntity.noContent().build());
    }

    @GetMapping("/firings/{id:\\d+}/program.csv")
    public ResponseEntity<String> csv(@AuthenticationPrincipal Account account, @PathVariable long id)
            throws IOException {
        FiringStore.Row row = firings.found(account, id);
        StringWriter out = new StringWriter();
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setHeader("segment", "stage", "rate_K_h", "target_C", "hold_min", "ruled_by")
                .get();
        try (CSVPrinter printer = new CSVPrinter(out, format)) {
            int number = 0;
            for (Segment s : segments(account, row)) {
                printer.printRecord(
                        ++number,
                        s.stage().label(),
                        Double.isInfinite(s.rate()) ? "full" : Show.exact(s.rate()),
                        Show.exact(s.target()),
                        s.hold(),
                        s.ruledBy());
            }
        }
        return file("program-" + id + ".csv", "text/csv").body(out.toString());
    }

    /** A program as a file. */
    public record Exported(String firing, double start_C, List<ExportedSegment> program) {}

    /** One segment; the rate is null for as fast as it can. */
    public record ExportedSegment(String stage, Double rate_K_h, double target_C, int hold_min, String ruled_by) {}

    @GetMapping("/firings/{id:\\d+}/program.json")
    public ResponseEntity<Exported> json(@AuthenticationPrincipal Account account, @PathVariable long id) {
        FiringStore.Row row = firings.found(account, id);
        return file("program-" + id + ".json", MediaType.APPLICATION_JSON_VALUE)
                .body(new Exported(
                        row.name(),
                        20,
                        segments(account, row).stream()
                                .map(s -> new ExportedSegment(
                                        s.stage().label(),
                                        Double.isInfinite(s.rate()) ? null : (Double) s.rate(),
                                        s.target(),
                                        s.hold(),
                                        s.ruledBy()))
                                .toList()));
    }

    private static ResponseEntity.BodyBuilder file(String name, String type) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"");
    }

    private List<Segment> segments(Account account, FiringStore.Row row) {
        return row.frozen()
                .map(Frozen::segments)
                .orElseGet(() ->
                        reader.read(account, row.fields(), LoadReader.Way.USUAL).segments());
    }

    /** To be keyed into a controller by hand, segment by segment, and to hang beside the kiln. */
    @GetMapping("/firings/{id:\\d+}/card")
    public String card(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        FiringStore.Row row = firings.found(account, id);
        LoadPlan plan = reader.read(account, row.fields(), LoadReader.Way.USUAL);
        List<Segment> segments = segments(account, row);
        Optional<BackPlan> clock = row.planned() ? plan.clock() : Optional.empty();
        boolean begun = !row.planned() && row.frozen().isPresent();
        Optional<Runs.Standing> standing = begun ? Optional.of(runs.standing(row)) : Optional.empty();
        List<Keyed> lines = new ArrayList<>();
        double from = 20;
        double minute = 0;
        for (Segment s : segments) {
            minute += s.rampMinutes(from) + s.hold();
            from = s.target();
            double at = minute;
            lines.add(keyed(
                    account,
                    lines.size() + 1,
                    s,
                    begun
                            ? Show.weekday(
                                    row.startedAt().atZone(account.zoneId()).plusSeconds(Math.round(at * 60)))
                            : clock.map(c -> Show.weekday(c.at(at))).orElseGet(() -> hours(at)),
                    standing.map(s2 -> was(account, s2, at)).orElse("")));
        }
        model.addAttribute("begun", begun);
        standing.ifPresent(s -> model.addAttribute("run", RunPage.of(row, s, store.events(row.id()), account)));
        model.addAttribute("startedAt", begun ? Show.dayAndClock(row.startedAt().atZone(account.zoneId())) : "");
        model.addAttribute("loaded", row.frozen().map(Frozen::load).orElse(List.of()));
        model.addAttribute("id", id);
        model.addAttribute("name", row.name());
        model.addAttribute("lines", lines);
        model.addAttribute(
                "kiln",
                row.frozen()
                        .map(Frozen::kiln)
                        .orElseGet(() -> plan.kiln().map(k -> k.name()).orElse("kiln")));
        model.addAttribute("control", plan.kiln().map(k -> k.control().says()).orElse(""));
        model.addAttribute("total", hours(minute));
        model.addAttribute("page", LoadPage.of(plan, account));
        model.addAttribute("pourAt", clock.map(c -> Show.dayAndClock(c.pour())).orElse(""));
        return "load/card";
    }

    /** What the kiln was at a minute of the program, by what was measured next to it; empty for what is still to come. */
    private static String was(Account account, Runs.Standing standing, double minute) {
        return standing.measured().samples().stream()
                .filter(m -> Math.abs(m.second() / 60 - minute) < NEXT_TO_MIN)
                .min(Comparator.comparingDouble(m -> Math.abs(m.second() / 60 - minute)))
                .map(m -> Show.value(m.celsius(), Measure.DEGREE_CELSIUS, account.units(), false)
                        .toString())
                .orElse(minute <= standing.second() / 60 ? "not measured" : "to come");
    }

    private static Keyed keyed(Account account, int number, Segment s, String ends, String was) {
        String target = Show.value(s.target(), Measure.DEGREE_CELSIUS, account.units(), false)
                .toString();
        boolean fahrenheit = target.endsWith("°F");
        String exact = fahrenheit
                ? Show.exact(s.target()) + " °C"
                : Show.exact(Measure.DEGREE_CELSIUS.to(Measure.DEGREE_FAHRENHEIT, s.target())) + " °F";
        return new Keyed(
                number,
                s.stage().label(),
                Double.isInfinite(s.rate())
                        ? "full"
                        : Show.value(s.rate(), Measure.KELVIN_PER_HOUR, account.units(), false)
                                .toString(),
                target,
                s.hold() == 0 ? "–" : hours(s.hold()),
                ends,
                exact,
                was);
    }

    private static String hours(double minutes) {
        long whole = Math.round(minutes);
        return String.format(Locale.ROOT, "%d:%02d", whole / 60, whole % 60);
    }
}

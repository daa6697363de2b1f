package kilnryu.app.load;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.logger.LoggerCsv;
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
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;

/** What was measured beside what was planned, and programs as files and on a card. */
@Controller
public class LogController {
    private final Firings firings;
    private final FiringStore store;
    private final Runs runs;
    private final KilnStore kilns;
    private final LoadReader reader;

    LogController(Firings firings, FiringStore store, Runs runs, KilnStore kilns, LoadReader reader) {
        this.firings = firings;
        this.store = store;
        this.runs = runs;
        this.kilns = kilns;
        this.reader = reader;
    }

    /** A line of the card. */
    public record Keyed(int number, String stage, String rate, String target, String hold, String ends, String exact) {}

    @GetMapping("/firings/{id:\\d+}/log")
    public String log(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        FiringStore.Row row = firings.found(account, id);
        if (row.planned()) {
            return "redirect:/firings/" + id;
        }
        return page(account, row, model);
    }

    private String page(Account account, FiringStore.Row row, Model model) {
        Runs.Standing standing = runs.standing(row);
        Deviation deviation = Deviation.of(standing);
        model.addAttribute("id", row.id());
        model.addAttribute("name", row.name());
        model.addAttribute("running", row.running());
        model.addAttribute("page", RunPage.of(row, standing, store.events(row.id()), account));
        model.addAttribute("deviation", deviation);
        model.addAttribute("stream", LoadPage.stations(row.id(), row.state(), "log", Optional.empty()));
        model.addAttribute("startedAt", Show.dayAndClock(row.startedAt().atZone(account.zoneId())));
        Long kiln = kiln(row);
        model.addAttribute("columns", kiln == null ? Map.of() : kilns.columns(kiln));
        return "load/log";
    }

    private static Long kiln(FiringStore.Row row) {
        String key = row.fields().getOrDefault("kiln", "");
        return key.matches("\\d{1,18}") ? Long.valueOf(key) : null;
    }

    @PostMapping("/firings/{id:\\d+}/log")
    @Transactional
    public String take(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(required = false) MultipartFile file,
            Model model,
            HttpServletResponse response)
            throws IOException {
        FiringStore.Row row = firings.found(account, id);
        if (row.planned()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT);
        }
        try {
            if (file == null || file.isEmpty()) {
                throw new LoggerCsv.Unusable("Choose the file first.");
            }
            Long kiln = kiln(row);
            Map<String, String> asked = new LinkedHashMap<>(kiln == null ? Map.of() : kilns.columns(kiln));
            for (String key : List.of("time", "temperature", "unit", "clock")) {
                String typed = form.getOrDefault("col_" + key, "").strip();
                if (!typed.isEmpty() && typed.length() <= 80) {
                    asked.put(key, typed);
                }
            }
            KilnLog log = KilnLog.read(
                    new String(file.getBytes(), StandardCharsets.UTF_8),
                    asked,
                    account.zoneId(),
                    start(account, row, form));
            store.forget(id, "log");
            store.samples(id, "log", log.samples());
            if (kiln != null) {
                kilns.keepColumns(kiln, log.columns());
            }
            store.event(account, id, 0, "log", log.samples().size() + " readings", Map.of());
            Runs.Standing now = runs.standing(row);
            store.event(
                    account,
                    id,
                    0,
                    "deviation",
                    "",
                    Deviation.of(now)
                            .data(now.second() / 60 - row.frozen().orElseThrow().minutes()));
            model.addAttribute(
                    "taken",
                    String.format(
                            Locale.ROOT,
                            "%,d readings taken in from \"%s\"%s.",
                            log.samples().size(),
                            log.columns().get("temperature"),
                            log.bad() > 0 ? ", " + log.bad() + " lines could not be read" : ""));
        } catch (LoggerCsv.Unusable e) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("fault", e.getMessage());
        }
        return page(account, row, model);
    }

    /** When the log's clock times count from: the start of the firing, or the first reading. */
    private static Optional<Instant> start(Account account, FiringStore.Row row, Map<String, String> form)
            throws LoggerCsv.Unusable {
        String from = form.getOrDefault("from", "first");
        if (from.equals("start")) {
            return Optional.of(row.startedAt());
        }
        String typed = form.getOrDefault("from_at", "").strip();
        if (from.equals("at") && !typed.isEmpty()) {
            try {
                return Optional.of(LocalDateTime.parse(typed.replace(' ', 'T'))
                        .atZone(account.zoneId())
                        .toInstant());
            } catch (DateTimeException e) {
                throw new LoggerCsv.Unusable("Type day and hour like 2026-05-08 18:30.");
            }
        }
        return Optional.empty();
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
                    clock.map(c -> Show.clock(c.at(at))).orElseGet(() -> hours(at))));
        }
        model.addAttribute("id", id);
        model.addAttribute("name", row.name());
        model.addAttribute("lines", lines);
        model.addAttribute("kiln", plan.kiln().map(k -> k.name()).orElse("kiln"));
        model.addAttribute("control", plan.kiln().map(k -> k.control().says()).orElse(""));
        model.addAttribute("total", hours(minute));
        model.addAttribute("page", LoadPage.of(plan, account));
        model.addAttribute("pourAt", clock.map(c -> Show.dayAndClock(c.pour())).orElse(""));
        return "load/card";
    }

    private static Keyed keyed(Account account, int number, Segment s, String ends) {
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
                exact);
    }

    private static String hours(double minutes) {
        long whole = Math.round(minutes);
        return String.format(Locale.ROOT, "%d:%02d", whole / 60, whole % 60);
    }
}

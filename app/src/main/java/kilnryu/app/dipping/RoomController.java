package kilnryu.app.dipping;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.device.SimulatedHygrometer;
import kilnryu.app.logger.LoggerCsv;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Air;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The page of the drying room: racks, hours, its usual day, and what was read of its air. */
@Controller
class RoomController {
    private static final int EMPTY_LINES = 2;
    private static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, -10, 50);
    private static final Range HUMIDITY = new Range(Measure.PERCENT, 0, 100);
    private static final Range SWING = new Range(Measure.STEP_KELVIN, 0, 15);

    private final RoomStore store;
    private final Shells shells;
    private final SimulatedHygrometer standIn;
    private final Clock clock;

    RoomController(RoomStore store, Shells shells, SimulatedHygrometer standIn, Clock clock) {
        this.store = store;
        this.shells = shells;
        this.standIn = standIn;
        this.clock = clock;
    }

    @GetMapping("/shells/room")
    String show(@AuthenticationPrincipal Account account, Model model) {
        RoomStore.Saved saved = store.of(account.studioId());
        return page(account, saved.fields(), saved.version(), false, model);
    }

    @PostMapping("/shells/room")
    String save(
            @AuthenticationPrincipal Account account,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        Map<String, String> typed = Fields.sent(form);
        Fields fields = Fields.typed(typed, account.units());
        Room.read(fields, account.zoneId());
        return new Saving(model, response)
                .saveOver(
                        fields,
                        () -> store.save(account.studioId(), version, fields.kept()),
                        between -> page(
                                account,
                                typed,
                                between ? store.of(account.studioId()).version() : version,
                                true,
                                model),
                        "/shells/room?saved");
    }

    /** How the stand-in stands: it takes the place of a hygrometer that is not connected. */
    @PostMapping("/shells/room/stand-in")
    String standIn(
            @AuthenticationPrincipal Account account,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        Fields fields = Fields.typed(form, account.units());
        OptionalDouble celsius = fields.required("set_C", ROOM);
        OptionalDouble humidity = fields.required("set_pct", HUMIDITY);
        double swing = fields.quantity("set_swing", SWING).orElse(0);
        if (fields.hasErrors()) {
            redirect.addFlashAttribute(
                    "fault", fields.errors().values().iterator().next());
            return "redirect:/shells/room";
        }
        standIn.set(
                account.studioId(),
                new SimulatedHygrometer.Setting(celsius.getAsDouble(), humidity.getAsDouble(), swing));
        return "redirect:/shells/room?set";
    }

    /** What the hygrometer shows now, into the log: from now on the room is as it says. */
    @PostMapping("/shells/room/read")
    String read(@AuthenticationPrincipal Account account) {
        Air air = shells.air(account);
        store.keep(
                account.studioId(),
                List.of(new RoomStore.Reading(
                        clock.instant(), air.celsius(), air.humidity(), OptionalDouble.of(air.speed()))),
                "read by hand");
        return "redirect:/shells/room?read";
    }

    @PostMapping("/shells/room/log")
    String log(
            @AuthenticationPrincipal Account account,
            @RequestParam(required = false) MultipartFile file,
            RedirectAttributes redirect)
            throws IOException {
        if (file == null || file.isEmpty()) {
            redirect.addFlashAttribute("fault", "Choose the logger's file first.");
            return "redirect:/shells/room";
        }
        try {
            LoggerFile.Read read = LoggerFile.read(LoggerCsv.Source.of(file), account.zoneId());
            store.keep(account.studioId(), read.readings(), "logger");
            redirect.addFlashAttribute(
                    "taken",
                    read.readings().size() + " readings taken in"
                            + (read.bad() > 0 ? ", " + read.bad() + " lines could not be read." : "."));
        } catch (LoggerCsv.Unusable e) {
            redirect.addFlashAttribute("fault", e.getMessage());
        }
        return "redirect:/shells/room";
    }

    private String page(Account account, Map<String, String> typed, int version, boolean showErrors, Model model) {
        Fields fields = Fields.typed(typed, account.units());
        Room.read(fields, account.zoneId());
        Instant now = clock.instant();
        List<RoomStore.Reading> readings = store.readings(account.studioId(), now.minus(Duration.ofDays(3)));
        SimulatedHygrometer.Setting set = standIn.setting(account.studioId());
        model.addAttribute("form", new SheetForm(fields, typed, showErrors, RoomFields.ALL));
        model.addAttribute("racks", fields.lines("racks", EMPTY_LINES));
        model.addAttribute("version", version);
        model.addAttribute("air", shells.air(account));
        model.addAttribute("setting", set);
        model.addAttribute(
                "drawing",
                AirDrawing.of(
                        shells.climate(
                                account, Room.saved(store.of(account.studioId()).fields(), account.zoneId())),
                        readings,
                        now,
                        account.zoneId()));
        model.addAttribute("readings", readings.size());
        return "dipping/room";
    }
}

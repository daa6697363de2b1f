package kilnryu.app.run;

import java.util.ArrayList;
import java.util.List;
import kilnryu.app.account.Account;
import kilnryu.app.load.LoadPage;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.web.Show;
import kilnryu.core.quantity.Measure;
import org.springframework.ui.Model;

/** A firing that cannot be reckoned anew: what was frozen of it, its program, and what was written down since. */
public final class KeptPage {
    private KeptPage() {}

    /** A segment as it was frozen. */
    public record Line(String stage, String rate, String target, String hold, String ruledBy) {}

    /** Something that happened. */
    public record Entry(String at, String what, String by) {}

    /** The load of a firing that was started: it cannot be changed any more, and is shown as it was frozen. */
    public static String load(Account account, FiringStore.Row row, List<FiringStore.Event> events, Model model) {
        into(account, row, events, model);
        model.addAttribute("why", "");
        model.addAttribute(
                "loaded",
                events.stream()
                        .filter(e -> e.kind().equals("loaded"))
                        .map(e -> new Entry(
                                e.data().getOrDefault("mark", ""),
                                e.subject(),
                                e.data().getOrDefault("stood", "")))
                        .toList());
        model.addAttribute("stream", LoadPage.stations(row.id(), row.state(), "load", java.util.Optional.empty()));
        return "load/kept";
    }

    public static String into(Account account, FiringStore.Row row, List<FiringStore.Event> events, Model model) {
        WorkRecord record = row.kept().record().orElse(null);
        model.addAttribute("id", row.id());
        model.addAttribute("name", row.name());
        model.addAttribute("running", row.running());
        model.addAttribute("endedAs", row.endedAs());
        model.addAttribute("why", row.kept().why());
        model.addAttribute("loaded", List.of());
        model.addAttribute("record", record);
        model.addAttribute("startedAt", Show.dayAndClock(row.startedAt().atZone(account.zoneId())));
        model.addAttribute("lines", record == null || record.course() == null ? List.of() : lines(account, record));
        model.addAttribute(
                "entries",
                events.stream()
                        .map(e -> new Entry(
                                Show.dayAndClock(e.at().atZone(account.zoneId())),
                                (e.kind() + " " + e.subject() + " "
                                                + e.data()
                                                        .getOrDefault(
                                                                "note", e.data().getOrDefault("why", "")))
                                        .strip(),
                                e.by() == null ? "" : e.by()))
                        .toList());
        return "load/kept";
    }

    private static List<Line> lines(Account account, WorkRecord record) {
        List<Line> lines = new ArrayList<>();
        for (WorkRecord.Line l : record.course().program()) {
            lines.add(new Line(
                    l.stage().replace('-', ' '),
                    l.ratePerH() == null
                            ? "full"
                            : Show.value(l.ratePerH(), Measure.KELVIN_PER_HOUR, account.units(), false)
                                    .toString(),
                    Show.value(l.targetC(), Measure.DEGREE_CELSIUS, account.units(), false)
                            .toString(),
                    Show.value(l.holdMin(), Measure.MINUTE, account.units(), false)
                            .toString(),
                    l.ruledBy()));
        }
        return lines;
    }
}

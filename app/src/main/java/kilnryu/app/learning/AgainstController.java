package kilnryu.app.learning;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.app.account.Account;
import kilnryu.app.run.FiringCurves;
import kilnryu.app.web.Show;
import kilnryu.core.learning.Learned;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** Plan and actual wherever both are on record, with what lies far off the others (needs 124, 133). */
@Controller
class AgainstController {
    private static final int MOST = 60;

    private final Offers offers;
    private final FiringCurves curves;

    AgainstController(Offers offers, FiringCurves curves) {
        this.offers = offers;
        this.curves = curves;
    }

    /** One thing that was planned and came. */
    public record Row(String name, String value, String interval, int count, int odd, String chart) {}

    /** Something far off the others. */
    public record Odd(String what, String of, String address, String planned, String actual, String ratio) {}

    /** A firing beside its program. */
    public record Curve(String name, String address, String usual, String most, String late, boolean odd, String by) {}

    @GetMapping("/log/against")
    String show(@AuthenticationPrincipal Account account, Model model) {
        List<Row> rows = new ArrayList<>();
        List<Odd> odd = new ArrayList<>();
        for (Offer o : offers.of(account)) {
            Learned l = o.learned();
            List<Learned.Pair> far = l.pairs().stream().filter(l.far()).toList();
            rows.add(new Row(
                    o.name(), o.lead().value(l), o.lead().interval(l), l.count(), far.size(), FactorChart.of(l)));
            far.forEach(p -> odd.add(new Odd(
                    o.name(),
                    p.of(),
                    o.addresses().getOrDefault(p, ""),
                    Show.digits(p.planned()) + " " + o.unit(),
                    Show.digits(p.actual()) + " " + o.unit(),
                    String.format(Locale.ROOT, "× %.2f", p.ratio()))));
        }
        List<Curve> fired = curves.of(account.studioId()).stream()
                .limit(MOST)
                .map(AgainstController::curve)
                .toList();
        model.addAttribute("rows", rows);
        model.addAttribute("odd", odd.stream().limit(MOST).toList());
        model.addAttribute("more", Math.max(0, odd.size() - MOST));
        model.addAttribute("curves", fired);
        model.addAttribute("oddCurves", fired.stream().filter(Curve::odd).count());
        return "learning/against";
    }

    private static Curve curve(FiringCurves.Curve c) {
        return new Curve(
                c.name(),
                "/firings/" + c.firing() + "/log",
                Math.round(c.usual()) + " K",
                Math.round(c.most()) + " K",
                Math.round(c.late()) + " min",
                c.odd(),
                c.standIn() ? "a stand-in, not measured" : "measured");
    }
}

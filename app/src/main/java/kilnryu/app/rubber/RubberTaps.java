package kilnryu.app.rubber;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Severity;
import kilnryu.core.flask.UnitGuard;
import kilnryu.core.quantity.Measure;
import kilnryu.core.rubber.RubberMold;

/** What may be tapped of a mold of rubber at its bench, and what is wrong with a tap. */
final class RubberTaps {
    static final List<String> FAULTS = List.of("torn", "bubble", "short", "thin", "seam", "dirt");
    /** A cup that is further off its ratio is not spread, %; our own limit. */
    private static final double MOST_OFF = 5;

    private RubberTaps() {}

    /** Of the coat that is next, g. */
    static Optional<Double> planned(RubberMolds.Mold mold, boolean base) {
        int on = mold.course().laid().size();
        return mold.sheet()
                .plan()
                .flatMap(p -> p.coats().isEmpty()
                        ? base ? p.base() : p.hardener()
                        : on < p.coats().size()
                                ? base
                                        ? p.coats().get(on).base()
                                        : p.coats().get(on).hardener()
                                : Optional.empty())
                .map(kilnryu.core.sum.Figure::value);
    }

    /** Both cups weighed, near what is planned, in their ratio. */
    static String coat(Account account, RubberMolds.Mold mold, Map<String, String> form, Map<String, String> fields) {
        Optional<RubberMold> plan = mold.sheet().plan();
        if (plan.isEmpty() || mold.course().retired()) {
            return "Nothing is planned to be laid: finish its sheet first.";
        }
        Fields read = Fields.typed(form, account.units());
        OptionalDouble base = read.quantity("base", Range.MASS);
        OptionalDouble hardener = read.quantity("hardener", Range.MASS);
        if (read.hasErrors() || base.isEmpty() || hardener.isEmpty()) {
            return read.errors().values().stream().findFirst().orElse("Weigh base and hardener before they are mixed.");
        }
        Optional<Double> planned = planned(mold, true);
        Optional<Measure> suspect = planned.flatMap(p -> UnitGuard.suspect(base.getAsDouble(), p));
        if (suspect.isPresent()) {
            return "Is the scale on " + suspect.get().symbol() + "? The base is far from the plan in g, but fits it in "
                    + suspect.get().symbol() + ".";
        }
        double per100 = mold.sheet().question().orElseThrow().hardenerPer100().orElse(0);
        double off = RubberMold.off(base.getAsDouble(), hardener.getAsDouble(), per100);
        if (Math.abs(off) > MOST_OFF) {
            return String.format(
                    Locale.ROOT,
                    "The hardener is %.0f %% %s: %.1f g go with %.0f g of base. Mend it before it is mixed.",
                    Math.abs(off),
                    off > 0 ? "too much" : "too little",
                    base.getAsDouble() * per100 / 100,
                    base.getAsDouble());
        }
        fields.put("base", Show.exact(base.getAsDouble()));
        fields.put("hardener", Show.exact(hardener.getAsDouble()));
        return "";
    }

    static String pull(RubberMolds.Mold mold, Map<String, String> form, Map<String, String> fields, Instant now) {
        if (!mold.ready(now)) {
            return "It is not cured: nothing is pulled from it yet.";
        }
        String fault = form.getOrDefault("fault", "");
        if (!fault.isEmpty() && !FAULTS.contains(fault)) {
            return "Choose what is wrong with it.";
        }
        fields.put("fault", fault);
        return "";
    }

    static String press(RubberMolds.Mold mold, String kind) {
        if (mold.sheet().vulcanising().isEmpty()) {
            return "It is not vulcanised.";
        }
        if (kind.equals("pressed")) {
            return mold.course().pressing().isEmpty() ? "It is not in the press." : "";
        }
        if (mold.course().pressing().isPresent() || mold.course().pressed()) {
            return "It was in the press already.";
        }
        return mold.sheet().vulcanising().get().findings().all().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .findFirst()
                .map(f -> f.message() + " " + f.remedy())
                .orElse("");
    }

    static String said(Map<String, String> form, Map<String, String> fields) {
        String says = OneLine.of(form.getOrDefault("says", ""));
        if (says.isEmpty()) {
            return "Say what was seen.";
        }
        fields.put("says", says);
        return "";
    }
}

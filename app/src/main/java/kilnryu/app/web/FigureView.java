package kilnryu.app.web;

import java.util.List;
import java.util.Set;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Spread;

/** A figure as a page shows it: its value in the reader's units, and its sum with all that went into it. */
public record FigureView(
        String symbol,
        String name,
        Show.Shown shown,
        String working,
        String formula,
        String substituted,
        String mark,
        String meaning,
        String known,
        String source,
        String handbook,
        String spread,
        List<FigureView> inputs,
        int more) {
    private static final int MOST_INPUTS = 12;
    private static final int DEEPEST = 8;
    /** Metal figures that a studio casting precious metal may want in troy units. */
    private static final Set<String> METAL = Set.of("cavity", "ratio_rule", "reserve", "charge", "heel");

    public boolean isComputed() {
        return !formula.isEmpty();
    }

    public boolean isReplaced() {
        return known.equals(Known.REPLACED.label());
    }

    /** Whether the reader's units differ from those the sum is done in. */
    public boolean isConverted() {
        return !shown.toString().equals(working);
    }

    public static FigureView of(Figure figure, Units units, boolean precious) {
        return of(figure, units, precious, 0);
    }

    private static FigureView of(Figure figure, Units units, boolean precious, int depth) {
        boolean troy = precious && METAL.contains(figure.symbol());
        Show.Shown shown = Show.value(figure.value(), figure.unit(), units, troy);
        List<FigureView> inputs = depth >= DEEPEST
                ? List.of()
                : figure.inputs().stream()
                        .limit(MOST_INPUTS)
                        .map(i -> of(i, units, precious, depth + 1))
                        .toList();
        return new FigureView(
                figure.symbol().replace('_', ' '),
                figure.name(),
                shown,
                Show.value(figure.value(), figure.unit(), Units.METRIC, false).toString(),
                figure.formula(),
                figure.substituted(),
                figure.mark().name(),
                figure.mark().meaning(),
                figure.known().label(),
                figure.source(),
                handbook(figure),
                depth == 0 ? spread(figure) : "",
                inputs,
                Math.max(0, figure.inputs().size() - MOST_INPUTS));
    }

    private static String handbook(Figure figure) {
        if (figure.known() != Known.REPLACED) {
            return "";
        }
        return figure.constant()
                .map(c -> Show.exact(c.value()) + " " + c.unit().symbol())
                .orElse("");
    }

    private static String spread(Figure figure) {
        if (!figure.isComputed()) {
            return "";
        }
        Spread spread = Spread.of(figure);
        if (spread.shares().isEmpty() || spread.deviation() < Math.abs(figure.value()) * 1e-4) {
            return "";
        }
        Spread.Share first = spread.shares().get(0);
        return "± " + Show.digits(2 * spread.deviation()) + " " + figure.unit().symbol() + ", "
                + Math.round(first.share() * 100) + " % of it from "
                + first.input().name();
    }
}

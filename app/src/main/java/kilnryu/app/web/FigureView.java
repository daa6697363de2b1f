package kilnryu.app.web;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
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
        return !shown.toString().equals(working) && !shown.digits().equals(working);
    }

    /** A price in the studio's money. */
    public FigureView in(String money) {
        return with(new Show.Shown(shown.digits(), money), inputs, more);
    }

    private FigureView withoutInputs() {
        return with(shown, List.of(), 0);
    }

    private FigureView with(Show.Shown otherwise, List<FigureView> itsInputs, int itsMore) {
        return new FigureView(
                symbol,
                name,
                otherwise,
                working,
                formula,
                substituted,
                mark,
                meaning,
                known,
                source,
                handbook,
                spread,
                itsInputs,
                itsMore);
    }

    /** Makes the views of one page, each sum once however often it is part of another. */
    public static final class Maker {
        private final Units units;
        private final boolean precious;
        private final Map<Figure, FigureView> made = new IdentityHashMap<>();

        public Maker(Units units, boolean precious) {
            this.units = units;
            this.precious = precious;
        }

        Units units() {
            return units;
        }

        /** A figure that stands for itself, with its spread; where it is part of a later sum, only its own line is. */
        public FigureView of(Figure figure) {
            FigureView view = make(figure, spread(figure, units, precious && METAL.contains(figure.symbol())));
            made.put(figure, view.withoutInputs());
            return view;
        }

        private FigureView input(Figure figure) {
            FigureView known = made.get(figure);
            if (known == null) {
                known = make(figure, "");
                made.put(figure, known);
            }
            return known;
        }

        private FigureView make(Figure figure, String spread) {
            boolean troy = precious && METAL.contains(figure.symbol());
            return new FigureView(
                    figure.symbol().replace('_', ' '),
                    figure.name(),
                    Show.value(figure.value(), figure.unit(), units, troy),
                    Show.value(figure.value(), figure.unit(), Units.METRIC, false)
                            .toString(),
                    figure.formula(),
                    figure.substituted(),
                    figure.mark().name(),
                    figure.mark().meaning(),
                    figure.known().label(),
                    figure.source(),
                    handbook(figure),
                    spread,
                    figure.inputs().stream().limit(MOST_INPUTS).map(this::input).toList(),
                    Math.max(0, figure.inputs().size() - MOST_INPUTS));
        }
    }

    private static String handbook(Figure figure) {
        if (figure.known() != Known.REPLACED) {
            return "";
        }
        return figure.constant()
                .map(c -> Show.exact(c.value()) + " " + c.unit().symbol())
                .orElse("");
    }

    private static String spread(Figure figure, Units units, boolean troy) {
        if (!figure.isComputed()) {
            return "";
        }
        Spread spread = Spread.of(figure);
        if (spread.shares().isEmpty() || spread.deviation() < Math.abs(figure.value()) * 1e-4) {
            return "";
        }
        Spread.Share first = spread.shares().get(0);
        return Show.plusMinus(2 * spread.deviation(), figure.value(), figure.unit(), units, troy) + ", "
                + Math.round(first.share() * 100) + " % of it from "
                + first.input().name();
    }
}

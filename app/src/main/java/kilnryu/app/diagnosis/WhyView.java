package kilnryu.app.diagnosis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Units;
import kilnryu.core.diagnosis.Cause;
import kilnryu.core.diagnosis.Diagnosis;
import kilnryu.core.diagnosis.FactKey;

/**
 * Causes in their order, as a page shows them.
 *
 * @param leading those that may have been, the likeliest first
 * @param others unlikely ones
 * @param out ruled out, with the fact
 */
public record WhyView(
        String title,
        String table,
        List<CauseView> leading,
        List<CauseView> others,
        List<CauseView> out,
        List<AskView> asks) {
    private static final int MOST_LEADING = 4;
    private static final int MOST_UNKNOWN = 3;

    /** A line of evidence. @param address where it stands on record; empty where it follows from the question */
    public record Line(String words, String address) {}

    public record CauseView(
            String id,
            String name,
            int rank,
            String word,
            List<Line> speaksFor,
            List<Line> against,
            String unknown,
            String change,
            String lookAt,
            boolean confirmed) {}

    /** Something to find out. @param choices empty where a number is asked */
    public record AskView(String fact, String label, List<Choice> choices, String unit, String cost) {}

    public record Choice(String value, String label) {}

    static WhyView of(String title, Diagnosis d, OnRecord found, Units units, String confirmed) {
        List<CauseView> leading = new ArrayList<>();
        List<CauseView> others = new ArrayList<>();
        List<CauseView> out = new ArrayList<>();
        for (Diagnosis.Ranked r : d.causes()) {
            CauseView view = view(r, found, units, confirmed);
            boolean leads = r.word() == Diagnosis.Word.LIKELY || r.word() == Diagnosis.Word.POSSIBLE;
            (r.isRuledOut() ? out : leads && leading.size() < MOST_LEADING ? leading : others).add(view);
        }
        return new WhyView(
                title,
                d.table(),
                leading,
                others,
                out.stream().filter(c -> !c.against.isEmpty()).toList(),
                d.asks().stream().map(WhyView::ask).toList());
    }

    private static CauseView view(Diagnosis.Ranked r, OnRecord found, Units units, String confirmed) {
        Cause c = r.cause();
        List<String> unknown =
                r.unknown().stream().map(FactKey::inFull).distinct().toList();
        String shown = String.join("; ", unknown.subList(0, Math.min(MOST_UNKNOWN, unknown.size())))
                + (unknown.size() > MOST_UNKNOWN ? "; and " + (unknown.size() - MOST_UNKNOWN) + " more" : "");
        return new CauseView(
                c.id(),
                c.name(),
                r.rank(),
                r.word().words(),
                lines(r.speaksFor(), found, units),
                lines(r.against(), found, units),
                shown,
                Spoken.in(c.change(), units),
                c.lookAt(),
                c.id().equals(confirmed));
    }

    private static List<Line> lines(List<Diagnosis.Evidence> all, OnRecord found, Units units) {
        return all.stream()
                .map(e -> new Line(
                        Spoken.in(e.words(), units),
                        e.about().stream()
                                .sorted()
                                .map(found::place)
                                .filter(p -> !p.isEmpty())
                                .findFirst()
                                .orElse("")))
                .toList();
    }

    private static AskView ask(Diagnosis.Ask a) {
        FactKey key = a.fact();
        return new AskView(
                key.key(),
                key.inFull(),
                key.words().stream()
                        .map(w -> new Choice(w, w.replace('-', ' ')))
                        .toList(),
                key.unit(),
                switch (key.cost()) {
                    case LOOK -> "look at it";
                    case MEASURE -> "measure it";
                    case CUT -> "cut or assay it";
                    default -> "if anyone remembers";
                });
    }

    /** The one change with the most to gain: of the likeliest cause; empty where nothing leads. */
    public Optional<CauseView> first() {
        return leading.stream().findFirst();
    }
}

package kilnryu.app.web;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.core.finding.Finding;

/**
 * A check as shown, with the sum behind it.
 *
 * @param sum null when it came from a choice
 * @param number that stands on the drawing too, 0 for none
 * @param also the same at further places
 */
public record FindingView(
        String id,
        String severity,
        boolean safety,
        String place,
        String message,
        String reason,
        String remedy,
        FigureView sum,
        int number,
        List<FindingView> also) {

    public static FindingView of(Finding found, FigureView.Maker views, int number) {
        Finding finding = Spoken.in(found, views.units());
        return new FindingView(
                finding.id(),
                finding.severity().name().toLowerCase(Locale.ROOT),
                finding.safety(),
                finding.place(),
                finding.message(),
                finding.reason(),
                finding.remedy(),
                finding.figureBehind().map(views::of).orElse(null),
                number,
                List.of());
    }

    /** Findings that say the same of several places, each once, at the first of them; in the order they came. */
    public static List<FindingView> grouped(List<FindingView> all) {
        Map<List<Object>, List<FindingView>> alike = new LinkedHashMap<>();
        for (FindingView f : all) {
            String kind = f.id.replaceFirst("\\..*", "");
            alike.computeIfAbsent(List.of(kind, f.severity, f.safety, f.reason, f.remedy), k -> new ArrayList<>())
                    .add(f);
        }
        return alike.values().stream()
                .map(group -> group.get(0).with(group.subList(1, group.size())))
                .toList();
    }

    private FindingView with(List<FindingView> others) {
        return new FindingView(id, severity, safety, place, message, reason, remedy, sum, number, List.copyOf(others));
    }
}

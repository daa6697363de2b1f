package kilnryu.app.web;

import java.util.Locale;
import kilnryu.core.finding.Finding;

/**
 * A check as shown, with the sum behind it.
 *
 * @param sum null when it came from a choice
 * @param number that stands on the drawing too, 0 for none
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
        int number) {

    public static FindingView of(Finding finding, FigureView.Maker views, int number) {
        return new FindingView(
                finding.id(),
                finding.severity().name().toLowerCase(Locale.ROOT),
                finding.safety(),
                finding.place(),
                finding.message(),
                finding.reason(),
                finding.remedy(),
                finding.figureBehind().map(views::of).orElse(null),
                number);
    }
}

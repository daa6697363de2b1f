package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Units;
import tools.jackson.databind.json.JsonMapper;

/** A plan as it goes into a record: its document, and figures and findings as they are shown to the one who begins. */
public final class PlanRecord {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private PlanRecord() {}

    /** @param tree its number, 0 where the record is of one tree alone */
    public static WorkRecord.Planned of(long tree, Plan plan) {
        Units units = plan.reading().units();
        FigureView.Maker views = new FigureView.Maker(units, plan.precious());
        List<WorkRecord.Shown> shown = new ArrayList<>();
        PlanDocument.figures(plan).values().stream().filter(f -> f != null).forEach(f -> {
            FigureView view = views.of(f);
            String sum = view.isComputed() ? view.formula() + " = " + view.substituted() : "";
            shown.add(new WorkRecord.Shown(view.name(), view.shown().toString(), view.spread(), sum));
        });
        List<WorkRecord.Said> said = plan.findings().all().stream()
                .map(f -> new WorkRecord.Said(
                        f.severity().name().toLowerCase(Locale.ROOT),
                        Spoken.in(f.message(), units),
                        Spoken.in(f.remedy(), units)))
                .toList();
        return new WorkRecord.Planned(tree, plan.name(), shown, said, JSON.valueToTree(PlanDocument.write(plan)));
    }
}

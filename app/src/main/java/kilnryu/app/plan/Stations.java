package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.List;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;

/** The stream of a tree: where it stands, stage by stage. */
public final class Stations {
    private Stations() {}

    /** @param saved null for a tree that is not saved yet */
    public static List<Station> of(Plans.Saved saved, Plan plan, String open, List<Station.Source> later) {
        String base = saved == null ? "" : "/trees/" + saved.row().id();
        List<Station> stations = new ArrayList<>();
        stations.add(station(
                "Tree",
                plan.tree()
                        .map(t -> Show.value(t.treeVolume().value(), Measure.CUBIC_CENTIMETRE, Units.METRIC, false)
                                .toString())
                        .orElse("not complete"),
                base.isEmpty() ? "" : base + "/tree",
                open.equals("tree"),
                plan.tree().isPresent()));
        stations.add(station(
                "Gating",
                plan.gating()
                        .map(g -> g.plan().placing().singles().size() + " parts placed")
                        .orElse("not built yet"),
                base.isEmpty() ? "" : base + "/gating",
                open.equals("gating"),
                plan.gating().isPresent()));
        stations.add(station(
                "Mold",
                plan.flask()
                        .map(f -> Math.round(f.flask().innerDiameter().millimetres()) + " × "
                                + Math.round(f.flask().height().millimetres()) + " mm")
                        .or(() -> plan.block()
                                .map(b -> "block, " + Show.value(b.wet().value(), Measure.GRAM, Units.METRIC, false)))
                        .or(() -> plan.shell()
                                .map(s -> "shell, " + s.plan().recipe().coats().size() + " coats"))
                        .orElse("no mold yet"),
                base.isEmpty() ? "" : base + "/mold",
                open.equals("mold"),
                plan.flask().isPresent()
                        || plan.block().isPresent()
                        || plan.shell().isPresent()));
        if (saved != null) {
            later.forEach(source -> source.of(saved, open, base).ifPresent(stations::add));
        }
        boolean programmed =
                plan.firing().map(f -> !f.program().segments().isEmpty()).orElse(false);
        var clock = plan.firing().flatMap(f -> f.clock());
        stations.add(station(
                "Firing",
                clock.map(c -> "close " + Show.clock(c.at(0))).orElse(programmed ? "no hour yet" : "no program yet"),
                base.isEmpty() ? "" : base + "/firing",
                open.equals("firing"),
                clock.isPresent()));
        stations.add(station(
                "Pour",
                clock.map(c -> Show.dayAndClock(c.pour())).orElse("bench card"),
                base.isEmpty() ? "" : base + "/card",
                open.equals("card"),
                false));
        return stations;
    }

    private static Station station(String label, String status, String address, boolean open, boolean done) {
        return new Station(label, status, address, open ? "now" : done ? "done" : "next");
    }
}

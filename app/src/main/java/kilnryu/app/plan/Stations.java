package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.flask.Flask;
import kilnryu.core.quantity.Measure;

/** The stream of a tree: where it stands, stage by stage. */
final class Stations {
    private Stations() {}

    /** @param saved null for a tree that is not saved yet */
    static List<Station> of(
            Plans.Saved saved, Plan plan, String open, List<Station.Source> later, Optional<Berth> berth) {
        Units units = plan.reading().units();
        String base = saved == null ? "" : "/trees/" + saved.row().id();
        List<Station> stations = new ArrayList<>();
        stations.add(stopped(
                plan,
                "tree",
                station(
                        "Tree",
                        plan.tree()
                                .map(t -> Show.value(t.treeVolume().value(), Measure.CUBIC_CENTIMETRE, units, false)
                                        .toString())
                                .orElse("not complete"),
                        base.isEmpty() ? "" : base + "/tree",
                        open.equals("tree"),
                        plan.tree().isPresent())));
        stations.add(stopped(
                plan,
                "gating",
                station(
                        "Gating",
                        plan.gating()
                                .map(g -> g.plan().placing().singles().size() + " parts placed")
                                .orElse("not built yet"),
                        base.isEmpty() ? "" : base + "/gating",
                        open.equals("gating"),
                        plan.gating().isPresent())));
        stations.add(stopped(
                plan,
                "mold",
                station(
                        "Mold",
                        plan.flask()
                                .map(f -> size(f.flask(), units))
                                .or(() -> plan.block()
                                        .map(b -> "block, " + Show.value(b.wet().value(), Measure.GRAM, units, false)))
                                .or(() -> plan.shell()
                                        .map(s -> "shell, "
                                                + s.plan().recipe().coats().size() + " coats"))
                                .orElse("no mold yet"),
                        base.isEmpty() ? "" : base + "/mold",
                        open.equals("mold"),
                        plan.flask().isPresent()
                                || plan.block().isPresent()
                                || plan.shell().isPresent())));
        if (saved != null) {
            later.forEach(source -> source.of(saved, open, base).ifPresent(stations::add));
        }
        boolean programmed =
                plan.firing().map(f -> !f.program().segments().isEmpty()).orElse(false);
        var clock = plan.firing().flatMap(f -> f.clock());
        boolean fired =
                berth.map(b -> b.state().compareTo(Berth.State.IN_THE_KILN) > 0).orElse(false);
        stations.add(stopped(
                plan,
                "firing",
                station(
                        "Firing",
                        berth.map(b -> b.name() + ", " + b.state().label()
                                        + b.close()
                                                .filter(c -> !fired)
                                                .map(c -> ", close " + Show.weekday(c))
                                                .orElse(""))
                                .orElseGet(() -> clock.map(c -> "close " + Show.weekday(c.at(0)))
                                        .orElse(programmed ? "no hour yet" : "no program yet")),
                        base.isEmpty() ? "" : base + "/firing",
                        open.equals("firing"),
                        fired || berth.isEmpty() && clock.isPresent())));
        stations.add(station(
                "Pour",
                berth.isPresent()
                        ? berth.get()
                                .pour()
                                .map(p -> (berth.get().state() == Berth.State.POURED ? "poured " : "")
                                        + Show.dayAndClock(p))
                                .orElse("no hour yet")
                        : clock.map(c -> Show.dayAndClock(c.pour())).orElse("bench card"),
                base.isEmpty() ? "" : base + "/card",
                open.equals("card"),
                berth.map(b -> b.state() == Berth.State.POURED).orElse(false)));
        return stations;
    }

    /** A stage against which stops stand is never shown as done. */
    private static Station stopped(Plan plan, String page, Station station) {
        int stops = plan.found().byPage().get(page).stops().size();
        return stops == 0
                ? station
                : new Station(
                        station.label(),
                        (stops == 1 ? "1 stop" : stops + " stops") + ": " + station.status(),
                        station.address(),
                        station.state().equals("now") ? "now stopped" : "stopped");
    }

    private static String size(Flask flask, Units units) {
        Show.Shown across = Show.value(flask.innerDiameter().millimetres(), Measure.MILLIMETRE, units, false);
        return across.digits() + " × " + Show.value(flask.height().millimetres(), Measure.MILLIMETRE, units, false);
    }

    private static Station station(String label, String status, String address, boolean open, boolean done) {
        return new Station(label, status, address, open ? "now" : done ? "done" : "next");
    }
}

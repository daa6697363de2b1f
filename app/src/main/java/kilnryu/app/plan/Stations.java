package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.finding.Findings;
import kilnryu.core.finding.Severity;
import kilnryu.core.flask.Flask;
import kilnryu.core.quantity.Measure;

/** The stream of a tree: where it stands, stage by stage. */
final class Stations {
    private final Plan plan;
    private final Units units;
    private final String base;
    private final String open;
    private final Optional<Berth> berth;

    private Stations(Plan plan, String base, String open, Optional<Berth> berth) {
        this.plan = plan;
        this.units = plan.reading().units();
        this.base = base;
        this.open = open;
        this.berth = berth;
    }

    /** @param saved null for a tree that is not saved yet */
    static List<Station> of(
            Plans.Saved saved, Plan plan, String open, List<Station.Source> later, Optional<Berth> berth) {
        String base = saved == null ? "" : "/trees/" + saved.row().id();
        Stations stations = new Stations(plan, base, open, berth);
        List<Station> all = new ArrayList<>();
        if (saved != null) {
            later.stream()
                    .filter(Station.Source::beforeTheTree)
                    .forEach(source -> source.of(saved, open, base).ifPresent(all::add));
        }
        all.addAll(List.of(stations.tree(), stations.gating(), stations.mold()));
        if (saved != null) {
            later.stream()
                    .filter(s -> !s.afterTheKiln() && !s.beforeTheTree())
                    .forEach(source -> source.of(saved, open, base).ifPresent(all::add));
        }
        all.add(stations.firing());
        if (saved != null) {
            later.stream()
                    .filter(Station.Source::afterTheKiln)
                    .forEach(source -> source.of(saved, open, base).ifPresent(all::add));
        }
        if (all.stream().noneMatch(s -> s.label().equals("Pour"))) {
            all.add(afterMelt(all), stations.pour());
        }
        return all;
    }

    /** Where the pour has its place: after melt or firing, whatever comes later. */
    private static int afterMelt(List<Station> all) {
        int at = all.size();
        for (int i = 0; i < all.size(); i++) {
            at = all.get(i).label().equals("Melt") || all.get(i).label().equals("Firing") ? i + 1 : at;
        }
        return at;
    }

    /** The first stage, after the one that is open, that is not done; before it where all behind it are. */
    static Optional<Station> next(List<Station> stations) {
        int open = 0;
        for (int i = 0; i < stations.size(); i++) {
            open = stations.get(i).state().startsWith("now") ? i : open;
        }
        List<Station> order = new ArrayList<>(stations.subList(open + 1, stations.size()));
        order.addAll(stations.subList(0, open));
        return order.stream()
                .filter(s -> !s.address().isEmpty() && s.state().startsWith("next"))
                .findFirst();
    }

    private Station tree() {
        String volume = plan.tree()
                .map(t -> Show.value(t.treeVolume().value(), Measure.CUBIC_CENTIMETRE, units, false)
                        .toString())
                .orElse("not complete");
        return stopped("tree", station("Tree", volume, "tree", plan.tree().isPresent()));
    }

    private Station gating() {
        String parts = plan.gating()
                .map(g -> g.plan().placing().singles().size() + " parts placed")
                .orElse("not built yet");
        return stopped(
                "gating", station("Gating", parts, "gating", plan.gating().isPresent()));
    }

    private Station mold() {
        Optional<String> mold = plan.flask()
                .map(f -> size(f.flask()))
                .or(() -> plan.block().map(b -> "block, " + Show.value(b.wet().value(), Measure.GRAM, units, false)))
                .or(() -> plan.shell()
                        .map(s -> "shell, " + s.plan().recipe().coats().size() + " coats"));
        return stopped("mold", station("Mold", mold.orElse("no mold yet"), "mold", mold.isPresent()));
    }

    private String size(Flask flask) {
        Show.Shown across = Show.value(flask.innerDiameter().millimetres(), Measure.MILLIMETRE, units, false);
        return across.digits() + " × " + Show.value(flask.height().millimetres(), Measure.MILLIMETRE, units, false);
    }

    private Optional<BackPlan> clock() {
        return plan.firing().flatMap(f -> f.clock());
    }

    private Station firing() {
        boolean programmed =
                plan.firing().map(f -> !f.program().segments().isEmpty()).orElse(false);
        boolean fired =
                berth.map(b -> b.state().compareTo(Berth.State.IN_THE_KILN) > 0).orElse(false);
        String status = berth.map(b -> inLoad(b, fired))
                .orElseGet(() -> clock().map(c -> "close " + Show.weekday(c.at(0)))
                        .orElse(programmed ? "no hour yet" : "no program yet"));
        return stopped("firing", station("Firing", status, "firing", fired || berth.isEmpty() && clock().isPresent()));
    }

    private static String inLoad(Berth load, boolean fired) {
        String close = load.close()
                .filter(c -> !fired)
                .map(c -> ", close " + Show.weekday(c))
                .orElse("");
        return load.name() + ", " + load.state().label() + close;
    }

    private Station pour() {
        boolean poured = berth.map(b -> b.state() == Berth.State.POURED).orElse(false);
        String own = clock().map(c -> Show.dayAndClock(c.pour())).orElse("bench card");
        String status = berth.map(b -> b.pour()
                        .map(p -> (poured ? "poured " : "") + Show.dayAndClock(p))
                        .orElse("no hour yet"))
                .orElse(own);
        return station("Pour", status, "card", poured);
    }

    private Station station(String label, String status, String page, boolean done) {
        String state = open.equals(page) ? "now" : done ? "done" : "next";
        return new Station(label, status, base.isEmpty() ? "" : base + "/" + page, state);
    }

    /** A stage against which stops stand is never shown as done; warnings are marked. */
    private Station stopped(String page, Station station) {
        Findings found = plan.found().byPage().get(page);
        int stops = found.stops().size();
        boolean now = station.state().equals("now");
        if (stops > 0) {
            String counted = (stops == 1 ? "1 stop" : stops + " stops") + ": " + station.status();
            return new Station(station.label(), counted, station.address(), now ? "now stopped" : "stopped");
        }
        boolean warned = found.all().stream().anyMatch(f -> f.severity() == Severity.WARN);
        return warned
                ? new Station(station.label(), station.status(), station.address(), station.state() + " warned")
                : station;
    }
}

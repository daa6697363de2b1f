package kilnryu.app.load;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.app.kiln.StudioKiln;
import kilnryu.app.plan.Plan;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Subject;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.tree.Crucible;

/** What stands against a load and its kiln, beside what the simulation finds. */
final class LoadChecks {
    private LoadChecks() {}

    /** What a kiln lags by the studio's own log, so that it is closed sooner. */
    static Findings lag(double times, Optional<BurnoutProgram> program) {
        if (times <= 1 || program.filter(p -> !p.segments().isEmpty()).isEmpty()) {
            return Findings.NONE;
        }
        return new Findings(List.of(Finding.note(
                "kiln-lag",
                "program",
                String.format(
                        Locale.ROOT,
                        "This kiln takes %.2f times what its programs ask, yours: %.0f min more are in the last hold.",
                        times,
                        (times - 1) * program.get().minutes()),
                "A kiln that lags lets the molds wait for their heat, and the pour for the molds.",
                "Nothing to do. Give the factor back under Your own factors, when the kiln was mended.")));
    }

    /** Whether what leads the kiln can lead it through this program. */
    static Findings control(StudioKiln kiln, Optional<BurnoutProgram> program) {
        List<Finding> found = new ArrayList<>();
        List<Segment> segments = program.map(BurnoutProgram::segments).orElse(List.of());
        if (kiln.segments().isPresent() && segments.size() > kiln.segments().getAsInt()) {
            found.add(Finding.stop(
                    "too-many-segments",
                    "program",
                    String.format(
                            Locale.ROOT,
                            "The program has %d segments; the controller of %s takes %d.",
                            segments.size(),
                            kiln.name(),
                            kiln.segments().getAsInt()),
                    "What does not fit is not fired.",
                    "Join segments that have no hold, or key it in as two programs."));
        }
        boolean ramped = segments.stream().anyMatch(s -> Double.isFinite(s.rate()));
        if (!kiln.control().ramps() && ramped) {
            found.add(Finding.warn(
                    "no-ramps",
                    "program",
                    kiln.name() + " has " + kiln.control().label() + ": it knows no ramps.",
                    "It goes up as fast as it can: the rim of a mold is far ahead of its middle.",
                    "Take the school \"switch kiln, by steps\"."));
        }
        if (kiln.control() == StudioKiln.Control.FIRE) {
            found.add(
                    Finding.note(
                            "fire",
                            "kiln",
                            "A fire or burner is steered by hand; the curve is a wish and no promise.",
                            "Gusts and flames heat one side; nothing here foresees them.",
                            "Two thermocouples or cones beside the molds, read and written down every quarter of an hour; damper and fuel by them."));
        }
        return new Findings(found);
    }

    /** Molds of different investments in one program. */
    static Findings sharing(List<Subject> load) {
        double lowest =
                load.stream().mapToDouble(s -> s.system().burnoutC()).min().orElse(0);
        double highest =
                load.stream().mapToDouble(s -> s.system().burnoutC()).max().orElse(0);
        if (!(highest > lowest)) {
            return Findings.NONE;
        }
        return new Findings(List.of(Finding.note(
                "different-systems",
                "molds",
                String.format(
                        Locale.ROOT,
                        "Different investments: the load burns out at %.0f °C, the lowest of them; %.0f is usual for the other.",
                        lowest,
                        highest),
                "The one that stands least rules.",
                "The hold is longer for it; or two firings.")));
    }

    /** The metal of all molds against the crucible on file, and each mold against who carries it. */
    static Findings melts(List<Stand> stands) {
        List<Finding> found = new ArrayList<>();
        Map<Alloy, List<Figure>> charges = new LinkedHashMap<>();
        for (Stand s : stands) {
            s.saved()
                    .plan()
                    .tree()
                    .ifPresent(t -> charges.computeIfAbsent(t.tree().alloy(), a -> new ArrayList<>())
                            .add(s.saved().plan().weighed().map(w -> w.charge()).orElse(t.charge())));
            Stream.of(s.saved().plan().found().tree(), s.saved().plan().found().mold())
                    .flatMap(f -> f.all().stream())
                    .filter(f -> f.id().equals("crucible") || f.id().equals("lift") || f.id().startsWith("lift."))
                    .map(f -> of(s, f))
                    .forEach(found::add);
        }
        charges.forEach((alloy, each) -> {
            Figure all = Figure.computed("charge", "charge of the load", Measure.GRAM)
                    .total(each);
            Plan.Reading reading = stands.get(0).saved().plan().reading();
            Crucible crucible = reading.hands().crucible();
            crucible.fill(alloy, all, reading.factors())
                    .filter(f -> f.value() > 1)
                    .ifPresent(f -> found.add(Finding.note(
                                    "melts." + alloy.key(),
                                    "molds",
                                    String.format(
                                            Locale.ROOT,
                                            "%s: %.1f kg in all, at least %d melts.",
                                            alloy.label(),
                                            all.value() / 1000,
                                            crucible.melts(alloy, all, reading.factors())
                                                    .orElseThrow()),
                                    "The crucible does not hold it at once; the molds cool while the next melt comes up.",
                                    "Melt the largest share first, keep the heel; molds stay in the kiln until their melt is ready.")
                            .from(f)));
        });
        return new Findings(found);
    }

    private static Finding of(Stand stand, Finding f) {
        return new Finding(
                f.id() + "." + stand.key(),
                f.severity(),
                f.safety(),
                "molds[" + stand.key() + "]",
                stand.name() + ": " + f.message(),
                f.reason(),
                f.remedy(),
                f.figureBehind().orElse(null));
    }

    /** The usual cautions of a load, at the place where it is planned. */
    static Findings cautions(List<Stand> stands, Optional<StudioKiln> kiln) {
        List<Finding> found = new ArrayList<>();
        boolean unknown = stands.stream()
                .flatMap(s -> s.subject().stream())
                .anyMatch(s -> s.patterns().contains(PatternMaterial.UNKNOWN_PLASTIC));
        if (unknown) {
            found.add(Finding.warn(
                    "unknown-material",
                    "molds",
                    "A pattern of unknown plastic is in the load.",
                    "It may give off hydrogen chloride or cyanide; PVC eats the kiln.",
                    "Burn a scrap outdoors first and name the material; its first firing is never left alone."));
        }
        if (!stands.isEmpty() && kiln.isEmpty()) {
            found.add(Finding.note(
                    "no-kiln",
                    "kiln",
                    "No kiln is chosen: the program is followed exactly.",
                    "A loaded kiln lags its program; energy and places are not known.",
                    "Choose the kiln."));
        }
        return new Findings(found);
    }
}

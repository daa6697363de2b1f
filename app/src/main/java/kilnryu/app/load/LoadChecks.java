package kilnryu.app.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.app.kiln.StudioKiln;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Subject;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.PatternMaterial;

/** What stands against a load and its kiln, beside what the simulation finds. */
final class LoadChecks {
    private LoadChecks() {}

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
                    kiln.name() + " is led by " + kiln.control().label() + ": it knows no ramps.",
                    "It goes up as fast as it can: the rim of a mold is far ahead of its middle.",
                    "Take the school \"switch kiln, by steps\"."));
        }
        if (kiln.control() == StudioKiln.Control.FIRE) {
            found.add(
                    Finding.note(
                            "fire",
                            "kiln",
                            "A fire or burner is led by hand; the curve is a wish and no promise.",
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

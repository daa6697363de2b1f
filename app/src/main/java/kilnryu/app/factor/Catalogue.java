package kilnryu.app.factor;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.block.BlockPlanner;
import kilnryu.core.block.Moisture;
import kilnryu.core.block.SilicateSand;
import kilnryu.core.burnout.ProgramGenerator;
import kilnryu.core.burnout.ShellFiring;
import kilnryu.core.flask.Clearances;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.flask.MixSession;
import kilnryu.core.foresight.Foresight;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.SectionFreezing;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.Blend;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.melt.Furnace;
import kilnryu.core.piece.Shrinkage;
import kilnryu.core.piece.Split;
import kilnryu.core.pour.PourCrew;
import kilnryu.core.rubber.Material;
import kilnryu.core.rubber.RubberMold;
import kilnryu.core.rubber.Vulcanising;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.Drying;
import kilnryu.core.shell.SandBed;
import kilnryu.core.shell.ShellPlanner;
import kilnryu.core.shell.ShellSchool;
import kilnryu.core.shell.SlurryCare;
import kilnryu.core.shell.Strength;
import kilnryu.core.sum.Constant;
import kilnryu.core.tree.TreePlanner;
import kilnryu.core.wax.Slush;

/** All constants a studio may replace, by stage of the work. */
public final class Catalogue {

    /** Constants that belong together. */
    public record Group(String name, List<Constant> constants) {}

    private static final List<Group> GROUPS = List.of(
            group("Pattern materials", PatternMaterial.constants()),
            group("Alloys and melt loss", Alloy.constants()),
            group("Charge", TreePlanner.constants()),
            group("Gating", GatingPlanner.constants()),
            group("Pattern size", Shrinkage.constants()),
            group("Sections", Split.constants()),
            group("Investments", InvestmentSystem.constants()),
            group("Mixing and flask", FlaskPlanner.constants()),
            group("Clearances", Clearances.constants()),
            group("Bowls", MixSession.constants()),
            group("Blends", Blend.constants()),
            group(
                    "Blocks",
                    Stream.concat(BlockPlanner.constants().stream(), Moisture.constants().stream())
                            .toList()),
            group("Silicate sand", SilicateSand.constants()),
            group("Coats of a shell", Coat.constants()),
            group(
                    "Shells",
                    Stream.of(
                                    ShellSchool.constants(),
                                    ShellPlanner.constants(),
                                    Strength.constants(),
                                    SandBed.constants())
                            .flatMap(List::stream)
                            .toList()),
            group("Drying of shells", Drying.constants()),
            group("Slurry", SlurryCare.constants()),
            group("Dewax", Dewax.constants()),
            group("Fire of shells", ShellFiring.constants()),
            group("Burnout", ProgramGenerator.constants()),
            group("Superheat", Section.constants()),
            group("Melt", Furnace.constants()),
            group("Pour", PourCrew.constants()),
            group(
                    "Freezing",
                    Stream.concat(SectionFreezing.constants().stream(), Foresight.constants().stream())
                            .toList()),
            group(
                    "Rubber and wax",
                    Stream.of(Material.constants(), RubberMold.constants(), List.of(Vulcanising.EACH_3_MM, Slush.OWN))
                            .flatMap(List::stream)
                            .toList()));

    private Catalogue() {}

    public static List<Group> groups() {
        return GROUPS;
    }

    public static Stream<Constant> all() {
        return GROUPS.stream().flatMap(g -> g.constants().stream());
    }

    public static Optional<Constant> named(String key) {
        return all().filter(c -> c.key().equals(key)).findFirst();
    }

    private static Group group(String name, List<Constant> constants) {
        return new Group(name, constants.stream().filter(Constant::replaceable).toList());
    }
}

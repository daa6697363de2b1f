package kilnryu.app.foresight;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.melt.MeltQuestionReader;
import kilnryu.app.sheet.Fields;
import kilnryu.core.foresight.CastCells;
import kilnryu.core.foresight.Foresight;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.InMold;
import kilnryu.core.material.Alloy;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Watch;
import kilnryu.core.sum.Factors;

/** Reads how a body of metal is poured and in what, as the API says it. */
public final class SolidifyReader {
    private static final int USUAL_CELLS = 150_000;
    private static final double USUAL_MARGIN = 25;
    private static final double SHELL_MM = 7;
    private static final double GAUGE_KPA = 80;
    private static final int MOST_VENTS = 200;

    private SolidifyReader() {}

    /** All that is asked but the mesh. */
    public record Plan(
            Alloy alloy,
            double pourC,
            double moldC,
            InMold in,
            double band,
            OptionalDouble choke,
            boolean vacuum,
            int cells,
            boolean sleeved,
            List<CastCells.Hole> vents,
            Factors factors) {
        /** The question with its mesh, upright and in mm. */
        public Foresight.Question of(Mesh mesh) {
            CastCells cast = CastCells.of(mesh, vents, new CastCells.Size(cells, band), Watch.NONE);
            return Foresight.Question.of(
                    cast,
                    new Foresight.Casting(alloy, pourC, moldC, in, band, factors),
                    GatingPlanner.inflow(choke, alloy, factors),
                    vacuum ? GatingPlanner.felt(GAUGE_KPA, factors) : over -> 0,
                    sleeved,
                    Double.NaN);
        }
    }

    public static Optional<Plan> read(Fields fields, Factors factors) {
        Optional<Alloy> alloy = fields.chosen(SolidifyFields.ALLOY, "Choose the alloy.");
        OptionalDouble pour = fields.required(SolidifyFields.POUR);
        OptionalDouble mold = fields.required(SolidifyFields.MOLD_C);
        fields.chosen(SolidifyFields.SYSTEM, "Say what the mold is of.");
        Optional<Boolean> shell = fields.chosen(SolidifyFields.OUTER, "Say whether it is a flask or a shell.");
        OptionalDouble margin = fields.quantity(SolidifyFields.MARGIN);
        OptionalDouble thick = fields.quantity(SolidifyFields.THICK);
        OptionalDouble choke = fields.quantity(SolidifyFields.CHOKE_MM2);
        boolean vacuum = fields.flag(SolidifyFields.VACUUM).orElse(false);
        boolean sleeved = fields.flag(SolidifyFields.SLEEVED).orElse(false);
        int cells = fields.whole(SolidifyFields.CELLS).orElse(USUAL_CELLS);
        List<CastCells.Hole> vents = vents(fields);
        alloy.ifPresent(a -> MeltQuestionReader.liquid(fields, a, SolidifyFields.ALLOY, SolidifyFields.POUR));
        if (alloy.isPresent()
                && mold.isPresent()
                && alloy.get().isTabled()
                && mold.getAsDouble() >= alloy.get().melting().solidus()) {
            fields.missing(SolidifyFields.MOLD_C, "The metal never freezes in a mold as hot as that.");
        }
        if (fields.hasErrors() || alloy.isEmpty() || shell.isEmpty()) {
            return Optional.empty();
        }
        double wall = thick.orElse(SHELL_MM);
        return Optional.of(new Plan(
                alloy.get(),
                pour.getAsDouble(),
                mold.getAsDouble(),
                SolidifyFields.mold(shell.get(), wall),
                shell.get() ? wall : margin.orElse(USUAL_MARGIN),
                choke,
                vacuum,
                cells,
                sleeved,
                vents,
                factors));
    }

    private static List<CastCells.Hole> vents(Fields fields) {
        List<CastCells.Hole> vents = new ArrayList<>();
        List<String> keys = fields.keys("vents");
        if (keys.size() > MOST_VENTS) {
            fields.missing("vents", "At most 200 vents.");
            return vents;
        }
        for (String key : keys) {
            OptionalDouble x = fields.required(SolidifyFields.VENT_X.in(key));
            OptionalDouble y = fields.required(SolidifyFields.VENT_Y.in(key));
            OptionalDouble z = fields.required(SolidifyFields.VENT_Z.in(key));
            OptionalDouble wide = fields.required(SolidifyFields.VENT_MM.in(key));
            if (x.isPresent() && y.isPresent() && z.isPresent() && wide.isPresent()) {
                vents.add(new CastCells.Hole(
                        new Vec(x.getAsDouble(), y.getAsDouble(), z.getAsDouble()), wide.getAsDouble()));
            }
        }
        return vents;
    }
}

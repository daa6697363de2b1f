package kilnryu.app.kiln;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.core.kiln.Mold;
import kilnryu.core.pour.CarryWindow;
import kilnryu.core.pour.Outside;
import kilnryu.core.sum.Factors;

/** Reads which mold leaves the kiln into what, as the API says it. */
public final class CarryQuestionReader {
    private static final double USUAL_ROOM = 20;
    private static final double USUAL_HOT_SAND = 300;

    private CarryQuestionReader() {}

    /** @param unused constants of the studio; the simulation goes by the handbook's */
    public static Optional<CarryWindow.Question> read(Fields fields, Factors unused) {
        boolean shell = fields.choice(FiredFields.CARRIED)
                .filter(k -> k == FiredFields.Kind.SHELL)
                .isPresent();
        Optional<Cast> cast = shell ? shell(fields) : flask(fields);
        OptionalDouble leaves = fields.required(FiredFields.LEAVES);
        OptionalDouble limit = fields.required(FiredFields.LIMIT);
        double room = fields.quantity(FiredFields.ROOM).orElse(USUAL_ROOM);
        boolean sand = fields.choice(FiredFields.OUTSIDE).orElse(false);
        double sandC = fields.quantity(FiredFields.SAND).orElse(USUAL_HOT_SAND);
        if (leaves.isPresent() && limit.isPresent() && limit.getAsDouble() > leaves.getAsDouble()) {
            fields.error(FiredFields.LIMIT, "It leaves cooler than that: there is no window.");
        }
        if (fields.hasErrors() || cast.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new CarryWindow.Question(
                cast.get().mold,
                cast.get().radius,
                leaves.getAsDouble(),
                limit.getAsDouble(),
                sand ? Outside.sand(sandC) : Outside.air(room)));
    }

    private record Cast(Mold mold, double radius) {}

    private static Optional<Cast> shell(Fields fields) {
        OptionalDouble thickness = fields.required(FiredFields.SHELL_WALL);
        return thickness.isEmpty()
                ? Optional.empty()
                : Optional.of(new Cast(Mold.shell(thickness.getAsDouble() / 1000, 1), 0));
    }

    /** The cavity reaches to the least clearance from the wall (handbook 4). */
    private static Optional<Cast> flask(Fields fields) {
        return new FiredReader(fields).mold().map(f -> {
            double clear = f.across() < 65 ? 6 : f.across() <= 100 ? 10 : 15;
            return new Cast(f.mold(f.medium()), Math.max(0, f.across() / 2 - clear) / 1000);
        });
    }
}

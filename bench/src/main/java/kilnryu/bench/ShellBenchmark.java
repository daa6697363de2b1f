package kilnryu.bench;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Climate;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.DipCalendar;
import kilnryu.core.shell.Drying;
import kilnryu.core.shell.Proposal;
import kilnryu.core.shell.Recipe;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.shell.ShellPlanner;
import kilnryu.core.shell.ShellQuestion;
import kilnryu.core.shell.ShellSchool;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** Shells: one piece by five schools, and the calendar of 40 pieces on six racks in a room with days and nights. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class ShellBenchmark {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Instant FROM = Instant.parse("2026-03-25T08:00:00Z");
    private final ShellQuestion question = new ShellQuestion(
            Figure.given("area", "area", 800, Measure.SQUARE_CENTIMETRE, Known.MEASURED, 0),
            Optional.empty(),
            ShellSchool.MANY_COATS.recipe(7, Factors.HANDBOOK),
            OptionalDouble.empty(),
            new Air(20, 55, 1),
            Drying.Openness.POCKETS,
            false,
            Optional.empty(),
            Optional.empty());
    private final List<DipCalendar.Job> jobs = new ArrayList<>();
    private final List<DipCalendar.Rack> racks = new ArrayList<>();
    private final List<Air> day = new ArrayList<>();
    private final DipCalendar.Crew crew = new DipCalendar.Crew(
            ZONE,
            LocalTime.of(8, 0),
            LocalTime.of(18, 0),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.SATURDAY),
            Duration.ofMinutes(10));

    public ShellBenchmark() {
        for (int r = 0; r < 6; r++) {
            racks.add(new DipCalendar.Rack("rack " + r, 5));
        }
        for (int h = 0; h < 24; h++) {
            double off = Math.cos((h - 15) * Math.PI / 12);
            day.add(new Air(19 + 3 * off, 58 - 9 * off, 1));
        }
        for (int i = 0; i < 40; i++) {
            List<DipCalendar.Planned> coats = new ArrayList<>();
            for (Coat coat : ShellSchool.MANY_COATS.recipe(7, Factors.HANDBOOK).coats()) {
                Drying.Wet wet = new Drying.Wet(
                        coat, coats.size(), Drying.Openness.values()[i % 3], Drying.solids(Factors.HANDBOOK));
                coats.add(new DipCalendar.Planned(coats.size() + 1, coat, Drying.dose(wet, Factors.HANDBOOK)));
            }
            jobs.add(new DipCalendar.Job("piece " + i, coats, FROM, Optional.empty(), Optional.empty(), 24));
        }
    }

    @Benchmark
    public List<ShellPlan> fiveSchoolsForOnePiece() {
        List<ShellPlan> plans = new ArrayList<>();
        for (Recipe recipe : Proposal.all(8, Factors.HANDBOOK)) {
            plans.add(new ShellPlanner(Factors.HANDBOOK).plan(question.by(recipe)));
        }
        return plans;
    }

    /** The climate is made anew each time: its hours are reckoned on the way. */
    @Benchmark
    public DipCalendar calendarOf40PiecesOn6Racks() {
        return DipCalendar.of(jobs, new DipCalendar.Shop(crew, racks, Climate.of(day, Map.of(), ZONE), 48), FROM);
    }
}

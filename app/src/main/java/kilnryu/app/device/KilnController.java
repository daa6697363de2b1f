package kilnryu.app.device;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;

/** A controller that leads a kiln through a program and reports its thermocouple. */
public interface KilnController {

    /**
     * One segment as a controller takes it.
     *
     * @param rate K/h; over 99,999 for as fast as it can
     * @param target C
     * @param hold minutes
     */
    record Step(double rate, double target, double hold) {}

    /**
     * What it is given. A real one takes the program alone; the stand-in needs the kiln and what stands in it.
     *
     * @param startC of kiln and room
     */
    record Job(List<Step> program, double startC, Kiln kiln, List<KilnRun.Charge> load) {}

    /**
     * One report.
     *
     * @param second since the start
     * @param celsius empty when the thermocouple is open
     * @param asked what the program asks, C
     */
    record Reading(double second, OptionalDouble celsius, double asked) {}

    /**
     * How it stands.
     *
     * @param second since the start
     * @param into seconds into the program: fewer where it stood still
     * @param ended whether the program has finished; it then holds its last temperature
     * @param trouble what it shows, empty when nothing
     */
    record Status(double second, double into, boolean ended, String trouble, double speed) {}

    /** Takes a job and begins. */
    void start(long firing, Job job, Instant now);

    /** What it has to report that was not taken yet, and how it stands. It may take a while; nothing is taken by it. */
    Report report(long firing, Instant now);

    /**
     * What was reported is on record and need not be reported again.
     *
     * @return false where someone else has taken it meanwhile
     */
    boolean taken(long firing, Report report);

    /**
     * One report.
     *
     * @param fresh readings that were not taken yet
     * @param since second up to which they were taken
     * @param setAt when its clock was set anew to where it stands, having run further than it can report; else empty
     */
    record Report(List<Reading> fresh, Status status, double since, Optional<Instant> setAt) {
        public static final Report NONE = new Report(List.of(), new Status(0, 0, false, "", 1), 0, Optional.empty());
    }

    void stop(long firing);
}

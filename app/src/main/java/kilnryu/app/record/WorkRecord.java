package kilnryu.app.record;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/**
 * A piece of work as it was when it began.
 *
 * @param format always {@link Records#FORMAT}
 * @param kind mixing, shell, firing, pour or break-out
 * @param version of the kind's document
 * @param name as the one who began it called it
 * @param plans the plan document of each tree: what was typed, and the constants in force
 * @param course what a firing is held against; null for other kinds
 * @param poured what a pour is held against; null for other kinds
 * @param brokenOut what came out of a mold; null for other kinds
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record WorkRecord(
        String format,
        String kind,
        int version,
        String name,
        List<Planned> plans,
        Course course,
        Poured poured,
        BrokenOut brokenOut) {
    public WorkRecord {
        plans = List.copyOf(plans);
    }

    /**
     * A tree's plan.
     *
     * @param tree its number, 0 where only one is meant
     * @param shown its figures as they were shown
     * @param said its findings as they were said
     */
    public record Planned(long tree, String name, List<Shown> shown, List<Said> said, JsonNode document) {}

    /**
     * A figure as it was shown.
     *
     * @param value with its unit, in the units of the one who began it
     * @param spread how far it may be off, empty where nothing is known of that
     * @param sum as it stood beside it, empty for one that was typed
     */
    public record Shown(String name, String value, String spread, String sum) {}

    /**
     * A finding as it was said.
     *
     * @param severity stop, warn or note
     */
    public record Said(String severity, String message, String remedy) {}

    /**
     * What a firing is held against.
     *
     * @param kiln its name
     * @param heat null where no kiln was chosen
     * @param minutes in all
     * @param overruled stops that were overruled, with the reason
     */
    public record Course(
            String kiln,
            Fired.Heat heat,
            List<Mold> molds,
            List<Line> program,
            List<Task> duties,
            double minutes,
            List<Overruled> overruled) {}

    /**
     * A mold in the load.
     *
     * @param soakMin minutes that its middle has to be hot
     * @param drains whether plastic has to flow out of it
     * @param limitC over which its investment breaks down
     */
    public record Mold(long tree, Fired.Charge charge, double soakMin, boolean drains, double limitC) {}

    /**
     * A segment of the program.
     *
     * @param ratePerH K/h; null for as fast as the kiln can
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Line(String stage, Double ratePerH, double targetC, int holdMin, String until, String ruledBy) {}

    /** Something to be done at a minute of it. */
    public record Task(String duty, double minute, String caution) {}

    /** A stop that was overruled. */
    public record Overruled(String stop, String reason) {}

    /** The plan document of a tree; of the only one where it has no number. */
    public Optional<JsonNode> plan(long tree) {
        return plans.stream()
                .filter(p -> p.tree == tree || p.tree == 0)
                .map(Planned::document)
                .findFirst();
    }
}

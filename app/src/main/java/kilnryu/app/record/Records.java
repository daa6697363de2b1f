package kilnryu.app.record;

import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Reads and writes what is frozen; brings what older versions wrote up to the present one, a version at a time. */
public final class Records {
    public static final String FORMAT = "kiln-ryu-record";
    public static final String MIXING = "mixing";
    public static final String SHELL = "shell";
    public static final String FIRING = "firing";
    public static final String POUR = "pour";
    public static final String BREAK_OUT = "break-out";
    private static final int VERSION = 1;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** From each version to the next, by kind. */
    private static final Map<String, List<UnaryOperator<ObjectNode>>> UPGRADES = Map.of(
            MIXING, List.of(FromPlans::mixing),
            SHELL, List.of(FromPlans::shell),
            FIRING, List.of(FromFrozen::firing),
            // was never written before records were marked
            POUR, List.of(UnaryOperator.identity()),
            BREAK_OUT, List.of(UnaryOperator.identity()));

    private Records() {}

    /** A record of which not even the figures can be read; its text stays where it is. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreadable(String message) {
            super(message);
        }
    }

    public static WorkRecord of(String kind, String name, List<WorkRecord.Planned> plans, WorkRecord.Course course) {
        return new WorkRecord(FORMAT, kind, VERSION, name, plans, course, null, null);
    }

    /** The record of a pour. */
    public static WorkRecord of(String name, List<WorkRecord.Planned> plans, Poured poured) {
        return new WorkRecord(FORMAT, POUR, VERSION, name, plans, null, poured, null);
    }

    /** The record of a break-out. */
    public static WorkRecord of(String name, List<WorkRecord.Planned> plans, BrokenOut brokenOut) {
        return new WorkRecord(FORMAT, BREAK_OUT, VERSION, name, plans, null, null, brokenOut);
    }

    public static String write(WorkRecord record) {
        return JSON.writeValueAsString(record);
    }

    /** @throws Unreadable with a word on why, such as that it was written by a newer version */
    public static WorkRecord read(String kind, String text) throws Unreadable {
        try {
            JsonNode root = JSON.readTree(text);
            if (!(root instanceof ObjectNode document)) {
                throw new Unreadable("What was frozen is no document.");
            }
            boolean marked = FORMAT.equals(document.path("format").asString(""));
            int version = marked ? document.path("version").asInt(-1) : 0;
            if (!marked && !isOld(kind, document)) {
                throw new Unreadable("What was frozen is not the record of a " + kind + ".");
            }
            if (marked && !kind.equals(document.path("kind").asString(""))) {
                throw new Unreadable("What was frozen is the record of another kind of work.");
            }
            if (version < 0 || version > VERSION) {
                throw new Unreadable("It was frozen by a newer Kiln Ryu (record version " + version
                        + "; this one reads up to " + VERSION + ").");
            }
            ObjectNode present = document;
            for (UnaryOperator<ObjectNode> upgrade : UPGRADES.get(kind).subList(version, VERSION)) {
                present = upgrade.apply(present);
            }
            return JSON.treeToValue(present, WorkRecord.class);
        } catch (JacksonException | IllegalArgumentException e) {
            throw new Unreadable("What was frozen cannot be read: " + shortened(e.getMessage()));
        }
    }

    /** Whether it looks like what was frozen before records were marked. */
    private static boolean isOld(String kind, JsonNode document) {
        return kind.equals(FIRING)
                ? document.path("program").isArray() && document.path("load").isArray()
                : document.path("format").asString("").equals("kiln-ryu-plan");
    }

    private static String shortened(String message) {
        String line = message == null
                ? "no reason is known"
                : message.lines().findFirst().orElse("");
        return line.length() > 160 ? line.substring(0, 160) + "…" : line;
    }

    static JsonMapper json() {
        return JSON;
    }
}

package kilnryu.app.record;

import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a controller was given for a firing.
 *
 * @param startC of kiln and room
 */
public record KilnJob(int version, List<Step> program, double startC, Fired.Heat heat, List<Fired.Charge> load) {
    private static final int VERSION = 1;

    /** A step of it: K/h, C, minutes. */
    public record Step(double ratePerH, double targetC, double holdMin) {}

    public static KilnJob of(List<Step> program, double startC, Fired.Heat heat, List<Fired.Charge> load) {
        return new KilnJob(VERSION, program, startC, heat, load);
    }

    public String text() {
        return Records.json().writeValueAsString(this);
    }

    public static KilnJob read(String text) {
        JsonNode root = Records.json().readTree(text);
        return Records.json().treeToValue(root.has("version") ? root : fromUnversioned(root), KilnJob.class);
    }

    /** As it was written before it had a version. */
    private static ObjectNode fromUnversioned(JsonNode old) {
        ObjectNode job = Records.json().createObjectNode().put("version", 1);
        ArrayNode program = job.putArray("program");
        for (JsonNode step : old.path("program")) {
            program.addObject()
                    .put("ratePerH", step.path("rate").asDouble())
                    .put("targetC", step.path("target").asDouble())
                    .put("holdMin", step.path("hold").asDouble());
        }
        job.put("startC", old.path("startC").asDouble());
        job.set("heat", FromFrozen.heat(old.path("kiln")));
        ArrayNode load = job.putArray("load");
        for (JsonNode charge : old.path("load")) {
            load.add(FromFrozen.charge(charge));
        }
        return job;
    }
}

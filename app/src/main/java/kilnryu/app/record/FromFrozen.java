package kilnryu.app.record;

import java.util.Locale;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** From firings as they were frozen before there were records: by the names that the classes of then happened to have. */
final class FromFrozen {
    private FromFrozen() {}

    static ObjectNode firing(ObjectNode old) {
        ObjectNode record = Records.json().createObjectNode();
        record.put("format", Records.FORMAT).put("kind", Records.FIRING).put("version", 1);
        record.put("name", "");
        ArrayNode plans = record.putArray("plans");
        for (var plan : old.path("plans").properties()) {
            plans.add(FromPlans.planned(Long.parseLong(plan.getKey()), plan.getValue()));
        }
        ObjectNode course = record.putObject("course");
        course.put("kiln", old.path("kiln").asString("kiln"));
        if (old.path("heat").isObject()) {
            course.set("heat", heat(old.path("heat")));
        }
        ArrayNode molds = course.putArray("molds");
        for (JsonNode load : old.path("load")) {
            ObjectNode mold = molds.addObject();
            mold.put("tree", load.path("tree").asLong());
            mold.set("charge", charge(load.path("charge")));
            mold.put("soakMin", load.path("soak").asDouble())
                    .put("drains", load.path("flows").asBoolean(false))
                    .put("limitC", load.path("limit").asDouble());
        }
        program(old, course);
        course.put("minutes", old.path("minutes").asDouble());
        ArrayNode overruled = course.putArray("overruled");
        for (var stop : old.path("overruled").properties()) {
            overruled
                    .addObject()
                    .put("stop", stop.getKey())
                    .put("reason", stop.getValue().asString(""));
        }
        return record;
    }

    private static void program(ObjectNode old, ObjectNode course) {
        ArrayNode program = course.putArray("program");
        for (JsonNode line : old.path("program")) {
            ObjectNode segment = program.addObject().put("stage", word(line.path("stage")));
            if (line.path("rate").isNumber()) {
                segment.put("ratePerH", line.path("rate").asDouble());
            }
            segment.put("targetC", line.path("target").asDouble())
                    .put("holdMin", line.path("hold").asInt())
                    .put("until", word(line.path("until")))
                    .put("ruledBy", line.path("ruledBy").asString(""));
        }
        ArrayNode duties = course.putArray("duties");
        for (JsonNode duty : old.path("duties")) {
            duties.addObject()
                    .put("duty", word(duty.path("kind")))
                    .put("minute", duty.path("minute").asDouble())
                    .put("caution", duty.path("caution").asString(""));
        }
    }

    static ObjectNode heat(JsonNode kiln) {
        return Records.json()
                .createObjectNode()
                .put("watts", kiln.path("watts").asDouble())
                .put("lossWPerK", kiln.path("lossPerK").asDouble())
                .put("liningJPerK", kiln.path("capacity").asDouble());
    }

    static ObjectNode charge(JsonNode old) {
        JsonNode mold = old.path("mold");
        JsonNode medium = mold.path("medium");
        ObjectNode charge = Records.json()
                .createObjectNode()
                .put("name", old.path("name").asString(""))
                .put("count", old.path("count").asInt(1))
                .put("charPct", old.path("residue").asDouble())
                .put("air", old.path("air").asDouble(1))
                .put("acrossM", mold.path("across").asDouble())
                .put("alongM", mold.path("along").asDouble())
                .put("shell", mold.path("wall").asBoolean(false))
                .put("grows", mold.path("grows").asBoolean(false));
        charge.putObject("investment")
                .put("density", medium.path("density").asDouble())
                .put("heatJPerKgK", medium.path("cp0").asDouble())
                .put("heatGrowth", medium.path("cp1").asDouble())
                .put("freeWater", medium.path("freeWater").asDouble())
                .put("boundWater", medium.path("boundWater").asDouble())
                .put("conductsWet", medium.path("kWet").asDouble())
                .put("conductsDry", medium.path("kDry").asDouble())
                .put("conductsGrowth", medium.path("kSlope").asDouble());
        for (String face : new String[] {"side", "below", "top"}) {
            charge.set(face, face(mold.path(face)));
        }
        return charge;
    }

    /** No contact was written as an infinite one; steel was not counted at first. */
    private static ObjectNode face(JsonNode old) {
        ObjectNode face = Records.json()
                .createObjectNode()
                .put("airWPerM2K", old.path("transfer").asDouble())
                .put("radiates", old.path("emissivity").asDouble());
        if (old.path("contact").isNumber()) {
            face.put("contactWPerM2K", old.path("contact").asDouble());
        }
        return face.put("skinJPerM2K", old.path("skin").asDouble(0));
    }

    private static String word(JsonNode constant) {
        return constant.asString("").toLowerCase(Locale.ROOT).replace('_', '-');
    }
}

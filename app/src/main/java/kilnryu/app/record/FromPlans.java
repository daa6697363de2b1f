package kilnryu.app.record;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** From bare plan documents, as mixings and shells were frozen before there were records. */
final class FromPlans {
    private FromPlans() {}

    static ObjectNode mixing(ObjectNode plan) {
        return record(Records.MIXING, plan);
    }

    static ObjectNode shell(ObjectNode plan) {
        return record(Records.SHELL, plan);
    }

    private static ObjectNode record(String kind, ObjectNode plan) {
        ObjectNode record = Records.json().createObjectNode();
        record.put("format", Records.FORMAT).put("kind", kind).put("version", 1);
        record.put("name", plan.path("name").asString(""));
        record.putArray("plans").add(planned(0, plan));
        return record;
    }

    /** Its figures as the document has them: those of its sums that it names as results. */
    static ObjectNode planned(long tree, JsonNode plan) {
        ObjectNode planned = Records.json().createObjectNode();
        planned.put("tree", tree).put("name", plan.path("name").asString(""));
        ArrayNode shown = planned.putArray("shown");
        JsonNode results = plan.path("results");
        for (var figure : results.path("figures").properties()) {
            JsonNode value = figure.getValue();
            if (value.isNumber()) {
                JsonNode sum = sum(results.path("sums"), value.asDouble());
                shown.addObject()
                        .put("name", sum.path("name").asString(figure.getKey().replace('_', ' ')))
                        .put(
                                "value",
                                (digits(value.asDouble()) + " "
                                                + sum.path("unit").asString(""))
                                        .strip())
                        .put("spread", "")
                        .put("sum", words(sum));
            }
        }
        ArrayNode said = planned.putArray("said");
        for (JsonNode finding : results.path("findings")) {
            said.addObject()
                    .put("severity", finding.path("severity").asString("note"))
                    .put("message", finding.path("message").asString(""))
                    .put("remedy", finding.path("remedy").asString(""));
        }
        planned.set("document", plan);
        return planned;
    }

    private static JsonNode sum(JsonNode sums, double value) {
        for (JsonNode sum : sums) {
            if (sum.path("value").asDouble(Double.NaN) == value) {
                return sum;
            }
        }
        return Records.json().createObjectNode();
    }

    private static String words(JsonNode sum) {
        String formula = sum.path("formula").asString("");
        return formula.isEmpty()
                ? ""
                : formula + " = " + sum.path("substituted").asString("");
    }

    private static String digits(double value) {
        return new java.math.BigDecimal(value)
                .round(new java.math.MathContext(5))
                .stripTrailingZeros()
                .toPlainString();
    }
}

package kilnryu.app.api;

import io.swagger.v3.oas.annotations.media.Schema;

/** The shape of the one question that is a whole document; {@link Declarations} has those that are read field by field. */
final class Contract {
    private Contract() {}

    @Schema(
            name = "PlanRequest",
            description = "A plan document as exported; its schema is at /api/plan-schema/1",
            requiredProperties = {"format", "version", "tree"})
    record PlanRequest(
            @Schema(allowableValues = "kiln-ryu-plan") String format,
            Integer version,
            String name,
            Object tree,
            Object mold,
            Object firing,
            Object typed,
            Object constants,
            Object results) {}
}

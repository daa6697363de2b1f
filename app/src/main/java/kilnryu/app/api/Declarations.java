package kilnryu.app.api;

import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.Schema;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.blend.BlendFields;
import kilnryu.app.diagnosis.DiagnoseFields;
import kilnryu.app.foresight.SolidifyFields;
import kilnryu.app.freezing.FreezeFields;
import kilnryu.app.kiln.FiredFields;
import kilnryu.app.melt.MeltFields;
import kilnryu.app.mold.BlockFields;
import kilnryu.app.mold.MoldFields;
import kilnryu.app.rubber.RubberFields;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.FieldSchema;
import kilnryu.app.shell.ShellFields;
import kilnryu.app.tree.TreeFields;
import kilnryu.app.wax.WaxFields;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Questions to the compute API as the stages declare their fields: what is read is what is described. */
@Configuration(proxyBeanMethods = false)
class Declarations {
    private static final String AT = "#/components/schemas/";
    static final String TREE = AT + "TreeRequest";
    static final String FLASK = AT + "FlaskRequest";
    static final String BLOCK = AT + "BlockRequest";
    static final String SHELL = AT + "ShellRequest";
    static final String BURNOUT = AT + "BurnoutRequest";
    static final String PROGRAM = AT + "ProgramRequest";
    static final String BLEND = AT + "BlendRequest";
    static final String CHARGE = AT + "ChargeRequest";
    static final String MELT = AT + "MeltRequest";
    static final String DIAGNOSE = AT + "DiagnoseRequest";
    static final String SLUSH = AT + "SlushRequest";
    static final String RUBBER = AT + "RubberRequest";
    static final String FREEZE = AT + "FreezeRequest";
    static final String SOLIDIFY = AT + "SolidifyPlan";
    static final String CARRY = AT + "CarryRequest";

    /** The fields of each question, by the name of its schema. */
    static Map<String, FieldList> questions() {
        Map<String, FieldList> questions = new LinkedHashMap<>();
        questions.put(TREE, TreeFields.QUESTION);
        questions.put(FLASK, MoldFields.QUESTION);
        questions.put(BLOCK, BlockFields.QUESTION);
        questions.put(SHELL, ShellFields.QUESTION);
        questions.put(BURNOUT, FiredFields.BURNOUT);
        questions.put(PROGRAM, FiredFields.PROGRAM);
        questions.put(CARRY, FiredFields.CARRY);
        questions.put(FREEZE, FreezeFields.QUESTION);
        questions.put(SOLIDIFY, SolidifyFields.QUESTION);
        questions.put(BLEND, BlendFields.QUESTION);
        questions.put(CHARGE, MeltFields.CHARGE);
        questions.put(MELT, MeltFields.MELT);
        questions.put(DIAGNOSE, DiagnoseFields.QUESTION);
        questions.put(SLUSH, WaxFields.SLUSH);
        questions.put(RUBBER, RubberFields.QUESTION);
        return questions;
    }

    @Bean
    OpenApiCustomizer declaredFields() {
        return api -> questions()
                .forEach((ref, fields) -> api.getComponents()
                        .addSchemas(
                                ref.substring(AT.length()),
                                Json31.mapper().convertValue(FieldSchema.of(fields), Schema.class)));
    }
}

package kilnryu.app.plan;

import java.util.Arrays;
import java.util.Optional;
import kilnryu.app.firing.FiringFields;
import kilnryu.app.mold.MoldFields;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.tree.TreeFields;

/** Stages of a plan that are typed, in the order of the work. */
public enum Stage {
    TREE("tree", "Tree", TreeFields.ALL),
    MOLD("mold", "Mold", MoldFields.ALL),
    FIRING("firing", "Firing", FiringFields.ALL);

    private final String key;
    private final String label;
    private final FieldList fields;

    Stage(String key, String label, FieldList fields) {
        this.key = key;
        this.label = label;
        this.fields = fields;
    }

    public static Optional<Stage> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** All that can be typed of it. */
    public FieldList fields() {
        return fields;
    }
}

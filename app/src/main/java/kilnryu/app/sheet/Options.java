package kilnryu.app.sheet;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;

/** Choices that stand on more than one page. */
public final class Options {
    private Options() {}

    /** The values of a kind as choices, by their key and label. */
    public static <T> List<Option> of(T[] values, Function<T, String> key, Function<T, String> label) {
        return Stream.of(values)
                .map(v -> new Option(key.apply(v), label.apply(v)))
                .toList();
    }

    public static List<Option> alloys() {
        return of(Alloy.values(), Alloy::key, Alloy::label);
    }

    public static List<Option> materials() {
        return of(PatternMaterial.values(), PatternMaterial::key, PatternMaterial::label);
    }
}

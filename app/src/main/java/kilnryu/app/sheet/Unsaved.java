package kilnryu.app.sheet;

import java.util.List;
import java.util.function.Function;
import org.springframework.ui.Model;

/**
 * New ones that were begun and not saved, as the page of a new one offers them.
 *
 * @param page view on which it was begun
 */
public record Unsaved(String page, String name, String at) {

    /** Puts them where the notices look for them. */
    public static void into(
            Model model, List<SheetStore.Unfinished> unfinished, Function<java.time.Instant, String> shown) {
        model.addAttribute(
                "unfinished",
                unfinished.stream()
                        .map(u -> new Unsaved(
                                u.page(), u.name().isBlank() ? "without a name" : u.name(), shown.apply(u.at())))
                        .toList());
    }
}

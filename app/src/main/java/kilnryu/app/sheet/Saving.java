package kilnryu.app.sheet;

import jakarta.servlet.http.HttpServletResponse;
import java.util.OptionalLong;
import java.util.function.BooleanSupplier;
import java.util.function.LongFunction;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;

/**
 * How the page of a sheet saves it: with something wrong it is shown again with what was typed, and likewise when someone
 * else saved in between; else the browser goes on.
 */
public record Saving(Model model, HttpServletResponse response) {
    /** The page again, with what was typed. */
    @FunctionalInterface
    public interface Again {
        /** @param between whether someone else saved in between: then over the version that stands now */
        String page(boolean between);
    }

    /**
     * @param save its number, empty when someone else saved in between
     * @param to where the browser goes on, by that number
     */
    public String save(Fields read, Supplier<OptionalLong> save, Again again, LongFunction<String> to) {
        if (read.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return again.page(false);
        }
        OptionalLong saved = save.get();
        if (saved.isEmpty()) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("conflict", true);
            return again.page(true);
        }
        return "redirect:" + to.apply(saved.getAsLong());
    }

    /** Of a sheet that is there already. @param save false when someone else saved in between */
    public String saveOver(Fields read, BooleanSupplier save, Again again, String to) {
        return save(read, () -> save.getAsBoolean() ? OptionalLong.of(0) : OptionalLong.empty(), again, id -> to);
    }
}

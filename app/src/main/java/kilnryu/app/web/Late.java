package kilnryu.app.web;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.support.RequestContextUtils;

/**
 * An action that came late: what it was meant for is not as it was when the page was shown. It did nothing; the page it
 * goes back to says who or what was quicker.
 */
public final class Late extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final String back;

    /** @param back address of the page that shows how it stands now */
    public Late(String message, String back) {
        super(message);
        this.back = back;
    }

    public String back() {
        return back;
    }

    /** Said on the page that shows how it stands. */
    @ControllerAdvice(annotations = Controller.class)
    static class Answer {
        @ExceptionHandler
        String late(Late late, HttpServletRequest request) {
            RequestContextUtils.getOutputFlashMap(request).put("fault", late.getMessage());
            return "redirect:" + late.back;
        }
    }
}

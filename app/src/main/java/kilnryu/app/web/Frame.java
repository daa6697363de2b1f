package kilnryu.app.web;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What the frame round every page needs. */
@ControllerAdvice
class Frame {

    @ModelAttribute("path")
    String path(HttpServletRequest request) {
        return request.getRequestURI();
    }
}

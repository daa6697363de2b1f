package kilnryu.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.boot.webmvc.autoconfigure.error.ErrorViewResolver;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.ModelAndView;

/** Errors as pages in our own look, with a word on what to do. */
@Configuration
class ErrorPages {
    private record Words(String title, String advice) {}

    private static final Words OTHER =
            new Words("Something went wrong", "It was noted. Nothing that was saved is lost; go back and try again.");
    private static final Map<Integer, Words> BY_STATUS = Map.of(
            400,
            new Words("That cannot be understood", "Go back: what you typed is still in the form."),
            403,
            new Words("That is not allowed", "The page may be too old: go back, load it anew and try again."),
            404,
            new Words("There is nothing here", "It may have been removed, or it belongs to another studio."),
            405,
            new Words("That cannot be done here", "Go back and use the buttons of the page."),
            507,
            new Words(
                    "The disk is full",
                    "This was not taken in; all that was saved is kept. Go back: what you typed is still in the form."
                            + " Whoever looks after this machine has to make room on its disk."),
            413,
            new Words("That is too much at once", "Go back: nothing is lost. Shorten it and try again."));

    @Bean
    ErrorViewResolver errorViews() {
        return (request, status, model) -> page(status);
    }

    private static ModelAndView page(HttpStatus status) {
        Words words = BY_STATUS.getOrDefault(status.value(), OTHER);
        return new ModelAndView("error", Map.of("title", words.title, "advice", words.advice, "path", ""), status);
    }

    /** Addresses and forms that do not fit are the visitor's slip, not a failure. */
    @ControllerAdvice(annotations = Controller.class)
    static class Slips {
        @ExceptionHandler
        void address(MethodArgumentTypeMismatchException e, HttpServletRequest request, HttpServletResponse response)
                throws IOException {
            response.sendError(HttpStatus.NOT_FOUND.value());
        }

        @ExceptionHandler
        void form(MissingServletRequestParameterException e, HttpServletResponse response) throws IOException {
            response.sendError(HttpStatus.BAD_REQUEST.value());
        }
    }
}

package kilnryu.app.api;

import java.util.List;
import java.util.Map;
import kilnryu.app.web.Away;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;

/** Errors of the API as problem details (RFC 9457). */
@RestControllerAdvice(annotations = RestController.class)
@Order(Ordered.HIGHEST_PRECEDENCE)
class Problems {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail impossible(Impossible e) {
        ProblemDetail problem = ProblemDetail.forStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        problem.setTitle("Impossible values");
        problem.setDetail("Some fields hold what cannot be; see errors.");
        problem.setProperty(
                "errors",
                e.errors().entrySet().stream()
                        .map(x -> Map.of("field", x.getKey(), "message", x.getValue()))
                        .toList());
        e.besides().forEach(problem::setProperty);
        return problem;
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof BodyLimit.TooLarge) {
                return problem(HttpStatus.CONTENT_TOO_LARGE, "Too large", "A question has at most 2 MB.");
            }
        }
        return problem(HttpStatus.BAD_REQUEST, "Bad JSON", "The body is not JSON that can be read.");
    }

    @ExceptionHandler
    ProblemDetail tooLarge(MaxUploadSizeExceededException e) {
        return problem(HttpStatus.CONTENT_TOO_LARGE, "Too large", "A mesh file has at most 300 MB.");
    }

    @ExceptionHandler
    ProblemDetail noFile(MissingServletRequestPartException e) {
        return impossible(new Impossible(Map.of(e.getRequestPartName(), "Send the file in this multipart field.")));
    }

    @ExceptionHandler
    ProblemDetail noParts(MultipartException e) {
        return problem(
                HttpStatus.BAD_REQUEST, "Bad multipart", "The body is not multipart/form-data that can be read.");
    }

    @ExceptionHandler
    ProblemDetail other(Exception e) {
        if (e instanceof ErrorResponse known) {
            HttpStatusCode status = known.getStatusCode();
            HttpStatus named = HttpStatus.resolve(status.value());
            return problem(
                    status, named == null ? "Refused" : named.getReasonPhrase(), "The request cannot be answered.");
        }
        if (Away.isAway(e)) {
            return problem(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "The database is away",
                    "Nothing that was saved is lost. Ask again in some seconds.");
        }
        LOG.error("unexpected failure in the API", e);
        return problem(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Our fault",
                "This was not foreseen; it was noted. Nothing was changed.");
    }

    private static ProblemDetail problem(HttpStatusCode status, String title, String detail) {
        ProblemDetail problem = ProblemDetail.forStatus(status);
        problem.setTitle(title);
        problem.setDetail(detail);
        problem.setProperty("errors", List.of());
        return problem;
    }
}

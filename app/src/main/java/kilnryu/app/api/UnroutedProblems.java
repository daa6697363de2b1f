package kilnryu.app.api;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.ErrorResponse;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Requests that no handler takes: a problem detail under /api, a page of ours elsewhere. */
@ControllerAdvice
class UnroutedProblems {

    @ExceptionHandler({
        HttpRequestMethodNotSupportedException.class,
        HttpMediaTypeNotSupportedException.class,
        HttpMediaTypeNotAcceptableException.class,
        NoResourceFoundException.class,
        MultipartException.class
    })
    ResponseEntity<ProblemDetail> unrouted(Exception e, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        HttpStatus status = e instanceof ErrorResponse known
                ? HttpStatus.valueOf(known.getStatusCode().value())
                : e instanceof MaxUploadSizeExceededException ? HttpStatus.CONTENT_TOO_LARGE : HttpStatus.BAD_REQUEST;
        if (!request.getRequestURI().startsWith(request.getContextPath() + "/api/")) {
            response.sendError(status.value());
            return null;
        }
        ProblemDetail problem = ProblemDetail.forStatus(status);
        problem.setTitle(status.getReasonPhrase());
        problem.setDetail("See /api/openapi.json for what is answered, and how it is asked.");
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }
}

package kilnryu.app.api;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.server.PathContainer;
import org.springframework.web.ErrorResponse;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.NoHandlerFoundException;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Requests that no handler takes: a problem detail under /api, a page of ours elsewhere. */
@ControllerAdvice
class UnroutedProblems {
    private final RequestMappingHandlerMapping mappings;

    UnroutedProblems(@Qualifier("requestMappingHandlerMapping") RequestMappingHandlerMapping mappings) {
        this.mappings = mappings;
    }

    @ExceptionHandler({
        HttpRequestMethodNotSupportedException.class,
        HttpMediaTypeNotSupportedException.class,
        HttpMediaTypeNotAcceptableException.class,
        NoHandlerFoundException.class,
        NoResourceFoundException.class,
        MultipartException.class
    })
    ResponseEntity<ProblemDetail> unrouted(Exception e, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        HttpStatus status = e instanceof ErrorResponse known
                ? HttpStatus.valueOf(known.getStatusCode().value())
                : e instanceof MaxUploadSizeExceededException ? HttpStatus.CONTENT_TOO_LARGE : HttpStatus.BAD_REQUEST;
        if (!request.getRequestURI().startsWith(request.getContextPath() + "/api/")) {
            if (e instanceof HttpRequestMethodNotSupportedException
                    && request.getMethod().equals("GET")) {
                response.sendRedirect(request.getContextPath() + above(request.getRequestURI()));
            } else {
                response.sendError(status.value());
            }
            return null;
        }
        ProblemDetail problem = ProblemDetail.forStatus(status);
        problem.setTitle(status.getReasonPhrase());
        problem.setDetail("See /api/openapi.json for what is answered, and how it is asked.");
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }

    /** The address of a form's answer, opened by hand, leads to the nearest page above it. */
    private String above(String address) {
        String path = address;
        do {
            path = path.substring(0, Math.max(0, path.lastIndexOf('/')));
        } while (!path.isEmpty() && !shown(PathContainer.parsePath(path)));
        return path.isEmpty() ? "/" : path;
    }

    private boolean shown(PathContainer path) {
        return mappings.getHandlerMethods().keySet().stream()
                .filter(m -> m.getMethodsCondition().getMethods().contains(RequestMethod.GET))
                .filter(m -> m.getPathPatternsCondition() != null)
                .flatMap(m -> m.getPathPatternsCondition().getPatterns().stream())
                .anyMatch(p -> p.matches(path));
    }
}

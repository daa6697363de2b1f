package kilnryu.app.simulation;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** So many simulations wait that no more are taken. */
@ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
public final class Crowded extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Crowded() {
        super("Very much is being reckoned at this moment. Nothing was lost; try again in a minute.");
    }
}

package kilnryu.app.simulation;

import java.time.Duration;
import java.util.List;
import kilnryu.app.account.Account;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** How far what takes long is, for the page that waits for it, and how it is stopped. */
@RestController
class SimulationController {
    private static final Duration LONG = Duration.ofMillis(900);

    private final Simulations simulations;

    SimulationController(Simulations simulations) {
        this.simulations = simulations;
    }

    /** One that takes long. */
    public record Shown(long id, String words) {}

    @GetMapping("/simulations")
    List<Shown> running(@AuthenticationPrincipal Account account) {
        return simulations.running(account.studioId()).stream()
                .filter(r -> r.since().compareTo(LONG) > 0)
                .map(r -> new Shown(r.id(), words(r)))
                .toList();
    }

    private static String words(Simulations.Running r) {
        return r.hours() > 0 ? r.words() + ": " + r.far() : r.words() + " waits for its turn";
    }

    @PostMapping("/simulations/{id:\\d+}/stop")
    ResponseEntity<Void> stop(@AuthenticationPrincipal Account account, @PathVariable long id) {
        simulations.stop(account.studioId(), id);
        return ResponseEntity.noContent().build();
    }

    /** Whoever waited for it keeps the page as it was. */
    @ControllerAdvice
    static class WhenStopped {
        @ExceptionHandler(Stopped.class)
        ResponseEntity<Void> stopped() {
            return ResponseEntity.status(HttpStatus.NO_CONTENT)
                    .header("X-Stopped", "yes")
                    .build();
        }
    }
}

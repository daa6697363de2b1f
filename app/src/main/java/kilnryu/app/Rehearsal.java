package kilnryu.app;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Draws the first page once and ends, where it is asked to: what Java has loaded by then is kept, so that the next start
 * finds the classes of a page as well as those of the start.
 */
@Component
class Rehearsal {
    private final boolean wanted;
    private final Environment environment;

    Rehearsal(@Value("${kilnryu.rehearse:false}") boolean wanted, Environment environment) {
        this.wanted = wanted;
        this.environment = environment;
    }

    @EventListener(ApplicationReadyEvent.class)
    void ready() throws IOException, InterruptedException {
        if (wanted) {
            firstPage();
            System.exit(0);
        }
    }

    /** @return the status of the page that a stranger sees first */
    int firstPage() throws IOException, InterruptedException {
        String at = "http://127.0.0.1:" + environment.getRequiredProperty("local.server.port") + "/login";
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(at)).build(), HttpResponse.BodyHandlers.discarding())
                .statusCode();
    }
}

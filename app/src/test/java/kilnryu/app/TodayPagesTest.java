package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The first page: what is late, what is due, what waits; an empty studio is shown where to begin. */
class TodayPagesTest extends AppTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

    private static String in(int hours) {
        return LocalDateTime.now(ZONE)
                .plusHours(hours)
                .truncatedTo(ChronoUnit.MINUTES)
                .toString();
    }

    private long planned(int pourInHours) throws Exception {
        long tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(
                owner,
                "/trees/" + tree + "/firing",
                Map.of("version", "0", "pour_at", in(pourInHours), "section", "medium"));
        return tree;
    }

    @Test
    void anEmptyStudioSeesThreeSteps() throws Exception {
        assertThat(page(owner, "/"))
                .contains("href=\"/equipment\"", "href=\"/kilns\"", "href=\"/trees/new\"")
                .doesNotContain("In work");
    }

    @Test
    void theFirstPageIsTheDay() throws Exception {
        planned(60);
        String page = page(owner, "/");
        assertThat(page).contains("<title>Today", "The next 48 hours", "Reed warbler", ">1 mold<");
        assertThat(page).contains("aria-current=\"page\"");
    }

    /** A program of some 12 hours: poured in 30, to be mixed before the kiln is closed; nobody has mixed it yet. */
    @Test
    void aMoldThatIsToBeMixedIsAskedFor() throws Exception {
        long tree = planned(30);
        String page = page(owner, "/");
        assertThat(page).contains("Mix", "/trees/" + tree + "/bench", "Pours", "Mixing");
    }

    @Test
    void aDutyWhoseHourIsOverIsLate() throws Exception {
        planned(8);
        assertThat(page(owner, "/")).contains("press-late", " late", "are late.");
    }

    @Test
    void aMoldThatIsMixedWaitsForItsKiln() throws Exception {
        long tree = planned(60);
        send(owner, "/trees/" + tree + "/bench/start", Map.of());
        for (int step = 0; step < 20; step++) {
            send(owner, "/trees/" + tree + "/bench/next", Map.of("step", String.valueOf(step)));
        }
        assertThat(page(owner, "/")).contains("station", "Reed warbler");
    }

    @Test
    void anotherStudioSeesNothingOfIt() throws Exception {
        planned(30);
        var stranger = Studio.owner(accounts, passwords);
        assertThat(page(stranger, "/")).doesNotContain("Reed warbler");
    }

    @Test
    void thePageLooksAgainForItself() throws Exception {
        planned(30);
        assertThat(page(owner, "/today/inside")).contains("Reed warbler").doesNotContain("<html");
        assertThat(send(owner, "/today/reckon", Map.of()).getStatus()).isEqualTo(200);
    }

    @Test
    void aTreeWithoutAnHourWaitsForADecision() throws Exception {
        long tree = tree(owner, WAX);
        Map<String, String> firing = new HashMap<>(Map.of("version", "0", "name", "Ebb tide"));
        firing.put("molds[" + tree + "].in", "yes");
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/firings/0/load", firing);
        assertThat(page(owner, "/today/inside")).contains("Reed warbler");
        // hours of a load are reckoned beside the page, one at a time
        for (int i = 0; i < 3; i++) {
            send(owner, "/today/reckon", Map.of());
        }
        assertThat(page(owner, "/")).contains("Waiting for you", "the load has no hour of its pour");
    }
}

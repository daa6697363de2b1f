package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import kilnryu.app.account.Account;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.core.kiln.Watch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What takes long says how far it is to those who wait for it, and to nobody else; whoever asked may stop it. */
@Timeout(120)
class SimulationPagesTest extends AppTest {
    @Autowired
    Simulations simulations;

    private final JsonMapper json = JsonMapper.builder().build();
    private Slow slow;

    @BeforeEach
    void aQuestionThatTakesLong() {
        slow = new Slow("a firing of 9 molds");
    }

    @AfterEach
    void letGo() {
        slow.free.countDown();
    }

    /** Two simulated hours go by, then it waits to be let go. */
    private static final class Slow implements Question<String> {
        private final String words;
        private final CountDownLatch begun = new CountDownLatch(1);
        private final CountDownLatch free = new CountDownLatch(1);

        Slow(String words) {
            this.words = words;
        }

        @Override
        public String answer(Watch watch) {
            begun.countDown();
            try {
                while (!free.await(10, TimeUnit.MILLISECONDS)) {
                    watch.at(7_200);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return "done";
        }

        @Override
        public String words() {
            return words;
        }
    }

    private CompletableFuture<String> asked(Account by) throws InterruptedException {
        CompletableFuture<String> answer =
                CompletableFuture.supplyAsync(() -> simulations.of(by.studioId(), slow), r -> new Thread(r).start());
        slow.begun.await();
        return answer;
    }

    private JsonNode told(Account to) throws Exception {
        return json.readTree(read(to, "/simulations").getContentAsString());
    }

    private JsonNode toldOnceItTakesLong(Account to) throws Exception {
        JsonNode told = told(to);
        while (told.isEmpty()) {
            Thread.sleep(50);
            told = told(to);
        }
        return told;
    }

    private int stop(Account by, long id) throws Exception {
        return mvc.perform(
                        post("/simulations/" + id + "/stop").with(Studio.as(by)).with(csrf()))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    @Test
    void whatIsQuickIsNotSpokenOf() throws Exception {
        assertThat(told(owner).isEmpty()).isTrue();
        asked(owner);
        assertThat(told(owner).isEmpty()).as("it began just now").isTrue();
    }

    @Test
    void whoWaitsIsToldHowFarItIsAndOthersAreNot() throws Exception {
        CompletableFuture<String> answer = asked(owner);
        JsonNode told = toldOnceItTakesLong(owner);
        assertThat(told.get(0).get("words").asString()).isEqualTo("a firing of 9 molds: 2 h of it simulated so far");
        assertThat(told(Studio.owner(accounts, passwords)).isEmpty()).isTrue();
        slow.free.countDown();
        assertThat(answer.get()).isEqualTo("done");
        assertThat(told(owner).isEmpty()).isTrue();
    }

    @Test
    void itIsStoppedByItsOwnStudioAlone() throws Exception {
        CompletableFuture<String> answer = asked(owner);
        long id = toldOnceItTakesLong(owner).get(0).get("id").asLong();
        assertThat(stop(Studio.owner(accounts, passwords), id)).isEqualTo(204);
        assertThat(answer.isDone()).as("a stranger's stop stops nothing").isFalse();
        assertThat(stop(owner, id)).isEqualTo(204);
        assertThat(answer.handle((a, e) -> e != null).get()).isTrue();
        assertThat(told(owner).isEmpty()).isTrue();
        assertThat(stop(owner, id)).as("again").isEqualTo(204);
    }
}

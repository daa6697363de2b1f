package kilnryu.app;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** The planning partner for lost-pattern casting. */
@SpringBootApplication
public class KilnRyuApplication {

    public static void main(String[] args) {
        SpringApplication.run(KilnRyuApplication.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}

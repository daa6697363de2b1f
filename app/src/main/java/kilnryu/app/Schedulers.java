package kilnryu.app;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;

/** What is done again and again, each kind in threads of its own: a controller that is slow to answer keeps no page waiting. */
@Configuration(proxyBeanMethods = false)
@EnableScheduling
class Schedulers {

    /** Hears the controllers of kilns. */
    @Bean
    ThreadPoolTaskScheduler controllerScheduler() {
        return named("controllers-");
    }

    /** Tells pages that watch something. */
    @Bean
    ThreadPoolTaskScheduler pageScheduler() {
        return named("watchers-");
    }

    /** All else. */
    @Bean
    ThreadPoolTaskScheduler taskScheduler() {
        return named("now-and-then-");
    }

    private static ThreadPoolTaskScheduler named(String threads) {
        ThreadPoolTaskScheduler scheduler = new ThreadPoolTaskScheduler();
        scheduler.setPoolSize(1);
        scheduler.setThreadNamePrefix(threads);
        scheduler.setDaemon(true);
        return scheduler;
    }
}

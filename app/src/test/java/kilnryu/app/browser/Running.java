package kilnryu.app.browser;

import java.util.Map;
import java.util.Optional;
import kilnryu.app.KilnRyuApplication;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/** The application started as it is in the shop, which may be stopped and started again on the same port. */
final class Running implements AutoCloseable {
    private ConfigurableApplicationContext context;
    private int port;

    Running() {
        start();
    }

    void restart() {
        context.close();
        start();
    }

    private void start() {
        SpringApplication application = new SpringApplication(KilnRyuApplication.class);
        application.setDefaultProperties(Map.of());
        context = application.run(
                "--server.port=" + port, "--kilnryu.demo=true", "--spring.datasource.url=" + database());
        port = ((WebServerApplicationContext) context).getWebServer().getPort();
    }

    /** A database that only browser tests write to: the demo studio is made where nobody has an account yet. */
    private static String database() {
        String url = System.getenv("KILN_RYU_DB_URL");
        return Optional.ofNullable(System.getenv("KILN_RYU_BROWSER_DB"))
                .map(name -> url.substring(0, url.lastIndexOf('/') + 1) + name)
                .orElse(url);
    }

    String address() {
        return "http://127.0.0.1:" + port;
    }

    <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    @Override
    public void close() {
        context.close();
    }
}

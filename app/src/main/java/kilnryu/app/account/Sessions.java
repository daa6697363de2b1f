package kilnryu.app.account;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.jdbc.PostgreSqlJdbcIndexedSessionRepositoryCustomizer;

/** Sessions in the database, so that any node knows them. */
@Configuration
class Sessions {

    /** Two requests of one session may write the same attribute at once. */
    @Bean
    PostgreSqlJdbcIndexedSessionRepositoryCustomizer sessionsOfPostgres() {
        return new PostgreSqlJdbcIndexedSessionRepositoryCustomizer();
    }
}

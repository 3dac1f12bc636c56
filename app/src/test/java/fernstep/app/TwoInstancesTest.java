package fernstep.app;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.security.Accounts;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/** Two instances that meet on an empty database, as when a house starts both at once. */
class TwoInstancesTest {
    private static final String URL = System.getenv("FERN_DB_URL").replaceFirst("/[a-z]+$", "/fernstep_restored");
    private static final String ACCOUNT = "somebody_else";
    private static final String PASSWORD = System.getenv("FERN_DB_PASSWORD");

    @BeforeEach
    void an_empty_database() throws Exception {
        try (Connection there = DriverManager.getConnection(URL, ACCOUNT, PASSWORD);
                Statement sql = there.createStatement()) {
            sql.execute("DROP DATABASE fernstep_restored");
            sql.execute("CREATE DATABASE fernstep_restored");
        }
    }

    private static ConfigurableApplicationContext instance(boolean demo) {
        return new SpringApplication(FernStepApp.class)
                .run(
                        "--server.port=0",
                        "--server.address=127.0.0.1",
                        "--fern.demo=" + demo,
                        "--spring.datasource.url=" + URL,
                        "--spring.datasource.username=" + ACCOUNT,
                        "--spring.datasource.password=" + PASSWORD,
                        "--spring.flyway.url=" + URL,
                        "--spring.flyway.user=" + ACCOUNT,
                        "--spring.flyway.password=" + PASSWORD);
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void both_come_up_and_the_house_is_filled_once(boolean demo) throws Exception {
        ExecutorService both = Executors.newFixedThreadPool(2);
        try {
            List<Future<ConfigurableApplicationContext>> starting =
                    List.of(both.submit(() -> instance(demo)), both.submit(() -> instance(demo)));
            for (Future<ConfigurableApplicationContext> one : starting) {
                try (ConfigurableApplicationContext up = one.get()) {
                    assertThat(up.getBean(Accounts.class).all()).hasSize(demo ? 4 : 0);
                    Integer clients =
                            up.getBean(JdbcTemplate.class).queryForObject("SELECT COUNT(*) FROM client", Integer.class);
                    assertThat(clients).isEqualTo(demo ? 12 : 0);
                }
            }
        } finally {
            both.shutdownNow();
        }
    }
}

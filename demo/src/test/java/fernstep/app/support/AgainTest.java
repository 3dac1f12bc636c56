package fernstep.app.support;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.app.AppExtension;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.context.annotation.AnnotationConfigApplicationContext;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.EnableTransactionManagement;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/** A transaction that the database undid is done again as a whole. */
@ExtendWith(AppExtension.class)
class AgainTest {
    private final JdbcTemplate sql;

    AgainTest(JdbcTemplate sql) {
        this.sql = sql;
    }

    /** A service of the app's kind, beside its own database connections. */
    static class Service {
        final AtomicInteger attempts = new AtomicInteger();

        @Transactional
        public int failing(int times, String state, int code) {
            assertThat(TransactionSynchronizationManager.isActualTransactionActive())
                    .isTrue();
            if (attempts.incrementAndGet() <= times) {
                throw new DataAccessResourceFailureException("gone", new SQLException("undone", state, code));
            }
            return attempts.get();
        }

        @Transactional
        public void twoRows(JdbcTemplate sql, int first, int second, CountDownLatch both) throws InterruptedException {
            attempts.incrementAndGet();
            sql.update("UPDATE api_use SET calls = calls + 1 WHERE caller = ?", "again " + first);
            both.countDown();
            both.await(5, TimeUnit.SECONDS);
            sql.update("UPDATE api_use SET calls = calls + 1 WHERE caller = ?", "again " + second);
        }
    }

    @Configuration
    @EnableTransactionManagement
    static class Beans {}

    private AnnotationConfigApplicationContext beans() {
        AnnotationConfigApplicationContext context = new AnnotationConfigApplicationContext();
        context.registerBean(PlatformTransactionManager.class, () -> new JdbcTransactionManager(sql.getDataSource()));
        context.registerBean(Service.class);
        context.register(Again.class, Beans.class);
        context.refresh();
        return context;
    }

    @ParameterizedTest
    @CsvSource({"40001, 1213", "08000, 0", "08S01, 1927", "HY000, 1047", "HY000, 1180", "25S03, 0"})
    void what_passes_is_done_again(String state, int code) {
        try (AnnotationConfigApplicationContext context = beans()) {
            assertThat(context.getBean(Service.class).failing(2, state, code)).isEqualTo(3);
        }
    }

    @Test
    void a_transaction_that_is_written_out_is_done_again_as_well() {
        TransactionTemplate together = new TransactionTemplate(new JdbcTransactionManager(sql.getDataSource()));
        AtomicInteger attempts = new AtomicInteger();
        Integer done = Again.whole(
                "a test",
                () -> together.execute(status -> {
                    sql.update("INSERT INTO api_use (caller, minute_no, calls) VALUES ('again whole', 0, 1)");
                    if (attempts.incrementAndGet() < 3) {
                        throw new DataAccessResourceFailureException("gone", new SQLException("undone", "40001", 1213));
                    }
                    return attempts.get();
                }));
        assertThat(done).isEqualTo(3);
        // the attempts before left nothing: it would have been there already
        assertThat(sql.update("DELETE FROM api_use WHERE caller = 'again whole'"))
                .isEqualTo(1);
    }

    @Test
    void what_does_not_pass_is_said_at_once_and_what_never_ends_is_given_up() {
        try (AnnotationConfigApplicationContext context = beans()) {
            Service service = context.getBean(Service.class);
            assertThatThrownBy(() -> service.failing(1, "23000", 1062))
                    .isInstanceOf(DataAccessResourceFailureException.class);
            assertThat(service.failing(0, "", 0)).isEqualTo(2);
        }
        try (AnnotationConfigApplicationContext context = beans()) {
            assertThatThrownBy(() -> context.getBean(Service.class).failing(100, "40001", 1213))
                    .isInstanceOf(DataAccessResourceFailureException.class);
        }
    }

    @Test
    void two_that_wait_for_each_other_both_end_well() throws Exception {
        try (AnnotationConfigApplicationContext context = beans()) {
            sql.update("INSERT INTO api_use (caller, minute_no, calls) VALUES ('again 1', 0, 0), ('again 2', 0, 0)");
            Service service = context.getBean(Service.class);
            CountDownLatch both = new CountDownLatch(2);
            ExecutorService threads = Executors.newFixedThreadPool(2);
            List<Future<?>> done = new ArrayList<>();
            done.add(threads.submit(() -> {
                service.twoRows(sql, 1, 2, both);
                return null;
            }));
            done.add(threads.submit(() -> {
                service.twoRows(sql, 2, 1, both);
                return null;
            }));
            for (Future<?> one : done) {
                one.get(30, TimeUnit.SECONDS);
            }
            threads.shutdown();
            assertThat(sql.queryForList("SELECT calls FROM api_use WHERE caller LIKE 'again %'", Integer.class))
                    .containsExactly(2, 2);
        } finally {
            sql.update("DELETE FROM api_use WHERE caller LIKE 'again %'");
        }
    }

    @Test
    void every_table_has_a_primary_key_and_can_be_undone() {
        List<String> without = sql.queryForList(
                "SELECT t.table_name FROM information_schema.tables t WHERE t.table_schema = DATABASE()"
                        + " AND t.table_type = 'BASE TABLE' AND (t.engine <> 'InnoDB' OR NOT EXISTS"
                        + " (SELECT 1 FROM information_schema.columns c WHERE c.table_schema = t.table_schema"
                        + " AND c.table_name = t.table_name AND c.column_key = 'PRI'))",
                String.class);
        assertThat(without).isEmpty();
        assertThat(sql.queryForObject(
                        "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = DATABASE()",
                        Integer.class))
                .isGreaterThan(40);
    }
}

package fernstep.app.support;

import com.zaxxer.hikari.SQLExceptionOverride;
import java.net.SocketTimeoutException;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.time.Duration;
import javax.sql.DataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.jdbc.datasource.DelegatingDataSource;
import org.springframework.stereotype.Component;

/**
 * A database that no longer answers is waited for once, not again by everything that follows in the same request: for a
 * moment after, nobody is given a connection.
 */
@Component
public class DatabaseDown implements BeanPostProcessor, SQLExceptionOverride {
    private static final long MOMENT_NS = Duration.ofSeconds(2).toNanos();

    private static volatile boolean seenDown;
    private static volatile long seenAtNs;

    /** Whether it was found not to answer a moment ago. */
    static boolean justNow() {
        return seenDown && System.nanoTime() - seenAtNs < MOMENT_NS;
    }

    private static void seen() {
        seenAtNs = System.nanoTime();
        seenDown = true;
    }

    /** Called by the pool for every failure of a connection that somebody holds. */
    @java.lang.Override
    public Override adjudicate(SQLException sqlexception) {
        if (sqlexception.getCause() instanceof SocketTimeoutException) {
            seen();
        }
        return Override.CONTINUE_EVICT;
    }

    @java.lang.Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof DataSource pool && !(bean instanceof Patient) ? new Patient(pool) : bean;
    }

    private static final class Patient extends DelegatingDataSource {
        Patient(DataSource pool) {
            super(pool);
        }

        @java.lang.Override
        public Connection getConnection() throws SQLException {
            if (justNow()) {
                throw new SQLTransientConnectionException("the database did not answer a moment ago");
            }
            try {
                return super.getConnection();
            } catch (SQLTransientConnectionException waitedInVain) {
                seen();
                throw waitedInVain;
            }
        }
    }
}

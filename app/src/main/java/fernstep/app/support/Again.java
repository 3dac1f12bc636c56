package fernstep.app.support;

import java.sql.SQLException;
import java.time.Duration;
import java.util.Set;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Supplier;
import org.aopalliance.intercept.MethodInterceptor;
import org.aopalliance.intercept.MethodInvocation;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.aop.Advisor;
import org.springframework.aop.ProxyMethodInvocation;
import org.springframework.aop.support.DefaultPointcutAdvisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Role;
import org.springframework.core.Ordered;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Does a whole transaction again where the database undid it for another's sake (a deadlock, or on a cluster a
 * certification conflict, which shows at the latest at its commit) or where its node went away. Whether the last attempt
 * was kept is not known then: every write carries its own id, so that doing it again writes the same.
 */
@Configuration(proxyBeanMethods = false)
@Role(BeanDefinition.ROLE_INFRASTRUCTURE)
public class Again {
    private static final Logger LOG = LoggerFactory.getLogger(Again.class);
    private static final int MOST_ATTEMPTS = 4;
    private static final Duration FIRST_PAUSE = Duration.ofMillis(20);
    private static final int DEEPEST_CAUSE = 12;

    /** Undone for another's sake: serialization failure, deadlock. */
    private static final Set<String> CONFLICT = Set.of("40001");
    /** Not in the cluster (any more), commit not confirmed, server gone: MariaDB's own numbers. */
    private static final Set<Integer> NODE_GONE = Set.of(1047, 1180, 1927, 2006, 2013);

    private static final String CONNECTION_LOST = "08";
    private static final String DURING_A_TRANSACTION = "25S03";

    /** Around the transaction, not within it. */
    @Bean
    @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
    static Advisor doneAgain() {
        DefaultPointcutAdvisor advisor = new DefaultPointcutAdvisor(
                AnnotationMatchingPointcut.forMethodAnnotation(Transactional.class), new Attempts());
        advisor.setOrder(Ordered.HIGHEST_PRECEDENCE);
        return advisor;
    }

    private static final class Attempts implements MethodInterceptor {
        @Override
        public @Nullable Object invoke(MethodInvocation invocation) throws Throwable {
            // within another's transaction it is for that one to begin again
            if (TransactionSynchronizationManager.isActualTransactionActive()
                    || !(invocation instanceof ProxyMethodInvocation again)) {
                return invocation.proceed();
            }
            return attempted(
                    invocation.getMethod().getName(),
                    () -> again.invocableClone().proceed());
        }
    }

    /** One whole transaction. */
    private interface Work<T> {
        @Nullable
        T done() throws Throwable;
    }

    private static <T> @Nullable T attempted(String what, Work<T> work) throws Throwable {
        for (int attempt = 1; ; attempt++) {
            try {
                return work.done();
            } catch (Exception e) {
                if (attempt == MOST_ATTEMPTS || !passes(e)) {
                    throw e;
                }
                LOG.warn("attempt {} of {} was undone: {}", attempt, what, reason(e));
                pause(attempt);
            }
        }
    }

    /** For a transaction that is written out rather than declared: all of it is in the work. */
    public static <T> @Nullable T whole(String what, Supplier<@Nullable T> work) {
        try {
            return attempted(what, work::get);
        } catch (RuntimeException | Error e) {
            throw e;
        } catch (Throwable e) {
            throw new IllegalStateException("a supplier throws nothing checked", e);
        }
    }

    /** Twice as long each time, and not all at the same moment. */
    private static void pause(int attempt) {
        long nanos = FIRST_PAUSE.toNanos() << (attempt - 1);
        LockSupport.parkNanos(nanos + ThreadLocalRandom.current().nextLong(nanos));
    }

    /** Whether another attempt may do. */
    static boolean passes(Throwable thrown) {
        SQLException e = sql(thrown);
        if (e == null) {
            return false;
        }
        String state = e.getSQLState() == null ? "" : e.getSQLState();
        return CONFLICT.contains(state)
                || NODE_GONE.contains(e.getErrorCode())
                || state.startsWith(CONNECTION_LOST)
                || state.equals(DURING_A_TRANSACTION);
    }

    private static @Nullable SQLException sql(Throwable thrown) {
        Throwable at = thrown;
        for (int depth = 0; at != null && depth < DEEPEST_CAUSE; depth++) {
            if (at instanceof SQLException e) {
                return e;
            }
            at = at.getCause();
        }
        return null;
    }

    private static String reason(Throwable thrown) {
        SQLException e = sql(thrown);
        return e == null ? thrown.getClass().getSimpleName() : e.getSQLState() + " " + e.getErrorCode();
    }
}

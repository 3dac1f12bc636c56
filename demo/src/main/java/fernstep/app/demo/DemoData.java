package fernstep.app.demo;

import fernstep.app.security.Staff;
import fernstep.app.security.StaffMapper;
import fernstep.core.client.Licence;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Objects;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Fills an empty house with the invented studio before the first page is served; does nothing where an account exists. */
@Component
@ConditionalOnProperty(name = "fern.demo", havingValue = "true")
class DemoData implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(DemoData.class);
    private static final String PASSWORD = "tidemark-demo";

    private final StaffMapper staff;
    private final PasswordEncoder encoder;
    private final TidemarkRoom room;
    private final DataSource database;
    private final TransactionTemplate transactions;

    DemoData(
            StaffMapper staff,
            PasswordEncoder encoder,
            TidemarkRoom room,
            DataSource database,
            TransactionTemplate transactions) {
        this.database = database;
        this.transactions = transactions;
        this.staff = staff;
        this.encoder = encoder;
        this.room = room;
    }

    /** Two instances that start at once on an empty house: one fills it, the other waits and finds it filled. */
    @Override
    public void afterSingletonsInstantiated() {
        try (Connection held = database.getConnection()) {
            while (!lock(held)) {
                LOG.info("another instance fills the demo studio");
            }
            transactions.executeWithoutResult(status -> fill());
            run(held, "DO RELEASE_LOCK('fernstep-demo')");
        } catch (SQLException e) {
            throw new IllegalStateException("the demo studio could not be filled", e);
        }
    }

    private static boolean lock(Connection on) throws SQLException {
        try (Statement sql = on.createStatement();
                ResultSet answer = sql.executeQuery("SELECT GET_LOCK('fernstep-demo', 2)")) {
            return answer.next() && answer.getInt(1) == 1;
        }
    }

    private static void run(Connection on, String statement) throws SQLException {
        try (Statement sql = on.createStatement()) {
            sql.execute(statement);
        }
    }

    private void fill() {
        if (staff.count() > 0) {
            return;
        }
        String hash = encoder.encode(PASSWORD);
        staff.insert(account("imogen", "Imogen Vale", hash, Licence.THERAPIST, true, 16, 31, 46, 60));
        staff.insert(account("tamsin", "Tamsin Okoro", hash, Licence.COACH, false, 17, 33, 49, 64));
        staff.insert(account("ilse", "Ilse Brandt", hash, Licence.THERAPIST, false, 15, 29, 43, 57));
        staff.insert(new Staff(
                null, "rafaela", "Rafaela Pinto", hash, Licence.COACH, false, null, null, null, null, true, null));
        room.fill(idOf("imogen"), idOf("tamsin"));
        LOG.info("the demo studio is filled");
    }

    private long idOf(String username) {
        return Objects.requireNonNull(staff.byUsername(username).orElseThrow().id());
    }

    private static Staff account(
            String username, String name, String hash, Licence licence, boolean lead, double... fingersMm) {
        return new Staff(
                null,
                username,
                name,
                hash,
                licence,
                lead,
                fingersMm[0],
                fingersMm[1],
                fingersMm[2],
                fingersMm[3],
                true,
                null);
    }
}

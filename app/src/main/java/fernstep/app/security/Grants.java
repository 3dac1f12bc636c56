package fernstep.app.security;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.flywaydb.core.api.callback.Callback;
import org.flywaydb.core.api.callback.Context;
import org.flywaydb.core.api.callback.Event;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * After each migration the owner of the tables gives the app's account what it needs: everything in its own tables, but
 * in the audit trail, and in what was reported of a client's safety, only to read and to add.
 */
@Component
class Grants implements Callback {
    private static final Logger LOG = LoggerFactory.getLogger(Grants.class);
    private static final Set<String> ADD_ONLY = Set.of("audit", "safety_report", "safety_lift");
    private static final String OWNERS_ALONE = "flyway_schema_history";
    private static final String NAME = "[A-Za-z0-9_.%-]{1,60}";

    private final String owner;
    private final String account;
    private final List<String> hosts;

    Grants(
            @Value("${spring.flyway.user}") String owner,
            @Value("${spring.datasource.username}") String account,
            @Value("${fern.app-hosts}") List<String> hosts) {
        this.owner = owner;
        this.account = account;
        this.hosts = hosts;
    }

    @Override
    public boolean supports(Event event, Context context) {
        return event == Event.AFTER_MIGRATE;
    }

    @Override
    public boolean canHandleInTransaction(Event event, Context context) {
        return true;
    }

    @Override
    public String getCallbackName() {
        return "grants";
    }

    @Override
    public void handle(Event event, Context context) {
        if (owner.equals(account)) {
            LOG.warn(
                    "the app runs as the owner of its tables: the audit trail is not append-only (see README, two accounts)");
            return;
        }
        try {
            for (String host : hosts) {
                give(context.getConnection(), "'" + checked(account) + "'@'" + checked(host) + "'");
            }
        } catch (SQLException e) {
            throw new IllegalStateException("the app's database account could not be given its rights", e);
        }
    }

    private static void give(Connection connection, String who) throws SQLException {
        try (Statement sql = connection.createStatement()) {
            for (String table : tables(sql)) {
                String rights = ADD_ONLY.contains(table) ? "SELECT, INSERT" : "SELECT, INSERT, UPDATE, DELETE";
                if (!table.equals(OWNERS_ALONE)) {
                    sql.execute("GRANT " + rights + " ON `" + checked(table) + "` TO " + who);
                }
            }
        }
    }

    private static List<String> tables(Statement sql) throws SQLException {
        List<String> names = new ArrayList<>();
        try (ResultSet rows = sql.executeQuery("SHOW TABLES")) {
            while (rows.next()) {
                names.add(rows.getString(1));
            }
        }
        return names;
    }

    private static String checked(String name) {
        if (!name.matches(NAME)) {
            throw new IllegalStateException("not a name the database may be told: " + name);
        }
        return name;
    }
}

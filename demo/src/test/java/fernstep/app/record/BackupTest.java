package fernstep.app.record;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.core.approach.Approach;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Isolated;

/** A backup restores, row by row, under another account; a damaged one does nothing. */
@ExtendWith(AppExtension.class)
@Isolated("holds the whole database against its copy")
class BackupTest {
    private static final String URL = System.getenv("FERN_DB_URL");
    private static final String RESTORED = URL.replaceFirst("/[a-z]+$", "/fernstep_restored");
    private static final String PASSWORD = System.getenv("FERN_DB_OWNER_PASSWORD");
    private static final List<String> SIGN_INS = List.of("SPRING_SESSION", "SPRING_SESSION_ATTRIBUTES");

    @TempDir
    private Path folder;

    private final Running app;

    BackupTest(Running app) {
        this.app = app;
    }

    private record Told(int code, String text) {}

    private static Told fern(Map<String, String> settings, String... arguments) throws Exception {
        List<String> command = new ArrayList<>(List.of("../fern"));
        command.addAll(List.of(arguments));
        ProcessBuilder process = new ProcessBuilder(command).redirectErrorStream(true);
        process.environment().putAll(settings);
        Process running = process.start();
        String text = new String(running.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Told(running.waitFor(), text);
    }

    private static Map<String, String> into(String url) {
        return Map.of("FERN_DB_URL", url, "FERN_DB_OWNER", "somebody_else", "FERN_DB_OWNER_PASSWORD", PASSWORD);
    }

    private static Connection as(String account, String url) throws SQLException {
        return DriverManager.getConnection(url, account, PASSWORD);
    }

    @BeforeEach
    void an_empty_database_to_restore_into() throws SQLException {
        try (Connection there = as("somebody_else", RESTORED);
                Statement sql = there.createStatement()) {
            sql.execute("DROP DATABASE fernstep_restored");
            sql.execute("CREATE DATABASE fernstep_restored");
        }
    }

    /** Every row of a table as text, in an order of its own. */
    private static List<String> rows(Connection at, String table) throws SQLException {
        List<String> all = new ArrayList<>();
        try (Statement sql = at.createStatement();
                ResultSet rows = sql.executeQuery("SELECT * FROM `" + table + "`")) {
            int columns = rows.getMetaData().getColumnCount();
            while (rows.next()) {
                StringBuilder row = new StringBuilder();
                for (int c = 1; c <= columns; c++) {
                    Object value = rows.getObject(c);
                    row.append('|').append(value instanceof byte[] bytes ? Arrays.toString(bytes) : value);
                }
                all.add(row.toString());
            }
        }
        all.sort(null);
        return all;
    }

    private static List<String> tables(Connection at) throws SQLException {
        List<String> names = new ArrayList<>();
        try (Statement sql = at.createStatement();
                ResultSet rows = sql.executeQuery("SHOW TABLES")) {
            while (rows.next()) {
                names.add(rows.getString(1));
            }
        }
        return names;
    }

    @Test
    void what_was_backed_up_is_there_again_row_by_row_under_another_account_and_without_sign_ins() throws Exception {
        Someone.firm(app.context(), "Ünïcode 'quoted' \\ back\nslash", Approach.SLOW_LADDER, 14);
        Path file = folder.resolve("house.fern");
        try (Connection mail = as("fernstep", URL);
                Statement held = mail.createStatement();
                Connection here = as("fernstep", URL);
                Connection there = as("somebody_else", RESTORED)) {
            // mail that went out meanwhile would make another house of the one that is backed up
            mail.setAutoCommit(false);
            held.execute("SELECT id FROM outbox FOR UPDATE");
            Told backup = fern(Map.of(), "backup", file.toString());
            assertThat(backup.code()).as(backup.text()).isZero();
            Told restore = fern(into(RESTORED), "restore", file.toString());
            assertThat(restore.code()).as(restore.text()).isZero();
            assertThat(tables(there)).containsExactlyElementsOf(tables(here)).hasSizeGreaterThan(25);
            for (String table : tables(here)) {
                if (SIGN_INS.contains(table)) {
                    assertThat(rows(there, table)).as(table).isEmpty();
                } else {
                    assertThat(rows(there, table)).as(table).isEqualTo(rows(here, table));
                }
            }
            try (Statement sql = there.createStatement()) {
                sql.execute("UPDATE client SET touched_at = '2001-01-01' WHERE id = 1");
                sql.execute("INSERT INTO visit (client_id, held_on, staff_id) VALUES (1, '2002-02-02', 1)");
                try (ResultSet touched =
                        sql.executeQuery("SELECT touched_at > '2001-01-02' FROM client WHERE id = 1")) {
                    assertThat(touched.next()).isTrue();
                    assertThat(touched.getBoolean(1))
                            .as("the triggers came along")
                            .isTrue();
                }
            }
        }
        Told again = fern(into(RESTORED), "restore", file.toString());
        assertThat(again.code()).isNotZero();
        assertThat(again.text()).contains("is not empty");
    }

    @Test
    void a_damaged_or_foreign_file_changes_nothing_and_says_so() throws Exception {
        Path file = folder.resolve("damaged.fern");
        assertThat(fern(Map.of(), "backup", file.toString()).code()).isZero();
        byte[] bytes = Files.readAllBytes(file);
        bytes[bytes.length / 2] ^= 1;
        Files.write(file, bytes);
        Told damaged = fern(into(RESTORED), "restore", file.toString());
        assertThat(damaged.code()).isNotZero();
        assertThat(damaged.text()).contains("is damaged").contains("Nothing was changed");
        Path foreign = folder.resolve("foreign.txt");
        write(foreign, "DROP TABLE client;\n");
        assertThat(fern(into(RESTORED), "restore", foreign.toString()).text()).contains("is no backup of Fern Step");
        write(foreign, "fernstep-backup 9 schema=99 sha256=0\n");
        assertThat(fern(into(RESTORED), "restore", foreign.toString()).text()).contains("a newer Fern Step");
        try (Connection there = as("somebody_else", RESTORED)) {
            assertThat(tables(there)).isEmpty();
        }
    }

    private static void write(Path file, String text) throws IOException {
        Files.writeString(file, text);
    }
}

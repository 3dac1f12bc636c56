package fernstep.app.transfer;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.changes.ReadingsFile;
import fernstep.app.support.NotFound;
import fernstep.app.transfer.TablePreview.Becomes;
import fernstep.core.approach.Approach;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.table.SessionsCsv;
import fernstep.exchange.table.TableKind;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.jdbc.core.JdbcTemplate;

/** Tables of readings and sessions come in: looked at row by row, written, and taken back. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("holds the rows of every table against what they were")
class TableImportTest {
    private static final long IMOGEN = 1;
    private static final int DEMO_CLIENTS = 12;
    private final LocalDate day = LocalDate.now().minusDays(40);
    private static final String HEADER = "client,date,site_cm,condition,method,values\n";

    private final Running app;
    private final TableImports tables;
    private final CaseFiles files;
    private final ReadingsFile readings;
    private final JdbcTemplate sql;

    TableImportTest(Running app, TableImports tables, CaseFiles files, ReadingsFile readings, JdbcTemplate sql) {
        this.app = app;
        this.files = files;
        this.readings = readings;
        this.tables = tables;
        this.sql = sql;
    }

    private long someone(String name) {
        return Someone.plain(app.context(), name, Approach.SLOW_LADDER, 14);
    }

    private String kept(String text) {
        String form = UUID.randomUUID().toString();
        tables.keep(form, IMOGEN, "table.csv", text.getBytes(StandardCharsets.UTF_8));
        return form;
    }

    private TablePreview look(String form) throws Exception {
        return tables.look(tables.byForm(form, IMOGEN)).orElseThrow();
    }

    private TableImportRow.State settled(String form) {
        while (tables.byForm(form, IMOGEN).moving()) {
            LockSupport.parkNanos(5_000_000);
        }
        return tables.byForm(form, IMOGEN).state();
    }

    /** Every row of every table but those that only say what was done, and when a client was last touched. */
    private Map<String, List<String>> everything() {
        Map<String, List<String>> all = new TreeMap<>();
        for (String table : List.of(
                "client",
                "visit",
                "visit_answer",
                "reading",
                "finding",
                "training_session",
                "session_result",
                "ladder_step",
                "record_change",
                "table_import_row")) {
            all.put(
                    table,
                    sql.queryForList("SELECT * FROM " + table).stream()
                            .peek(map -> map.remove("touched_at"))
                            .map(Object::toString)
                            .sorted()
                            .toList());
        }
        return all;
    }

    @Test
    void the_tables_of_every_demo_client_give_the_same_readings_and_sessions_again() throws Exception {
        for (long her = 1; her <= DEMO_CLIENTS; her++) {
            CaseFile before = files.of(her, true);
            long again = someone("Tables Of " + her);
            for (String table : List.of(
                    new String(readings.of(her), StandardCharsets.UTF_8), SessionsCsv.write(before.sessions()))) {
                String form = kept(table);
                tables.settings(form, kindOf(table), Map.of(), "" + again, null);
                TablePreview preview = look(form);
                assertThat(preview.refused())
                        .as("refused of %s", before.her().name())
                        .isZero();
                if (!preview.lines().isEmpty()) {
                    assertThat(tables.take(form, false)).isTrue();
                    assertThat(settled(form)).isEqualTo(TableImportRow.State.TAKEN);
                }
            }
            CaseFile after = files.of(again, true);
            assertThat(readingsByDay(after)).as(before.her().name()).isEqualTo(readingsByDay(before));
            assertThat(resultsByDay(after)).as(before.her().name()).isEqualTo(resultsByDay(before));
        }
    }

    private static TableKind kindOf(String table) {
        return TableKind.of(List.of(table.lines().findFirst().orElseThrow().split(",")))
                .orElseThrow();
    }

    private static Set<String> readingsByDay(CaseFile file) {
        Set<String> all = new TreeSet<>();
        file.visits().forEach(visited -> visited.readings().forEach(read -> all.add(visited.date() + " " + read)));
        return all;
    }

    /** A row of a table has neither how much was done nor what was made easier: the case file carries them. */
    private static CaseFile.Went asTablesHaveIt(CaseFile.Went went) {
        return new CaseFile.Went(
                went.rung(), went.side(), went.result(), went.effort(), went.nextDay(), went.signs(), went.range());
    }

    private static Set<String> resultsByDay(CaseFile file) {
        Set<String> all = new TreeSet<>();
        file.sessions()
                .forEach(trained -> trained.results()
                        .forEach(
                                went -> all.add(trained.date() + " " + trained.atHome() + " " + asTablesHaveIt(went))));
        return all;
    }

    @Test
    void each_row_is_new_changes_repeats_or_is_refused_with_its_reason() throws Exception {
        long her = someone("Table Person");
        String form = kept(
                HEADER + her + "," + day + ",2,REST,FINGERS,2.5\n" + "Table Person," + day + ",4,REST,FINGERS,2\n");
        assertThat(tables.take(form, false)).isTrue();
        assertThat(settled(form)).isEqualTo(TableImportRow.State.TAKEN);
        TablePreview again = look(kept(HEADER
                + her + "," + day + ",2,REST,FINGERS,2.5\n"
                + her + "," + day + ",4,REST,FINGERS,3\n"
                + her + "," + day + ",-2,REST,FINGERS,1.5\n"
                + her + "," + day + ",-2,REST,FINGERS,1\n"
                + "Nobody Known," + day + ",2,REST,FINGERS,2\n"));
        assertThat(again.lines().stream().map(TablePreview.Line::becomes))
                .containsExactly(Becomes.SAME, Becomes.CHANGED, Becomes.NEW, Becomes.REFUSED, Becomes.REFUSED);
        assertThat(again.lines().get(4).problem()).hasMessage("nobody here is called Nobody Known");
    }

    @Test
    void taken_back_every_table_is_row_by_row_as_before() throws Exception {
        long her = someone("Table Undone");
        long other = someone("Table Other");
        Map<String, List<String>> before = everything();
        String form = kept(HEADER + her + "," + day + ",2,REST,FINGERS,2.5\n" + other + "," + day.plusDays(1)
                + ",2,HEAD_LIFT,CALIPER,24 25\n");
        String sessions = kept("client,date,where,rung,side,result,effort,next_day,signs,range\n" + her + "," + day
                + ",HOME,F1,LEFT,CLEAN,3,NONE,,1\n" + her + "," + day + ",HOME,F1,RIGHT,EASED,5,HEAVY,DOME_SOFT,0.5\n");
        assertThat(tables.take(form, false)).isTrue();
        assertThat(tables.take(sessions, false)).isTrue();
        assertThat(settled(form)).isEqualTo(TableImportRow.State.TAKEN);
        assertThat(settled(sessions)).isEqualTo(TableImportRow.State.TAKEN);
        assertThat(sql.queryForObject("SELECT COUNT(*) FROM session_result WHERE client_id = ?", Integer.class, her))
                .isEqualTo(2);
        // sent twice it is written once
        tables.take(form, false);
        assertThat(everything()).isNotEqualTo(before);
        assertThat(tables.undo(sessions, IMOGEN)).isZero();
        assertThat(tables.undo(form, IMOGEN)).isZero();
        assertThat(settled(form)).isEqualTo(TableImportRow.State.UNDONE);
        assertThat(settled(sessions)).isEqualTo(TableImportRow.State.UNDONE);
        assertThat(everything()).isEqualTo(before);
    }

    @Test
    void what_stood_there_before_is_kept_and_stands_there_again() throws Exception {
        long her = someone("Table Changed");
        String first = kept(HEADER + her + "," + day + ",2,REST,FINGERS,2.5\n");
        tables.take(first, false);
        settled(first);
        String second = kept(HEADER + her + "," + day + ",2,REST,FINGERS,3.5\n");
        tables.take(second, false);
        settled(second);
        assertThat(reading(her)).isEqualTo("3.5");
        assertThat(sql.queryForList("SELECT before_value FROM record_change WHERE client_id = ?", String.class, her))
                .containsExactly("2.5 FINGERS");
        // the first can no longer be taken back on its own: what it wrote says something else by now
        assertThat(tables.undo(first, IMOGEN)).isEqualTo(1);
        assertThat(tables.undo(second, IMOGEN)).isZero();
        settled(second);
        assertThat(reading(her)).isEqualTo("2.5");
    }

    private String reading(long client) {
        return sql.queryForObject(
                "SELECT reading_values FROM reading r JOIN visit v ON v.id = r.visit_id WHERE v.client_id = ?",
                String.class,
                client);
    }

    @Test
    void where_some_rows_are_refused_only_the_good_ones_are_written_and_only_on_request() throws Exception {
        long her = someone("Table Half");
        String form =
                kept(HEADER + her + "," + day + ",2,REST,FINGERS,2.5\n" + her + "," + day + ",3,REST,FINGERS,99\n");
        assertThat(tables.take(form, false)).isFalse();
        assertThat(tables.byForm(form, IMOGEN).state()).isEqualTo(TableImportRow.State.LOOKED);
        assertThat(tables.take(form, true)).isTrue();
        settled(form);
        assertThat(reading(her)).isEqualTo("2.5");
    }

    @Test
    void a_table_that_is_stopped_leaves_nothing_behind() throws Exception {
        long her = someone("Table Stopped");
        StringBuilder text = new StringBuilder(HEADER);
        for (int back = 0; back < 3_000; back++) {
            text.append(her).append(',').append(day.minusDays(back)).append(",2,REST,FINGERS,2.5\n");
        }
        Map<String, List<String>> before = everything();
        String form = kept(text.toString());
        tables.take(form, false);
        tables.cancel(form);
        assertThat(settled(form)).isEqualTo(TableImportRow.State.UNDONE);
        assertThat(everything()).isEqualTo(before);
    }

    @Test
    void a_hand_corrects_the_columns_and_the_characters_and_the_page_follows(Visitor visitor) {
        long her = someone("Čeněk Table");
        Page page = visitor.onATablet("imogen");
        visitor.open("/house/import");
        byte[] file = ("Kdo;Day;Site;Condition;Method;Šířka\nČeněk Table;" + day + ";2;REST;FINGERS;2,5\n"
                        + "Čeněk Table;" + day + ";4;REST;FINGERS;many\n")
                .getBytes(Charset.forName("windows-1250"));
        page.setInputFiles("#file", new FilePayload("old.csv", "text/csv", file));
        page.click("text=Look at it first");
        visitor.see("With which of these are its letters right?");
        page.click("button:has-text('windows-1250')");
        visitor.see("No column was found for:");
        page.selectOption("#column-CLIENT", "0");
        page.selectOption("#column-VALUES", "5");
        page.click("text=Look again");
        visitor.see("two and a half is written 2,5");
        assertThat(page.locator("tbody tr")).hasCount(2);
        visitor.see("expected a number, not many");
        visitor.checkAccessible();
        page.click("text=Write the 1 rows that can be imported");
        visitor.see("1 rows are written.");
        assertThat(reading(her)).isEqualTo("2.5");
        page.click("text=Undo the import");
        visitor.see("Undone: the record is as it was before.");
        assertThat(sql.queryForObject("SELECT COUNT(*) FROM visit WHERE client_id = ?", Integer.class, her))
                .isZero();
    }

    @Test
    void a_file_of_fifty_megabytes_is_refused_with_a_sentence_and_an_id(Visitor visitor) throws Exception {
        Page page = visitor.onATablet("imogen");
        Path large = Files.createTempFile("large", ".csv");
        Files.write(large, new byte[50 << 20]);
        visitor.open("/house/import");
        page.setInputFiles("#file", large);
        page.click("text=Look at it first");
        visitor.see("This file is too large");
        assertThat(page.locator(".error-id")).not().isEmpty();
        Files.delete(large);
    }

    @Test
    void a_table_over_ten_megabytes_is_refused_with_a_sentence_where_it_was_chosen(Visitor visitor) throws Exception {
        Page page = visitor.onATablet("imogen");
        Path large = Files.createTempFile("large", ".csv");
        Files.writeString(large, HEADER + ",".repeat(11 << 20));
        visitor.open("/house/import");
        page.setInputFiles("#file", large);
        page.click("text=Look at it first");
        visitor.see("A table has 10 megabytes at most: split it.");
        Files.delete(large);
    }

    @Test
    void what_is_no_table_is_refused_with_a_sentence(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        for (String[] wrong : List.of(
                new String[] {"packed.zip", "PK\u0003\u0004\u0000\u0000\u0000", "This is no table"},
                new String[] {
                    "entity.xml", "<!DOCTYPE x [<!ENTITY e SYSTEM 'file:///etc/passwd'>]><x>&e;</x>", "not JSON"
                },
                new String[] {"empty.csv", " ", "The file is empty."},
                new String[] {"formula.csv", HEADER + "1," + day + ",2,REST,FINGERS,=cmd|x\n", "expected a number"})) {
            visitor.open("/house/import");
            page.setInputFiles(
                    "#file", new FilePayload(wrong[0], "text/plain", wrong[1].getBytes(StandardCharsets.UTF_8)));
            page.click("text=Look at it first");
            visitor.see(wrong[2]);
        }
    }

    @Test
    void while_it_is_only_looked_at_nobody_else_sees_it() {
        String form = kept("client,date\nImogen Vale,2031-01-01");
        assertThat(tables.byForm(form, IMOGEN).formId()).isEqualTo(form);
        assertThatThrownBy(() -> tables.byForm(form, IMOGEN + 1)).isInstanceOf(NotFound.class);
    }
}

package fernstep.exchange.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.measure.Side;
import fernstep.core.progress.SessionResult;
import fernstep.core.separation.Condition;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.table.TableKind.Column;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Tables as other programs write them, and what their rows say. */
class TableTextTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 5, 2);

    private static TableText read(String text) throws TableText.Refused {
        return TableText.read(text.getBytes(StandardCharsets.UTF_8), null);
    }

    private static TableRows rows(TableText table, TableKind kind) {
        return new TableRows(table, kind.matched(table.header()), CataloguePackage.shipped(), TODAY);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"client,date,site_cm,values|,|false", "client;date;site_cm;values|;|true"})
    void separator_and_decimal_sign_are_found(String header, char separator, boolean comma) throws Exception {
        String number = comma ? "2,5" : "2.5";
        TableText table = read(header + "\n1" + separator + "2031-01-02" + separator + "2" + separator + number + "\n");
        assertThat(table.separator()).isEqualTo(separator);
        assertThat(table.decimalComma()).isEqualTo(comma);
        assertThat(table.rows())
                .singleElement()
                .satisfies(row -> assertThat(row.line()).isEqualTo(2));
    }

    @Test
    void a_file_that_is_not_unicode_is_read_as_is_said_and_not_guessed() throws Exception {
        byte[] czech = "name;date\nŽofie Čápová;2031-01-02\n".getBytes(Charset.forName("windows-1250"));
        assertThatThrownBy(() -> TableText.read(czech, null))
                .isInstanceOfSatisfying(
                        TableText.Refused.class,
                        refused -> assertThat(refused.why()).isEqualTo(TableText.Refused.Why.CHARACTERS));
        assertThat(TableText.read(czech, "windows-1250").rows().get(0).cell(0)).isEqualTo("Žofie Čápová");
        byte[] wide = "name\tdate\nŽofie\t2031-01-02\n".getBytes(StandardCharsets.UTF_16);
        assertThat(TableText.read(wide, null).rows().get(0).cell(0)).isEqualTo("Žofie");
        byte[] marked = "\uFEFFclient,date\n1,2031-01-02\n".getBytes(StandardCharsets.UTF_8);
        assertThat(TableText.read(marked, null).header()).containsExactly("client", "date");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''                              | EMPTY",
                "'one column\nalone'             | NO_TABLE",
                "'a,b\n\"never closed,2\n'       | NO_TABLE",
                "'a;b\n2,5;2.5\n'                | BOTH_DECIMALS",
            })
    void what_is_no_table_is_refused_with_its_reason(String text, TableText.Refused.Why why) {
        assertThatThrownBy(() -> read(text))
                .isInstanceOfSatisfying(
                        TableText.Refused.class,
                        refused -> assertThat(refused.why()).isEqualTo(why));
    }

    @Test
    void more_rows_than_anybody_reads_are_refused() {
        String text = "a,b\n" + "1,2\n".repeat(TableText.MOST_ROWS + 1);
        assertThatThrownBy(() -> read(text))
                .isInstanceOfSatisfying(
                        TableText.Refused.class,
                        refused -> assertThat(refused.why()).isEqualTo(TableText.Refused.Why.TOO_MANY_ROWS));
    }

    @Test
    void columns_are_found_by_what_they_may_be_called_and_the_kind_by_its_columns() throws Exception {
        TableText table = read("Person,Day,Site (cm),Condition,Method,Width\nx,y,1,2,3,4\n");
        assertThat(TableKind.of(table.header())).contains(TableKind.READINGS);
        // "Site (cm)" is "sitecm" without what is no letter
        assertThat(TableKind.READINGS.matched(table.header()))
                .containsEntry(Column.CLIENT, 0)
                .containsEntry(Column.DATE, 1)
                .containsEntry(Column.SITE_CM, 2)
                .containsEntry(Column.VALUES, 5);
        assertThat(TableKind.of(List.of("client", "date", "rung", "result"))).contains(TableKind.SESSIONS);
    }

    @Test
    void a_row_is_read_into_its_reading() throws Exception {
        TableText table = read("""
                client;date;site_cm;condition;method;values;depth_mm
                Ada;2031-04-01;-4,5;head lift;caliper;31,5 32;12
                """);
        CaseFile.Read reading =
                rows(table, TableKind.READINGS).reading(table.rows().get(0));
        assertThat(reading.siteCm()).isEqualTo(-4.5);
        assertThat(reading.condition()).isEqualTo(Condition.HEAD_LIFT);
        assertThat(reading.values()).containsExactly(31.5, 32.0);
        assertThat(reading.depthMm()).isEqualTo(12.0);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Ada,2031-05-03,2,REST,FINGERS,2.5|date",
                "Ada,1 April,2,REST,FINGERS,2.5|date",
                "Ada,2031-04-01,25,REST,FINGERS,2.5|site_cm",
                "Ada,2031-04-01,2,SLEEPING,FINGERS,2.5|condition",
                "Ada,2031-04-01,2,REST,EYES,2.5|method",
                "Ada,2031-04-01,2,REST,FINGERS,12|values",
                "Ada,2031-04-01,2,REST,FINGERS,=1+1|values",
                "Ada,2031-04-01,2,REST,FINGERS|values",
            })
    void a_wrong_cell_is_named_by_its_column(String rowAndColumn) throws Exception {
        String[] parts = rowAndColumn.split("\\|");
        TableText table = read("client,date,site_cm,condition,method,values\n" + parts[0] + "\n");
        TableRows rows = rows(table, TableKind.READINGS);
        assertThatThrownBy(() -> {
                    rows.day(table.rows().get(0));
                    rows.reading(table.rows().get(0));
                })
                .isInstanceOfSatisfying(
                        CaseProblem.class, problem -> assertThat(problem.path()).isEqualTo(parts[1]));
    }

    @Test
    void sessions_that_go_out_come_in_again() throws Exception {
        CaseFile.Went eased =
                new CaseFile.Went("F3", Side.LEFT, SessionResult.Kind.EASED, 4, "PAIN:3,HEAVY", "DOME_SOFT", 0.6);
        CaseFile.Went clean = new CaseFile.Went("BR1", null, SessionResult.Kind.CLEAN, null, "", "", 1);
        CaseFile.Went unasked = new CaseFile.Went("HK1", null, SessionResult.Kind.CLEAN, null, null, "", 1);
        TableText table = read(SessionsCsv.write(
                List.of(new CaseFile.Trained(LocalDate.of(2031, 4, 22), true, List.of(eased, clean, unasked)))));
        TableRows rows = rows(table, TableKind.SESSIONS);
        assertThat(table.rows().stream().map(rows::result)).containsExactly(eased, clean, unasked);
        assertThat(rows.atHome(table.rows().get(0))).isTrue();
    }
}

package fernstep.app.transfer;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.NotFound;
import fernstep.core.approach.Approach;
import fernstep.exchange.casefile.CaseFileReader;
import fernstep.exchange.casefile.CaseFileWriter;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.fhir.FhirFiles;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Isolated;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.JdbcTemplate;

/** A client goes out as a file and comes in again. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("counts the rows of every table")
class CaseFileTest {
    private static final long IMOGEN = 1;
    private static final int DEMO_CLIENTS = 12;
    /** Of the demo, with sessions behind her. */
    private static final long MARIBEL = 4;

    private final Running app;
    private final CaseFiles files;
    private final Imports imports;
    private final Clients clients;
    private final Catalogues catalogues;
    private final JdbcTemplate sql;

    CaseFileTest(
            Running app, CaseFiles files, Imports imports, Clients clients, Catalogues catalogues, JdbcTemplate sql) {
        this.app = app;
        this.files = files;
        this.imports = imports;
        this.clients = clients;
        this.catalogues = catalogues;
        this.sql = sql;
    }

    private String out(long client) {
        return new String(CaseFileWriter.written(files.of(client, true), LocalDate.now()), StandardCharsets.UTF_8);
    }

    private long in(String json) throws Exception {
        String form = UUID.randomUUID().toString();
        imports.look(form, IMOGEN, "a file", json);
        return imports.take(form, false, IMOGEN, true).orElseThrow();
    }

    @Test
    void every_demo_client_comes_back_as_she_was() throws Exception {
        List<ClientFile> demo =
                clients.all().stream().filter(file -> file.id() <= DEMO_CLIENTS).toList();
        assertThat(demo).hasSize(DEMO_CLIENTS);
        for (ClientFile her : demo) {
            String out = out(her.id());
            long again = in(out);
            assertThat(out(again)).as(her.name()).isEqualTo(out);
            assertThat(clients.file(again).facts()).isEqualTo(her.facts());
            assertThat(clients.file(again).stances()).isEqualTo(her.stances());
            clients.erase(again, IMOGEN);
        }
    }

    @Test
    void every_demo_client_comes_back_from_a_fhir_bundle_as_she_was() throws Exception {
        for (ClientFile her :
                clients.all().stream().filter(file -> file.id() <= DEMO_CLIENTS).toList()) {
            String out = out(her.id());
            byte[] bundle = FhirFiles.written(files.of(her.id(), true), LocalDate.now());
            long again = in(new String(bundle, StandardCharsets.UTF_8));
            assertThat(out(again)).as(her.name()).isEqualTo(out);
            assertThat(clients.file(again).facts()).isEqualTo(her.facts());
            clients.erase(again, IMOGEN);
        }
    }

    @Test
    void what_only_a_therapist_sees_goes_out_to_a_therapist_alone(Visitor visitor) {
        long her = Someone.firm(app.context(), "Seen Inside", Approach.SLOW_LADDER, 14);
        long visit = sql.queryForObject("SELECT MAX(id) FROM visit WHERE client_id = ?", Long.class, her);
        sql.update(
                "INSERT INTO finding (visit_id, name, side, finding_value) VALUES (?, 'PF_INTERNAL', '', '4')", visit);
        sql.update(
                "INSERT INTO record_change (client_id, visit_id, part, before_value, after_value, reason, staff_id)"
                        + " VALUES (?, ?, 'finding:PF_INTERNAL', NULL, '4', '', 1)",
                her,
                visit);
        List<String> ways = List.of(
                "/out/case.json",
                "/out/fhir.json",
                "/record/everything.json",
                "/record",
                "/readings.csv",
                "/export.zip");
        Page therapist = visitor.onATablet("imogen");
        assertThat(said(therapist, her, "/record/everything.json")).contains("PF_INTERNAL");
        assertThat(said(therapist, her, "/export.zip")).contains("PF_INTERNAL");
        Page coach = visitor.onATablet("tamsin");
        for (String way : ways) {
            assertThat(said(coach, her, way))
                    .as(way)
                    .doesNotContain("PF_INTERNAL")
                    .doesNotContain("Internal grade");
        }
    }

    @Test
    void her_photos_go_out_to_her_team_and_to_leads_alone(Visitor visitor) {
        long her = Someone.firm(app.context(), "Pictured Person", Approach.SLOW_LADDER, 14);
        long visit = sql.queryForObject("SELECT MAX(id) FROM visit WHERE client_id = ?", Long.class, her);
        sql.update(
                "INSERT INTO photo (form_id, client_id, visit_id, staff_id, width_px, height_px, jpeg) VALUES (?, ?, ?, 1, 4, 4, ?)",
                UUID.randomUUID().toString(),
                her,
                visit,
                "a picture".getBytes(StandardCharsets.UTF_8));
        sql.update("DELETE FROM client_team WHERE client_id = ?", her);
        String asJson = Base64.getEncoder().encodeToString("a picture".getBytes(StandardCharsets.UTF_8));
        Page lead = visitor.onATablet("imogen");
        assertThat(said(lead, her, "/record/everything.json")).contains(asJson);
        assertThat(said(lead, her, "/export.zip")).contains("photos/photo-");
        Page coach = visitor.onATablet("tamsin");
        assertThat(said(coach, her, "/record/everything.json")).doesNotContain(asJson);
        assertThat(said(coach, her, "/export.zip"))
                .doesNotContain("photos/photo-")
                .doesNotContain(asJson);
    }

    @Test
    void a_fhir_bundle_is_looked_at_on_the_page_with_what_has_no_place(Visitor visitor) {
        long her = Someone.firm(app.context(), "Bundled Person", Approach.SLOW_LADDER, 14);
        String bundle = new String(FhirFiles.written(files.of(her, true), LocalDate.now()), StandardCharsets.UTF_8)
                .replaceFirst("\"status\": \"final\"", "\"status\": \"cancelled\"");
        // the first observation is her stage: without it nothing can be taken
        Page page = visitor.onATablet("imogen");
        visitor.open("/house/import");
        page.setInputFiles("#file", file("bundle.json", bundle));
        page.click("text=Look at it first");
        visitor.see("entry[1] Observation.status");
        int last = bundle.lastIndexOf("\"status\": \"final\"");
        String whole = bundle.replaceFirst("\"cancelled\"", "\"final\"");
        String other =
                whole.substring(0, last + 2) + whole.substring(last + 2).replaceFirst("\"final\"", "\"cancelled\"");
        page.setInputFiles("#file", file("bundle.json", other));
        page.click("text=Look at it first");
        visitor.see("Cannot be imported");
        page.click("text=Import without these");
        page.waitForURL("**/clients/*");
        assertThat(page.locator("h1").first()).hasText("Bundled Person");
    }

    private static FilePayload file(String name, String text) {
        return new FilePayload(name, "application/json", text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void what_could_be_taken_yesterday_and_cannot_today_is_said_and_not_a_fault(Visitor visitor) {
        String form = UUID.randomUUID().toString();
        // as it is when a rung was taken out of the house's catalogue, or an older release kept it
        imports.look(form, IMOGEN, "old.json", "{\"format\": \"fernstep-case\", \"version\": 1}");
        Page page = visitor.onATablet("imogen");
        visitor.open("/house/import?form=" + form);
        visitor.see("Nothing in this file can be imported: name");
        APIResponse answer = page.request()
                .post(
                        app.baseUrl() + "/house/import/take",
                        RequestOptions.create()
                                .setForm(FormData.create().set("formId", form))
                                .setHeader("X-CSRF-TOKEN", page.getAttribute("meta[name=csrf]", "content")));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.text()).contains("Nothing in this file can be imported");
    }

    /** What comes back; of a folder, all its files. */
    private String said(Page page, long client, String way) {
        APIResponse answer = page.request().get(app.baseUrl() + "/clients/" + client + way);
        assertThat(answer.status()).as(way).isEqualTo(200);
        return way.endsWith(".zip") ? String.join("\n", unpacked(answer.body()).values()) : answer.text();
    }

    private static Map<String, String> unpacked(byte[] folder) {
        Map<String, String> files = new TreeMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(folder))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), new String(zip.readAllBytes(), StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return files;
    }

    @Test
    void her_record_goes_out_in_each_format_from_its_page_and_in_no_other(Visitor visitor) {
        long her = Someone.firm(app.context(), "Taken Out", Approach.SLOW_LADDER, 14);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + her + "/record");
        Locator links = page.locator("a[href*='/clients/" + her + "/out/']");
        assertThat(links.allInnerTexts()).containsExactly("Case file", "FHIR bundle", "Sessions (CSV)");
        List<String> begin = List.of("{", "{", "date,where,rung,");
        List<String> types = List.of("application/json", "application/fhir+json", "text/csv;charset=UTF-8");
        for (int i = 0; i < links.count(); i++) {
            String address = links.nth(i).getAttribute("href");
            APIResponse file = page.request().get(app.baseUrl() + address);
            assertThat(file.status()).as(address).isEqualTo(200);
            assertThat(file.headers().get("content-type")).isEqualTo(types.get(i));
            assertThat(file.headers().get("content-disposition"))
                    .contains("client-" + her + "-" + address.substring(address.lastIndexOf('/') + 1));
            assertThat(file.text()).startsWith(begin.get(i));
        }
        assertThat(page.request()
                        .get(app.baseUrl() + "/clients/" + her + "/out/else.xml")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void the_folder_has_a_page_that_names_every_file_in_it(Visitor visitor, @TempDir Path folder) throws IOException {
        long her = Someone.firm(app.context(), "Packed Person", Approach.SLOW_LADDER, 14);
        Page page = visitor.onATablet("imogen");
        APIResponse answer = page.request().get(app.baseUrl() + "/clients/" + her + "/export.zip");
        Map<String, String> packed = unpacked(answer.body());
        assertThat(packed).containsKeys("index.html", "case.json", "fhir.json", "sessions.csv", "readings.csv");
        assertThat(packed.get("index.html"))
                .contains("Packed Person")
                .doesNotContain("src=")
                .doesNotContain("<script");
        packed.keySet().stream()
                .filter(text -> !text.equals("index.html"))
                .forEach(text -> assertThat(packed.get("index.html")).contains("href=\"" + text + "\""));
        Files.writeString(folder.resolve("index.html"), packed.get("index.html"));
        page.navigate(folder.resolve("index.html").toUri().toString());
        visitor.see("Who she is");
        visitor.checkAccessible();
    }

    /** Else she would go on elsewhere at the full range that failed here. */
    @Test
    void what_was_made_easier_and_how_much_was_done_travel_with_her() throws Exception {
        String plain = out(MARIBEL);
        assertThat(plain).contains("\"doneSets\" : null", "\"easedRung\" : null");
        String eased = plain.replaceFirst("\"doneSets\" : null", "\"doneSets\" : 1")
                .replaceFirst("\"doneTimes\" : null", "\"doneTimes\" : 4")
                .replaceFirst("\"easedRung\" : null", "\"easedRung\" : \"F3\"")
                .replaceFirst("\"easedRange\" : null", "\"easedRange\" : 0.67")
                .replaceFirst("\"easedKneesDeg\" : null", "\"easedKneesDeg\" : 20")
                .replaceFirst("\"easedTimes\" : null", "\"easedTimes\" : 4")
                .replaceFirst("\"easedBecause\" : null", "\"easedBecause\" : \"DOME_SOFT\"")
                .replaceFirst("\"easedParts\" : null", "\"easedParts\" : \"ADD_HELPER,ROD\"");
        long again = in(eased);
        assertThat(out(again)).isEqualTo(eased).isNotEqualTo(plain);
        assertThat(sql.queryForObject(
                        "SELECT knees_bent_deg FROM clean_setting WHERE client_id = ?", Integer.class, again))
                .isEqualTo(20);
        byte[] bundle = FhirFiles.written(files.of(again, true), LocalDate.now());
        long third = in(new String(bundle, StandardCharsets.UTF_8));
        assertThat(out(third)).isEqualTo(eased);
        clients.erase(again, IMOGEN);
        clients.erase(third, IMOGEN);
    }

    /** A setting read by half would start her where she failed. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"doneSets\" : null      | \"doneSets\" : 1            | doneTimes",
                "\"easedRung\" : null     | \"easedRung\" : \"F3\"      | easedRange",
                "\"easedRange\" : null    | \"easedRange\" : 0.67       | easedRung",
            })
    void half_a_setting_is_refused_where_it_stands(String what, String instead, String field) {
        String half = out(MARIBEL).replaceFirst(what.strip(), instead.strip());
        assertThat(refused(half)).anySatisfy(text -> assertThat(text).endsWith(field.strip()));
    }

    @ParameterizedTest
    @CsvSource({"easedKneesDeg,-5", "easedKneesDeg,91", "easedParts,\"ROD;SINGS\""})
    void an_easing_out_of_its_range_is_refused_where_it_stands(String field, String value) {
        String wrong = out(MARIBEL)
                .replaceFirst("\"easedRung\" : null", "\"easedRung\" : \"F3\"")
                .replaceFirst("\"easedRange\" : null", "\"easedRange\" : 0.67")
                .replaceFirst("\"" + field + "\" : null", "\"" + field + "\" : " + value);
        assertThat(refused(wrong)).anySatisfy(text -> assertThat(text).endsWith(field));
    }

    private List<String> refused(String json) {
        try {
            return CaseFileReader.read(json, catalogues.get(), LocalDate.now(), true).problems().stream()
                    .map(CaseProblem::path)
                    .toList();
        } catch (CaseProblem p) {
            return List.of(p.path());
        }
    }

    @Test
    void a_hand_that_was_not_said_stays_unsaid() throws Exception {
        long her = Someone.plain(app.context(), "Unsaid Hand", Approach.SLOW_LADDER, 14);
        sql.update("UPDATE client SET dominant_hand = '' WHERE id = ?", her);
        assertThat(out(her)).contains("\"dominantHand\" : null");
        assertThat(out(in(out(her)))).isEqualTo(out(her));
    }

    @Test
    void what_only_a_clinician_may_record_is_taken_from_a_clinician_alone() {
        String json = out(Someone.firm(app.context(), "Internal Person", Approach.SLOW_LADDER, 14))
                .replace(
                        "\"findings\" : [ {",
                        "\"findings\" : [ { \"finding\" : \"PF_INTERNAL\", \"side\" : null, \"value\" : \"3\" }, {");
        assertThat(CaseFileReader.read(json, catalogues.get(), LocalDate.now(), true)
                        .problems())
                .isEmpty();
        assertThat(CaseFileReader.read(json, catalogues.get(), LocalDate.now(), false)
                        .problems())
                .singleElement()
                .satisfies(problem -> assertThat(problem.path()).isEqualTo("visits[0].findings[0].finding"));
    }

    @Test
    void the_same_form_makes_one_client_and_what_was_written_since_forbids_to_take_her_back() throws Exception {
        String json = out(Someone.firm(app.context(), "Travelling Person", Approach.BREATH_LED, 14));
        String form = UUID.randomUUID().toString();
        imports.look(form, IMOGEN, "a file", json);
        long first = imports.take(form, false, IMOGEN, true).orElseThrow();
        assertThat(imports.take(form, false, IMOGEN, true)).contains(first);
        clients.size(first, 4, IMOGEN);
        assertThat(imports.undo(form, IMOGEN)).isFalse();
        assertThat(clients.file(first).name()).isEqualTo("Travelling Person");
    }

    @Test
    void taken_back_the_tables_are_as_before() throws Exception {
        String json = out(Someone.firm(app.context(), "Passing Person", Approach.SLOW_LADDER, 14));
        List<Integer> before = counts();
        String form = UUID.randomUUID().toString();
        imports.look(form, IMOGEN, "a file", json);
        long taken = imports.take(form, false, IMOGEN, true).orElseThrow();
        assertThat(counts()).isNotEqualTo(before);
        assertThat(imports.undo(form, IMOGEN)).isTrue();
        assertThat(counts()).isEqualTo(before);
        assertThatThrownBy(() -> clients.file(taken)).isInstanceOf(NotFound.class);
    }

    private List<Integer> counts() {
        return List.of(
                        "client",
                        "body_event",
                        "clearance",
                        "visit",
                        "visit_answer",
                        "reading",
                        "finding",
                        "training_session",
                        "session_result",
                        "ladder_step",
                        "record_change")
                .stream()
                .map(table -> sql.queryForObject("SELECT COUNT(*) FROM " + table, Integer.class))
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"format\" : \"fernstep-case\" | \"format\" : \"other\" | format",
                "\"version\" : 1 | \"version\" : 2 | version",
                "\"approach\" : \"SLOW_LADDER\" | \"approach\" : \"FAST_LADDER\" | approach",
                "\"minutesPerDay\" : 14 | \"minutesPerDay\" : 900 | minutesPerDay",
                "\"status\" : \"GENERAL\" | \"status\" : \"GENERAL\", \"more\" : 1 | client.more",
                "\"blockedDays\" : [ ] | \"blockedDays\" : [ \"SOMEDAY\" ] | blockedDays[0]",
            })
    void a_file_that_does_not_say_who_she_is_is_refused_at_its_place(String what, String wrong, String path) {
        String json = out(Someone.firm(app.context(), "Refused Person", Approach.SLOW_LADDER, 14));
        assertThat(json).contains(what);
        assertThatThrownBy(
                        () -> CaseFileReader.read(json.replace(what, wrong), catalogues.get(), LocalDate.now(), true))
                .isInstanceOfSatisfying(
                        CaseProblem.class, problem -> assertThat(problem.path()).isEqualTo(path));
        assertThatThrownBy(() -> CaseFileReader.read(
                        json.substring(0, json.length() / 2), catalogues.get(), LocalDate.now(), true))
                .isInstanceOf(CaseProblem.class);
    }

    @Test
    void what_cannot_be_taken_is_shown_and_the_rest_is_taken_on_request_and_taken_back(Visitor visitor) {
        String json = out(Someone.firm(app.context(), "Half Person", Approach.SLOW_LADDER, 14))
                .replace("\"value\" : \"DRAWS_IN\"", "\"value\" : \"SINGS\"");
        Page page = visitor.onATablet("imogen");
        visitor.open("/house/import");
        page.setInputFiles(
                "#file", new FilePayload("half.json", "application/json", json.getBytes(StandardCharsets.UTF_8)));
        page.click("text=Look at it first");
        visitor.see("COUGH cannot be SINGS");
        visitor.see("There is already a client of this name");
        visitor.checkAccessible();
        assertThat(clients.all().stream().filter(file -> file.name().equals("Half Person")))
                .hasSize(1);
        page.click("text=Import without these");
        page.waitForURL("**/clients/*");
        assertThat(page.locator("h1").first()).hasText("Half Person");
        assertThat(clients.all().stream().filter(file -> file.name().equals("Half Person")))
                .hasSize(2);
        visitor.open("/house/import");
        page.click("li:has-text('half.json') button:has-text('Undo the import')");
        visitor.see("Import undone");
        assertThat(clients.all().stream().filter(file -> file.name().equals("Half Person")))
                .hasSize(1);
    }

    /** Tables and columns in which a text stands, each as TABLE.COLUMN. */
    private List<String> standsIn(String text) {
        return sql.queryForList("""
                        SELECT table_name, column_name FROM information_schema.columns
                        WHERE table_schema = DATABASE()
                          AND data_type IN ('char', 'varchar', 'text', 'mediumtext', 'longtext', 'tinytext', 'blob',
                                            'mediumblob', 'longblob', 'varbinary', 'json')""").stream()
                .map(column -> column.get("table_name") + "." + column.get("column_name"))
                .filter(column -> {
                    String[] parts = column.split("\\.");
                    Integer rows = sql.queryForObject(
                            "SELECT COUNT(*) FROM `" + parts[0] + "` WHERE INSTR(CAST(`" + parts[1]
                                    + "` AS BINARY), CAST(? AS BINARY)) > 0",
                            Integer.class,
                            text);
                    return rows != null && rows > 0;
                })
                .toList();
    }

    @Test
    void erased_she_stands_in_no_table_and_no_upload_brings_her_back(TableImports tables) throws Exception {
        String name = "Zuzanna Quillfeather";
        long her = Someone.firm(app.context(), name, Approach.SLOW_LADDER, 14);
        String looked = UUID.randomUUID().toString();
        imports.look(looked, IMOGEN, "a file", out(her));
        String table = UUID.randomUUID().toString();
        tables.keep(
                table,
                IMOGEN,
                name + ".csv",
                ("client,date\n" + name + ",2031-01-01").getBytes(StandardCharsets.UTF_8));
        long twin = in(out(her));
        assertThat(standsIn(name)).contains("client.name", "import_batch.body", "table_import.body");
        clients.erase(twin, IMOGEN);
        clients.erase(her, IMOGEN);
        assertThat(standsIn(name)).isEmpty();
        assertThatThrownBy(() -> imports.take(looked, true, IMOGEN, true)).isInstanceOf(NotFound.class);
    }
}

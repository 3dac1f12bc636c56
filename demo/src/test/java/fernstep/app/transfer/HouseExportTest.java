package fernstep.app.transfer;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.access.Access;
import fernstep.app.client.Clients;
import fernstep.core.approach.Approach;
import fernstep.exchange.casefile.CaseFileWriter;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;

/** The whole house goes out. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("one export runs at a time")
class HouseExportTest {
    private static final long IMOGEN = 1;
    private static final long ILSE = 3;

    private final Running app;
    private final HouseExport export;
    private final CaseFiles files;
    private final Clients clients;
    private final Access access;

    HouseExportTest(Running app, HouseExport export, CaseFiles files, Clients clients, Access access) {
        this.app = app;
        this.export = export;
        this.files = files;
        this.clients = clients;
        this.access = access;
    }

    private static Map<String, String> unpacked(InputStream packed) throws IOException {
        Map<String, String> all = new TreeMap<>();
        try (ZipInputStream zip = new ZipInputStream(packed, StandardCharsets.UTF_8)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                all.put(entry.getName(), new String(zip.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return all;
    }

    private Map<String, String> out(List<Long> ids) throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        export.write(ids, IMOGEN, true, bytes);
        return unpacked(new ByteArrayInputStream(bytes.toByteArray()));
    }

    @Test
    void each_client_is_the_case_file_she_has_alone() throws Exception {
        List<Long> some = clients.names().stream()
                .map(Clients.Name::id)
                .filter(id -> id <= 12)
                .toList();
        Map<String, String> folder = out(some);
        assertThat(folder).hasSize(some.size() + 1);
        for (long id : some) {
            assertThat(folder.get("clients/" + id + ".json"))
                    .as("client " + id)
                    .isEqualTo(new String(
                            CaseFileWriter.written(files.of(id, true), LocalDate.now()), StandardCharsets.UTF_8));
            assertThat(folder.get("clients.csv"))
                    .contains("clients/" + id + ".json," + clients.file(id).name());
        }
    }

    @Test
    void the_archived_go_out_and_those_of_other_teams_stay() {
        long archived = Someone.plain(app.context(), "Archived Taken Out", Approach.SLOW_LADDER, 14);
        long closed = Someone.plain(app.context(), "Closed To Others", Approach.SLOW_LADDER, 14);
        clients.archive(archived, true, IMOGEN);
        access.restrict(closed, true, ILSE);
        HouseExport.Extent hers = export.extent(IMOGEN);
        assertThat(hers.clientIds()).contains(archived).doesNotContain(closed);
        assertThat(hers.restricted()).isPositive();
        assertThat(export.extent(ILSE).clientIds()).contains(closed);
    }

    @Test
    void one_at_a_time_and_a_broken_one_leaves_the_way_free() throws Exception {
        long her = Someone.plain(app.context(), "Taken Out Twice", Approach.SLOW_LADDER, 14);
        OutputStream breaks = new OutputStream() {
            @Override
            public void write(int number) throws IOException {
                // while this one runs no other is let in
                assertThatThrownBy(() -> export.write(List.of(her), IMOGEN, true, OutputStream.nullOutputStream()))
                        .isInstanceOf(HouseExport.Busy.class);
                throw new IOException("the browser went");
            }
        };
        assertThatThrownBy(() -> export.write(List.of(her), IMOGEN, true, breaks))
                .hasMessageContaining("the browser went");
        assertThat(out(List.of(her))).containsKey("clients.csv");
    }

    @Test
    void a_lead_sees_how_far_it_is_and_has_the_folder(Visitor visitor) throws IOException {
        Someone.firm(app.context(), "Taken Out Whole", Approach.SLOW_LADDER, 14);
        Page page = visitor.onATablet("imogen");
        visitor.open("/house/export");
        visitor.checkAccessible();
        Download folder = page.waitForDownload(
                () -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Export them"))
                        .click());
        Locator told = page.locator("#house-export .moved");
        assertThat(told).containsText("are in house.zip");
        try (InputStream in = Files.newInputStream(folder.path())) {
            assertThat(unpacked(in).get("clients.csv")).contains("Taken Out Whole");
        }
        visitor.open("/house/audit");
        assertThat(page.locator("main tbody").first()).containsText("All records of the practice exported");
    }

    @Test
    void a_coach_has_neither_the_page_nor_the_folder(Visitor visitor) {
        Page page = visitor.onATablet("tamsin");
        for (String path : List.of("/house/export", "/house/export.zip")) {
            assertThat(page.request().get(app.baseUrl() + path).status())
                    .as(path)
                    .isEqualTo(403);
        }
    }
}

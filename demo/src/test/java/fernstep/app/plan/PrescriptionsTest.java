package fernstep.app.plan;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.home.HomeLinks;
import fernstep.app.run.Runner;
import fernstep.app.standing.Standings;
import fernstep.core.approach.Approach;
import fernstep.core.plan.PlanItem;
import fernstep.core.schedule.Prescription;
import fernstep.core.session.PlannedExercise;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.jdbc.core.JdbcTemplate;

/** What she is to do is the same on every page, on paper, in her calendar, in a letter, for programs and on her phone. */
@Isolated("works with everyone in the room")
@ExtendWith({AppExtension.class, BrowserExtension.class})
class PrescriptionsTest {
    private static final long IMOGEN = 1;

    private final Running app;
    private final Visits visits;
    private final Clients clients;
    private final Prescriptions prescriptions;
    private final JdbcTemplate sql;

    PrescriptionsTest(Running app, Visits visits, Clients clients, Prescriptions prescriptions, JdbcTemplate sql) {
        this.app = app;
        this.visits = visits;
        this.clients = clients;
        this.prescriptions = prescriptions;
        this.sql = sql;
    }

    private static String named(PlanItem item) {
        return item.rung().code() + (item.side() == null ? "" : " " + item.side());
    }

    private static List<String> names(List<PlanItem> items) {
        return items.stream().map(item -> item.rung().name()).distinct().toList();
    }

    /** The twelve of the demo room whom nothing keeps from training today. */
    private List<ClientFile> room() {
        Standings standings = app.context().getBean(Standings.class);
        return clients.all().stream()
                .filter(client -> client.id() <= 12)
                .filter(client -> standings.of(client.id()).mayTrain().opensSession())
                .toList();
    }

    @Test
    void for_every_demo_client_plan_runner_handout_calendar_letter_api_and_phone_say_the_same(Visitor visitor)
            throws Exception {
        Page page = visitor.onATablet("imogen");
        int compared = 0;
        for (ClientFile client : room()) {
            long id = client.id();
            long visit = visits.openToday(id, IMOGEN).id();
            visits.markAsked(visit);
            if (!visits.byId(visit).mayBegin()) {
                continue;
            }
            prescriptions.adopt(visits.byId(visit), IMOGEN);
            Prescription p = prescriptions.of(clients.file(id));
            List<String> all = names(p.plan().items());
            List<PlanItem> today = p.session(LocalDate.now(), null);
            boolean asksFirst =
                    visits.screeningToday(clients.file(id)).outcome().closesGates(); // alone at home she waits
            compared++;

            visitor.open("/visits/" + visit + "/plan/print?language=en");
            assertThat(page.locator(".print-item h2").allTextContents())
                    .as("%s printed", client.name())
                    .allSatisfy(line -> assertThat(all).anyMatch(line::contains));
            assertThat(page.locator("main").textContent())
                    .as("%s printed", client.name())
                    .contains(all);
            byte[] pdf = page.request()
                    .get(app.baseUrl() + "/clients/" + id + "/handout.pdf?language=en")
                    .body();
            try (var document = Loader.loadPDF(pdf)) {
                String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
                assertThat(text).as("%s handout", client.name()).contains(all);
            }
            String api = page.request()
                    .get(app.baseUrl() + "/api/v1/clients/" + id + "/plan")
                    .text();
            assertThat(codes(api))
                    .as("%s api", client.name())
                    .isEqualTo(p.plan().items().stream()
                            .map(item -> item.rung().code())
                            .toList());
            String calendar = page.request()
                    .get(app.baseUrl() + "/clients/" + id + "/calendar.ics")
                    .text()
                    .replace("\r\n ", "")
                    .replace("\\,", ",");
            if (!all.isEmpty()) {
                assertThat(calendar).as("%s calendar", client.name()).contains(all);
            }
            String letter = letter(page, id);
            if (!p.plan().items().isEmpty()) {
                assertThat(letter).as("%s letter", client.name()).contains(all);
            }
            String session = app.context()
                    .getBean(Runner.class)
                    .start(visit, UUID.randomUUID().toString(), null, IMOGEN);
            assertThat(app.context().getBean(Runner.class).held(session).planned())
                    .as("%s runner", client.name())
                    .extracting(PrescriptionsTest::planned)
                    .containsExactlyElementsOf(
                            today.stream().map(PrescriptionsTest::named).toList());
            assertThat(phone(visitor, id))
                    .as("%s phone", client.name())
                    .isEqualTo((asksFirst ? List.<PlanItem>of() : today)
                            .stream()
                                    .map(item -> item.rung().code() + ":" + (item.side() == null ? "" : item.side()))
                                    .toList());
            page = visitor.onATablet("imogen");
        }
        assertThat(compared).isGreaterThan(7);
    }

    private static String planned(PlannedExercise exercise) {
        return exercise.rung() + (exercise.side() == null ? "" : " " + exercise.side());
    }

    private static List<String> codes(String json) {
        List<String> all = new ArrayList<>();
        Matcher codes = Pattern.compile("\"rung\"\\s*:\\s*\"([A-Z0-9]+)\"").matcher(json);
        while (codes.find()) {
            all.add(codes.group(1));
        }
        return all;
    }

    private String letter(Page page, long id) {
        page.navigate(app.baseUrl() + "/clients/" + id + "/letters");
        page.click("button[value=REFERRAL]");
        return page.locator("textarea").inputValue();
    }

    private List<String> phone(Visitor visitor, long id) {
        HomeLinks.Fresh fresh = app.context().getBean(HomeLinks.class).make(id, IMOGEN, 4);
        Page phone = visitor.on(390, 844);
        phone.navigate(app.baseUrl() + "/home/" + fresh.token());
        phone.fill("#pin", fresh.pin());
        phone.click("main button");
        phone.locator("h1:visible").first().waitFor();
        List<String> keys = phone.locator("article[data-key]").all().stream()
                .map(article -> article.getAttribute("data-key"))
                .collect(Collectors.toList());
        visitor.context().close();
        return keys;
    }

    @Test
    void what_is_changed_on_the_plan_is_a_draft_until_it_is_used(Visitor visitor) {
        long client = Someone.firm(app.context(), "Draft Person", Approach.SLOW_LADDER, 30);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        prescriptions.adopt(visits.byId(visit), IMOGEN);
        List<String> used = prescriptions.of(clients.file(client)).plan().items().stream()
                .map(PrescriptionsTest::named)
                .toList();
        Page page = visitor.onATablet("imogen");
        visitor.open("/visits/" + visit + "/plan");
        visitor.see("In use since");
        for (int fewer = 0; fewer < 3; fewer++) {
            page.waitForResponse(
                    answer -> answer.url().contains("/plan/change"),
                    () -> page.click("button[aria-label^='Fewer exercises']"));
        }
        visitor.see("A draft");
        assertThat(prescriptions.of(clients.file(client)).plan().items())
                .extracting(PrescriptionsTest::named)
                .isEqualTo(used);
        page.click("#use");
        visitor.see("This plan is in use.");
        assertThat(prescriptions.of(clients.file(client)).plan().items().size()).isLessThan(used.size());
    }

    @Test
    void a_progression_that_is_confirmed_reaches_her_without_a_new_plan() {
        long client = Someone.firm(app.context(), "Confirmed Person", Approach.SLOW_LADDER, 30);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        prescriptions.adopt(visits.byId(visit), IMOGEN);
        Map<String, Object> step = sql.queryForMap(
                "SELECT * FROM ladder_step WHERE client_id = ? AND strand = 'LEG_FLOAT' AND side = 'LEFT'", client);
        sql.update(
                "INSERT INTO ladder_step (client_id, strand, side, rung, sets, reps, hold_s, breaths, per_day,"
                        + " days_per_week, since, change_code, staff_id, follows, range_fraction)"
                        + " VALUES (?, 'LEG_FLOAT', 'LEFT', ?, 1, 9, ?, NULL, 1, 5, CURRENT_DATE, 'NOTCH_UP', 1, ?, 1)",
                client,
                step.get("rung"),
                step.get("hold_s"),
                step.get("id"));
        assertThat(prescriptions.of(clients.file(client)).plan().items())
                .filteredOn(item -> named(item).equals(step.get("rung") + " LEFT"))
                .extracting(item -> item.dose().reps())
                .containsExactly(9);
    }
}

package fernstep.app.api;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.access.Access;
import fernstep.app.client.Clients;
import fernstep.core.approach.Approach;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Another program reads with a token of the house. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class ApiTest {
    private static final long IMOGEN = 1;
    private static final Set<Scope> ALL = EnumSet.allOf(Scope.class);
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Running app;
    private final HouseTokens tokens;
    private final Clients clients;
    private final Access access;
    private final JdbcTemplate sql;
    private final HttpClient http = HttpClient.newHttpClient();

    ApiTest(Running app, HouseTokens tokens, Clients clients, Access access, JdbcTemplate sql) {
        this.app = app;
        this.tokens = tokens;
        this.clients = clients;
        this.access = access;
        this.sql = sql;
    }

    private String token(Set<Scope> scopes, LocalDate until) {
        return tokens.make(UUID.randomUUID().toString(), "A test", scopes, until, IMOGEN);
    }

    private String token() {
        return token(ALL, LocalDate.now().plusDays(30));
    }

    private HttpResponse<String> get(String token, String path) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(app.baseUrl() + "/api/v1" + path));
        if (!token.isEmpty()) {
            request.header("Authorization", "Bearer " + token);
        }
        return http.send(request.build(), BodyHandlers.ofString());
    }

    private JsonNode json(String token, String path) throws Exception {
        HttpResponse<String> answer = get(token, path);
        assertThat(answer.statusCode()).as(path + " " + answer.body()).isEqualTo(200);
        return JSON.readTree(answer.body());
    }

    @Test
    void a_token_reads_what_the_pages_show() throws Exception {
        long her = Someone.firm(app.context(), "Api Person", Approach.SLOW_LADDER, 20);
        String token = token();
        JsonNode who = json(token, "/clients/" + her);
        assertThat(who.get("name").stringValue()).isEqualTo("Api Person");
        assertThat(who.get("minutesPerDay").intValue()).isEqualTo(20);
        assertThat(json(token, "/clients/" + her + "/plan").get("items").size()).isGreaterThan(0);
        assertThat(json(token, "/clients/" + her + "/sessions").get("results").isArray())
                .isTrue();
        JsonNode readings = json(token, "/clients/" + her + "/readings").get("readings");
        assertThat(readings.size())
                .isEqualTo(sql.queryForObject(
                        "SELECT COUNT(*) FROM reading r JOIN visit v ON v.id = r.visit_id WHERE v.client_id = ?",
                        Integer.class,
                        her));
    }

    @Test
    void the_list_comes_in_parts_and_every_client_once() throws Exception {
        Someone.plain(app.context(), "Api First", Approach.SLOW_LADDER, 12);
        Someone.plain(app.context(), "Api Second", Approach.SLOW_LADDER, 12);
        String token = token();
        List<Long> seen = new ArrayList<>();
        JsonNode page = json(token, "/clients?limit=5");
        while (true) {
            page.get("clients").forEach(node -> seen.add(node.get("id").longValue()));
            if (page.get("nextAfter").isNull()) {
                break;
            }
            page = json(token, "/clients?limit=5&after=" + page.get("nextAfter").longValue());
        }
        assertThat(seen).doesNotHaveDuplicates().isSorted().hasSizeGreaterThan(13);
    }

    @Test
    void who_is_restricted_or_archived_is_not_there_for_a_token() throws Exception {
        long closed = Someone.plain(app.context(), "Api Closed", Approach.SLOW_LADDER, 12);
        long rested = Someone.plain(app.context(), "Api Rested", Approach.SLOW_LADDER, 12);
        access.restrict(closed, true, IMOGEN);
        clients.archive(rested, true, IMOGEN);
        String token = token();
        assertThat(get(token, "/clients/" + closed).statusCode()).isEqualTo(404);
        assertThat(get(token, "/clients/" + rested + "/plan").statusCode()).isEqualTo(404);
        assertThat(get(token, "/clients/999999999").statusCode()).isEqualTo(404);
        String list = get(token, "/clients?limit=500").body();
        assertThat(list).doesNotContain("Api Closed").doesNotContain("Api Rested");
    }

    @Test
    void a_token_opens_its_scopes_until_it_ends_or_is_revoked_and_writes_nothing() throws Exception {
        long her = Someone.plain(app.context(), "Api Scoped", Approach.SLOW_LADDER, 12);
        String plans = token(EnumSet.of(Scope.PLANS), LocalDate.now());
        assertThat(get(plans, "/clients/" + her + "/plan").statusCode()).isEqualTo(200);
        assertThat(get(plans, "/clients/" + her).statusCode()).isEqualTo(403);
        assertThat(get(plans, "/clients").statusCode()).isEqualTo(403);
        String over = token(ALL, LocalDate.now().minusDays(1));
        assertThat(get(over, "/clients").statusCode()).isEqualTo(401);
        assertThat(get("", "/clients").statusCode()).isEqualTo(401);
        assertThat(get("nonsense", "/clients").headers().firstValue("WWW-Authenticate"))
                .contains("Bearer");
        String revoked = token();
        assertThat(get(revoked, "/clients").statusCode()).isEqualTo(200);
        tokens.all().forEach(row -> {
            if (row.revokedAt() == null
                    && row.name().equals("A test")
                    && row.scopeNames().size() > 1) {
                tokens.revoke(row.id(), IMOGEN);
            }
        });
        assertThat(get(revoked, "/clients").statusCode()).isEqualTo(401);
        HttpResponse<String> write = http.send(
                HttpRequest.newBuilder(URI.create(app.baseUrl() + "/api/v1/clients"))
                        .header("Authorization", "Bearer " + plans)
                        .POST(HttpRequest.BodyPublishers.ofString("{}"))
                        .build(),
                BodyHandlers.ofString());
        assertThat(write.statusCode()).isEqualTo(403);
        // nor does it open a page
        HttpResponse<String> pages = http.send(
                HttpRequest.newBuilder(URI.create(app.baseUrl() + "/clients/" + her))
                        .header("Authorization", "Bearer " + plans)
                        .build(),
                BodyHandlers.ofString());
        assertThat(pages.headers().firstValue("location").orElse("")).contains("/sign-in");
    }

    @Test
    void above_the_calls_of_a_minute_it_is_told_how_long_to_wait() throws Exception {
        String token = token();
        long id = tokens.opened(token).orElseThrow().id();
        get(token, "/clients?limit=1");
        sql.update("UPDATE api_use SET calls = 1000000, minute_no = minute_no + 0 WHERE caller = ?", "token " + id);
        HttpResponse<String> answer = get(token, "/clients?limit=1");
        if (answer.statusCode() == 200) {
            // the minute ended in between
            sql.update("UPDATE api_use SET calls = 1000000 WHERE caller = ?", "token " + id);
            answer = get(token, "/clients?limit=1");
        }
        assertThat(answer.statusCode()).isEqualTo(429);
        assertThat(Integer.parseInt(answer.headers().firstValue("Retry-After").orElseThrow()))
                .isBetween(1, 60);
    }

    @Test
    void what_is_asked_wrongly_is_said_in_a_sentence() throws Exception {
        String token = token();
        HttpResponse<String> answer = get(token, "/clients/7/sessions?from=yesterday");
        assertThat(answer.statusCode()).isEqualTo(400);
        assertThat(JSON.readTree(answer.body()).get("error").get("message").stringValue())
                .isEqualTo("'from' must be a date as YYYY-MM-DD");
    }

    @Test
    void the_description_names_every_route_and_what_it_answers() throws Exception {
        JsonNode description = json("", "/openapi.json");
        assertThat(description.get("openapi").stringValue()).startsWith("3.");
        assertThat(description.get("paths").propertyNames())
                .contains(
                        "/api/v1/clients",
                        "/api/v1/clients/{id}",
                        "/api/v1/clients/{id}/plan",
                        "/api/v1/clients/{id}/sessions",
                        "/api/v1/clients/{id}/readings")
                .allMatch(contain -> contain.startsWith("/api/v1/"));
        assertThat(description.at("/components/schemas/Item/properties").propertyNames())
                .contains("rung", "reps", "holdS", "breaths");
    }

    @Test
    void a_lead_makes_a_token_sees_its_secret_once_and_revokes_it(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.open("/house/tokens");
        page.fill("#name", "Night export");
        page.click("text=Create it");
        visitor.see("Choose at least one.");
        assertThat(page.locator("#name")).hasValue("Night export");
        page.check("text=their plans");
        page.click("text=Create it");
        String secret = page.locator("code.secret").textContent();
        assertThat(secret).hasSizeGreaterThan(40);
        visitor.checkAccessible();
        visitor.open("/house/tokens");
        assertThat(page.locator("code.secret")).hasCount(0);
        page.click("[aria-label='Revoke: Night export']");
        visitor.see("revoked");
        assertThat(tokens.opened(secret)).isEmpty();
    }
}

package fernstep.app.access;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.app.run.Runner;
import fernstep.app.support.Audit;
import fernstep.core.approach.Approach;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Who sees whom, walked over every route there is: a route that is added later is walked, or the test names it. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("tries every route there is")
class AccessTest {
    private static final long IMOGEN = 1;
    private static final long TAMSIN = 2;
    /** About the house or the catalogue, not about a client. */
    private static final Set<String> ABOUT_NOBODY = Set.of(
            "/catalogue/{code}",
            "/figures/{code}",
            "/figures/{code}/signs",
            "/home/{token}/signs/{code}",
            "/home/{token}/look",
            "/spotting/{formId}",
            "/join/{token}",
            "/feeds/{token}.ics",
            "/home/{token}",
            "/home/{token}/pin",
            "/home/{token}/entries",
            "/home/{token}/language",
            "/home/{token}/mail",
            "/home/{token}/leave",
            "/mail-off/{token}");

    private final Running app;
    private final Access access;
    private final Visits visits;

    AccessTest(Running app, Access access, Visits visits) {
        this.app = app;
        this.access = access;
        this.visits = visits;
    }

    private record Route(RequestMethod method, String pattern) {}

    private List<Route> routes() {
        List<Route> all = new ArrayList<>();
        app.context().getBeansOfType(RequestMappingHandlerMapping.class).values().stream()
                .flatMap(mapping -> mapping.getHandlerMethods().keySet().stream())
                .forEach(info -> info.getPatternValues().stream()
                        .filter(pattern -> pattern.contains("{"))
                        .forEach(pattern -> info.getMethodsCondition()
                                .getMethods()
                                .forEach(method -> all.add(new Route(method, pattern)))));
        return all;
    }

    private static APIResponse send(Page page, Route route, String url) {
        return page.request()
                .fetch(
                        url,
                        RequestOptions.create()
                                .setMethod(route.method().name())
                                .setMaxRedirects(0)
                                .setHeader("X-CSRF-TOKEN", page.getAttribute("meta[name=csrf]", "content")));
    }

    private Map<String, String> idsOf(long client) {
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        String session = app.context()
                .getBean(Runner.class)
                .start(visit, UUID.randomUUID().toString(), null, IMOGEN);
        return Map.of("clients", "" + client, "visits", "" + visit, "sessions", session, "photos", "1");
    }

    @Test
    void every_route_about_a_restricted_client_is_not_there_for_who_is_not_on_her_team(Visitor visitor) {
        long client = Someone.firm(app.context(), "Private Person", Approach.SLOW_LADDER, 20);
        Map<String, String> ids = idsOf(client);
        access.restrict(client, true, IMOGEN);
        for (String account : List.of("tamsin", "ilse", "rafaela")) {
            Page page = visitor.onTheBoard(account);
            assertThat(page.locator("text=Private Person")).hasCount(0);
            int walked = 0;
            for (Route route : routes()) {
                String first = route.pattern().replaceFirst("^/api/v1", "").split("/")[1];
                if (ids.containsKey(first)) {
                    String path = route.pattern()
                            .replaceFirst("\\{[^}]+}", ids.getOrDefault(first, ""))
                            .replace("{file}", "case.json")
                            .replaceAll("\\{[^}]+}", "1");
                    assertThat(send(page, route, app.baseUrl() + path).status())
                            .as("%s %s as %s", route.method(), path, account)
                            .isEqualTo(404);
                    walked++;
                } else if (route.pattern().startsWith("/house/")) {
                    String path = route.pattern().replaceAll("\\{[^}]+}", "1") + "?enabled=true&licence=COACH";
                    assertThat(send(page, route, app.baseUrl() + path).status())
                            .as("%s %s as %s", route.method(), path, account)
                            .isEqualTo(403);
                } else {
                    assertThat(ABOUT_NOBODY)
                            .as("a route with an id that nobody walks")
                            .contains(route.pattern());
                    String path = route.pattern().replaceAll("\\{[^}]+}", "F1") + "?client=" + client;
                    assertThat(send(page, route, app.baseUrl() + path).status())
                            .as("%s %s as %s", route.method(), path, account)
                            .isEqualTo(404);
                }
            }
            assertThat(walked).isGreaterThan(40);
            visitor.close();
        }
        Page team = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        visitor.see("Private Person");
        assertThat(app.context().getBean(Audit.class).count(client, "DENIED")).isGreaterThan(100);
        assertThat(team.locator("h1")).isVisible();
    }

    @Test
    void a_lead_restricts_lets_somebody_in_and_the_search_shows_her_to_the_team_alone(Visitor visitor) {
        long client = Someone.plain(app.context(), "Quietly Kept", Approach.SLOW_LADDER, 14);
        visits.openToday(client, IMOGEN);
        Page lead = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/record");
        lead.click("text=For the team only");
        visitor.see("Only her team sees her");
        visitor.checkAccessible();
        visitor.close();
        Page coach = visitor.onATablet("tamsin");
        coach.navigate(app.baseUrl() + "/?q=Quietly");
        assertThat(coach.locator("a:has-text('Quietly Kept')")).hasCount(0);
        visitor.close();
        access.join(client, TAMSIN, IMOGEN, "");
        coach = visitor.onATablet("tamsin");
        coach.navigate(app.baseUrl() + "/?q=Quietly");
        coach.click("a:has-text('Quietly Kept')");
        visitor.see("Quietly Kept");
        visitor.close();
        access.leave(client, TAMSIN, IMOGEN);
        coach = visitor.onATablet("tamsin");
        assertThat(coach.request().get(app.baseUrl() + "/clients/" + client).status())
                .isEqualTo(404);
    }

    @Test
    void the_first_who_sees_her_is_her_team_and_nobody_joins_by_merely_opening_a_visit() {
        long client = Someone.plain(app.context(), "Two Coaches", Approach.SLOW_LADDER, 14);
        visits.openToday(client, TAMSIN);
        visits.openToday(client, 3);
        assertThat(access.members(client))
                .filteredOn(Access.Member::onTeam)
                .extracting(Access.Member::staffId)
                .containsExactly(TAMSIN);
    }

    @Test
    void a_lead_outside_the_team_lets_herself_in_with_a_reason_that_the_trail_keeps(Visitor visitor, Audit audit) {
        long client = Someone.plain(app.context(), "Closed Record", Approach.SLOW_LADDER, 20);
        access.restrict(client, true, TAMSIN);
        Page lead = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        assertThat(lead.locator("text=Closed Record")).hasCount(0);
        visitor.open("/house/closed");
        visitor.checkAccessible();
        // nor does she take anybody off it from outside
        assertThat(lead.evaluate(
                        "([path, who]) => fetch(path, { method: 'POST',"
                                + " headers: { 'X-CSRF-TOKEN': document.querySelector('meta[name=csrf]').content },"
                                + " body: new URLSearchParams({ staffId: who, on: 'false', why: 'no reason' }) })"
                                + ".then((answer) => answer.status)",
                        List.of("/clients/" + client + "/team", "" + TAMSIN)))
                .isEqualTo(403);
        assertThat(access.client(client, TAMSIN).orElseThrow().onTeam()).isTrue();
        String row = "tr[data-client='" + client + "'] ";
        lead.click(row + "button");
        assertThat(lead.locator(row)).containsText("Please say why");
        assertThat(access.client(client, IMOGEN).orElseThrow().maySee()).isFalse();
        lead.fill(row + "[name=why]", "Tamsin is ill");
        lead.click(row + "button");
        lead.waitForURL("**/clients/" + client + "/record");
        assertThat(audit.lines(IMOGEN, client, "TEAM_JOINED", null, null, 1))
                .singleElement()
                .satisfies(line -> assertThat(line.detail()).contains("Tamsin is ill"));
        visitor.onATablet("ilse");
        visitor.open("/house/closed");
        assertThat(visitor.context().pages().get(0).locator("text=Closed Record"))
                .hasCount(0);
    }
}

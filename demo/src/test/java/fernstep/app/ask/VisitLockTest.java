package fernstep.app.ask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.support.Audit;
import fernstep.core.approach.Approach;
import fernstep.core.screening.Answer;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** An answer that closes holds whatever the address looks like, and goes only with the licence and a reason. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class VisitLockTest {
    private static final int IMOGEN = 1;
    private static final Set<String> NOT_BEHIND_THE_QUESTIONS =
            Set.of("ask", "answers", "correct", "override", "asked", "referral");

    private final Running app;
    private final Visits visits;
    private final Audit audit;
    private long client;
    private long visit;

    VisitLockTest(Running app, Visits visits, Audit audit) {
        this.app = app;
        this.visits = visits;
        this.audit = audit;
    }

    @BeforeEach
    void a_visit_that_has_been_asked() {
        client = Someone.firm(app.context(), "Locked Person", Approach.SLOW_LADDER, 20);
        visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
    }

    /** Without following a redirect; with the token of the page that is open. */
    private static APIResponse send(Page page, String method, String url) {
        APIRequestContext http = page.request();
        return http.fetch(
                url,
                RequestOptions.create()
                        .setMethod(method)
                        .setMaxRedirects(0)
                        .setHeader("X-CSRF-TOKEN", page.getAttribute("meta[name=csrf]", "content")));
    }

    private String base(Page page) {
        return page.url().replaceAll("(https?://[^/]+).*", "$1");
    }

    @Test
    void every_route_of_a_visit_behind_its_questions_leads_to_the_referral_while_an_emergency_stands(Visitor visitor) {
        visits.answer(visit, Answer.CHEST_PAIN, true, 1, "");
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        Set<String> walked = new TreeSet<>();
        app.context().getBeansOfType(RequestMappingHandlerMapping.class).values().stream()
                .flatMap(mapping -> mapping.getHandlerMethods().keySet().stream())
                .forEach(route -> route.getPatternValues().stream()
                        .filter(pattern -> pattern.startsWith("/visits/{"))
                        .filter(pattern -> !NOT_BEHIND_THE_QUESTIONS.contains(pattern.split("/")[3]))
                        .forEach(pattern -> {
                            String path = pattern.replaceFirst("\\{[^}]+}", String.valueOf(visit))
                                    .replaceAll("\\{[^}]+}", "1");
                            for (RequestMethod method :
                                    route.getMethodsCondition().getMethods()) {
                                APIResponse answer = send(page, method.name(), base(page) + path);
                                assertThat(answer.status())
                                        .as("%s %s", method, path)
                                        .isEqualTo(302);
                                assertThat(answer.headers().get("location"))
                                        .as("%s %s", method, path)
                                        .endsWith("/visits/" + visit + "/referral");
                                walked.add(method + " " + pattern);
                            }
                        }));
        assertThat(walked).hasSizeGreaterThan(12).contains("GET /visits/{id}/plan", "POST /visits/{id}/run");
    }

    @Test
    void no_other_way_of_writing_the_number_passes_the_lock(Visitor visitor) {
        visits.answer(visit, Answer.CHEST_PAIN, true, 1, "");
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        for (String written : List.of(
                "+" + visit,
                "0x" + Long.toHexString(visit),
                "%20" + visit,
                visit + "%20",
                "%2B" + visit,
                "#" + visit)) {
            APIResponse answer = send(page, "GET", base(page) + "/visits/" + written + "/plan");
            assertThat(answer.status()).as(written).isIn(302, 400, 404);
            assertThat(answer.text()).as(written).doesNotContain("plan-row");
        }
        assertThat(send(page, "GET", base(page) + "/visits/0" + visit + "/plan").status())
                .isEqualTo(302);
    }

    @Test
    void the_lock_stands_in_the_service_too() {
        visits.answer(visit, Answer.CALF, true, 1, "");
        assertThatThrownBy(() -> visits.unlocked(visit)).isInstanceOf(VisitLocked.class);
        visits.correct(visit, Answer.CALF, "the other woman", IMOGEN);
        assertThat(visits.unlocked(visit).id()).isEqualTo(visit);
    }

    @Test
    void a_coach_cannot_take_back_what_closes_and_a_therapist_does_with_a_reason_that_is_kept(Visitor visitor) {
        visits.answer(visit, Answer.HEAVINESS, true, 1, "");
        Page coach = visitor.onTheBoard("tamsin");
        coach.navigate(coach.url().replaceAll("(https?://[^/]+).*", "$1") + "/visits/" + visit + "/ask");
        coach.click("label[for=HEAVINESS]");
        visitor.see("Only a therapist can withdraw an answer");
        assertThat(coach.isChecked("#HEAVINESS")).isTrue();
        assertThat(coach.locator("[data-corrects]").count()).isZero();
        APIResponse forced =
                send(coach, "POST", base(coach) + "/visits/" + visit + "/correct?code=HEAVINESS&reason=because");
        assertThat(forced.status()).isEqualTo(403);
        assertThat(visits.byId(visit).answers()).containsExactly(Answer.HEAVINESS);

        Page therapist = visitor.onATablet("imogen");
        therapist.navigate(coach.url());
        therapist.click("label[for=HEAVINESS]");
        therapist.fill("#why", "she meant her legs");
        therapist.click("text=Withdraw the answer");
        therapist.waitForURL("**/ask");
        assertThat(visits.byId(visit).answers()).isEmpty();
        assertThat(audit.count(client, "ANSWER_CORRECTED")).isEqualTo(1);
    }

    @Test
    void what_only_changes_the_session_is_unticked_by_anybody() {
        visits.answer(visit, Answer.WRIST_PAIN, true, 1, "");
        assertThat(visits.answer(visit, Answer.WRIST_PAIN, false, 1, "").answers())
                .isEmpty();
        visits.answer(visit, Answer.HEAVINESS, true, 1, "");
        assertThat(visits.answer(visit, Answer.HEAVINESS, false, 1, "").answers())
                .containsExactly(Answer.HEAVINESS);
    }
}

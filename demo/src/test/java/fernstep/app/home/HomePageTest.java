package fernstep.app.home;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.app.contact.Contact;
import fernstep.app.progress.ResultRow;
import fernstep.core.findings.BodyPlace;
import fernstep.core.measure.Side;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Outcome;
import fernstep.core.standing.Concern;
import fernstep.core.standing.Permission;
import fernstep.core.standing.SafetyReport;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A client alone with her phone: her questions, her exercises, what she tells. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class HomePageTest extends HerPhone {
    HomePageTest(Running app) {
        super(app);
    }

    /** Worked out ahead, so that it holds without a connection. */
    @Test
    void girdle_pain_told_on_her_page_takes_out_whatever_works_on_one_leg(Visitor visitor) {
        Page page = opened(visitor);
        String script = "code => { const h = Alpine.$data(document.querySelector('[x-data=home]'));"
                + " const all = Array.from(document.querySelectorAll('.home-exercise')).map(e => e.dataset.key);"
                + " return all.filter(key => !(h.leaveOut[code] || []).includes(key)); }";
        List<?> without = (List<?>) page.evaluate(script, "NO_SUCH_ANSWER");
        List<?> left = (List<?>) page.evaluate(script, "GIRDLE_PAIN");
        assertThat(without).anySatisfy(key -> assertThat(onOneLeg(key)).isTrue());
        assertThat(left)
                .isNotEmpty()
                .noneSatisfy(key -> assertThat(onOneLeg(key)).isTrue());
    }

    @Test
    void she_chooses_herself_how_she_is_drawn(Visitor visitor) {
        Page page = opened(visitor);
        page.click("text=How I am drawn");
        page.click(".home-look label:has-text('very dark')");
        page.click(".home-look label:has-text('covered')");
        page.click("text=Draw me like this");
        assertThat(page.locator("main.skin-TONE_6.hair-COVERED")).hasCount(1);
        page.click("text=None of these");
        startPlan(page);
        // #5c3a28
        assertThat(page.locator(".home-exercise:visible svg .f-face").first()).hasCSS("fill", "rgb(92, 58, 40)");
    }

    private boolean onOneLeg(Object key) {
        return app.context()
                .getBean(fernstep.app.rungs.Catalogues.class)
                .get()
                .rung(String.valueOf(key).replaceFirst(":.*", ""))
                .asks()
                .contains(fernstep.core.catalogue.Strain.ONE_LEG);
    }

    @Test
    void she_answers_does_her_session_in_two_taps_an_exercise_and_it_is_in_her_log(Visitor visitor) {
        Page page = opened(visitor);
        assertThat(screen(page)).hasText("Before you start");
        visitor.checkAccessible();
        page.click("text=None of these");
        assertThat(screen(page)).hasText("Hello Home");
        visitor.checkAccessible();
        int exercises = page.locator(".home-list li").count();
        assertThat(exercises).isGreaterThan(2);
        startPlan(page);
        assertThat(page.locator(".home-exercise:visible svg")).hasCount(1);
        visitor.checkAccessible();
        for (int i = 0; i < exercises; i++) {
            page.click(i == 1 ? "[data-told=EASED]" : "[data-told=DONE]");
            page.click("[data-effort='3']");
        }
        assertThat(screen(page)).hasText("That is it for today");
        allSent(page);
        assertThat(told()).hasSize(exercises);
        assertThat(told()).extracting(ResultRow::effort).containsOnly(3);
        assertThat(told())
                .extracting(ResultRow::result)
                .containsOnlyOnce(SessionResult.Kind.EASED)
                .contains(SessionResult.Kind.CLEAN);
        assertThat(number(page, "document.documentElement.scrollWidth")).isLessThanOrEqualTo(PHONE_WIDTH);
    }

    @Test
    void what_closed_her_day_stands_in_every_visit_until_a_therapist_takes_it_back_with_a_reason(Visitor visitor) {
        Page page = opened(visitor);
        page.click("[data-code=HEAVINESS]");
        page.click("text=Yes, send this");
        assertThat(screen(page)).hasText("Not today");
        allSent(page);
        assertThat(visits.today(client).orElseThrow().screening().outcome()).isEqualTo(Outcome.ASK_FIRST);
        Page coach = visitor.onATablet("tamsin");
        visitor.open("/clients/" + client);
        assertThat(coach.locator("[data-flag=HEAVINESS] form")).hasCount(0);
        Page therapist = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        therapist.click("[data-flag=HEAVINESS] .looked button[value=AS_PLANNED]");
        assertThat(therapist.locator("[data-flag=HEAVINESS]")).containsText("Please say briefly what you found.");
        therapist.fill("[data-flag=HEAVINESS] .looked input[name=found]", "Examined: nothing new, gone since.");
        therapist.click("[data-flag=HEAVINESS] .looked button[value=AS_PLANNED]");
        therapist.waitForURL("**/clients/" + client + "*");
        assertThat(therapist.locator("#from-home")).hasCount(0);
        assertThat(visits.today(client).orElseThrow().screening().outcome()).isNotEqualTo(Outcome.ASK_FIRST);
        page.reload();
        assertThat(screen(page)).hasText("Before you start");
    }

    @Test
    void new_leaking_stops_its_exercise_and_holds_it_while_the_others_may_go_on(Visitor visitor) {
        Page page = opened(visitor);
        page.click("text=None of these");
        startPlan(page);
        String key = page.locator(".home-exercise:visible").getAttribute("data-key");
        page.click("text=I noticed something");
        page.click("[data-sign=BREATH_HELD]");
        assertThat(page.locator(".home-advice")).containsText("Make it smaller");
        page.click("[data-sign=LEAK] >> text=new, or more than before");
        assertThat(page.locator(".home-advice")).containsText("Stop this exercise");
        assertThat(page.locator("[data-told=DONE]")).isHidden();
        page.click("[data-told=STOPPED]");
        page.click("[data-effort='5']");
        allSent(page);
        assertThat(told()).singleElement().satisfies(row -> {
            assertThat(row.result()).isEqualTo(SessionResult.Kind.STOPPED);
            assertThat(row.signs()).contains("LEAK", "BREATH_HELD");
        });
        String rung = key.split(":")[0];
        assertThat(standings.of(client).open())
                .extracting(SafetyReport::concern)
                .containsExactly(new Concern.Leaking(true, rung));
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.TRAIN);
        page.reload();
        assertThat(page.locator(".home-list [data-item^='" + rung + ":']")).hasCount(0);
        assertThat(page.locator(".home-list li").first()).isVisible();
    }

    @Test
    void a_place_pressed_on_the_drawing_comes_with_her_pain(Visitor visitor) {
        Page page = opened(visitor);
        page.click("text=None of these");
        startPlan(page);
        page.click("text=I noticed something");
        page.click("text=Where does it hurt?");
        page.click(".spot[data-key=HIP_LEFT]");
        visitor.checkAccessible();
        page.selectOption("#pain", "6");
        assertThat(screen(page)).hasText("Stop. Lie on your side and breathe.");
        allSent(page);
        assertThat(standings.of(client).open())
                .extracting(SafetyReport::concern)
                .singleElement()
                .isInstanceOfSatisfying(Concern.Pain.class, pain -> {
                    assertThat(pain.painLevel()).isEqualTo(6);
                    assertThat(pain.place()).isEqualTo(BodyPlace.HIP);
                    assertThat(pain.side()).isEqualTo(Side.LEFT);
                });
    }

    @Test
    void heaviness_stops_her_at_once_in_place_of_everything_else_until_somebody_has_spoken_with_her(Visitor visitor) {
        Page page = opened(visitor);
        page.click("text=None of these");
        startPlan(page);
        page.click("text=I noticed something");
        page.click("[data-sign=HEAVY]");
        assertThat(screen(page)).hasText("Stop. Lie on your side and breathe.");
        assertThat(page.locator("main section:visible")).hasCount(1);
        assertThat(page.locator(".home-held .word:visible").boundingBox().y).isLessThan(PHONE_HEIGHT / 2.0);
        allSent(page);
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.SPEAK_FIRST);
        page.reload();
        assertThat(screen(page)).hasText("Stop. Lie on your side and breathe.");

        long visit = visits.openToday(client, IMOGEN).id();
        Page coach = visitor.onATablet("tamsin");
        visitor.open("/visits/" + visit + "/plan");
        assertThat(coach.locator("#run, #use")).hasCount(0);
        visitor.open("/clients/" + client + "/calendar?view=week&on="
                + LocalDate.now().plusWeeks(1));
        assertThat(coach.locator(".kind-session")).hasCount(0);
        assertThat(coach.locator(".kind-held").first()).isVisible();
        visitor.open("/visits/" + visit + "/plan");
        coach.click("#speak");
        coach.fill(".looked input[name=found]", "Long day on her feet, gone after a rest.");
        coach.click(".looked button[value=GENTLY]");
        assertThat(coach.locator("#from-home")).hasCount(0);
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.TRAIN);
        assertThat(standings.of(client).gently(LocalDate.now())).isTrue();
        page.reload();
        assertThat(screen(page)).hasText("Before you start");
    }

    @Test
    void a_second_report_of_the_same_exercise_stands_beside_the_first_and_the_worst_counts(Visitor visitor) {
        Page page = opened(visitor);
        String entries = app.baseUrl() + "/home/" + fresh.token() + "/entries";
        page.request().post(entries, RequestOptions.create().setData(exercise("08:10", "STOPPED", 6, "HEAVY")));
        page.request().post(entries, RequestOptions.create().setData(exercise("09:30", "DONE", 0, "")));
        assertThat(told()).singleElement().satisfies(row -> {
            assertThat(row.result()).isEqualTo(SessionResult.Kind.STOPPED);
            assertThat(row.signs()).isEqualTo("HEAVY,PAIN:6");
            assertThat(row.effort()).as("the latest").isEqualTo(2);
        });
        Page staff = visitor.onATablet("tamsin");
        visitor.open("/clients/" + client + "/home-log?on=" + LocalDate.now());
        assertThat(staff.locator(".beside li")).hasCount(2);
        assertThat(staff.locator(".beside")).containsText("heaviness, pain 6 of 10");
    }

    private static Map<String, Object> exercise(String hour, String told, int pain, String sign) {
        return Map.of(
                "id",
                UUID.randomUUID().toString(),
                "at",
                LocalDate.now() + "T00:0" + (hour.startsWith("08") ? 1 : 2) + ":00",
                "kind",
                "EXERCISE",
                "rung",
                "F3",
                "side",
                "LEFT",
                "told",
                told,
                "effort",
                told.equals("DONE") ? 2 : 8,
                "pain",
                pain,
                "codes",
                sign.isEmpty() ? List.of() : List.of(sign));
    }

    @Test
    void a_double_tap_tells_no_effort_that_she_did_not_choose(Visitor visitor) {
        Page page = opened(visitor.touching());
        page.click("text=None of these");
        startPlan(page);
        Locator asPlanned = page.locator("[data-told=DONE]");
        asPlanned.scrollIntoViewIfNeeded();
        BoundingBox done = asPlanned.boundingBox();
        for (int tap = 0; tap < 2; tap++) {
            page.touchscreen().tap(done.x + done.width / 2, done.y + done.height / 2);
        }
        assertThat(page.locator(".home-effort")).isVisible();
        allSent(page);
        assertThat(told()).isEmpty();
        page.tap("[data-effort='3']");
        allSent(page);
        assertThat(told())
                .singleElement()
                .satisfies(row -> assertThat(row.effort()).isEqualTo(3));
    }

    @Test
    void nothing_the_page_says_of_itself_moves_what_she_is_about_to_tap_in_any_language(Visitor visitor) {
        Page page = opened(visitor);
        Locator questions = page.locator("main section:visible").first();
        for (String language : List.of("es", "en")) {
            page.click("button[value=" + language + "]");
            assertThat(page.locator("html")).hasAttribute("lang", language);
            for (int width : new int[] {PHONE_WIDTH, 360}) {
                page.setViewportSize(width, PHONE_HEIGHT);
                double at = questions.boundingBox().y;
                for (String says : List.of(
                        "unsent = 12", "notice = fern.text('home.pinAgain')", "notice = fern.text('home.failed')")) {
                    page.evaluate("(h => { h." + says + "; })(Alpine.$data(document.body))");
                    page.waitForFunction("() => document.querySelector('.home-said strong').offsetParent === null");
                    assertThat(questions.boundingBox().y).as(says).isEqualTo(at);
                    page.evaluate("(h => { h.unsent = 0; h.notice = ''; })(Alpine.$data(document.body))");
                    page.waitForFunction("() => document.querySelector('.home-said strong').offsetParent !== null");
                }
            }
        }
    }

    @Test
    void she_reads_it_in_her_language_from_the_next_press_on(Visitor visitor) {
        Page page = opened(visitor);
        page.click("button[value=es]");
        assertThat(screen(page)).hasText("Antes de empezar");
        assertThat(page.locator("html")).hasAttribute("lang", "es");
        assertThat(contacts.of(client).language()).isEqualTo("es");
        page.click("text=Nada de esto");
        assertThat(screen(page)).hasText("Hola, Home");
        startPlan(page);
        assertThat(page.locator(".home-exercise:visible .home-dose")).containsText("serie");
        for (int width : new int[] {PHONE_WIDTH, 360}) {
            page.setViewportSize(width, PHONE_HEIGHT);
            assertThat(number(page, "document.documentElement.scrollWidth")).isLessThanOrEqualTo(width);
        }
        visitor.checkAccessible();
        contacts.put(new Contact(client, "en", Contact.Units.IMPERIAL, "", false));
        page.reload();
        assertThat(page.content()).containsPattern("heel \\d+ in<");
    }

    @Test
    void all_questions_are_before_her_before_she_can_say_none_of_these(Visitor visitor) {
        Page page = opened(visitor);
        Locator none = page.locator("text=None of these");
        assertThat(none).isVisible();
        Locator questions = page.locator("section:visible button[data-code]");
        assertThat(questions.last()).isVisible();
        double lastEnds = questions.all().stream()
                .mapToDouble(locator -> locator.boundingBox().y + locator.boundingBox().height)
                .max()
                .orElseThrow();
        assertThat(none.boundingBox().y).isGreaterThanOrEqualTo(lastEnds);
        questions.last().click();
        assertThat(none).isHidden();
        assertThat(page.locator(".home-foot .btn-stop")).isVisible();
    }

    @Test
    void the_morning_after_is_asked_once_and_daily_life_is_ticked_lightly(Visitor visitor) {
        LocalDate yesterday = LocalDate.now().minusDays(1);
        sql.update(
                "INSERT INTO training_session (id, client_id, held_on, staff_id, at_home) VALUES (?, ?, ?, 1, TRUE)",
                HomeEntries.sessionId(client, yesterday),
                client,
                yesterday);
        results.put(new ResultRow(
                HomeEntries.sessionId(client, yesterday),
                "F1",
                "LEFT",
                client,
                yesterday,
                SessionResult.Kind.CLEAN,
                3,
                null,
                "",
                1));
        Page page = opened(visitor);
        assertThat(screen(page)).containsText("How was the morning after");
        visitor.checkAccessible();
        page.locator("[data-felt=LEAK][data-before]").click();
        page.selectOption("#morning-pain", "2");
        page.click("text=Send this");
        assertThat(screen(page)).hasText("Before you start");
        page.locator(".home-life input").first().check();
        allSent(page);
        assertThat(results.since(client, yesterday).get(0).nextDay()).isEqualTo("LEAK,PAIN:2");
        assertThat(standings.of(client).mayTrain()).as("as before").isEqualTo(Permission.TRAIN);
        page.reload();
        assertThat(screen(page)).hasText("Before you start");
        assertThat(page.locator(".home-life input").first()).isChecked();
        Page staff = visitor.onATablet("tamsin");
        visitor.open("/clients/" + client + "/home-log");
        assertThat(staff.locator(".daily-life")).containsText("Rolled to the side to get up: on 1 day(s)");
        assertThat(staff.locator("main")).containsText("Leaking, Pain 2");
    }
}

package fernstep.app.run;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.core.decision.Move;
import fernstep.core.findings.BodyPlace;
import fernstep.core.measure.Side;
import fernstep.core.session.SessionEvent.SignSeen;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Pain is a number, sharp or not, and a place: one press each. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class RunnerPainTest extends AtTheMat {
    RunnerPainTest(Runner runner, Visits visits, Running app) {
        super(runner, visits, app);
    }

    private SignSeen told() {
        return runner.held(session).events().stream()
                .filter(SignSeen.class::isInstance)
                .map(SignSeen.class::cast)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void a_place_with_its_side_is_one_press_and_the_record_says_word_number_and_place(Visitor visitor) {
        Page page = prepared(visitor);
        keys(page, "0");
        visitor.checkAccessible();
        page.click("[data-choices=pain] summary");
        Locator left = page.locator("button[data-key=HIP_LEFT]");
        left.click();
        assertThat(left).hasAttribute("aria-pressed", "true");
        assertThat(page.locator("button[data-key=HIP_RIGHT]")).hasAttribute("aria-pressed", "false");
        page.click(".efforts [data-n='5']:visible");
        allSent(page);
        assertThat(told().seen().place()).isEqualTo(BodyPlace.HIP);
        assertThat(told().seen().side()).isEqualTo(Side.LEFT);
        assertThat(told().advice().move()).isEqualTo(Move.END_EXERCISE);
        visitor.open("/sessions/" + session + "/record");
        visitor.see("Pain, moderate: 5 of 10, hip, left");
    }

    @Test
    void a_press_on_the_drawing_is_the_same_place_and_a_second_takes_it_back(Visitor visitor) {
        Page page = prepared(visitor);
        keys(page, "0");
        Locator spot = page.locator(".spot[data-key=KNEE_RIGHT]");
        spot.click();
        assertThat(page.locator("button[data-key=KNEE_RIGHT]")).hasAttribute("aria-pressed", "true");
        spot.click();
        assertThat(page.locator("button[data-key=KNEE_RIGHT]")).hasAttribute("aria-pressed", "false");
        spot.click();
        page.click(".efforts [data-n='3']:visible");
        allSent(page);
        assertThat(told().seen().place()).isEqualTo(BodyPlace.KNEE);
        assertThat(told().seen().side()).isEqualTo(Side.RIGHT);
        assertThat(told().seen().painLevel()).isEqualTo(3);
    }

    @Test
    void sharp_pain_ends_the_exercise_at_any_number_and_a_place_may_stay_unsaid(Visitor visitor) {
        Page page = prepared(visitor);
        keys(page, "0");
        page.click("[data-key=sharp]");
        page.click(".efforts [data-n='2']:visible");
        allSent(page);
        assertThat(told().seen().sharp()).isTrue();
        assertThat(told().seen().place()).isNull();
        assertThat(told().advice().move()).isEqualTo(Move.END_EXERCISE);
    }
}

package fernstep.app.spotting;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.core.decision.Move;
import fernstep.core.spotting.Episode;
import fernstep.core.spotting.SimulatedClient;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Learning to see signs, as the page has it. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class SpottingPagesTest {
    private static final int STEP_MS = 200;

    private final Rounds rounds;

    SpottingPagesTest(Rounds rounds) {
        this.rounds = rounds;
    }

    private SimulatedClient onThe(Page page) {
        return rounds.client(
                Long.parseLong(page.locator("input[name=seed]").inputValue()),
                page.locator("form[method=post] input[name=rung]").inputValue(),
                Integer.parseInt(page.locator("input[name=level]").inputValue()));
    }

    /** Plays a round; in each repetition presses what is given. */
    private static void play(Page page, Presses presses) {
        page.click("button:text-is('Start')");
        for (int rep = 1; rep <= SimulatedClient.REPS; rep++) {
            String now = "Repetition " + rep + " of 8";
            for (int steps = 0;
                    steps < 100
                            && !page.locator(".spot-foot strong").innerText().equals(now);
                    steps++) {
                page.clock().fastForward(STEP_MS);
            }
            presses.in(rep);
        }
        for (int steps = 0; steps < 100 && page.locator(".spotting").isVisible(); steps++) {
            page.clock().fastForward(STEP_MS);
        }
    }

    /** The page adds up what the engine says: a sign that shows moves her front and leaves the mat alone. */
    @Test
    void what_shows_is_seen_on_her_and_what_does_not_is_not(Visitor visitor) {
        assertThat(rounds.rungs()).hasSizeGreaterThan(30);
        Page page = visitor.onATablet("ilse");
        page.clock().install();
        visitor.open("/spotting?rung=F3");
        String top = drawn(page, "f-top", "{}");
        assertThat(drawn(page, "f-top", "{ DOME_FIRM: 0.001 }")).isEqualTo(top);
        assertThat(drawn(page, "f-top", "{ DOME_FIRM: 1 }")).isNotEqualTo(top);
        assertThat(drawn(page, "f-top", "{ DOME_FIRM: 1 }")).isNotEqualTo(drawn(page, "f-top", "{ DOME_SOFT: 1 }"));
        assertThat(drawn(page, "f-face", "{ BREATH_HELD: 1 }")).isNotEqualTo(drawn(page, "f-face", "{}"));
        assertThat(drawn(page, "f-mat", "{ DOME_FIRM: 1 }")).isEqualTo(drawn(page, "f-mat", "{}"));
    }

    private static String drawn(Page page, String kind, String amounts) {
        return String.valueOf(page.evaluate(
                "kind => { const her = Alpine.$data(document.querySelector('[x-data=spotting]'));"
                        + " const [svg, changes] = her.views[0];"
                        + " fernFigure.showChanged(svg, 1, changes, " + amounts + ");"
                        + " return svg.querySelector('.' + kind).getAttribute('d'); }",
                kind));
    }

    private interface Presses {
        void in(int rep);
    }

    @Test
    void who_calls_every_sign_and_does_as_the_rules_do_finds_all(Visitor visitor) {
        Page page = visitor.onATablet("tamsin");
        page.clock().install();
        visitor.open("/spotting?rung=F3");
        SimulatedClient her = onThe(page);
        List<Move> right = rounds.score(her, List.of()).found().stream()
                .map(found -> found.advice().move() == Move.EASE_ONE_SIDE
                        ? Move.EASE
                        : found.advice().move())
                .toList();
        visitor.checkAccessible();
        play(page, rep -> {
            for (int i = 0; i < her.episodes().size(); i++) {
                Episode e = her.episodes().get(i);
                if (e.from() == rep) {
                    page.locator(".sign[data-code=" + e.sign() + "]").click();
                    page.locator("[data-move=" + right.get(i) + "]").click();
                }
            }
        });
        visitor.see("What really showed");
        visitor.see("Found: " + her.episodes().size() + " of " + her.episodes().size() + ". False alarms: 0.");
        assertThat(page.locator("tbody tr:has-text('as the rules')"))
                .hasCount(her.episodes().size());
        assertThat(page.locator("svg.learning rect")).hasCount(1);
        visitor.checkAccessible();
    }

    @Test
    void what_is_missed_or_called_for_nothing_is_told_and_the_places_are_those_of_the_runner(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        page.clock().install();
        visitor.open("/spotting?rung=F3");
        SimulatedClient her = onThe(page);
        Locator pain = page.locator(".sign[data-code=PAIN]");
        play(page, rep -> {
            if (rep == 1) {
                assertThat(pain).isDisabled();
                assertThat(pain.locator(".key")).hasText("0");
                // the first repetition is clean: whatever is called in it is a false alarm
                page.keyboard().press("3");
                visitor.see("what now?");
                page.keyboard().press("1");
            }
        });
        visitor.see("Found: 0 of " + her.episodes().size() + ". False alarms: 1.");
        assertThat(page.locator("td:has-text('missed')"))
                .hasCount(her.episodes().size());
        assertThat(rounds.latest(3)).hasSize(1);
        assertThat(rounds.latest(3).get(0).score()).isZero();
    }
}

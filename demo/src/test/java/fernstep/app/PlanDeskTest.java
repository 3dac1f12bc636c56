package fernstep.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.WaitUntilState;
import fernstep.app.AppExtension.Running;
import fernstep.app.ask.Visits;
import fernstep.app.progress.LadderMapper;
import fernstep.app.progress.LadderRow;
import fernstep.app.support.Audit;
import fernstep.core.approach.Approach;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import fernstep.exchange.wording.Wording;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The plan as a practitioner bends it, inside windows, gates and minutes. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class PlanDeskTest {
    private static final int ROW_PX = 64;

    private final Running app;

    PlanDeskTest(Running app) {
        this.app = app;
    }

    private static final long IMOGEN = 1;
    private long client;

    private Page plan(Visitor visitor, String name, Approach approach, int minutes) {
        client = Someone.firm(app.context(), name, approach, minutes);
        Page page = visitor.onATablet("imogen");
        Visits visits = app.context().getBean(Visits.class);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        visitor.open("/visits/" + visit + "/plan");
        page.locator("#desk").waitFor();
        return page;
    }

    /** The cards of a strand; its row is taken up first. */
    private static Locator card(Page page, String strand) {
        Locator row = page.locator(".plan-row[data-strand=" + strand + "] a");
        if (row.count() > 0 && row.getAttribute("aria-current") == null) {
            row.click();
        }
        return cards(page, strand);
    }

    private static Locator cards(Page page, String strand) {
        return page.locator(".plan-card[data-strand=" + strand + "]");
    }

    private static int seconds(Page page) {
        String text = page.locator(".minutes-sheet .total").textContent();
        var m = java.util.regex.Pattern.compile("(?:(\\d+) min)? ?(?:(\\d+) s)?")
                .matcher(text);
        assertThat(m.find()).isTrue();
        return 60 * (m.group(1) == null ? 0 : Integer.parseInt(m.group(1)))
                + (m.group(2) == null ? 0 : Integer.parseInt(m.group(2)));
    }

    /** Presses a button of the desk; the change is on its way and nothing has come back. */
    private static Route pressedAndHeld(Page page, Locator button) {
        AtomicReference<Route> held = new AtomicReference<>();
        // Not taken off again: the browser lets go of what is held when nothing is watched any more.
        page.route("**/plan/change", change -> {
            if (!held.compareAndSet(null, change)) {
                change.resume();
            }
        });
        button.click();
        page.waitForCondition(() -> held.get() != null);
        return held.get();
    }

    private static List<String> strands(Page page) {
        return page.locator(".plan-row").all().stream()
                .map(locator -> locator.getAttribute("data-strand"))
                .toList();
    }

    @Test
    void a_stepper_changes_the_dose_and_the_time_at_once_and_stops_at_the_window(Visitor visitor) {
        Page page = plan(visitor, "Desk Stepper", Approach.SLOW_LADDER, 30);
        visitor.checkAccessible();
        int before = seconds(page);
        Locator reps = card(page, "LEG_FLOAT").first().locator(".dose-step").nth(1);
        assertThat(reps).containsText("6 reps");
        assertThat(page.locator("[aria-label='Less: reps, F3 left']")).isDisabled();
        page.click("[aria-label='More: reps, F3 left']");
        assertThat(reps).containsText("7 reps");
        assertThat(page.locator("[aria-label='More: reps, F3 left']")).isFocused();
        assertThat(seconds(page)).isGreaterThan(before);
        page.reload();
        assertThat(reps).containsText("7 reps");
        page.click("text=Back to the computed plan");
        assertThat(reps).containsText("6 reps");
        assertThat(seconds(page)).isEqualTo(before);
    }

    @Test
    void the_minutes_bar_refuses_to_overflow(Visitor visitor) {
        Page page = plan(visitor, "Desk Minutes", Approach.GRADED_LOAD, 14);
        Locator refusal = page.locator("#desk .note-stop");
        Locator more = page.locator("#desk [aria-label^='More: sets']:enabled:visible");
        int presses = 0;
        int row = 0;
        assertThat(seconds(page)).isLessThanOrEqualTo(14 * 60);
        while (refusal.count() == 0) {
            assertThat(++presses).isLessThan(30);
            while (more.count() == 0) {
                Locator next = page.locator(".plan-row a").nth(row++);
                next.click();
                assertThat(next).hasAttribute("aria-current", "true");
            }
            more.first().click();
            // The desk is busy from the press until the server's answer is drawn.
            page.locator("#desk:not([aria-busy])").waitFor();
            assertThat(seconds(page)).isLessThanOrEqualTo(14 * 60);
        }
        assertThat(refusal).containsText("Leave something out first");
        visitor.checkAccessible();
    }

    @Test
    void a_press_counts_though_the_desk_is_drawn_anew_in_its_middle(Visitor visitor) {
        Page page = plan(visitor, "Desk Long Press", Approach.SLOW_LADDER, 40);
        Locator reps = card(page, "LEG_FLOAT").first().locator(".dose-step").nth(1);
        assertThat(reps).containsText("6 reps");
        Locator more = page.locator("[aria-label='More: reps, F3 left']");
        Route held = pressedAndHeld(page, more);
        BoundingBox at = more.boundingBox();
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().down();
        page.waitForResponse("**/plan/change", held::resume).finished();
        page.mouse().up();
        assertThat(reps).containsText("8 reps");
    }

    @Test
    void the_plan_that_is_run_is_the_one_with_the_last_press(Visitor visitor) {
        Page page = plan(visitor, "Desk Quick Run", Approach.SLOW_LADDER, 40);
        Locator reps = card(page, "LEG_FLOAT").first().locator(".dose-step").nth(1);
        assertThat(reps).containsText("6 reps");
        Route held = pressedAndHeld(page, page.locator("[aria-label='More: reps, F3 left']"));
        page.click("text=Use this plan and run");
        assertThat(page.locator("#desk[aria-busy=true]")).hasCount(1);
        held.resume();
        page.locator(".runner").waitFor();
        assertThat(app.context().getBean(LadderMapper.class).current(client))
                .filteredOn(row -> row.rung().equals("F3") && row.side().equals("LEFT"))
                .extracting(LadderRow::reps)
                .containsExactly(7);
    }

    @Test
    void what_is_left_out_can_be_put_in_again_and_stays_locked(Visitor visitor) {
        Page page = plan(visitor, "Desk Lock", Approach.SLOW_LADDER, 40);
        card(page, "BRIDGE").locator("text=Leave out").click();
        assertThat(cards(page, "BRIDGE")).hasCount(0);
        page.locator("p", new Page.LocatorOptions().setHasText("Bridge"))
                .locator("text=Put in")
                .click();
        assertThat(card(page, "BRIDGE").locator("h2")).containsText("locked in");
    }

    @Test
    void cards_move_by_key_by_button_and_by_dragging(Visitor visitor) {
        Page page = plan(visitor, "Desk Order", Approach.SLOW_LADDER, 40);
        List<String> computed = strands(page);
        Locator rows = page.locator(".plan-row");
        rows.first().locator("a").focus();
        page.keyboard().press("Alt+ArrowDown");
        assertThat(rows.first()).hasAttribute("data-strand", computed.get(1));
        assertThat(rows.nth(1).locator("a")).isFocused();
        card(page, computed.get(0)).first().locator("[aria-label^='Earlier']").click();
        assertThat(rows.first()).hasAttribute("data-strand", computed.get(0));
        page.evaluate("window.scrollTo({top: 0, behavior: 'instant'})");
        BoundingBox from = rows.nth(1).boundingBox();
        BoundingBox to = rows.first().boundingBox();
        page.mouse().move(from.x + 200, from.y + 20);
        page.mouse().down();
        page.mouse().move(from.x + 200, from.y - 10, new Mouse.MoveOptions().setSteps(4));
        page.mouse().move(to.x + 200, to.y + 10, new Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
        assertThat(rows.first()).hasAttribute("data-strand", computed.get(1));
        page.reload();
        assertThat(strands(page).get(0)).isEqualTo(computed.get(1));
    }

    @Test
    void a_swapped_rung_is_where_she_stands_once_the_plan_is_used(Visitor visitor) {
        Page page = plan(visitor, "Desk Swap", Approach.SLOW_LADDER, 40);
        Locator left = card(page, "LEG_FLOAT").first();
        assertThat(left.locator(".rung-code")).hasText("F3");
        left.locator("summary", new Locator.LocatorOptions().setHasText("Swap")).click();
        left.locator("button", new Locator.LocatorOptions().setHasText("F2 ")).click();
        assertThat(left.locator(".rung-code")).hasText("F2");
        assertThat(left).containsText("Chosen by you.");
        page.click("text=Use this plan and run");
        page.locator(".runner").waitFor();
        List<LadderRow> steps = app.context().getBean(LadderMapper.class).current(client);
        assertThat(steps)
                .filteredOn(row -> row.rung().startsWith("F") && row.side().equals("LEFT"))
                .extracting(LadderRow::rung)
                .containsExactly("F2");
        assertThat(steps)
                .filteredOn(row -> row.rung().startsWith("F") && row.side().equals("RIGHT"))
                .extracting(LadderRow::rung)
                .containsExactly("F3");
    }

    private static String firstBut(List<String> kept, Page page) {
        return strands(page).stream()
                .filter(strand -> !kept.contains(strand))
                .findFirst()
                .orElse(null);
    }

    @Test
    void a_rung_of_another_strand_stands_in_without_taking_a_place_and_stays_chosen(Visitor visitor) {
        Page page = plan(visitor, "Desk Stand-in", Approach.SLOW_LADDER, 60);
        String url = page.url();
        // It brings a position of its own: room is made for it first. What is left out lets others in, until none is
        // left.
        List<String> kept = List.of("BREATH", "DEEP_CORE", "UPRIGHT", "BRIDGE");
        for (String out = firstBut(kept, page); out != null; out = firstBut(kept, page)) {
            card(page, out).first().locator("text=Leave out").click();
            assertThat(cards(page, out)).hasCount(0);
        }
        Locator bridge = card(page, "BRIDGE");
        bridge.locator("summary", new Locator.LocatorOptions().setHasText("Swap"))
                .click();
        bridge.locator("button[value^=RUNG]:not([value*='|BG'])").first().click();
        assertThat(bridge).containsText("Chosen by you.");
        String code = bridge.locator(".rung-code").textContent();
        page.click("text=Use this plan and run");
        page.locator(".runner").waitFor();
        assertThat(app.context().getBean(LadderMapper.class).current(client))
                .noneMatch(row -> row.strand() == Strand.BRIDGE)
                .anyMatch(row -> row.strand() == Strand.BREATH);
        page.navigate(url);
        assertThat(card(page, "BRIDGE").locator(".rung-code")).hasText(code);
    }

    @Test
    void a_shorter_range_shows_where_the_heel_goes_now(Visitor visitor) {
        Page page = plan(visitor, "Desk Range", Approach.GRADED_LOAD, 60);
        Locator left = card(page, "LEG_FLOAT").first();
        String before = left.locator("p strong").first().textContent();
        page.click("[aria-label='Less: range, F3 left']");
        assertThat(left.locator("p strong").first()).not().hasText(before);
        assertThat(left.locator("p strong").first()).hasText(Pattern.compile("knee \\d+°, heel \\d+ cm"));
    }

    @Test
    void the_dial_of_a_rung_sets_the_range_in_her_plan(Visitor visitor) {
        Page page = plan(visitor, "Desk Dial", Approach.GRADED_LOAD, 60);
        String url = page.url();
        Locator left = card(page, "LEG_FLOAT").first();
        left.locator("text=range dial").click();
        page.locator(".form-range").focus();
        page.keyboard().press("Home");
        page.click("text=Use this range in her plan");
        visitor.see("Her plan now uses this range.");
        visitor.checkAccessible();
        page.navigate(url);
        assertThat(card(page, "LEG_FLOAT").first()).containsText("0 % range");
        visitor.open("/catalogue/F8?side=LEFT&client=" + client);
        page.click("text=Use this range in her plan");
        visitor.see("F8 is not in her plan today.");
    }

    @Test
    void a_dial_that_was_moved_before_its_script_came_stays_where_it_was_put(Visitor visitor) {
        Page page = plan(visitor, "Desk Early Dial", Approach.GRADED_LOAD, 60);
        String url = page.url();
        AtomicReference<Route> held = new AtomicReference<>();
        page.route("**/alpine-csp*", held::set);
        page.navigate(
                app.baseUrl() + "/catalogue/F3?side=LEFT&client=" + client,
                new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
        Locator use = page.locator("text=Use this range in her plan");
        assertThat(use).isDisabled();
        page.locator(".form-range").focus();
        page.keyboard().press("Home");
        page.waitForCondition(() -> held.get() != null);
        page.unroute("**/alpine-csp*");
        held.get().resume();
        use.click();
        visitor.see("Her plan now uses this range.");
        page.navigate(url);
        assertThat(card(page, "LEG_FLOAT").first()).containsText("0 % range");
    }

    @Test
    void two_sessions_in_turn_are_shown_one_at_a_time_and_the_one_shown_is_run(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.startVisit("Maribel Quint");
        page.click("#outcome form[action$='/asked'] button");
        page.click("text=On to the plan");
        page.locator("#desk").waitFor();
        List<String> a = strands(page);
        assertThat(page.locator("#run")).hasText("Use this plan and run day A");
        page.click("text=Day B");
        assertThat(page.locator("[aria-current=page]", new Page.LocatorOptions().setHasText("Day B")))
                .isVisible();
        assertThat(strands(page)).isNotEqualTo(a);
        assertThat(page.locator("#run")).hasText("Use this plan and run day B");
        assertThat(page.locator("#runDay")).hasValue("B");
    }

    @Test
    void a_plan_of_seven_and_its_run_button_fit_one_screen_and_a_row_opens_its_cards(Visitor visitor) {
        Page page = plan(visitor, "Desk Sheet", Approach.GRADED_LOAD, 60);
        Locator rows = page.locator(".plan-row");
        assertThat(rows.count()).isGreaterThanOrEqualTo(6);
        assertThat(page.locator(".plan-strand:visible")).hasCount(1);
        int last = (int)
                Math.round(((Number) rows.last().evaluate("r => r.getBoundingClientRect().bottom")).doubleValue());
        int run = (int) Math.round(page.locator("#run").boundingBox().y);
        System.out.printf("plan of %d: rows end at %d px (budget 900), run button at %d px%n", rows.count(), last, run);
        assertThat(last + (7 - rows.count()) * ROW_PX).isLessThanOrEqualTo(900);
        assertThat(run).isLessThan(800);
        String strand = rows.last().getAttribute("data-strand");
        rows.last().locator("a").click();
        assertThat(page.locator(".plan-strand:visible")).hasCount(1);
        assertThat(page.locator(".plan-strand:visible")).hasAttribute("data-strand", strand);
        page.locator(".plan-strand:visible [aria-label^='More: ']:enabled")
                .first()
                .click();
        assertThat(page.locator("text=Back to the computed plan")).isVisible();
        assertThat(page.locator(".plan-strand:visible")).hasAttribute("data-strand", strand);
        assertThat(page.locator("#keys-here")).isHidden();
        page.keyboard().press("?");
        assertThat(page.locator("#keys-here")).containsText("Alt with the arrow up or down moves it");
        page.keyboard().press("Escape");
        assertThat(page.locator("#keys-here")).isHidden();
        for (int width : new int[] {390, 360}) {
            page.setViewportSize(width, 844);
            assertThat(((Number) page.evaluate("document.documentElement.scrollWidth")).intValue())
                    .isLessThanOrEqualTo(width);
        }
        visitor.checkAccessible();
    }

    @Test
    void fewer_exercises_on_request_stay_fewer(Visitor visitor) {
        Page page = plan(visitor, "Desk Size", Approach.GRADED_LOAD, 60);
        assertThat(page.locator(".minutes-sheet .dose-step strong")).hasText("7");
        for (int most = 6; most >= 2; most--) {
            page.click("[aria-label='Fewer exercises at most']");
            assertThat(page.locator(".minutes-sheet .dose-step strong")).hasText(String.valueOf(most));
        }
        assertThat(page.locator("[aria-label='Fewer exercises at most']")).isDisabled();
        page.reload();
        assertThat(page.locator(".minutes-sheet")).containsText("2 exercises, at most");
    }

    @Test
    void an_approach_is_proposed_with_its_reason_and_one_stance_changes_on_the_spot(Visitor visitor) {
        Page page = plan(visitor, "Desk Approach", Approach.QUIET_START, 30);
        visitor.see("Cleared for exercise, with a clean leg float on both sides");
        page.click("summary:has-text('Use another approach')");
        page.selectOption("#stanceDOMING", "SOFT_TOLERATED");
        page.locator("form:has(#stanceDOMING) button").click();
        visitor.see("changed for her");
        assertThat(app.context().getBean(Audit.class).count(client, "STANCE_CHANGED"))
                .isEqualTo(1);
        page.click("text=Compare two approaches");
        page.selectOption("[name=with]", "SLOW_LADDER");
        page.click("button:text-is('Compare')");
        visitor.see("Where they differ");
        assertThat(page.locator("h2", new Page.LocatorOptions().setHasText("Quiet Start")))
                .isVisible();
        assertThat(page.locator("h2", new Page.LocatorOptions().setHasText("Slow Ladder")))
                .isVisible();
        visitor.checkAccessible();
        page.click("text=Back to the plan");
        page.click("text=Take Slow Ladder");
        assertThat(page.locator(".page-head")).containsText("Slow Ladder, dose by repetitions from ten to twenty");
        assertThat(page.locator(".page-head")).not().containsText("changed for her");
    }

    @Test
    void a_house_approach_is_a_copy_that_can_be_taken(Visitor visitor) {
        Page page = plan(visitor, "Desk House", Approach.SLOW_LADDER, 30);
        String url = page.url();
        visitor.open("/house/approaches?copy=SLOW_LADDER");
        page.click("text=Save as the practice's own");
        assertThat(page.locator(".field-problem").first()).isVisible();
        page.fill("#name", "Harbour Ladder");
        page.selectOption("#sDOMING", "SOFT_TOLERATED");
        visitor.checkAccessible();
        page.click("text=Save as the practice's own");
        assertThat(page.locator("thead")).containsText("Harbour Ladder");
        page.navigate(url);
        page.click("summary:has-text('Use another approach')");
        page.selectOption("#approach", new com.microsoft.playwright.options.SelectOption().setLabel("Harbour Ladder"));
        page.locator("form:has(#approach) button").click();
        assertThat(page.locator(".page-head")).containsText("Harbour Ladder");
        page.click("summary:has-text('Use another approach')");
        assertThat(page.locator("#stanceDOMING")).hasValue("SOFT_TOLERATED");
    }

    @Test
    void the_printed_plan_says_dose_how_and_when_to_stop(Visitor visitor) {
        Page page = plan(visitor, "Desk Print", Approach.SLOW_LADDER, 30);
        page.click("a:text-is('Print')");
        visitor.see("Plan for Desk Print");
        assertThat(page.locator(".print-item").first()).containsText("Stop or make it easier at");
        page.waitForLoadState();
        String foot = page.locator("main p").last().textContent();
        List<Answer> ofOthers = List.of(Answer.FLUID_LEAK, Answer.CONTRACTIONS, Answer.LESS_MOVEMENT, Answer.WOUND);
        for (Answer emergency : Answer.values()) {
            if (emergency.emergency()) {
                String line = Wording.english().text("her.answer." + emergency);
                assertThat(foot.contains(line)).as(line).isEqualTo(!ofOthers.contains(emergency));
            }
        }
        visitor.checkAccessible();
    }
}

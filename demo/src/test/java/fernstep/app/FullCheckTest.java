package fernstep.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension.Running;
import fernstep.app.ask.VisitMapper;
import fernstep.app.check.CheckMapper;
import fernstep.app.check.FindingRow;
import fernstep.app.support.Audit;
import fernstep.core.approach.Approach;
import fernstep.core.findings.Finding;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The whole check as a practitioner does it, by keyboard, interrupted, and again six weeks later. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class FullCheckTest {

    /** Presses keys and counts them. */
    private static final class Keys {
        private final Page page;
        private int pressed;

        Keys(Page page) {
            this.page = page;
        }

        Keys press(String... keys) {
            for (String key : keys) {
                page.keyboard().press(key);
                pressed++;
            }
            return this;
        }

        /** One key a character. */
        Keys type(String keys) {
            return press(keys.split(""));
        }

        /** A click counts like a key. */
        Keys click(String what) {
            page.click(what);
            pressed++;
            return this;
        }

        void saved() {
            // dozens of fields go out one after the other: on a busy machine that takes a while
            assertThat(page.locator(".saved"))
                    .hasText("Saved", new LocatorAssertions.HasTextOptions().setTimeout(Visitor.PATIENCE_MS));
        }
    }

    /** One check after the other, at the first of them. */
    private static Page guided(Visitor visitor, String account, String client) {
        Page page = visitor.onATablet(account);
        visitor.startVisit(client);
        page.click("#outcome form[action$='/asked'] button");
        page.locator(".cell.picked").waitFor();
        return page;
    }

    /** All that is done lying on one sheet. */
    private static Page check(Visitor visitor, String account, String client) {
        Page page = guided(visitor, account, client);
        page.click("text=All on one sheet");
        page.waitForURL("**/check/lying");
        page.locator(".cell.picked").waitFor();
        return page;
    }

    /** Waits until the check of this name fills the screen and takes keys. */
    private static void at(Page page, String check) {
        page.waitForURL("**/check/one/" + check);
        page.waitForFunction("() => document.querySelector('[x-data=check]')?._x_dataStack !== undefined"
                + " && !document.getElementById('main').inert");
    }

    @Test
    void a_whole_first_visit_takes_at_most_150_presses_and_its_check_one_by_one_90(Visitor visitor) {
        Page page = visitor.onTheBoard("imogen");
        Keys visit = new Keys(page);
        visit.click("text=New client").click("#name").type("Odile Mar");
        page.selectOption("#status", "GENERAL");
        visit.pressed += 2;
        visit.press("Enter");
        page.waitForURL(Pattern.compile(".*/clients/\\d+"));
        visit.click("form[action$='/visit'] button").click("#outcome form[action$='/asked'] button");
        page.locator(".cell.picked").waitFor();
        Keys keys = new Keys(page);
        keys.type("333212222211111");
        assertThat(page.locator("a.btn-primary[data-next]")).isFocused();
        keys.press("Space");
        at(page, "ridge");
        keys.type("2");
        assertThat(page.locator("#DOMINGSOFT")).isChecked();
        assertThat(page.locator("#results li")).hasCount(1);
        keys.press("Space");
        at(page, "cough");
        keys.type("11").press("Space");
        at(page, "deep-core");
        keys.type("33").type("8").press("Enter").type("9").press("Enter");
        assertThat(page.locator("#results")).containsText("Side by side");
        keys.press("Space");
        at(page, "pelvic-floor");
        keys.type("11").press("Space");
        at(page, "breath");
        keys.type("1").press("Space");
        at(page, "low-back");
        keys.type("22").press("Space");
        at(page, "alignment");
        keys.press("PageDown");
        at(page, "dome-profile");
        keys.press("PageDown");
        at(page, "tolerance");
        keys.type("5").press("Enter").press("Space");
        at(page, "straw");
        keys.type("3").press("Space");
        at(page, "float");
        keys.type("1111331133");
        keys.saved();
        assertThat(page.locator("#results")).containsText("F2 clean. The test ends at its first sign");
        keys.press("Space");
        at(page, "scoop");
        keys.type("1").press("Space");
        at(page, "rod");
        keys.type("1414222").press("Space");
        at(page, "hover");
        keys.type("5").press("Enter");
        assertThat(page.locator("#results")).containsText("Everything a plan needs is here.");
        System.out.println("a first check one by one took " + keys.pressed + " presses");
        assertThat(keys.pressed).isLessThanOrEqualTo(90);
        keys.press("Space");
        page.waitForURL("**/plan");
        while (!page.locator(".dose-step strong").first().textContent().equals("5")) {
            String size = page.locator(".dose-step strong").first().textContent();
            visit.click("[aria-label='Fewer exercises at most']");
            assertThat(page.locator(".dose-step strong").first()).not().hasText(size);
        }
        visit.click("text=Use this plan and run");
        page.locator(".count .n").waitFor();
        for (int exercise = 0; exercise < 2; exercise++) {
            String name = page.locator(".runner .name").textContent()
                    + page.locator(".runner .side").textContent();
            while (name.equals(page.locator(".runner .name").textContent()
                    + page.locator(".runner .side").textContent())) {
                if (page.locator(".efforts-box").isVisible()) {
                    page.locator(".efforts-box.ready").waitFor();
                }
                visit.press("Space");
            }
        }
        visit.press("m", "4", "1");
        visitor.see("What changes next");
        int pressed = visit.pressed + keys.pressed;
        System.out.println("a whole first visit took " + pressed + " presses (budget 150)");
        assertThat(pressed).isLessThanOrEqualTo(150);
    }

    @Test
    void a_newcomer_comes_from_the_sign_in_to_a_used_plan_for_a_new_client_in_60_presses(Visitor visitor) {
        Page page = visitor.on(1280, 800);
        visitor.open("/sign-in");
        Keys keys = new Keys(page);
        page.fill("#username", "tamsin");
        page.fill("#password", "tidemark-demo");
        keys.pressed += "tamsin".length() + "tidemark-demo".length() + 1;
        keys.click("main button");
        keys.click("text=New client").click("#name").type("Ada Newcome");
        page.selectOption("#status", "GENERAL");
        keys.pressed += 2;
        keys.press("Enter");
        page.waitForURL(Pattern.compile(".*/clients/\\d+"));
        keys.click("form[action$='/visit'] button").click("#outcome form[action$='/asked'] button");
        page.locator(".cell.picked").waitFor();
        keys.click("text=On to the plan").click("text=Use this plan and run");
        page.locator(".count .n").waitFor();
        System.out.println("a newcomer reached a used plan with " + keys.pressed + " presses (budget 60)");
        assertThat(keys.pressed).isLessThanOrEqualTo(60);
    }

    @Test
    void a_recheck_one_by_one_takes_at_most_14_presses_and_goes_through_what_was_checked_before(
            Visitor visitor, Running app) {
        long client = Someone.firm(app.context(), "Liesel Okonjo", Approach.SLOW_LADDER, 14);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        page.click("form[action$='/visit'] button");
        page.click("#outcome form[action$='/asked'] button");
        page.locator(".cell.picked").waitFor();
        Keys keys = new Keys(page);
        keys.type("11111").press("PageDown");
        for (String check : List.of("ridge", "cough", "deep-core", "low-back", "tolerance", "float", "scoop")) {
            at(page, check);
            keys.press("=");
        }
        page.waitForURL("**/plan");
        System.out.println("a re-check one by one took " + keys.pressed + " presses");
        assertThat(keys.pressed).isLessThanOrEqualTo(14);
        CheckMapper checks = app.context().getBean(CheckMapper.class);
        assertThat(checks.latestFindings(client, LocalDate.now()))
                .filteredOn(row -> row.name() == Finding.TOLERANCE_BREATHS)
                .extracting(FindingRow::findingValue)
                .containsExactly("8");
        assertThat(checks.latestFindings(client, LocalDate.now()))
                .as("every finding of the first check is today's as well")
                .hasSize(13)
                .extracting(FindingRow::visitId)
                .containsOnly(app.context()
                        .getBean(VisitMapper.class)
                        .onDay(client, LocalDate.now())
                        .orElseThrow()
                        .id());
    }

    @Test
    void a_missing_clearance_is_recorded_on_the_line_of_the_gate_that_stops_her(Visitor visitor, Running app) {
        long client = Someone.afterBirth(app.context(), "Runa Eldjarn", 12);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        page.click("form[action$='/visit'] button");
        page.click("#outcome form[action$='/asked'] button");
        page.locator(".guided-foot").waitFor();
        page.click(".path >> text=Ask");
        Locator gate = page.locator("[data-clear=FIRST_LOADED]");
        gate.locator("summary").click();
        gate.locator("[name=byRole]").fill("midwife");
        gate.locator("button").click();
        page.waitForURL("**/ask");
        assertThat(page.locator("[data-clear=FIRST_LOADED]")).hasCount(0);
        visitor.open("/clients/" + client);
        visitor.see("midwife");
    }

    @Test
    void what_is_refused_is_said_beside_its_field_and_never_called_saved(Visitor visitor) {
        Page page = guided(visitor, "imogen", "Solveig Aune");
        visitor.open(page.url().replaceAll("http://[^/]+", "") + "/one/hover");
        page.fill("#HOVER_S", "700");
        page.locator("#HOVER_S").blur();
        Locator field = page.locator("fieldset:has(#HOVER_S)");
        assertThat(field.locator(".field-problem")).containsText("from 0 to 600");
        assertThat(page.locator(".saved")).hasText("Not accepted");
        assertThat(page.locator("#HOVER_S")).hasValue("700");
        page.fill("#HOVER_S", "7");
        page.locator("#HOVER_S").blur();
        assertThat(page.locator(".saved")).hasText("Saved");
        assertThat(field.locator(".field-problem")).hasCount(0);
    }

    @Test
    void a_first_full_check_goes_by_keyboard_alone_in_at_most_120_keys(Visitor visitor) {
        Page page = check(visitor, "imogen", "Priyanka Sethi");
        Keys keys = new Keys(page);
        // rest, head lift, head lift with set at five sites; the last digit leads on to the fields
        keys.type("333212222211111");
        assertThat(page.locator("#DOMINGNONE")).isFocused();
        keys.type("2").type("1").type("4").press("Enter"); // soft ridge, going up, 4 cm
        keys.type("1").type("1"); // cough draws in, floor lifts
        keys.type("33"); // set grade, left and right
        keys.type("8").press("Enter").type("9").press("Enter"); // longest hold
        keys.type("20").press("Enter"); // effort
        keys.type("1").type("1").type("2"); // floor lifts, lets go, does not over-recruit
        keys.type("8").press("Enter").type("6").press("Enter").type("3"); // slow hold, quick lifts, internal grade
        keys.type("1").type("84").press("Enter").type("80").press("Enter"); // ribs all round, girths
        keys.type("2").type("2").type("1"); // flat hand, no flare, settles
        assertThat(page.locator("[data-next]")).isFocused();
        keys.saved();
        assertThat(page.locator("#results")).containsText("4 cm between full breath out and full breath in");
        visitor.checkAccessible();
        keys.press("Enter");

        page.waitForURL("**/check/side-view");
        page.locator(".pad .mark").first().waitFor();
        keys.press("Tab");
        page.locator(".pad .mark").first().focus();
        keys.press("ArrowRight", "ArrowRight", "Enter", "Enter", "Enter"); // ribs two steps ahead, two as they stand
        assertThat(page.locator("#results")).not().containsText("Ribs ");
        keys.press("Enter").type("1"); // the heel, and all are set; by eye
        page.locator(".pad-low [data-n='3']").focus();
        keys.press("ArrowUp", "ArrowUp", "ArrowUp", "Enter", "Enter", "Enter", "Enter", "Enter", "Enter", "Enter");
        assertThat(page.locator("#results")).containsText("Height above the chord 3 mm");
        keys.saved();
        visitor.checkAccessible();
        keys.press("Enter");

        page.waitForURL("**/check/moving");
        page.locator("#TOLERANCE_BREATHS").focus();
        keys.press("5", "Enter").type("3"); // five breaths, gentle blow
        keys.type("1111331133"); // F1 and F2 clean on both sides, F3 a sign on both, F4 clean?, F5 a sign
        keys.saved();
        visitor.checkAccessible();
        keys.press("Enter");

        page.waitForURL("**/check/hands-knees");
        page.locator("#SCOOPYES").focus();
        keys.type("1").type("9").press("Enter"); // rises, 9 mm
        keys.type("1414").type("2").type("22").type("5").press("Enter"); // rod, belly, hips, hover
        keys.saved();
        visitor.checkAccessible();
        assertThat(page.locator("#results")).containsText("A clean hover of 5 s");
        System.out.println("a first full check took " + keys.pressed + " keys");
        assertThat(keys.pressed).isLessThanOrEqualTo(120);
        keys.press("Enter");
        page.waitForURL("**/plan");
        assertThat(page.locator(".plan-card .rung-code").first()).hasText("BR3");
    }

    @Test
    void a_thumb_swiped_up_on_the_big_number_adds_half_a_finger_and_sideways_goes_on(Visitor visitor) {
        Page page = check(visitor, "imogen", "Beatrix Moreau");
        page.locator(".cell.picked").click();
        String first = page.locator(".cell.picked .value").textContent();
        swipe(page, 0, -60);
        assertThat(page.locator(".cell.picked .value")).not().hasText(first);
        String picked = page.locator(".cell.picked").getAttribute("aria-label");
        swipe(page, -80, 0);
        assertThat(page.locator(".cell.picked")).not().hasAttribute("aria-label", picked);
    }

    private static void swipe(Page page, int dx, int dy) {
        BoundingBox big = page.locator(".stepper.swipe .big").boundingBox();
        double x = big.x + big.width / 2;
        double y = big.y + big.height / 2;
        page.mouse().move(x, y);
        page.mouse().down();
        page.mouse().move(x + dx, y + dy);
        page.mouse().up();
    }

    @Test
    void the_short_recheck_takes_at_most_30_keys_and_calls_a_change_inside_the_limit_no_real_change(Visitor visitor) {
        Page page = check(visitor, "imogen", "Noor Haddad");
        Keys keys = new Keys(page);
        String[] last = page.locator(".cell[data-condition=REST] .last").allTextContents().stream()
                .map(allTextContent -> allTextContent.replace("last ", ""))
                .toArray(String[]::new);
        for (String value : last) {
            keys.type(value.substring(0, 1));
        }
        assertThat(page.locator("#results")).containsText("no real change (a real change is more than 12.6 mm)");
        keys.saved();
        visitor.open(page.url().replaceAll("http://[^/]+", "").replace("/lying", "/moving"));
        page.locator("#TOLERANCE_BREATHS").focus();
        keys.press("6", "Enter");
        page.locator("#FLOAT_F1LEFTCLEAN").focus();
        keys.type("111133");
        keys.saved();
        System.out.println("the short re-check took " + keys.pressed + " keys");
        assertThat(keys.pressed).isLessThanOrEqualTo(30);
        page.click(".path .client-name");
        page.click("text=What changed");
        visitor.see("Since the last visit");
        assertThat(page.locator("main")).containsText("no real change");
        visitor.checkAccessible();
    }

    @Test
    void a_visit_cut_short_by_a_reload_goes_on_where_it_was(Visitor visitor, Running app) {
        Someone.plain(app.context(), "Cut Short", Approach.SLOW_LADDER, 14);
        Page page = check(visitor, "tamsin", "Cut Short");
        Keys keys = new Keys(page);
        page.getByLabel("Depth by the knuckles").selectOption("KNUCKLE_1");
        page.locator(".cell.picked").focus();
        keys.type("32");
        page.reload();
        assertThat(page.locator(".cell[data-order='0'] .value")).hasText("3");
        assertThat(page.locator(".cell[data-order='1'] .value")).hasText("2");
        visitor.openClient("Cut Short");
        page.click("text=Continue today");
        page.click(".path >> text=Check");
        assertThat(page.locator(".cell[data-order='0'] .value")).hasText("3");
    }

    @Test
    void a_coach_cannot_record_an_internal_examination(Visitor visitor) {
        Page page = check(visitor, "tamsin", "Adaeze Nwosu");
        assertThat(page.locator("[data-finding=PF_INTERNAL]")).hasCount(0);
        String csrf = page.locator("meta[name=csrf]").getAttribute("content");
        String visit = page.url().replaceAll("(.*/visits/\\d+)/.*", "$1");
        APIResponse answer = visitor.context()
                .request()
                .post(
                        visit + "/findings",
                        RequestOptions.create()
                                .setHeader("X-CSRF-TOKEN", csrf)
                                .setHeader("Content-Type", "application/x-www-form-urlencoded")
                                .setData("name=PF_INTERNAL&value=3"));
        assertThat(answer.text()).contains("Only a licensed clinician can record an internal examination.");
    }

    @Test
    void a_part_left_out_says_why_and_is_no_longer_missing(Visitor visitor) {
        Page page = check(visitor, "imogen", "Solveig Aune");
        assertThat(page.locator("#results")).containsText("Cough");
        Locator cough = page.locator("[data-section=COUGH]");
        cough.locator("summary").click();
        cough.locator("[data-skip]").fill("scar still tender");
        cough.locator("[data-skip]").blur();
        assertThat(page.locator("#results a:has-text('Cough')")).hasCount(0);
        page.reload();
        assertThat(page.locator("[data-section=COUGH] [data-skip]")).hasValue("scar still tender");
    }

    @Test
    void only_a_therapist_lifts_a_derived_restriction_and_the_reason_is_kept(Visitor visitor, Audit audit) {
        Page coach = visitor.onATablet("rafaela");
        visitor.open("/clients/1");
        assertThat(coach.locator("text=Allow it anyway")).hasCount(0);
        visitor.close();
        Page page = visitor.onATablet("ilse");
        visitor.open("/clients/1");
        page.locator("summary:has-text('Allow it anyway')").first().click();
        page.locator("input[name=reason]").first().fill("short spells agreed with her midwife");
        page.locator("button:text-is('Allow it')").first().click();
        visitor.see("Allowed anyway: Not face down");
        visitor.see("short spells agreed with her midwife");
        assertThat(audit.count(1, "RESTRICTION_LIFTED")).isEqualTo(1);
        page.click("text=Put it back");
        assertThat(page.locator("text=Allowed anyway:")).hasCount(0);
    }

    @Test
    void ten_rounds_on_the_trainer_give_an_examiner_her_own_error(Visitor visitor) {
        Page page = visitor.onATablet("rafaela");
        visitor.open("/examiner");
        visitor.see("not calibrated");
        for (int n = 1; n <= 4; n++) {
            page.fill("#finger" + n, String.valueOf(15 * n + 1));
        }
        page.click("text=Save my finger widths");
        visitor.see("Saved. New readings use these widths.");
        visitor.checkAccessible();
        visitor.open("/trainer");
        for (int round = 1; round <= 10; round++) {
            page.locator("button:text-is('Press')").click();
            if (round % 2 == 0) {
                page.keyboard().press("+");
            }
            page.click("text=This is my reading");
            visitor.see("Second reading");
            page.locator("button:text-is('Press')").click();
            page.click("text=This is my reading");
            visitor.see("Hidden width");
            visitor.see(round + (round == 1 ? " pair saved" : " pairs saved"));
        }
        // half a finger (7.5 mm) apart in five of ten rounds: SD 3.95, over √2 = 2.8
        assertThat(page.locator("aside")).containsText("Typical error 2.8 mm, smallest real change 7.7 mm.");
        visitor.checkAccessible();
    }

    @Test
    void a_photo_needs_consent_is_shown_to_her_team_only_and_goes_with_the_consent(Visitor visitor, Running app)
            throws IOException {
        Someone.plain(app.context(), "Pictured Person", Approach.SLOW_LADDER, 14);
        Page page = check(visitor, "tamsin", "Pictured Person");
        page.click("text=Next: From the side");
        page.click("summary:has-text('Over a photo')");
        assertThat(page.locator("input[type=file]")).hasCount(0);
        page.click("text=She agrees: record her consent");
        page.click("summary:has-text('Over a photo')");
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(320, 420, BufferedImage.TYPE_INT_RGB), "png", png);
        page.setInputFiles("input[type=file]", new FilePayload("side.png", "image/png", png.toByteArray()));
        page.click("text=Use this picture");
        String photo = page.locator(".pad image").getAttribute("href");
        assertThat(visitor.context()
                        .request()
                        .get(app.baseUrl() + photo)
                        .headers()
                        .get("content-type"))
                .isEqualTo("image/jpeg");
        page.click("summary:has-text('Over a photo')");
        page.setInputFiles(
                "input[type=file]",
                new FilePayload("side.png", "image/png", "not a picture".getBytes(StandardCharsets.UTF_8)));
        page.click("text=Use this picture");
        visitor.see("This is not a JPEG or PNG picture.");
        visitor.close();

        visitor.onATablet("rafaela");
        assertThat(visitor.context().request().get(app.baseUrl() + photo).status())
                .isEqualTo(404);
        visitor.close();

        Page again = check(visitor, "tamsin", "Pictured Person");
        again.click("text=Next: From the side");
        again.click("summary:has-text('Over a photo')");
        again.click("text=Withdraw the consent and delete her photos");
        assertThat(visitor.context().request().get(app.baseUrl() + photo).status())
                .isEqualTo(404);
    }
}

package fernstep.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension.Running;
import fernstep.app.ask.Visits;
import fernstep.app.run.Runner;
import fernstep.core.approach.Approach;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Every page there is, on a phone and on a desk, light and dark: what a program can tell of accessibility, and nothing
 * sideways. Colours are looked at in all four; the rest does not change with the theme.
 */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class EveryPageTest {
    private static final long IMOGEN = 1;
    /** Not pages: parts of pages, files, data. */
    private static final Set<String> NO_PAGES = Set.of(
            "/board/rows",
            "/board/changes",
            "/home/{token}",
            "/clients/{id}/letters/{letter}",
            "/clients/{id}/letters/{letter}/letter.pdf",
            "/mail-off/{token}",
            "/clients/{id}/forecast",
            "/clients/{id}/calendar.ics",
            "/clients/{id}/handout.pdf",
            "/clients/{id}/readings.csv",
            "/clients/{id}/record/everything.json",
            "/house/audit.csv",
            "/house/export.zip",
            "/figures/{code}",
            "/figures/{code}/signs",
            "/home/{token}/signs/{code}",
            "/photos/{id}",
            "/sessions/{sessionId}/state",
            "/sessions/{sessionId}/answers",
            "/sessions/{sessionId}/why",
            "/sessions/{sessionId}/trace",
            "/clients/{id}/traces/{recording}",
            "/clients/{id}/out/{file}",
            "/clients/{id}/export.zip",
            "/clients/{id}/traces/{recording}/trace.csv",
            "/clients/{id}/traces/{recording}/trace.edf",
            "/feeds/{token}.ics",
            "/house/import/table/progress",
            "/api/v1/clients",
            "/api/v1/clients/{id}",
            "/api/v1/clients/{id}/plan",
            "/api/v1/clients/{id}/sessions",
            "/api/v1/clients/{id}/readings",
            "/api/v1/openapi.json",
            "/api/v1/openapi.json.yaml",
            "/first-account",
            "/join/{token}",
            "/spotting/{formId}",
            "/still-here",
            "/.well-known/security.txt",
            "/error");

    private final Running app;
    private final Visits visits;

    EveryPageTest(Running app, Visits visits) {
        this.app = app;
        this.visits = visits;
    }

    private List<String> pages() {
        long client = Someone.firm(app.context(), "Every Page", Approach.SLOW_LADDER, 20);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        String session = app.context()
                .getBean(Runner.class)
                .start(visit, UUID.randomUUID().toString(), null, IMOGEN);
        Map<String, String> ids = Map.of("clients", "" + client, "visits", "" + visit, "sessions", session);
        Set<String> patterns = new TreeSet<>();
        app.context().getBeansOfType(RequestMappingHandlerMapping.class).values().stream()
                .flatMap(mapping -> mapping.getHandlerMethods().keySet().stream())
                .filter(info -> info.getMethodsCondition().getMethods().contains(RequestMethod.GET))
                .forEach(info -> patterns.addAll(info.getPatternValues()));
        patterns.removeAll(NO_PAGES);
        List<String> all = new ArrayList<>();
        for (String pattern : patterns) {
            String path = pattern.replaceFirst(
                    "\\{[^}]+}", ids.getOrDefault(pattern.replaceAll("^/([a-z-]*).*", "$1"), "F3"));
            if (path.contains("{section}")) {
                all.add(path.replace("{section}", "deep-core"));
                all.add(path.replace("{section}", "float"));
            } else {
                all.add(path.replace("{posture}", "moving"));
            }
        }
        return all;
    }

    @Test
    void every_page_is_accessible_in_both_themes_and_none_scrolls_sideways(Visitor visitor) throws IOException {
        List<String> pages = pages();
        assertThat(pages).hasSizeGreaterThan(25);
        String axe;
        try (InputStream in = EveryPageTest.class.getResourceAsStream("/axe.min.js")) {
            axe = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        Page page = visitor.onAPhone("imogen");
        Map<String, Object> found = new TreeMap<>();
        for (String path : pages) {
            page.setViewportSize(360, 780);
            page.navigate(app.baseUrl() + path);
            page.waitForFunction("() => !document.querySelector('[aria-busy=true], #forecast [role=status]')");
            noneSideways(page, path, found);
            page.setViewportSize(390, 844);
            noneSideways(page, path, found);
            int small = height(page);
            page.evaluate(axe);
            look(page, path, "phone, light", false, found);
            theme(page, "dark");
            look(page, path, "phone, dark", true, found);
            page.setViewportSize(1280, 800);
            System.out.printf("%-60s %5d px at 1280 x 800, %5d px at 390 x 844%n", path, height(page), small);
            // the colours of the dark theme were looked at on the phone
            theme(page, "light");
            look(page, path, "wide, light", true, found);
        }
        System.out.println(pages.size() + " pages looked at, on a phone and a desk, light and dark");
        assertThat(found).isEmpty();
    }

    private static void noneSideways(Page page, String path, Map<String, Object> found) {
        int over = number(page, "document.documentElement.scrollWidth - window.innerWidth");
        if (over > 0) {
            found.put(path + " at " + page.viewportSize().width + " px", over + " px too wide");
        }
    }

    private static int height(Page page) {
        return number(page, "document.documentElement.scrollHeight");
    }

    private static int number(Page page, String script) {
        return ((Number) page.evaluate(script)).intValue();
    }

    private static void theme(Page page, String theme) {
        page.evaluate("t => { document.documentElement.dataset.bsTheme = t; }", theme);
    }

    /** @param colours only what changes with theme and size */
    private static void look(Page page, String path, String how, boolean colours, Map<String, Object> found) {
        Object violations = page.evaluate(
                "async (colours) => (await axe.run(Object.assign({resultTypes: ['violations'], preload: false}, colours ? {runOnly: {type: 'rule', values: ['color-contrast', 'target-size',"
                        + " 'scrollable-region-focusable']}} : {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']})))"
                        + ".violations.map(v => v.id + ': ' + v.nodes.slice(0, 3).map(n => n.target.join(' ')).join(' | '))",
                colours);
        if (!((List<?>) violations).isEmpty()) {
            found.put(path + ", " + how, violations);
        }
    }
}

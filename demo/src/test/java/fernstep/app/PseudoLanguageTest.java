package fernstep.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Approaches;
import fernstep.app.plan.HouseApproach;
import fernstep.app.rungs.Catalogues;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Pages in a made-up language whose words stand in brackets: what is not in brackets was left behind in a page. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class PseudoLanguageTest {
    /** Texts a person reads on the page, and labels read out to her. */
    private static final String TEXTS = """
            () => {
              const all = [];
              const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
              while (walk.nextNode()) {
                const in_ = walk.currentNode.parentElement;
                if (in_.closest('script, style, [data-not-words]')) { continue; }
                const text = walk.currentNode.textContent.trim();
                if (text) { all.push(text); }
              }
              document.querySelectorAll('[aria-label], [placeholder], [title]').forEach((e) => {
                ['aria-label', 'placeholder', 'title'].forEach((a) => { if (e.getAttribute(a)) { all.push(e.getAttribute(a)); } });
              });
              return all;
            }""";

    private static final Pattern INNERMOST = Pattern.compile("\\[[^\\[\\]]*\\]");
    /** Units, codes of rungs and rules, days, and letters that stand for sides. */
    private static final Pattern NO_WORDS = Pattern.compile(
            "\\b(mm|cm|kg|min|Fern Step|R\\d+|[A-Z]{1,4}\\d+|Jan(uary)?|Feb(ruary)?|Mar(ch)?|Apr(il)?|May|June?|July?|Aug(ust)?|Sept?(ember)?"
                    + "|Oct(ober)?|Nov(ember)?|Dec(ember)?)\\b");

    private static final Pattern WORD = Pattern.compile("[A-Za-z]{3,}");

    private final Catalogues catalogues;
    private final Clients clients;
    private final Approaches approaches;

    PseudoLanguageTest(Catalogues catalogues, Clients clients, Approaches approaches) {
        this.catalogues = catalogues;
        this.clients = clients;
        this.approaches = approaches;
    }

    /** Names, and what the strand files say: data, not sentences of a page. As it is now: other tests add to it. */
    private List<String> data() {
        Stream<String> rungs = catalogues.get().rungs().stream().flatMap(PseudoLanguageTest::says);
        Stream<String> strands = catalogues.get().strands().stream().map(CatalogueStrand::name);
        Stream<String> people = Stream.concat(
                Stream.concat(
                        Stream.of("Imogen Vale", "Tamsin Okoro", "Ilse Brandt", "Rafaela Pinto", "Harbour Ladder"),
                        approaches.all().stream().map(HouseApproach::name)),
                clients.all().stream().map(ClientFile::name));
        return Stream.of(rungs, strands, people)
                .flatMap(texts -> texts)
                .filter(text -> !text.isBlank())
                .distinct()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .toList();
    }

    private static Stream<String> says(Rung rung) {
        return Stream.concat(Stream.of(rung.name(), rung.howTo(), rung.caution()), rung.cues().values().stream());
    }

    @Test
    void no_sentence_is_left_in_a_page_and_longer_words_do_not_break_it(Visitor visitor) {
        Page page = visitor.inThePseudoLanguage(1280, 800, "imogen");
        for (String path : List.of(
                "/clients/new",
                "/clients/1/progress",
                "/clients/1/calendar",
                "/clients/1/home-log",
                "/clients/1/changes",
                "/catalogue",
                "/catalogue/F3",
                "/house/approaches",
                "/examiner",
                "/trainer",
                "/",
                "/clients/1/traces")) {
            visitor.open(path);
            assertThat(leftBehind(page)).as(path).isEmpty();
            assertThat(page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                    .as("nothing sticks out to the side of " + path)
                    .isEqualTo(true);
        }
    }

    @Test
    void nor_on_the_way_of_a_visit(Visitor visitor) {
        Page page = visitor.inThePseudoLanguage(1280, 800, "imogen");
        visitor.open("/clients/1");
        page.click("form[action$='/visit'] button");
        page.waitForURL("**/ask");
        assertThat(leftBehind(page)).as("ask").isEmpty();
        page.click("main a.btn-primary, main button.btn-primary");
        page.waitForURL("**/check**");
        for (String posture : List.of("LYING", "SIDE_VIEW", "MOVING", "HANDS_KNEES")) {
            page.navigate(page.url().replaceAll("\\?.*", "") + "?posture=" + posture);
            assertThat(leftBehind(page)).as(posture).isEmpty();
        }
        page.navigate(page.url().replaceAll("/check.*", "/plan"));
        assertThat(leftBehind(page)).as("plan").isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/clients/new", "/clients/1/home-log", "/clients/1/progress"})
    void longer_words_do_not_break_a_phone(String path, Visitor visitor) {
        Page page = visitor.inThePseudoLanguage(390, 844, "imogen");
        visitor.open(path);
        assertThat(page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .as("nothing sticks out to the side")
                .isEqualTo(true);
    }

    @SuppressWarnings("unchecked")
    private Set<String> leftBehind(Page page) {
        Set<String> left = new TreeSet<>();
        List<String> data = data();
        for (String text : (List<String>) page.evaluate(TEXTS)) {
            String rest = text;
            String before;
            do {
                before = rest;
                rest = INNERMOST.matcher(rest).replaceAll(" ");
            } while (!rest.equals(before));
            for (String known : data) {
                rest = rest.replace(known, " ");
            }
            if (WORD.matcher(NO_WORDS.matcher(rest).replaceAll(" ")).find()) {
                left.add(text);
            }
        }
        return left;
    }
}

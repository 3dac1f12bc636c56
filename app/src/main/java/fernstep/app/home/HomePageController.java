package fernstep.app.home;

import fernstep.app.bodychart.BodyChart;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.app.support.LanguageConfig;
import fernstep.app.support.Languages;
import fernstep.app.support.NotFound;
import fernstep.app.support.Receipt;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.findings.SignCode;
import fernstep.core.progress.HomeAdvice;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import tools.jackson.databind.json.JsonMapper;

/**
 * A client's own page, without an account: whoever holds the link and knows the PIN. Whose it is comes from the link alone;
 * no request names a client.
 */
@Controller
@Work(Work.Kind.NONE)
class HomePageController {
    static final String PASS = "fern-home";
    private static final Duration PASS_LASTS = Duration.ofDays(30);
    private static final int MOST_PAIN = 10;
    private static final JsonMapper JSON = JsonMapper.shared();

    private final HomeLinks links;
    private final HomeDays days;
    private final HomeEntries entries;
    private final Contacts contacts;
    private final BodyChart bodyChart;
    private final Words words;
    private final Clock clock;

    HomePageController(
            HomeLinks links,
            HomeDays days,
            HomeEntries entries,
            Contacts contacts,
            BodyChart bodyChart,
            Words words,
            Clock clock) {
        this.clock = clock;
        this.links = links;
        this.days = days;
        this.entries = entries;
        this.contacts = contacts;
        this.bodyChart = bodyChart;
        this.words = words;
    }

    @GetMapping("/home/{token}")
    String page(
            @PathVariable String token,
            @CookieValue(name = PASS, required = false) @Nullable String pass,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setHeader("X-Robots-Tag", "noindex");
        model.addAttribute("token", token);
        model.addAttribute("languages", Languages.FOR_CLIENTS);
        Optional<HomeLink> link = links.find(token);
        if (link.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "home/gone";
        }
        LanguageConfig.speak(request, contacts.of(link.get().clientId()).locale());
        if (links.expired(link.get()) || link.get().locked()) {
            response.setStatus(HttpStatus.GONE.value());
            model.addAttribute("lockedUp", link.get().locked());
            return "home/gone";
        }
        if (!links.opens(link.get(), pass)) {
            return "home/pin";
        }
        HomeDay day = days.of(link.get().clientId());
        model.addAttribute("d", day);
        model.addAttribute("read", clock.millis());
        model.addAttribute("leaveOut", JSON.writeValueAsString(day.leaveOut()));
        model.addAttribute(
                "signs",
                HomeAdvice.NOTICED.stream()
                        .filter(code -> code != SignCode.PAIN && code != SignCode.LEAK)
                        .toList());
        model.addAttribute("advice", advice());
        model.addAttribute("bodyChart", bodyChart);
        model.addAttribute(
                "painAdvice",
                IntStream.rangeClosed(1, MOST_PAIN)
                        .boxed()
                        .collect(Collectors.toMap(number -> number, HomeAdvice::toPain)));
        response.setHeader("X-Fern-Home", "open");
        return "home/page";
    }

    private static Map<SignCode, HomeAdvice> advice() {
        return HomeAdvice.NOTICED.stream()
                .filter(code -> code != SignCode.PAIN)
                .collect(Collectors.toMap(code -> code, HomeAdvice::to));
    }

    @PostMapping("/home/{token}/pin")
    String pin(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String pin,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Optional<HomeLink> link = links.find(token);
        if (link.isEmpty() || links.expired(link.get())) {
            return page(token, null, request, response, model);
        }
        LanguageConfig.speak(request, contacts.of(link.get().clientId()).locale());
        HomeLinks.Tried tried = links.tryPin(link.get(), pin);
        if (tried instanceof HomeLinks.Tried.Opened opened) {
            response.addHeader(HttpHeaders.SET_COOKIE, cookie(token, opened.pass(), PASS_LASTS, request.isSecure()));
            return "redirect:/home/" + token;
        }
        if (tried instanceof HomeLinks.Tried.Wrong wrong) {
            model.addAttribute("pinProblem", words.text("her.pinWrong", wrong.left()));
        } else if (tried instanceof HomeLinks.Tried.Wait wait) {
            model.addAttribute("pinProblem", words.text("her.pinWait", wait.seconds()));
        }
        return page(token, null, request, response, model);
    }

    private static String cookie(String token, String value, Duration lasts, boolean secure) {
        return ResponseCookie.from(PASS, value)
                .path("/home/" + token)
                .httpOnly(true)
                .secure(secure)
                .sameSite("Strict")
                .maxAge(lasts)
                .build()
                .toString();
    }

    /** One entry; sent again it is the same one. Put down, it gets its receipt, and nothing else makes her phone forget it. */
    @PostMapping("/home/{token}/entries")
    @ResponseBody
    ResponseEntity<Object> entry(
            @PathVariable String token,
            @CookieValue(name = PASS, required = false) @Nullable String pass,
            @RequestBody(required = false) @Nullable String body) {
        Optional<HomeLink> link = links.find(token);
        if (link.isEmpty() || links.expired(link.get()) || link.get().locked()) {
            return refused(link.isEmpty() ? HttpStatus.NOT_FOUND : HttpStatus.GONE, "GONE", "");
        }
        if (!links.opens(link.get(), pass)) {
            return refused(HttpStatus.UNAUTHORIZED, "PIN", "");
        }
        String sent = body == null ? "" : body;
        Optional<HomeTold> told = Receipt.read(sent, HomeTold.class);
        if (told.isEmpty()) {
            return refused(HttpStatus.BAD_REQUEST, "MALFORMED", "an entry is needed");
        }
        try {
            entries.take(link.get(), told.get());
            return ResponseEntity.ok(
                    new Taken(Receipt.of(String.valueOf(told.get().id()), sent), clock.millis()));
        } catch (HomeEntries.IdInUse e) {
            return refused(HttpStatus.CONFLICT, "ID", "");
        } catch (IllegalArgumentException e) {
            return refused(HttpStatus.BAD_REQUEST, "MALFORMED", String.valueOf(e.getMessage()));
        }
    }

    /**
     * What she told has been put down.
     *
     * @param at when, in milliseconds since 1970, by our clock
     */
    record Taken(Receipt receipt, long at) {}

    private static ResponseEntity<Object> refused(HttpStatus status, String code, String message) {
        return ResponseEntity.status(status).body(Map.of("refused", code, "message", message));
    }

    /** Her language from now on, on this page, the handout and in mail. */
    @PostMapping("/home/{token}/language")
    String language(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String language,
            @CookieValue(name = PASS, required = false) @Nullable String pass) {
        boolean known = Languages.forClients(language);
        HomeLink link = one(token);
        if (known && links.opens(link, pass)) {
            Contact now = contacts.of(link.clientId());
            contacts.put(new Contact(now.clientId(), language, now.units(), now.email(), now.messagesOff()));
        }
        return "redirect:/home/" + token;
    }

    /** She wants no more mail, or wants it again. */
    @PostMapping("/home/{token}/mail")
    String mail(
            @PathVariable String token,
            @RequestParam(defaultValue = "true") boolean off,
            @CookieValue(name = PASS, required = false) @Nullable String pass) {
        HomeLink link = one(token);
        if (links.opens(link, pass)) {
            contacts.mail(link.clientId(), off);
        }
        return "redirect:/home/" + token;
    }

    /** This phone asks for the PIN again. */
    @PostMapping("/home/{token}/leave")
    String leave(
            @PathVariable String token,
            @CookieValue(name = PASS, required = false) @Nullable String pass,
            HttpServletRequest request,
            HttpServletResponse response) {
        one(token);
        if (pass != null) {
            links.leave(pass);
        }
        response.addHeader(HttpHeaders.SET_COOKIE, cookie(token, "", Duration.ZERO, request.isSecure()));
        return "redirect:/home/" + token;
    }

    private HomeLink one(String token) {
        return links.find(token).orElseThrow(() -> new NotFound("no such page"));
    }
}

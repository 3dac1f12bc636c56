package fernstep.app.security;

import fernstep.app.support.Audit;
import fernstep.app.support.LanguageConfig;
import fernstep.app.support.Languages;
import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Everybody's own password and second factor. */
@Controller
class MyAccountController {
    private static final Duration LANGUAGE_KEPT_FOR = Duration.ofDays(365);
    private final StaffMapper staff;
    private final Passwords passwords;
    private final SecondFactor secondFactor;
    private final Audit audit;
    private final Languages languages;
    private final Words words;

    MyAccountController(
            StaffMapper staff,
            Passwords passwords,
            SecondFactor secondFactor,
            Audit audit,
            Languages languages,
            Words words) {
        this.languages = languages;
        this.staff = staff;
        this.passwords = passwords;
        this.secondFactor = secondFactor;
        this.audit = audit;
        this.words = words;
    }

    @GetMapping("/me")
    String page(
            @AuthenticationPrincipal SignedIn me,
            @CookieValue(name = LanguageConfig.CHOSEN, required = false) @Nullable String chosenLanguage,
            Model model) {
        Staff mine = staff.byId(me.staffId()).orElseThrow();
        model.addAttribute("secondFactor", mine.totpSecret() != null);
        model.addAttribute("passwordLength", passwords.length());
        model.addAttribute("languages", languages.offered());
        model.addAttribute("chosenLanguage", chosenLanguage == null ? "" : chosenLanguage);
        if (mine.totpSecret() == null && !model.containsAttribute("secret")) {
            secret(me, SecondFactor.newSecret(), model);
        }
        return "security/me";
    }

    private static void secret(SignedIn me, String secret, Model model) {
        model.addAttribute("secret", secret);
        model.addAttribute("secretLink", SecondFactor.link(me.getUsername(), secret));
    }

    @PostMapping("/me/password")
    String password(
            @RequestParam(defaultValue = "") String now,
            @RequestParam(defaultValue = "") String wanted,
            @CookieValue(name = LanguageConfig.CHOSEN, required = false) @Nullable String chosenLanguage,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        Staff mine = staff.byId(me.staffId()).orElseThrow();
        Reason problem = passwords.matches(now, mine.passwordHash())
                ? passwords.problem(wanted, mine.username())
                : Reason.of("password.notYours");
        if (problem != null) {
            model.addAttribute("passwordProblem", words.of(problem));
            return page(me, chosenLanguage, model);
        }
        staff.putPassword(me.staffId(), passwords.hash(wanted));
        staff.endSessions(mine.username());
        audit.record(me.staffId(), null, "PASSWORD_CHANGED", mine.username());
        return "redirect:/sign-in?changed";
    }

    /** On only when a code shows that the secret is in her phone; off only with her password. */
    @PostMapping("/me/second-factor")
    String secondFactor(
            @RequestParam boolean on,
            @RequestParam(defaultValue = "") String secret,
            @RequestParam(defaultValue = "") String code,
            @RequestParam(defaultValue = "") String now,
            @CookieValue(name = LanguageConfig.CHOSEN, required = false) @Nullable String chosenLanguage,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        Staff mine = staff.byId(me.staffId()).orElseThrow();
        if (!passwords.matches(now, mine.passwordHash())) {
            model.addAttribute("factorProblem", words.text("password.notYours"));
        } else if (!on) {
            secondFactor.turnOff(me.staffId());
            audit.record(me.staffId(), null, "SECOND_FACTOR_OFF", mine.username());
        } else if (secret.matches("[A-Z2-7]{32}") && secondFactor.shows(secret, code.strip())) {
            model.addAttribute("recoveryCodes", secondFactor.turnOn(me.staffId(), secret));
            audit.record(me.staffId(), null, "SECOND_FACTOR_ON", mine.username());
        } else {
            model.addAttribute("factorProblem", words.text("told.theCodeDoesNotFit"));
        }
        if (on && secret.matches("[A-Z2-7]{32}")) {
            secret(me, secret, model);
        }
        return page(me, chosenLanguage, model);
    }

    /** For a year on this browser; empty for what the browser asks. */
    @PostMapping("/me/language")
    String language(@RequestParam(defaultValue = "") String language, HttpServletResponse response) {
        boolean known = languages.offered().stream()
                .anyMatch(offered -> offered.toLanguageTag().equals(language));
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(LanguageConfig.CHOSEN, known ? language : "")
                        .path("/")
                        .httpOnly(true)
                        .sameSite("Lax")
                        .maxAge(known ? LANGUAGE_KEPT_FOR : Duration.ZERO)
                        .build()
                        .toString());
        return "redirect:/me#language";
    }
}

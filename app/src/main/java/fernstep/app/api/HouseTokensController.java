package fernstep.app.api;

import fernstep.app.security.SignedIn;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Which programs may read, what and until when: a lead's act. The secret is shown once. */
@Controller
class HouseTokensController {
    private static final int LONGEST_NAME = 80;
    private static final List<Integer> DAYS = List.of(30, 90, 365);

    private final HouseTokens tokens;
    private final Words words;
    private final Today today;

    HouseTokensController(HouseTokens tokens, Words words, Today today) {
        this.tokens = tokens;
        this.words = words;
        this.today = today;
    }

    @GetMapping("/house/tokens")
    String page(@AuthenticationPrincipal SignedIn me, Model model) {
        leadOnly(me);
        model.addAttribute("tokens", tokens.all());
        model.addAttribute("scopes", Scope.values());
        model.addAttribute("days", DAYS);
        model.addAttribute("formId", UUID.randomUUID().toString());
        model.addAttribute("today", today.date());
        return "api/tokens";
    }

    @PostMapping("/house/tokens")
    String make(
            @RequestParam(defaultValue = "") String formId,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") List<String> scopes,
            @RequestParam(defaultValue = "0") int days,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        leadOnly(me);
        FormProblems problems = new FormProblems(words);
        String called = problems.needed("name", name, LONGEST_NAME);
        Set<Scope> chosen = EnumSet.noneOf(Scope.class);
        for (Scope scope : Scope.values()) {
            if (scopes.contains(scope.name())) {
                chosen.add(scope);
            }
        }
        if (chosen.isEmpty()) {
            problems.add("scopes", Reason.of("told.atLeastOneScope"));
        }
        if (!DAYS.contains(days)) {
            problems.add("days", Reason.of("told.howLongATokenLives"));
        }
        if (!formId.matches("[0-9a-f-]{36}") || problems.any()) {
            flash.addFlashAttribute("problems", problems.byField());
            flash.addFlashAttribute("typedName", name);
            flash.addFlashAttribute("typedScopes", chosen);
        } else {
            flash.addFlashAttribute(
                    "secret", tokens.make(formId, called, chosen, today.date().plusDays(days), me.staffId()));
        }
        return "redirect:/house/tokens";
    }

    @PostMapping("/house/tokens/{token}/revoke")
    String revoke(@PathVariable long token, @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        tokens.revoke(token, me.staffId());
        return "redirect:/house/tokens";
    }

    private static void leadOnly(SignedIn me) {
        if (!me.isLead()) {
            throw new AccessDeniedException("leads only");
        }
    }
}

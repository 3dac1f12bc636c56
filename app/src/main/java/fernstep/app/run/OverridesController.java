package fernstep.app.run;

import fernstep.app.security.SignedIn;
import fernstep.app.support.Today;
import fernstep.app.support.Work;
import java.time.LocalDate;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** Where the practice chooses otherwise than a rule: for its leads, to talk about. */
@Controller
@Work(Work.Kind.NONE)
class OverridesController {
    private static final int LOOKED_BACK_DAYS = 90;

    private final OverriddenRules rules;
    private final Today today;

    OverridesController(OverriddenRules rules, Today today) {
        this.rules = rules;
        this.today = today;
    }

    @GetMapping("/house/overrides")
    String overrides(@AuthenticationPrincipal SignedIn me, Model model) {
        if (!me.isLead()) {
            throw new AccessDeniedException("what a practice overrides is a lead's affair");
        }
        LocalDate since = today.date().minusDays(LOOKED_BACK_DAYS);
        model.addAttribute("since", since);
        model.addAttribute("rules", rules.byRule(since));
        model.addAttribute("instead", rules.instead(since));
        return "house/overrides";
    }
}

package fernstep.app.ask;

import fernstep.app.security.SignedIn;
import fernstep.app.support.Words;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What was done about something that came from home. */
@Controller
class FromHomeController {
    private static final int LONGEST = 300;

    private final FromHome fromHome;
    private final Words words;

    FromHomeController(FromHome fromHome, Words words) {
        this.fromHome = fromHome;
        this.words = words;
    }

    @PostMapping("/clients/{id}/from-home/{flag}")
    String attended(
            @PathVariable long id,
            @PathVariable long flag,
            @RequestParam(defaultValue = "") String how,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        String done = how.strip();
        if (done.isEmpty()) {
            redirect.addFlashAttribute("flagProblem", flag);
            redirect.addFlashAttribute("flagMessage", words.text("told.pleaseSayWhatWasDone"));
        } else {
            fromHome.attend(
                    id, flag, me.isTherapist(), me.staffId(), done.substring(0, Math.min(LONGEST, done.length())));
        }
        return "redirect:/clients/" + id + "#from-home";
    }
}

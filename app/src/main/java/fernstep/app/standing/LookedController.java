package fernstep.app.standing;

import fernstep.app.security.SignedIn;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.client.Licence;
import fernstep.core.standing.Lift;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Somebody has spoken with her, seen her, or takes a report back. */
@Controller
@Work(Work.Kind.NONE)
class LookedController {
    private final Standings standings;
    private final Words words;

    LookedController(Standings standings, Words words) {
        this.standings = standings;
        this.words = words;
    }

    /** @param found what was found; needed */
    @PostMapping("/clients/{id}/reports/{report}")
    String looked(
            @PathVariable long id,
            @PathVariable long report,
            @RequestParam Lift.Kind kind,
            @RequestParam Lift.May may,
            @RequestParam(defaultValue = "") String found,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        String words = found.strip();
        if (words.isEmpty()) {
            flash.addFlashAttribute("reportProblem", report);
            flash.addFlashAttribute("reportMessage", this.words.text("told.pleaseSayWhatWasFound"));
        } else {
            Licence licence = me.isTherapist() ? Licence.THERAPIST : Licence.COACH;
            standings.lift(id, report, kind, may, new Standings.By(me.staffId(), licence), words);
        }
        return "redirect:/clients/" + id + "#from-home";
    }
}

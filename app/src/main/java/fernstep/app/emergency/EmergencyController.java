package fernstep.app.emergency;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.support.Work;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The referral sheet: one press from a visit, a session and the client's page. */
@Controller
@Work(Work.Kind.NONE)
class EmergencyController {
    private final EmergencySheets sheets;
    private final Visits visits;

    EmergencyController(EmergencySheets sheets, Visits visits) {
        this.sheets = sheets;
        this.visits = visits;
    }

    @GetMapping("/clients/{id}/referral")
    String ofClient(@PathVariable long id, Model model) {
        return page(id, visits.today(id).map(Visit::id).orElse(null), model);
    }

    @GetMapping("/visits/{id}/referral")
    String ofVisit(@PathVariable long id, Model model) {
        return page(visits.byId(id).client().id(), id, model);
    }

    private String page(long clientId, @Nullable Long visitId, Model model) {
        EmergencySheet sheet = sheets.of(clientId);
        model.addAttribute("s", sheet);
        model.addAttribute("client", sheet.client());
        model.addAttribute("visitId", visitId);
        return "emergency/sheet";
    }
}

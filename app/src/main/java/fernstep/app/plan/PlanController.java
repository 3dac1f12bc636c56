package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The plan of a visit. */
@Controller
class PlanController {
    private final Visits visits;
    private final Plans plans;

    PlanController(Visits visits, Plans plans) {
        this.visits = visits;
        this.plans = plans;
    }

    @GetMapping("/visits/{id}/plan")
    String plan(@PathVariable long id, Model model) {
        Visit visit = visits.byId(id);
        model.addAttribute("visit", visit);
        model.addAttribute("client", visit.client());
        model.addAttribute("plan", plans.plan(visit));
        model.addAttribute("newSessionId", UUID.randomUUID().toString());
        return "plan/plan";
    }
}

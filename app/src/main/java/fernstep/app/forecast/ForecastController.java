package fernstep.app.forecast;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Approaches;
import fernstep.app.plan.Plans;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.forecast.Forecast;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanDifference;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Forecasts: of one client, and of two approaches side by side. */
@Controller
@Work(Work.Kind.PRESCRIBES)
class ForecastController {
    private final Clients clients;
    private final Visits visits;
    private final Plans plans;
    private final Approaches approaches;
    private final Forecasts forecasts;
    private final Words words;

    ForecastController(
            Clients clients, Visits visits, Plans plans, Approaches approaches, Forecasts forecasts, Words words) {
        this.clients = clients;
        this.visits = visits;
        this.plans = plans;
        this.approaches = approaches;
        this.forecasts = forecasts;
        this.words = words;
    }

    /** A part of the progress page, asked for when that stands: a thousand runs take a moment. */
    @GetMapping("/clients/{id}/forecast")
    String forecast(
            @PathVariable long id,
            @RequestParam(required = false) @Nullable Set<Forecast.Change> otherwise,
            Model model) {
        ClientFile client = clients.file(id);
        Set<Forecast.Change> on = otherwise == null ? Set.of() : otherwise;
        Forecasts.Outlook outlook = forecasts.of(client, on);
        model.addAttribute("on", on);
        model.addAttribute(
                "changes",
                Arrays.stream(Forecast.Change.values())
                        .filter(change -> Forecast.possible(change, outlook.question()))
                        .toList());
        model.addAttribute("client", client);
        model.addAttribute("outlook", outlook);
        model.addAttribute(
                "route", RouteDrawing.of(outlook.question(), outlook.forecast(), outlook.inTraining(), words));
        return "forecast/route :: route";
    }

    /** One column of the comparison. */
    record Column(String name, Stances stances, Plan plan, Forecasts.Outlook outlook) {}

    @GetMapping("/visits/{id}/plan/compare")
    String compare(@PathVariable long id, @RequestParam(defaultValue = "GRADED_LOAD") String with, Model model) {
        Visit visit = visits.unlocked(id);
        Plans.Desk desk = plans.desk(visit);
        Stances hers = visit.client().stances();
        Stances others = approaches.stances(with);
        String own = visit.client().houseApproach();
        String name = own == null ? words.code(visit.client().row().approach()) : own;
        model.addAttribute("visit", visit);
        model.addAttribute("client", visit.client());
        model.addAttribute("with", with);
        model.addAttribute("approaches", Approach.values());
        model.addAttribute("houseApproaches", approaches.all());
        model.addAttribute("differences", StanceChange.between(hers, others));
        Column ours = column(name, desk, visit, hers);
        Column theirs = column(name(with), desk, visit, others);
        model.addAttribute("columns", List.of(ours, theirs));
        model.addAttribute("inWords", PlanDifference.of(ours.name(), ours.plan(), theirs.name(), theirs.plan()));
        return "forecast/compare";
    }

    private String name(String code) {
        return approaches.all().stream()
                .filter(approach -> approach.code().equals(code))
                .map(approach -> approach.name())
                .findFirst()
                .orElseGet(() -> words.code(Approach.valueOf(code)));
    }

    private Column column(String name, Plans.Desk desk, Visit visit, Stances stances) {
        Plan.Question q =
                desk.question().by(stances, visits.screenedBy(visit, stances)).with(List.of());
        Plan plan = Plan.of(q);
        return new Column(name, stances, plan, forecasts.by(desk, q, plan));
    }
}

package fernstep.app.overview;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.progress.FrondDrawing;
import fernstep.app.progress.Ladders;
import fernstep.app.run.SessionRecords;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.screening.Screening;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The client's page. */
@Controller
class OverviewController {
    private static final int SESSIONS_SHOWN = 6;

    private final Clients clients;
    private final Visits visits;
    private final Ladders ladders;
    private final SessionRecords sessions;
    private final Words words;
    private final Today today;

    OverviewController(
            Clients clients, Visits visits, Ladders ladders, SessionRecords sessions, Words words, Today today) {
        this.sessions = sessions;
        this.clients = clients;
        this.visits = visits;
        this.ladders = ladders;
        this.words = words;
        this.today = today;
    }

    @GetMapping("/clients/{id}")
    String client(@PathVariable long id, Model model) {
        ClientFile client = clients.file(id);
        Visit visit = visits.today(id).orElse(null);
        Screening screening = visit == null ? visits.screeningToday(client) : visit.screening();
        Ladders.Overview overview = ladders.overview(client, screening);
        model.addAttribute("client", client);
        model.addAttribute("visit", visit);
        model.addAttribute("screening", screening);
        model.addAttribute("stageLine", StageLine.of(screening, client.facts(), today.date()));
        model.addAttribute(
                "fronds",
                overview.fronds().stream().map(f -> FrondDrawing.of(f, words)).toList());
        model.addAttribute("standings", overview.standings());
        model.addAttribute("latest", overview.latest());
        model.addAttribute("lifts", clients.lifts(id));
        model.addAttribute("birthModes", BirthMode.values());
        model.addAttribute("scopes", Clearance.Scope.values());
        model.addAttribute("sessions", sessions.latest(id, SESSIONS_SHOWN));
        model.addAttribute("today", today.date());
        return "overview/client";
    }
}

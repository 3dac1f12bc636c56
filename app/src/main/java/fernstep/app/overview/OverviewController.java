package fernstep.app.overview;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Prescriptions;
import fernstep.app.progress.FrondDrawing;
import fernstep.app.progress.Ladders;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Standing;
import fernstep.app.run.SessionRecords;
import fernstep.app.standing.Standings;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.plan.PlanItem;
import fernstep.core.progress.Frond;
import fernstep.core.schedule.Prescription;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The client's page. */
@Controller
@Work(Work.Kind.NONE)
class OverviewController {
    private static final int SESSIONS_SHOWN = 3;
    private static final int HOME_LOOKS_BACK_DAYS = 14;
    private static final int HOME_SHOWN = 3;

    private final Clients clients;
    private final Visits visits;
    private final Ladders ladders;
    private final Prescriptions prescriptions;
    private final SessionRecords sessions;
    private final Standings standings;
    private final Words words;
    private final Today today;

    OverviewController(
            Clients clients,
            Visits visits,
            Ladders ladders,
            Prescriptions prescriptions,
            SessionRecords sessions,
            Standings standings,
            Words words,
            Today today) {
        this.prescriptions = prescriptions;
        this.standings = standings;
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
        List<Standing> moves =
                overview.standings().stream().filter(Standing::canMove).toList();
        NextAction next = NextAction.of(
                visit, screening, moves.size(), !overview.standings().isEmpty(), today.date());
        model.addAttribute("next", next);
        model.addAttribute(
                "moves", next.kind().closed() || !standings.of(id).mayTrain().opensSession() ? List.of() : moves);
        model.addAttribute("todays", todays(client, visit, next));
        model.addAttribute("fromHome", fromHome(overview));
        model.addAttribute("reports", ReportView.open(standings, id));
        for (Frond.Standing standing : Frond.Standing.values()) {
            model.addAttribute(
                    "fronds" + standing,
                    overview.fronds().stream()
                            .filter(frond -> frond.standing() == standing)
                            .map(frond -> FrondDrawing.of(frond, words))
                            .toList());
        }
        model.addAttribute("latest", overview.latest());
        model.addAttribute("lifts", clients.lifts(id));
        model.addAttribute("birthModes", BirthMode.values());
        model.addAttribute("scopes", Clearance.Scope.values());
        model.addAttribute("sessions", sessions.latest(id, SESSIONS_SHOWN));
        model.addAttribute("today", today.date());
        return "overview/client";
    }

    /**
     * Today's session in one line.
     *
     * @param day "A" or "B"; empty where there is one only
     */
    public record Todays(String day, int minutes, String names) {}

    private @Nullable Todays todays(ClientFile client, @Nullable Visit visit, NextAction next) {
        if (next.kind() != NextAction.Kind.GO_ON || visit == null) {
            return null;
        }
        Prescription prescription = prescriptions.of(client);
        List<PlanItem> items = prescription.session(today.date(), null);
        if (items.isEmpty()) {
            return null;
        }
        String day = Objects.requireNonNullElse(prescription.name(today.date()), "");
        int seconds = items.stream().mapToInt(PlanItem::seconds).sum();
        String names =
                items.stream().map(item -> words.name(item.rung())).distinct().collect(Collectors.joining(" · "));
        return new Todays(day, Math.max(1, Math.round(seconds / 60f)), names);
    }

    /** What she told the morning after, newest first, of the last fortnight. */
    private List<ResultRow> fromHome(Ladders.Overview overview) {
        LocalDate since = today.date().minusDays(HOME_LOOKS_BACK_DAYS);
        return overview.log().results().stream()
                .filter(row -> row.nextDay() != null
                        && !row.nextDay().isBlank()
                        && !row.heldOn().isBefore(since))
                .sorted(Comparator.comparing(ResultRow::heldOn).reversed())
                .limit(HOME_SHOWN)
                .toList();
    }
}

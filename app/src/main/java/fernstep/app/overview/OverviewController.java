package fernstep.app.overview;

import fernstep.app.ask.FromHome;
import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Plans;
import fernstep.app.progress.FrondDrawing;
import fernstep.app.progress.Ladders;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Standing;
import fernstep.app.run.SessionRecords;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.progress.Frond;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The client's page. */
@Controller
class OverviewController {
    private static final int SESSIONS_SHOWN = 3;
    private static final int HOME_LOOKS_BACK_DAYS = 14;
    private static final int HOME_SHOWN = 3;

    private final Clients clients;
    private final Visits visits;
    private final Ladders ladders;
    private final Plans plans;
    private final SessionRecords sessions;
    private final FromHome flags;
    private final Words words;
    private final Today today;

    OverviewController(
            Clients clients,
            Visits visits,
            Ladders ladders,
            Plans plans,
            SessionRecords sessions,
            FromHome flags,
            Words words,
            Today today) {
        this.plans = plans;
        this.flags = flags;
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
        model.addAttribute("moves", next.kind().closed() ? List.of() : moves);
        model.addAttribute("todays", todays(client, visit, next));
        model.addAttribute("fromHome", fromHome(overview));
        model.addAttribute("flags", flags.open(id));
        for (Frond.Standing standing : Frond.Standing.values()) {
            model.addAttribute(
                    "fronds" + standing,
                    overview.fronds().stream()
                            .filter(f -> f.standing() == standing)
                            .map(f -> FrondDrawing.of(f, words))
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
        Plan plan = plans.plan(visit);
        List<PlanItem> items = plans.session(client, plan, today.date(), null);
        if (items.isEmpty()) {
            return null;
        }
        String day = plan.days().size() < 2
                ? ""
                : plan.days().stream()
                        .filter(d -> d.items().equals(items))
                        .map(d -> d.name())
                        .findFirst()
                        .orElse("");
        int seconds = items.stream().mapToInt(PlanItem::seconds).sum();
        String names = items.stream().map(i -> i.rung().name()).distinct().collect(Collectors.joining(" · "));
        return new Todays(day, Math.max(1, Math.round(seconds / 60f)), names);
    }

    /** What she told the morning after, newest first, of the last fortnight. */
    private List<ResultRow> fromHome(Ladders.Overview overview) {
        LocalDate since = today.date().minusDays(HOME_LOOKS_BACK_DAYS);
        return overview.log().results().stream()
                .filter(r -> r.nextDay() != null
                        && !r.nextDay().isBlank()
                        && !r.heldOn().isBefore(since))
                .sorted(Comparator.comparing(ResultRow::heldOn).reversed())
                .limit(HOME_SHOWN)
                .toList();
    }
}

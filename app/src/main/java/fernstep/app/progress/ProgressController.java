package fernstep.app.progress;

import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.rungs.Catalogues;
import fernstep.app.security.SignedIn;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Progress;
import fernstep.core.progress.TrainingWeeks;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What the log says, and the practitioner's word on each move. */
@Controller
@Work(Work.Kind.NONE)
class ProgressController {
    private static final int REASON_LENGTH = 300;

    private final Clients clients;
    private final Visits visits;
    private final Ladders ladders;
    private final LadderMoves moves;
    private final LadderMapper mapper;
    private final Catalogues catalogues;
    private final Words words;
    private final Today today;

    ProgressController(
            Clients clients,
            Visits visits,
            Ladders ladders,
            LadderMoves moves,
            LadderMapper mapper,
            Catalogues catalogues,
            Words words,
            Today today) {
        this.clients = clients;
        this.visits = visits;
        this.ladders = ladders;
        this.moves = moves;
        this.mapper = mapper;
        this.catalogues = catalogues;
        this.words = words;
        this.today = today;
    }

    @GetMapping("/clients/{id}/progress")
    String progress(@PathVariable long id, Model model) {
        ClientFile client = clients.file(id);
        Ladders.Overview overview = ladders.overview(client, visits.screeningToday(client));
        List<LadderRow> path = mapper.path(id);
        Map<Long, StrandStrip> strips = new HashMap<>();
        for (Standing s : overview.standings()) {
            strips.put(
                    s.step().id(),
                    StrandStrip.of(
                            s.step().strand(),
                            s.step().sideOrNull(),
                            path,
                            overview.log().results(),
                            catalogues.get(),
                            client.stances().dose(),
                            today.date(),
                            words));
        }
        model.addAttribute("client", client);
        model.addAttribute("standings", overview.standings());
        model.addAttribute(
                "waiting",
                overview.standings().stream()
                        .filter(standing -> standing.progress().change() == Progress.Change.READY_WAITING)
                        .toList());
        model.addAttribute("strips", strips);
        model.addAttribute(
                "fronds",
                overview.fronds().stream()
                        .filter(frond -> overview.standings().stream()
                                .anyMatch(standing -> standing.step().strand()
                                        == frond.strand().code()))
                        .map(frond -> FrondDrawing.of(frond, words))
                        .toList());
        model.addAttribute("curves", CapacityCurve.of(overview.log().heldClean(), today.date()));
        List<TrainingWeeks.Week> weeks =
                new ArrayList<>(ladders.weeks(client, overview.log().results()));
        Collections.reverse(weeks);
        model.addAttribute("weeks", weeks);
        model.addAttribute(
                "cleanWeeks", weeks.stream().filter(TrainingWeeks.Week::clean).count());
        model.addAttribute("goals", Goal.values());
        model.addAttribute("weekdays", DayOfWeek.values());
        model.addAttribute("today", today.date());
        return "progress/progress";
    }

    @Work(Work.Kind.BEGINS)
    @PostMapping("/clients/{id}/progress/{stepId}")
    String confirm(
            @PathVariable long id,
            @PathVariable long stepId,
            @RequestParam(defaultValue = "false") boolean fromHerPage,
            @AuthenticationPrincipal SignedIn me) {
        moves.confirm(stepId, me.staffId());
        return "redirect:/clients/" + id + (fromHerPage ? "#today" : "/progress#standings");
    }

    @PostMapping("/clients/{id}/progress/{stepId}/hold")
    String hold(
            @PathVariable long id,
            @PathVariable long stepId,
            @RequestParam String reason,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        FormProblems problems = new FormProblems(words);
        String why = problems.needed("reason", reason, REASON_LENGTH);
        if (problems.any()) {
            flash.addFlashAttribute("holdProblem", stepId);
            flash.addFlashAttribute("holdReason", reason);
        } else {
            moves.hold(stepId, why, me.staffId());
        }
        return "redirect:/clients/" + id + "/progress#step" + stepId;
    }

    @PostMapping("/clients/{id}/progress/{stepId}/lift")
    String lift(@PathVariable long id, @PathVariable long stepId, @AuthenticationPrincipal SignedIn me) {
        moves.lift(stepId, me.staffId());
        return "redirect:/clients/" + id + "/progress#step" + stepId;
    }

    /** What grows first, her goal, the days on which she cannot. */
    @PostMapping("/clients/{id}/wishes")
    String wishes(
            @PathVariable long id,
            @RequestParam Progress.GrowFirst growFirst,
            @RequestParam(required = false) @Nullable Set<DayOfWeek> blocked,
            @RequestParam(required = false) @Nullable String goal,
            @RequestParam(required = false) @Nullable String goalDate,
            @RequestParam(defaultValue = "progress") String back,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        FormProblems problems = new FormProblems(words);
        Goal wanted = problems.code("goal", goal, Goal.class);
        LocalDate by = problems.date("goalDate", goalDate);
        if (by != null && !by.isAfter(today.date())) {
            problems.add("goalDate", Reason.of("told.goalAhead", today.date().plusDays(1)));
        }
        Set<DayOfWeek> days = blocked == null ? EnumSet.noneOf(DayOfWeek.class) : blocked;
        if (days.size() == DayOfWeek.values().length) {
            problems.add("blocked", Reason.of("told.oneDayOfTheWeek"));
        }
        if (problems.any()) {
            flash.addFlashAttribute("wishProblems", problems.byField());
        } else {
            clients.trainBy(id, growFirst, days, wanted, by, me.staffId());
        }
        return "redirect:/clients/" + id + (back.equals("calendar") ? "/calendar" : "/progress");
    }
}

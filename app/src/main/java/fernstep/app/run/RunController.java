package fernstep.app.run;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.security.SignedIn;
import fernstep.core.decision.Move;
import fernstep.core.screening.Answer;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The mat-side runner. */
@Controller
class RunController {
    private static final String UUID_SHAPE = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";
    /** What a practitioner may choose instead of the advice, mildest first. */
    private static final List<Move> CHOICES =
            List.of(Move.CARRY_ON, Move.CUE, Move.END_SET, Move.STEP_BACK, Move.END_EXERCISE, Move.END_SESSION);

    private final Runner runner;
    private final RunView view;
    private final Visits visits;

    RunController(Runner runner, RunView view, Visits visits) {
        this.runner = runner;
        this.view = view;
        this.visits = visits;
    }

    @PostMapping("/visits/{id}/run")
    String start(
            @PathVariable long id,
            @RequestParam String sessionId,
            @RequestParam(required = false) @Nullable String day,
            @AuthenticationPrincipal SignedIn me) {
        if (!sessionId.matches(UUID_SHAPE)) {
            return "redirect:/visits/" + id + "/plan";
        }
        if (!visits.byId(id).asked()) {
            return "redirect:/visits/" + id + "/ask";
        }
        return "redirect:/sessions/" + runner.start(id, sessionId, day, me.staffId());
    }

    @GetMapping("/sessions/{sessionId}")
    String run(@PathVariable String sessionId, Model model) {
        SessionRow session = runner.session(sessionId);
        model.addAttribute("sessionRow", session);
        model.addAttribute("client", runner.client(session));
        model.addAttribute(
                "visitId", visits.today(session.clientId()).map(Visit::id).orElse(null));
        model.addAttribute("choices", CHOICES);
        model.addAttribute(
                "emergencies",
                Arrays.stream(Answer.values()).filter(Answer::emergency).toList());
        return "run/run";
    }

    @GetMapping("/sessions/{sessionId}/state")
    @ResponseBody
    RunState state(@PathVariable String sessionId) {
        SessionRow session = runner.session(sessionId);
        return view.state(sessionId, runner.client(session), runner.replay(sessionId));
    }

    @PostMapping("/sessions/{sessionId}/events")
    @ResponseBody
    ResponseEntity<Object> event(
            @PathVariable String sessionId, @RequestBody Report report, @AuthenticationPrincipal SignedIn me) {
        if (report.id() == null || !report.id().matches(UUID_SHAPE) || report.kind() == null) {
            return ResponseEntity.badRequest().body(Map.of("message", "An event needs an id and a kind."));
        }
        try {
            Runner.Taken taken = runner.take(sessionId, report, me.staffId());
            return ResponseEntity.ok(view.state(sessionId, taken.client(), taken.session()));
        } catch (IllegalArgumentException e) {
            return ResponseEntity.badRequest().body(Map.of("message", String.valueOf(e.getMessage())));
        }
    }
}

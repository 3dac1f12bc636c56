package fernstep.app.run;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.bodychart.BodyChart;
import fernstep.app.security.SignedIn;
import fernstep.app.standing.TrainingClosed;
import fernstep.app.support.Receipt;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignGroup;
import fernstep.core.measure.Reason;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.SessionTime;
import fernstep.core.screening.Answer;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SkipReason;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
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
@Work(Work.Kind.NONE)
class RunController {
    private static final String UUID_SHAPE = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";
    /** What a practitioner may choose instead of the advice, mildest first. */
    private static final List<Move> CHOICES = List.of(
            Move.CARRY_ON, Move.CUE, Move.EASE, Move.END_SET, Move.STEP_BACK, Move.END_EXERCISE, Move.END_SESSION);

    private static final List<String> OVERRIDE_REASONS = List.of(
            "run.because.judgement", "run.because.seenWrongly", "run.because.doneBefore", "run.because.clinician");

    /** A digit always means the same emergency, whoever is on the mat. */
    private static final Map<Answer, Integer> EMERGENCY_KEYS = emergencyKeys();

    private final Runner runner;
    private final RunAnswers answers;
    private final Why why;
    private final SessionRecords records;
    private final BodyChart bodyChart;
    private final Visits visits;
    private final UnfinishedSessions unfinished;
    private final Today today;
    private final Words words;

    RunController(
            Runner runner,
            RunAnswers answers,
            Why why,
            SessionRecords records,
            BodyChart bodyChart,
            Visits visits,
            UnfinishedSessions unfinished,
            Today today,
            Words words) {
        this.runner = runner;
        this.answers = answers;
        this.why = why;
        this.records = records;
        this.bodyChart = bodyChart;
        this.visits = visits;
        this.unfinished = unfinished;
        this.today = today;
        this.words = words;
    }

    private static Map<Answer, Integer> emergencyKeys() {
        Map<Answer, Integer> keys = new EnumMap<>(Answer.class);
        Arrays.stream(Answer.values()).filter(Answer::emergency).forEach(answer -> keys.put(answer, keys.size() + 1));
        return keys;
    }

    @Work(Work.Kind.BEGINS)
    @PostMapping("/visits/{id}/run")
    String start(
            @PathVariable long id,
            @RequestParam String sessionId,
            @RequestParam(required = false) @Nullable String day,
            @AuthenticationPrincipal SignedIn me) {
        if (!sessionId.matches(UUID_SHAPE)) {
            return "redirect:/visits/" + id + "/plan";
        }
        if (!visits.beginning(id).asked()) {
            return "redirect:/visits/" + id + "/ask";
        }
        return "redirect:/sessions/" + runner.start(id, sessionId, day, me.staffId());
    }

    /** The runner; once the session is over, its record. */
    @GetMapping("/sessions/{sessionId}")
    String run(@PathVariable String sessionId, Model model) {
        SessionRow row = runner.session(sessionId);
        unfinished.close(row);
        Runner.Held held = runner.held(sessionId);
        boolean over = held.session().ended() && !held.locked();
        if (over || row.heldOn().isBefore(today.date())) {
            return record(sessionId, model);
        }
        model.addAttribute("sessionRow", row);
        model.addAttribute("client", held.client());
        model.addAttribute(
                "visitId", visits.today(row.clientId()).map(Visit::id).orElse(null));
        model.addAttribute("choices", CHOICES);
        model.addAttribute("skips", SkipReason.values());
        model.addAttribute("reasons", OVERRIDE_REASONS.stream().map(words::text).toList());
        model.addAttribute("restS", SessionTime.REST_BETWEEN_SETS_S);
        model.addAttribute("painStopsAt", Seen.PAIN_STOPS_AT);
        model.addAttribute("bodyChart", bodyChart);
        model.addAttribute("groups", SignGroup.values());
        model.addAttribute("keys", SignKeys.byName());
        model.addAttribute("addable", addable(row, held));
        model.addAttribute(
                "emergencies",
                Arrays.stream(Answer.values())
                        .filter(Answer::emergency)
                        .filter(answer -> answer.mayApplyTo(held.client().facts()))
                        .toList());
        model.addAttribute("emergencyKeys", EMERGENCY_KEYS);
        return "run/run";
    }

    /** What was done and seen, also while an emergency keeps the session closed. */
    @GetMapping("/sessions/{sessionId}/record")
    String record(@PathVariable String sessionId, Model model) {
        Runner.Held held = runner.held(sessionId);
        model.addAttribute("sessionRow", held.row());
        model.addAttribute("client", held.client());
        model.addAttribute("record", records.of(held));
        model.addAttribute("locked", held.locked());
        model.addAttribute("newId", UUID.randomUUID().toString());
        return "run/record";
    }

    private List<PlanItem> addable(SessionRow row, Runner.Held held) {
        return runner.addable(row, held.client()).stream()
                .filter(item -> held.session().exercises().stream()
                        .noneMatch(exercise ->
                                exercise.plannedRung().equals(item.rung().code()) && exercise.side() == item.side()))
                .toList();
    }

    @PostMapping("/sessions/{sessionId}/note")
    String note(
            @PathVariable String sessionId,
            @RequestParam String eventId,
            @RequestParam String text,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        // Browsers count a line break once and send it as two.
        String note = text.replace("\r\n", "\n").strip();
        if (note.length() > SessionEvent.Noted.LONGEST) {
            model.addAttribute("noteTyped", note);
            return run(sessionId, model);
        }
        if (eventId.matches(UUID_SHAPE)) {
            runner.take(sessionId, Report.note(eventId, note), me.staffId());
        }
        return "redirect:/sessions/" + sessionId;
    }

    /** Takes back the end of the session, or the last thing that ended it. */
    @Work(Work.Kind.BEGINS)
    @PostMapping("/sessions/{sessionId}/reopen")
    String reopen(@PathVariable String sessionId, @RequestParam String eventId, @AuthenticationPrincipal SignedIn me) {
        SessionRow row = runner.session(sessionId);
        if (row.heldOn().isBefore(today.date())) {
            throw new TrainingClosed(row.clientId(), Reason.of("closed.pastSession", row.heldOn()));
        }
        if (eventId.matches(UUID_SHAPE) && runner.replay(sessionId).ended()) {
            runner.take(sessionId, Report.of(eventId, Kind.UNDO), me.staffId());
        }
        return "redirect:/sessions/" + sessionId;
    }

    /** Asked every other second: answered with nothing while nothing has happened. */
    @GetMapping("/sessions/{sessionId}/state")
    @ResponseBody
    ResponseEntity<RunState> state(
            @PathVariable String sessionId, @RequestParam(required = false) @Nullable String known) {
        if (known != null && known.equals(runner.version(sessionId))) {
            return ResponseEntity.noContent().build();
        }
        return ResponseEntity.ok(answers.state(runner.held(sessionId)));
    }

    @Work(Work.Kind.BEGINS)
    @GetMapping("/sessions/{sessionId}/answers")
    @ResponseBody
    RunAnswers.Answers answers(@PathVariable String sessionId, @RequestParam int at) {
        return answers.of(sessionId, at);
    }

    @GetMapping("/sessions/{sessionId}/why")
    @ResponseBody
    Why.Answer why(@PathVariable String sessionId, @RequestParam String event) {
        return why.of(sessionId, event);
    }

    /** What was told has been put down, and how the session stands by it. */
    record Taken(Receipt receipt, RunState state) {}

    @PostMapping("/sessions/{sessionId}/events")
    @ResponseBody
    ResponseEntity<Object> event(
            @PathVariable String sessionId,
            @RequestBody(required = false) @Nullable String body,
            @AuthenticationPrincipal SignedIn me) {
        String sent = body == null ? "" : body;
        Optional<Report> read = Receipt.read(sent, Report.class);
        if (read.isEmpty() || !read.get().complete() || !read.get().id().matches(UUID_SHAPE)) {
            return refused(400, "MALFORMED", words.text("refused.malformed"));
        }
        Report report = read.get();
        try {
            Runner.Held held = runner.take(sessionId, report, me.staffId());
            return ResponseEntity.ok(new Taken(Receipt.of(report.id(), sent), answers.state(held)));
        } catch (Refused e) {
            return refused(409, e.code().name(), words.of(e.why()));
        } catch (IllegalArgumentException e) {
            return refused(400, "MALFORMED", String.valueOf(e.getMessage()));
        }
    }

    private static ResponseEntity<Object> refused(int status, String code, String message) {
        return ResponseEntity.status(status).body(Map.of("refused", code, "message", message));
    }
}

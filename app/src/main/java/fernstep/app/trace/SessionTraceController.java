package fernstep.app.trace;

import fernstep.app.access.Access;
import fernstep.app.security.OpenStreams;
import fernstep.app.security.SignedIn;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.core.approach.Stances;
import fernstep.core.measure.Side;
import fernstep.core.trace.TraceAnalysis.Mark;
import fernstep.core.trace.TraceReport;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Cuff and belts beside the mat: a code to pair with, the strips, and what a repetition that was just counted showed. */
@Controller
class SessionTraceController {
    private static final int MOST_REPS = 1000;
    private static final int LONGEST_RUNG = 12;
    private static final double LONGEST_REP_MS = 600_000;

    private final Pairings pairings;
    private final LiveStreams streams;
    private final StripPages pages;
    private final Recordings recordings;
    private final Access access;
    private final OpenStreams signIns;
    private final Words words;

    SessionTraceController(
            Pairings pairings,
            LiveStreams streams,
            StripPages pages,
            Recordings recordings,
            Access access,
            OpenStreams signIns,
            Words words) {
        this.signIns = signIns;
        this.pairings = pairings;
        this.streams = streams;
        this.pages = pages;
        this.recordings = recordings;
        this.access = access;
        this.words = words;
    }

    /** A repetition by the times of the device. */
    record Counted(int rep, @Nullable Side side, @Nullable String rung, double startMs, double endMs) {
        boolean usable() {
            return rep >= 1
                    && rep <= MOST_REPS
                    && (rung == null || rung.length() <= LONGEST_RUNG)
                    && endMs > startMs
                    && endMs - startMs <= LONGEST_REP_MS;
        }
    }

    /**
     * What it may be.
     *
     * @param sure whether it is proposed; unsure ones are only shown
     * @param percent confidence, 0 to 100
     */
    record Proposal(String sign, String label, long percent, boolean sure) {}

    /**
     * @param word the one big word
     * @param proposal null for a clean repetition
     * @param detail lead and excursion in words
     */
    record Judged(String word, @Nullable Proposal proposal, String detail) {}

    @PostMapping("/sessions/{sessionId}/pairing")
    @ResponseBody
    Map<String, Object> pair(@PathVariable String sessionId, @AuthenticationPrincipal SignedIn me) {
        return Map.of("code", pairings.code(sessionId, me.staffId()), "minutes", Pairings.MINUTES);
    }

    @GetMapping("/sessions/{sessionId}/trace")
    ResponseEntity<SseEmitter> watch(@PathVariable String sessionId, HttpServletRequest request) {
        Optional<SseEmitter> watching = pages.watch(sessionId);
        watching.ifPresent(page -> signIns.bind(page, request));
        return watching.map(page -> ResponseEntity.ok()
                        .contentType(MediaType.TEXT_EVENT_STREAM)
                        .cacheControl(CacheControl.noStore())
                        .header("X-Accel-Buffering", "no")
                        .body(page))
                .orElseGet(() -> ResponseEntity.status(503).build());
    }

    @PostMapping("/sessions/{sessionId}/trace/reps")
    @ResponseBody
    ResponseEntity<Judged> counted(@PathVariable String sessionId, @RequestBody Counted rep) {
        if (!rep.usable()) {
            return ResponseEntity.badRequest().build();
        }
        long client = access.clientOfSession(sessionId).orElseThrow(() -> new NotFound("no session " + sessionId));
        String rung = rep.rung() == null ? "" : rep.rung();
        return streams.judge(sessionId, client, new Mark(rep.rep(), rep.side(), rep.startMs(), rep.endMs()), rung)
                .map(each -> ResponseEntity.ok(
                        judged(each, recordings.settings(client).timing())))
                .orElseGet(() -> ResponseEntity.noContent().build());
    }

    private Judged judged(TraceReport.Rep rep, Stances.EffortTiming timing) {
        List<TraceReport.Verdict> verdict = rep.verdict();
        Proposal proposal = null;
        if (!verdict.isEmpty()) {
            TraceReport.Verdict first = verdict.get(0);
            proposal = new Proposal(
                    first.sign().name(),
                    words.code(first.sign()),
                    Math.round(100 * first.confidence()),
                    first.confidence() >= TraceReport.SURE);
        }
        return new Judged(word(proposal), proposal, TraceWords.detail(words, rep, timing));
    }

    private String word(@Nullable Proposal proposal) {
        if (proposal == null) {
            return words.text("trace.word.clean");
        }
        return proposal.sure() ? proposal.label() : words.text("trace.word.unsure");
    }
}

package fernstep.app.run;

import fernstep.app.run.Runner.Held;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.core.approach.Approach;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Decisions;
import fernstep.core.decision.Situation;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.SignSeen;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Why an answer was given, rule by rule, and what the other approaches would have said. */
@Service
class Why {
    private final Runner runner;
    private final Words words;

    Why(Runner runner, Words words) {
        this.runner = runner;
        this.words = words;
    }

    record Answer(List<RuleView> rules, List<OtherView> others) {}

    /** One rule. */
    record RuleView(
            String rule,
            String name,
            String outcome,
            String outcomeText,
            @Nullable String move,
            String why) {}

    /**
     * What another approach would have said.
     *
     * @param same it is the move that was advised
     */
    record OtherView(String approach, String move, String reason, boolean same) {}

    /** @throws NotFound where the session has no such sign */
    Answer of(String sessionId, String eventId) {
        Held held = runner.held(sessionId);
        int at = -1;
        for (int i = 0; i < held.events().size(); i++) {
            at = held.events().get(i).id().equals(eventId) ? i : at;
        }
        if (at < 0 || !(held.events().get(at) instanceof SignSeen told)) {
            throw new NotFound("no sign " + eventId);
        }
        List<SessionEvent> before = held.events().subList(0, at);
        Session then = Session.replay(held.catalogue(), held.planned(), before);
        SessionRow row = runner.session(sessionId);
        Situation situation = runner.intake(row, held.client(), then, row.staffId())
                .situation(told.seen())
                .orElseThrow(() -> new NotFound("nothing in hand at " + eventId));
        return new Answer(rules(situation), others(situation, held));
    }

    private List<RuleView> rules(Situation situation) {
        return Decisions.trail(situation).stream()
                .map(considered -> new RuleView(
                        considered.rule().name(),
                        words.code(considered.rule()),
                        considered.outcome().name(),
                        words.code(considered.outcome()),
                        considered.move() == null ? null : words.code(considered.move()),
                        words.of(considered.why())))
                .toList();
    }

    private List<OtherView> others(Situation situation, Held held) {
        Advice own = Decisions.next(situation);
        return Arrays.stream(Approach.values())
                .filter(approach -> approach != held.client().row().approach())
                .map(approach -> {
                    Advice other = Decisions.next(new Situation(
                            situation.catalogue(),
                            approach.stances(),
                            situation.her(),
                            situation.doing(),
                            situation.now(),
                            situation.before()));
                    boolean same = other.move() == own.move() && java.util.Objects.equals(other.change(), own.change());
                    return new OtherView(
                            words.code(approach), words.code(other.move()), words.of(other.reason()), same);
                })
                .toList();
    }
}

package fernstep.app.run;

import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.standing.Concern;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What a session has shown that somebody qualified has to look at stands from its end on, until somebody has. */
@Component
class Referrals {
    private final Standings standings;
    private final Clock clock;

    Referrals(Standings standings, Clock clock) {
        this.standings = standings;
        this.clock = clock;
    }

    /** Told again it is there once. */
    void report(SessionRow row, Session session) {
        session.exercises().stream()
                .map(Exercise::answered)
                .flatMap(List::stream)
                .filter(SignSeen.class::isInstance)
                .map(SignSeen.class::cast)
                .filter(seen -> seen.advice().refers())
                .forEach(seen -> concern(seen)
                        .ifPresent(concern -> standings.reportOnce(
                                row.clientId(),
                                concern,
                                Heard.inSession(
                                        LocalDateTime.now(clock).withNano(0),
                                        seen.madeBy().value(),
                                        row.id()))));
    }

    private static Optional<Concern> concern(SignSeen event) {
        Seen seen = event.seen();
        String rung = event.place().rung();
        SignCode sign = seen.sign();
        return switch (sign) {
            case HEAVY, BEARS_DOWN -> Optional.of(new Concern.PelvicFloor(sign, rung));
            // the routine referral holds nothing; in three weeks of four somebody looks first
            case LEAK ->
                Optional.of(
                        event.advice().move() == Move.END_EXERCISE
                                ? new Concern.Leaking(true, "")
                                : new Concern.Leaking(false, rung));
            case PAIN -> {
                Integer level = seen.painLevel();
                yield Optional.of(new Concern.Pain(
                        level == null ? Seen.PAIN_STOPS_AT : level, seen.sharp(), seen.place(), seen.side(), rung));
            }
            default -> Optional.empty();
        };
    }
}

package fernstep.core.decision;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * All that the rules may look at when a sign is called out.
 *
 * @param side the side being trained, or null
 * @param emergencies emergency answers called out now
 * @param seen what was seen now, in one repetition
 * @param soFar the earlier repetitions of this set, oldest first
 * @param history levers tried against a sign on this rung in earlier sessions
 * @param earlierSessions signs of earlier sessions, any rung
 */
public record Situation(
        Catalogue catalogue,
        Rung rung,
        @Nullable Side side,
        Stances stances,
        boolean pregnant,
        Set<Restriction> closed,
        Body body,
        Setting setting,
        Set<Answer> emergencies,
        List<Seen> seen,
        List<RepRecord> soFar,
        List<PastLever> history,
        List<EarlierSession> earlierSessions) {

    /** Whether a lever cleared a sign on this rung before. */
    public record PastLever(SignCode sign, Lever lever, boolean cleared) {}

    /** What an earlier session showed. */
    public record EarlierSession(LocalDate date, List<Seen> signs) {}

    public Situation {
        seen = List.copyOf(seen);
        soFar = List.copyOf(soFar);
        history = List.copyOf(history);
        earlierSessions = List.copyOf(earlierSessions);
    }

    /** How often this move was already made for this sign in this set. */
    int timesMoved(SignCode sign, Move move) {
        return (int) soFar.stream().filter(r -> r.move() == move && r.has(sign)).count();
    }

    int timesEased(SignCode sign) {
        return timesMoved(sign, Move.EASE) + timesMoved(sign, Move.EASE_ONE_SIDE);
    }

    boolean seenBefore(SignCode sign) {
        return soFar.stream().anyMatch(r -> r.has(sign));
    }

    boolean leverUsed(Lever lever) {
        return soFar.stream().anyMatch(r -> r.lever() == lever);
    }

    /** Both sides have shown the sign in this set, or it was seen without any side to tell apart. */
    boolean onBothSides(SignCode sign) {
        List<Seen> all = Stream.concat(soFar.stream().flatMap(r -> r.signs().stream()), seen.stream())
                .filter(s -> s.sign() == sign)
                .toList();
        return all.stream().anyMatch(s -> sideOf(s) == null)
                || all.stream().map(this::sideOf).distinct().count() > 1;
    }

    @Nullable
    Side sideOf(Seen sign) {
        return sign.side() != null ? sign.side() : side;
    }

    long earlierSessionsWith(SignCode sign) {
        return earlierSessions.stream()
                .filter(e -> e.signs().stream().anyMatch(s -> s.sign() == sign))
                .count();
    }
}

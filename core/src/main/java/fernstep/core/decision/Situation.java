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
 * @param stances the approach she is led by
 */
public record Situation(Catalogue catalogue, Stances stances, Woman her, Doing doing, Now now, Before before) {

    /**
     * Who trains.
     *
     * @param closed what she must not do today, set by hand or derived
     */
    public record Woman(boolean pregnant, Set<Restriction> closed, Body body) {}

    /**
     * What she does.
     *
     * @param side the side being trained, or null
     */
    public record Doing(Rung rung, @Nullable Side side, Setting setting) {}

    /**
     * What was seen now, in one repetition.
     *
     * @param emergencies emergency answers called out now
     */
    public record Now(Set<Answer> emergencies, List<Seen> seen) {
        public Now {
            emergencies = Set.copyOf(emergencies);
            seen = List.copyOf(seen);
        }
    }

    /**
     * What happened earlier.
     *
     * @param soFar the earlier repetitions of this set, oldest first
     * @param history levers tried against a sign on this rung in earlier sessions
     * @param earlierSessions signs of earlier sessions, any rung
     */
    public record Before(List<RepRecord> soFar, List<PastLever> history, List<EarlierSession> earlierSessions) {
        public static final Before NOTHING = new Before(List.of(), List.of(), List.of());

        public Before {
            soFar = List.copyOf(soFar);
            history = List.copyOf(history);
            earlierSessions = List.copyOf(earlierSessions);
        }
    }

    /** Whether a lever cleared a sign on this rung before. */
    public record PastLever(SignCode sign, Lever lever, boolean cleared) {}

    /** What an earlier session showed. */
    public record EarlierSession(LocalDate date, List<Seen> signs) {}

    Rung rung() {
        return doing.rung();
    }

    @Nullable
    Side side() {
        return doing.side();
    }

    Setting setting() {
        return doing.setting();
    }

    boolean pregnant() {
        return her.pregnant();
    }

    Set<Restriction> closed() {
        return her.closed();
    }

    Body body() {
        return her.body();
    }

    Set<Answer> emergencies() {
        return now.emergencies();
    }

    List<Seen> seen() {
        return now.seen();
    }

    List<RepRecord> soFar() {
        return before.soFar();
    }

    List<PastLever> history() {
        return before.history();
    }

    List<EarlierSession> earlierSessions() {
        return before.earlierSessions();
    }

    /** How often this move was already made for this sign in this set. */
    int timesMoved(SignCode sign, Move move) {
        return (int)
                soFar().stream().filter(r -> r.move() == move && r.has(sign)).count();
    }

    int timesEased(SignCode sign) {
        return timesMoved(sign, Move.EASE) + timesMoved(sign, Move.EASE_ONE_SIDE);
    }

    boolean seenBefore(SignCode sign) {
        return soFar().stream().anyMatch(r -> r.has(sign));
    }

    boolean leverUsed(Lever lever) {
        return soFar().stream().anyMatch(r -> r.lever() == lever);
    }

    /** Both sides have shown the sign in this set, or it was seen without any side to tell apart. */
    boolean onBothSides(SignCode sign) {
        List<Seen> all = Stream.concat(soFar().stream().flatMap(r -> r.signs().stream()), seen().stream())
                .filter(s -> s.sign() == sign)
                .toList();
        return all.stream().anyMatch(s -> sideOf(s) == null)
                || all.stream().map(this::sideOf).distinct().count() > 1;
    }

    @Nullable
    Side sideOf(Seen sign) {
        return sign.side() != null ? sign.side() : side();
    }

    long earlierSessionsWith(SignCode sign) {
        return earlierSessions().stream()
                .filter(e -> e.signs().stream().anyMatch(s -> s.sign() == sign))
                .count();
    }
}

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
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
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
     * @param holdsCurve the gap under her low back was looked at and is no fist: where the stance leaves it to the finding,
     *     she keeps the natural curve
     */
    public record Woman(boolean pregnant, Set<Restriction> closed, Body body, boolean holdsCurve) {
        public Woman {
            closed = Set.copyOf(closed);
        }

        /** Nothing known of the gap under her low back. */
        public Woman(boolean pregnant, Set<Restriction> closed, Body body) {
            this(pregnant, closed, body, false);
        }
    }

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
     * @param exercise what was seen and answered in this exercise before this set, oldest first, a step back included
     * @param endedForLoad how many exercises of this session a load sign has ended
     * @param history levers tried against a sign on this rung in earlier sessions
     * @param earlierSessions signs of earlier sessions, any rung
     */
    public record Before(
            List<RepRecord> soFar,
            List<RepRecord> exercise,
            int endedForLoad,
            List<PastLever> history,
            List<EarlierSession> earlierSessions) {
        public static final Before NOTHING = of(List.of(), List.of(), List.of());

        /** In the first set of the first exercise. */
        public static Before of(List<RepRecord> soFar, List<PastLever> history, List<EarlierSession> earlierSessions) {
            return new Before(soFar, List.of(), 0, history, earlierSessions);
        }

        public Before {
            exercise = List.copyOf(exercise);
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

    /** What the low back is to do now: left to the finding it keeps the curve once she holds it, until it was laid down. */
    Stances.Spine spine() {
        boolean turned = stances.spine() == Stances.Spine.BY_FINDING
                && her.holdsCurve()
                && inExercise().stream()
                        .noneMatch(rep -> rep.lever() == Lever.CHANGE_SPINE || rep.alsoLever() == Lever.CHANGE_SPINE);
        return turned ? Stances.Spine.NATURAL_CURVE : stances.spine();
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

    /** All that was seen and answered in this exercise, oldest first. */
    List<RepRecord> inExercise() {
        return Stream.concat(before.exercise().stream(), soFar().stream()).toList();
    }

    private static boolean wentOnElsewhere(RepRecord rep) {
        return rep.move() == Move.STEP_BACK || (rep.move() == Move.EASE_ONE_SIDE && rep.lever() == null);
    }

    /** How often a sign of too much load was answered by this move in this exercise. */
    int loadSignsAnsweredBy(Move move) {
        return (int) inExercise().stream()
                .filter(rep -> rep.move() == move)
                .filter(rep -> rep.signs().stream().anyMatch(LoadSigns::isOne))
                .count();
    }

    /** How often this move was already made for this sign in this set. */
    int timesMoved(SignCode sign, Move move) {
        return (int) soFar().stream()
                .filter(repRecord -> repRecord.move() == move && repRecord.has(sign))
                .count();
    }

    int timesEased(SignCode sign) {
        return timesMoved(sign, Move.EASE) + timesMoved(sign, Move.EASE_ONE_SIDE);
    }

    boolean seenBefore(SignCode sign) {
        return soFar().stream().anyMatch(repRecord -> repRecord.has(sign));
    }

    /** In this exercise, since she last went on with another rung: what was pulled before that is let go. */
    boolean leverUsed(Lever lever) {
        for (List<RepRecord> reps : List.of(soFar(), before.exercise())) {
            for (int n = reps.size() - 1; n >= 0; n--) {
                RepRecord rep = reps.get(n);
                if (wentOnElsewhere(rep)) {
                    return false;
                }
                if (rep.lever() == lever || rep.alsoLever() == lever) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Both sides have shown the sign in this set, or it was seen without any side to tell apart. */
    boolean onBothSides(SignCode sign) {
        List<Seen> all = Stream.concat(
                        soFar().stream().flatMap(repRecord -> repRecord.signs().stream()), seen().stream())
                .filter(seen -> seen.sign() == sign)
                .toList();
        return all.stream().anyMatch(seen -> sideOf(seen) == null)
                || all.stream().map(this::sideOf).distinct().count() > 1;
    }

    @Nullable
    Side sideOf(Seen sign) {
        return sign.side() != null ? sign.side() : side();
    }

    /** In how many different weeks a sign came, counted back from the newest session it came in. */
    int weeksWith(SignCode sign) {
        List<LocalDate> days = earlierSessions().stream()
                .filter(session -> session.signs().stream().anyMatch(seen -> seen.sign() == sign))
                .map(EarlierSession::date)
                .sorted(Comparator.reverseOrder())
                .toList();
        return days.isEmpty()
                ? 0
                : (int) days.stream()
                        .map(day -> ChronoUnit.DAYS.between(day, days.get(0)) / 7)
                        .distinct()
                        .count();
    }

    long earlierSessionsWith(SignCode sign) {
        return earlierSessions().stream()
                .filter(session -> session.signs().stream().anyMatch(seen -> seen.sign() == sign))
                .count();
    }
}

package fernstep.core.progress;

import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the log of one rung and side, since its last change, means for the next session. {@link #of} is the one entry.
 *
 * @param credits clean, light sessions without a next-day symptom since the last change or setback
 * @param range how far the rung goes from now on, 0 easiest to 1 full
 * @param waitingFor why the next rung is not open yet; empty unless the change waits
 */
public record Progress(
        int credits, Change change, Dose dose, double range, String rung, Reason reason, List<Waiting> waitingFor) {

    /** What happens to the dose or the rung. */
    public enum Change {
        NOTCH_UP,
        /** Half of the way from where it was eased to back to how it is planned. */
        HALF_BACK,
        /** The rest of that way. */
        WHOLE_BACK,
        NEXT_RUNG,
        READY_WAITING,
        HOLD,
        NOTCH_DOWN,
        RUNG_DOWN,
        /** The least of the lowest rung is too much: the same with a helper. */
        ADD_HELPER,
        /** Even with a helper it is: another exercise for her. */
        SWAP,
        RECHECK_FIRST,
        REFER;

        /** Whether there is something to confirm. */
        public boolean moves() {
            return switch (this) {
                case NOTCH_UP, HALF_BACK, WHOLE_BACK, NEXT_RUNG, NOTCH_DOWN, RUNG_DOWN, ADD_HELPER -> true;
                case READY_WAITING, HOLD, SWAP, RECHECK_FIRST, REFER -> false;
            };
        }
    }

    /** What grows first on a rung that has a range; the practitioner picks it per client. */
    public enum GrowFirst {
        REPS,
        RANGE
    }

    /**
     * How far the rung goes, for rungs with a range.
     *
     * @param now 0 easiest to 1 full
     * @param next the next target range, a step of load above; null at the rung's end or where there is no range
     * @param ofNextRung where the next rung would begin
     * @param ofRungBefore where the rung before asks for no more than now
     * @param growFirst which of the two a notch is, while both can grow
     */
    public record RangeState(
            double now, @Nullable Double next, double ofNextRung, double ofRungBefore, GrowFirst growFirst) {
        public static final RangeState FULL = new RangeState(1, null, 1, 1, GrowFirst.REPS);
    }

    /**
     * How she was after sessions of anything: heaviness, leaking or pain of 3 and more hold every rung, also those she did
     * not train that day.
     *
     * @param afterLast the newest session was followed by it
     * @param days how many of the days looked at were
     * @param seenOn when somebody last saw or spoke with her about it: what came before no longer counts; null for never
     * @param lastOn the last day it followed; null where it did not
     */
    public record DayAfter(
            boolean afterLast,
            int days,
            @Nullable LocalDate seenOn,
            @Nullable LocalDate lastOn) {
        public static final DayAfter NONE = new DayAfter(false, 0);

        /** When it was last is not known. */
        public DayAfter(boolean afterLast, int days, @Nullable LocalDate seenOn) {
            this(afterLast, days, seenOn, null);
        }

        /** Nobody has seen her about it. */
        public DayAfter(boolean afterLast, int days) {
            this(afterLast, days, null);
        }

        /** Whether nobody has looked at what followed this session. */
        boolean counts(SessionResult result) {
            return seenOn == null || !result.date().isBefore(seenOn);
        }
    }

    /** How far she has come back to what was planned before it was eased. */
    public enum WayBack {
        EASED,
        HALF_WAY
    }

    /**
     * Where she stands on one strand and side.
     *
     * @param window the dose window in force; the rung's own as the stance uses it, or one the practitioner set
     * @param otherSidePlace of her other side on the main line, from 1; 0 where there is none
     * @param helped she came to it with a helper, because the least of it was too much
     * @param eased what is not yet earned back; null where nothing is eased
     */
    public record Place(
            Rung rung,
            @Nullable Side side,
            Dose dose,
            Window window,
            RangeState range,
            int otherSidePlace,
            boolean helped,
            @Nullable WayBack eased) {

        /** Nothing eased. */
        public Place(
                Rung rung,
                @Nullable Side side,
                Dose dose,
                Window window,
                RangeState range,
                int otherSidePlace,
                boolean helped) {
            this(rung, side, dose, window, range, otherSidePlace, helped, null);
        }

        /** The other side not looked at. */
        public static Place atFullRange(Rung rung, @Nullable Side side, Dose dose, Window window) {
            return new Place(rung, side, dose, window, RangeState.FULL, 0, false);
        }
    }

    /**
     * How matters stand on the day of the question.
     *
     * @param recheckDue the day the separation re-check is due, or null
     * @param recheckWidened the last re-check showed a real widening
     * @param askFirstStands an ask-first answer stands today
     * @param held something she told holds her until somebody has spoken with her
     * @param dayAfter what followed sessions of anything
     */
    public record Day(
            LocalDate today,
            @Nullable LocalDate recheckDue,
            boolean recheckWidened,
            boolean askFirstStands,
            boolean held,
            DayAfter dayAfter) {

        /** A day on which nothing is due and nothing stands in the way; symptoms are looked for in the rung's own log. */
        public static Day of(LocalDate today) {
            return new Day(today, null, false, false, false, DayAfter.NONE);
        }
    }

    /**
     * The question put to the rules.
     *
     * @param log results since the last change of dose or rung, any order
     */
    public record Question(
            Catalogue catalogue,
            Place place,
            DoseStance stance,
            List<SessionResult> log,
            Day day,
            RungGates.Known known) {

        public Question {
            log = log.stream().sorted(Comparator.comparing(SessionResult::date)).toList();
        }
    }

    public static Progress of(Question question) {
        return new ProgressStep(question).answer();
    }
}

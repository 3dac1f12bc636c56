package fernstep.core.plan;

import fernstep.core.plan.PlanItem.Ground;
import java.util.EnumSet;
import java.util.List;

/** What a session may hold, and whether exercises go into it: size, minutes, changes of position. */
final class Packing {
    private static final int MINUTE_S = 60;
    private static final int FEW_MINUTES = 6;
    private static final int FEW_EXERCISES = 3;
    private static final int SHORT_MINUTES = 10;
    private static final int SHORT_EXERCISES = 4;

    private Packing() {}

    /**
     * What a session may hold.
     *
     * @param size exercises at most
     * @param wanted so many are filled in even where nothing calls for them
     * @param secondsPerDay of all sessions of a day
     * @param changes of position in a session, at most
     */
    record Room(int size, int wanted, int secondsPerDay, int changes) {
        int minutes() {
            return (secondsPerDay + MINUTE_S - 1) / MINUTE_S;
        }

        /** What it would hold with so many minutes: three exercises in six, four in ten. */
        Room in(int minutes) {
            int most = Math.min(size, minutes <= FEW_MINUTES ? FEW_EXERCISES : Integer.MAX_VALUE);
            int fitting = Math.min(most, minutes <= SHORT_MINUTES ? SHORT_EXERCISES : Integer.MAX_VALUE);
            return new Room(
                    fitting,
                    Math.min(wanted, fitting),
                    Math.min(secondsPerDay, MINUTE_S * minutes),
                    Math.min(changes, Wishes.changesIn(minutes)));
        }

        /** As it is, by its own minutes. */
        Room now() {
            return in(minutes());
        }
    }

    private static int counted(List<Exercise> exercises) {
        return (int) exercises.stream().filter(Exercise::counts).count();
    }

    static boolean fits(List<Exercise> exercises, Room room) {
        return counted(exercises) <= room.size()
                && changes(exercises) <= room.changes()
                && seconds(exercises) <= room.secondsPerDay();
    }

    /** Between places on the mat; what is upright comes last and is no change. */
    static int changes(List<Exercise> exercises) {
        EnumSet<Ground> grounds = EnumSet.noneOf(Ground.class);
        exercises.forEach(exercise -> grounds.addAll(exercise.grounds()));
        grounds.remove(Ground.UPRIGHT);
        return Math.max(0, grounds.size() - 1);
    }

    /** Of a day: every exercise as often as it is done, and the changes of every session. */
    static int seconds(List<Exercise> exercises) {
        int most = exercises.stream().mapToInt(Exercise::perDay).max().orElse(1);
        int work = exercises.stream().mapToInt(Exercise::secondsPerDay).sum();
        int changes = 0;
        for (int session = 1; session <= most; session++) {
            int nth = session;
            changes += changes(exercises.stream()
                    .filter(exercise -> exercise.perDay() >= nth)
                    .toList());
        }
        return work + changes * SessionTime.CHANGE_OF_POSITION_S;
    }
}

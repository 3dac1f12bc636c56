package fernstep.core.plan;

import fernstep.core.measure.Reason;
import fernstep.core.plan.Packing.Room;
import fernstep.core.plan.PlanItem.Ground;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/** One exercise as it grows by sets, from the fewest its doses may have. */
final class Growing {
    private static final int UPRIGHT = 1 << Ground.UPRIGHT.ordinal();

    private final List<Exercise> levels = new ArrayList<>();
    private final int full;
    private final int order;
    private final int grounds;
    private int level;
    private boolean heldByHerWeek;

    /**
     * @param order where it stood among all
     * @param fixed by hand: not one set less, nor more
     * @param rounds a foundation may be done in a second round, as far as its window goes
     */
    Growing(Exercise exercise, int order, boolean fixed, boolean rounds) {
        this.order = order;
        if (!fixed) {
            for (int step = 0; exercise.canGrowTo(step); step++) {
                levels.add(exercise.at(step));
            }
        }
        levels.add(exercise);
        this.full = levels.size() - 1;
        if (!fixed && rounds && exercise.perDay() == 1) {
            for (int more = 1; exercise.hasRound(more); more++) {
                levels.add(exercise.withMoreSets(more));
            }
        }
        int mask = 0;
        for (Ground ground : exercise.grounds()) {
            mask |= 1 << ground.ordinal();
        }
        this.grounds = mask;
    }

    Exercise exercise() {
        return levels.get(level);
    }

    /** With the reason where her last weeks keep it below its dose. */
    Exercise told() {
        return heldByHerWeek && !isFull() ? exercise().alsoBecause(Reason.of("why.slowRise")) : exercise();
    }

    /** It has no set more, since the week would ask for much more of its kind than her last weeks did. */
    void heldByHerWeek() {
        heldByHerWeek = true;
    }

    int order() {
        return order;
    }

    boolean isFull() {
        return level >= full;
    }

    boolean isAtTop() {
        return level == levels.size() - 1;
    }

    void grow() {
        level++;
    }

    void shrink() {
        level--;
    }

    /** Whether these go into a room together. */
    static boolean fit(Collection<Growing> these, Room room) {
        return fitButForTime(these, room) && seconds(these) <= room.secondsPerDay();
    }

    /** Of a day: every exercise as often as it is done, and the changes of every session. */
    static int seconds(Collection<Growing> these) {
        int work = 0;
        int mostADay = 1;
        for (Growing one : these) {
            work += one.exercise().secondsPerDay();
            mostADay = Math.max(mostADay, one.exercise().perDay());
        }
        int all = 0;
        for (int session = 1; session <= mostADay; session++) {
            all += changes(these, session);
        }
        return work + all * SessionTime.CHANGE_OF_POSITION_S;
    }

    /** Whether they would but for the time. */
    static boolean fitButForTime(Collection<Growing> these, Room room) {
        int counted = 0;
        for (Growing one : these) {
            counted += one.exercise().counts() ? 1 : 0;
        }
        return counted <= room.size() && changes(these, 1) <= room.changes();
    }

    private static int changes(Collection<Growing> these, int session) {
        int mask = 0;
        for (Growing one : these) {
            mask |= one.exercise().perDay() >= session ? one.grounds : 0;
        }
        return Math.max(0, Integer.bitCount(mask & ~UPRIGHT) - 1);
    }
}

package fernstep.core.plan;

import fernstep.core.plan.PlanItem.Ground;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Fits one session into size, minutes and changes of position: what must be in, then the choice that leaves the fewest
 * strands waiting, covers the most slots and answers the most need. There are few exercises to choose from, so every
 * choice is looked at.
 */
final class Packing {
    private static final long WAITING_THIS_WEEK = 1_000_000_000L;
    private static final long A_SLOT = 10_000_000L;
    private static final int MOST_TO_CHOOSE_FROM = 16;
    private static final int SECONDS_IN_A_DAY = 86_400;

    /**
     * What a session may hold.
     *
     * @param size exercises at most
     * @param wanted so many are filled in even where nothing calls for them
     * @param secondsPerDay of all sessions of a day
     * @param changes of position in a session, at most
     */
    record Room(int size, int wanted, int secondsPerDay, int changes) {}

    private final List<Exercise> must;
    private final List<Exercise> free;
    private final Room room;
    private final Set<Strand> waiting;

    /** @param waiting strands in training that no other session of the week holds */
    Packing(List<Exercise> exercises, Room room, Set<Strand> waiting) {
        this.must = exercises.stream().filter(Exercise::mustBeIn).toList();
        List<Exercise> others = exercises.stream().filter(e -> !e.mustBeIn()).toList();
        this.free = others.size() <= MOST_TO_CHOOSE_FROM ? others : others.subList(0, MOST_TO_CHOOSE_FROM);
        this.room = room;
        this.waiting = waiting;
    }

    /** The exercises of the session, in their given order. */
    List<Exercise> chosen() {
        List<Exercise> best = must;
        long bestValue = -1;
        for (int bits = 0; bits < 1 << free.size(); bits++) {
            if (Integer.bitCount(bits) + counted(must) > Math.max(room.size(), counted(must))) {
                continue;
            }
            List<Exercise> these = new ArrayList<>(must);
            for (int i = 0; i < free.size(); i++) {
                if ((bits & 1 << i) != 0) {
                    these.add(free.get(i));
                }
            }
            if (!these.equals(must) && !fits(these, room)) {
                continue;
            }
            long value = value(these);
            if (value > bestValue) {
                bestValue = value;
                best = these;
            }
        }
        return List.copyOf(best);
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
        exercises.forEach(e -> grounds.addAll(e.grounds()));
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
            changes += changes(exercises.stream().filter(e -> e.perDay() >= nth).toList());
        }
        return work + changes * SessionTime.CHANGE_OF_POSITION_S;
    }

    /** More is better; of equal choices the shorter one, and then the one that comes first. */
    private long value(List<Exercise> exercises) {
        Set<Role.Slot> slots = new HashSet<>();
        long value = 0;
        int uncalled = 0;
        for (Exercise e : exercises) {
            value += (waiting.contains(e.strand()) ? WAITING_THIS_WEEK : 0) + 1000L * e.need();
            value += e.role() == Role.WORK && slots.add(e.slot()) ? A_SLOT : 0;
            uncalled += e.counts() && !e.called() && !e.mustBeIn() ? 1 : 0;
        }
        boolean forTheSakeOfIt = uncalled > 0 && counted(exercises) > room.wanted();
        return forTheSakeOfIt ? -1 : value + (SECONDS_IN_A_DAY - Math.min(SECONDS_IN_A_DAY, seconds(exercises))) / 100;
    }
}

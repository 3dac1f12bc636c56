package fernstep.core.plan;

import fernstep.core.plan.PlanItem.Ground;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.EnumSet;
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
    /** So many seconds less are worth one point. */
    private static final int SECONDS_A_POINT = 100;

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
    private final int mustSeconds;
    private final int[] freeSeconds;
    private final Room room;
    private final Set<Strand> waiting;

    /** @param waiting strands in training that no other session of the week holds */
    Packing(List<Exercise> exercises, Room room, Set<Strand> waiting) {
        this.must = exercises.stream().filter(Exercise::mustBeIn).toList();
        List<Exercise> others = exercises.stream().filter(e -> !e.mustBeIn()).toList();
        this.free = others.size() <= MOST_TO_CHOOSE_FROM ? others : others.subList(0, MOST_TO_CHOOSE_FROM);
        this.room = room;
        this.waiting = waiting;
        this.mustSeconds = must.stream().mapToInt(Exercise::secondsPerDay).sum();
        this.freeSeconds = free.stream().mapToInt(Exercise::secondsPerDay).toArray();
    }

    /** The exercises of the session, in their given order. */
    List<Exercise> chosen() {
        int musts = counted(must);
        int mayAdd = Math.max(0, room.size() - musts);
        int best = 0;
        long bestValue = -1;
        for (int bits = 0; bits < 1 << free.size(); bits++) {
            if (Integer.bitCount(bits) - uncounted(bits) > mayAdd || !within(bits)) {
                continue;
            }
            long before = valueBeforeTime(bits);
            if (before < 0 || before + SECONDS_IN_A_DAY / SECONDS_A_POINT <= bestValue) {
                continue;
            }
            List<Exercise> these = these(bits);
            if (bits != 0 && !fits(these, room)) {
                continue;
            }
            long value = before + (SECONDS_IN_A_DAY - Math.min(SECONDS_IN_A_DAY, seconds(these))) / SECONDS_A_POINT;
            if (value > bestValue) {
                bestValue = value;
                best = bits;
            }
        }
        return List.copyOf(these(best));
    }

    private int uncounted(int bits) {
        int uncounted = 0;
        for (int i = 0; i < free.size(); i++) {
            uncounted += (bits & 1 << i) != 0 && !free.get(i).counts() ? 1 : 0;
        }
        return uncounted;
    }

    /** A first look at the time alone, without changes of position: most choices are too long. */
    private boolean within(int bits) {
        int seconds = mustSeconds;
        for (int i = 0; i < freeSeconds.length; i++) {
            seconds += (bits & 1 << i) != 0 ? freeSeconds[i] : 0;
        }
        return bits == 0 || seconds <= room.secondsPerDay();
    }

    private List<Exercise> these(int bits) {
        List<Exercise> these = new ArrayList<>(must);
        for (int i = 0; i < free.size(); i++) {
            if ((bits & 1 << i) != 0) {
                these.add(free.get(i));
            }
        }
        return these;
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

    /**
     * More is better; of equal choices the shorter one is taken, and then the one that comes first. Below 0 where it holds
     * something only for the sake of it.
     */
    private long valueBeforeTime(int bits) {
        long value = 0;
        int slots = 0;
        int uncalled = 0;
        int counted = 0;
        for (int i = 0; i < must.size() + free.size(); i++) {
            boolean in = i < must.size() || (bits & 1 << (i - must.size())) != 0;
            if (in) {
                Exercise e = i < must.size() ? must.get(i) : free.get(i - must.size());
                int slot = e.role() == Role.WORK ? 1 << e.slot().ordinal() : 0;
                value += (waiting.contains(e.strand()) ? WAITING_THIS_WEEK : 0) + 1000L * e.need();
                value += (slot & ~slots) != 0 ? A_SLOT : 0;
                slots |= slot;
                counted += e.counts() ? 1 : 0;
                uncalled += e.counts() && !e.called() && !e.mustBeIn() ? 1 : 0;
            }
        }
        return uncalled > 0 && counted > room.wanted() ? -1 : value;
    }
}

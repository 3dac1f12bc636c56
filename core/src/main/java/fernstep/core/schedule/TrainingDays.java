package fernstep.core.schedule;

import java.time.DayOfWeek;
import java.util.EnumSet;
import java.util.Set;

/** Training days spread over the week: rest days lie between them as evenly as the blocked days allow. */
public final class TrainingDays {
    private static final int WEEK = 7;
    /** More than the rest days can ever add up to. */
    private static final int GAPS_FIRST = 100;

    private TrainingDays() {}

    /**
     * @param daysPerWeek 1 to 7; fewer come out where too many days are blocked
     * @param blocked weekdays on which she cannot
     */
    public static Set<DayOfWeek> of(int daysPerWeek, Set<DayOfWeek> blocked) {
        int free = 0;
        for (DayOfWeek day : DayOfWeek.values()) {
            if (!blocked.contains(day)) {
                free |= bit(day);
            }
        }
        int wanted = Math.min(daysPerWeek, Integer.bitCount(free));
        int best = 0;
        int leastCrowded = Integer.MAX_VALUE;
        for (int days = 0; days < 1 << WEEK; days++) {
            if (Integer.bitCount(days) == wanted && (days & ~free) == 0 && crowding(days) < leastCrowded) {
                best = days;
                leastCrowded = crowding(days);
            }
        }
        EnumSet<DayOfWeek> chosen = EnumSet.noneOf(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            if ((best & bit(day)) != 0) {
                chosen.add(day);
            }
        }
        return chosen;
    }

    private static int bit(DayOfWeek day) {
        return 1 << day.ordinal();
    }

    /** Least where the training days lie evenly and, with that the same, where the rest days do. */
    private static int crowding(int days) {
        int restDays = ~days & (1 << WEEK) - 1;
        return GAPS_FIRST * squaredGaps(days) + squaredGaps(restDays);
    }

    /** Σ of the squared gaps from one day to the next, round the week. */
    private static int squaredGaps(int days) {
        int sum = 0;
        for (int from = 0; from < WEEK; from++) {
            if ((days & 1 << from) != 0) {
                int gap = 1;
                while ((days & 1 << (from + gap) % WEEK) == 0) {
                    gap++;
                }
                sum += gap * gap;
            }
        }
        return sum;
    }
}

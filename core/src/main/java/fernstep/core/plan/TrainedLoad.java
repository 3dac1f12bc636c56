package fernstep.core.plan;

import fernstep.core.body.LoadFamily;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * The load under which she trained of late. It says nothing before the fourth week of her log: nobody's first weeks are a
 * measure of what she can.
 */
public record TrainedLoad(List<Done> done) {
    public static final TrainedLoad NONE = new TrainedLoad(List.of());

    private static final int WEEK = 7;
    private static final int WEEKS_COMPARED = 4;

    public TrainedLoad {
        done = List.copyOf(done);
    }

    /**
     * One rung and side in one session.
     *
     * @param exposure load index × seconds under load
     */
    public record Done(LocalDate date, LoadFamily family, double exposure) {}

    /** Of the week, ending today or one, two or three weeks ago, in which she did most. */
    public OptionalDouble bestWeek(LocalDate today) {
        return best(today, one -> true);
    }

    /** The same for each kind of load that she trained in them. */
    Map<LoadFamily, Double> bestWeeks(LocalDate today) {
        Map<LoadFamily, Double> all = new EnumMap<>(LoadFamily.class);
        for (LoadFamily family : LoadFamily.values()) {
            best(today, one -> one.family() == family).ifPresent(best -> all.put(family, best));
        }
        return all;
    }

    private OptionalDouble best(LocalDate today, Predicate<Done> which) {
        boolean fourthWeek = done.stream().anyMatch(one -> !one.date().isAfter(today.minusWeeks(WEEKS_COMPARED - 1)));
        if (!fourthWeek) {
            return OptionalDouble.empty();
        }
        return IntStream.range(0, WEEKS_COMPARED)
                .mapToObj(today::minusWeeks)
                .mapToDouble(last -> done.stream()
                        .filter(which)
                        .filter(one -> one.date().isAfter(last.minusDays(WEEK))
                                && !one.date().isAfter(last))
                        .mapToDouble(Done::exposure)
                        .sum())
                .filter(exposure -> exposure > 0)
                .max();
    }
}

package fernstep.app.client;

import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Progress;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * How one client is trained beyond her approach.
 *
 * @param houseName the house's own approach she is in, or null
 * @param houseChanges what that one changes in the shipped approach, as NAME=OPTION with commas; null without one
 * @param stanceChanges what is changed for her alone, written the same way
 * @param blockedDays weekdays on which she cannot, with commas
 * @param exercisesAtMost in a session, 2 to 10, or null for what her stance says
 */
public record ClientSettings(
        @Nullable Long houseApproachId,
        @Nullable String houseName,
        @Nullable String houseChanges,
        String stanceChanges,
        Progress.GrowFirst growFirst,
        String blockedDays,
        @Nullable Goal goal,
        @Nullable LocalDate goalDate,
        @Nullable Integer exercisesAtMost) {
    public static final ClientSettings NONE =
            new ClientSettings(null, null, null, "", Progress.GrowFirst.REPS, "", null, null, null);

    /** The stances of the approach, then the house's changes, then her own. */
    public Stances stances(Approach approach) {
        return changed(changed(approach.stances(), houseChanges), stanceChanges);
    }

    /** Whether her range grows before her repetitions. */
    public boolean rangeFirst() {
        return growFirst == Progress.GrowFirst.RANGE;
    }

    /** What her stances would be without her own changes. */
    Stances ofApproach(Approach approach) {
        return changed(approach.stances(), houseChanges);
    }

    public Set<DayOfWeek> blocked() {
        Set<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
        Arrays.stream(blockedDays.split(","))
                .filter(part -> !part.isBlank())
                .map(DayOfWeek::valueOf)
                .forEach(days::add);
        return days;
    }

    public static Stances changed(Stances stances, @Nullable String changes) {
        Stances now = stances;
        for (Map.Entry<StanceChange, String> e : read(changes).entrySet()) {
            now = e.getKey().in(now, e.getValue());
        }
        return now;
    }

    static Map<StanceChange, String> read(@Nullable String changes) {
        Map<StanceChange, String> read = new EnumMap<>(StanceChange.class);
        if (changes != null) {
            Arrays.stream(changes.split(","))
                    .map(part -> part.split("=", 2))
                    .filter(texts -> texts.length == 2)
                    .forEach(texts -> read.put(StanceChange.valueOf(texts[0]), texts[1]));
        }
        return read;
    }

    /** Only what differs is written down. */
    public static String written(Stances from, Stances to) {
        return StanceChange.between(from, to).stream()
                .map(change -> change + "=" + change.of(to))
                .collect(Collectors.joining(","));
    }
}

package fernstep.core.decision;

import fernstep.core.findings.SignCode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** When a tolerated soft ridge stops being tolerable. */
final class SoftRidge {
    /** Longest time in it per repetition, s. */
    static final int LIMIT_S = 10;
    /** Repetitions over which it must not grow. */
    static final int REPS = 3;

    private SoftRidge() {}

    /** The key of the reason to ease, or empty while it may stay. */
    static Optional<String> of(Situation situation, Seen now) {
        if (tooLong(situation, now)) {
            return Optional.of("R5.tooLong");
        }
        if (growing(situation, now)) {
            return Optional.of("R5.growing");
        }
        return earlierThanLastSession(situation, now) ? Optional.of("R5.earlier") : Optional.empty();
    }

    private static boolean tooLong(Situation situation, Seen now) {
        Double hold = situation.setting().holdS();
        return hold != null && now.second() != null && hold - now.second() > LIMIT_S;
    }

    /** Slight before and clear now, or showing earlier in each of the last three sightings. */
    private static boolean growing(Situation situation, Seen now) {
        List<Seen> sightings = new ArrayList<>();
        situation
                .soFar()
                .forEach(repRecord -> repRecord.signs().stream()
                        .filter(seen -> seen.sign() == SignCode.DOME_SOFT)
                        .forEach(sightings::add));
        List<Seen> last =
                new ArrayList<>(sightings.subList(Math.max(0, sightings.size() - (REPS - 1)), sightings.size()));
        boolean clearer = now.clearly() && last.stream().anyMatch(seen -> !seen.clearly());
        last.add(now);
        boolean sooner = last.size() == REPS;
        for (int i = 1; sooner && i < last.size(); i++) {
            Double before = last.get(i - 1).second();
            Double then = last.get(i).second();
            sooner = before != null && then != null && then < before;
        }
        return clearer || sooner;
    }

    /** Earlier than last session: by repetition, or in the same repetition by the second within the hold. */
    private static boolean earlierThanLastSession(Situation situation, Seen now) {
        List<Seen> last = situation.earlierSessions().stream()
                .max(Comparator.comparing(Situation.EarlierSession::date))
                .map(session -> session.signs().stream()
                        .filter(seen -> seen.sign() == SignCode.DOME_SOFT)
                        .toList())
                .orElse(List.of());
        boolean byRep = earlier(
                last.stream().map(Seen::rep).map(number -> number == null ? null : number.doubleValue()),
                asDouble(now.rep()));
        boolean bySecond = earlier(last.stream().map(Seen::second), now.second());
        boolean sameRepOrUnknown =
                now.rep() == null || last.stream().allMatch(seen -> seen.rep() == null || seen.rep() >= now.rep());
        return byRep || (bySecond && sameRepOrUnknown);
    }

    private static @Nullable Double asDouble(@Nullable Integer value) {
        return value == null ? null : Double.valueOf(value);
    }

    private static boolean earlier(Stream<@Nullable Double> before, @Nullable Double now) {
        return now != null
                && before.filter(Objects::nonNull)
                        .min(Comparator.naturalOrder())
                        .map(value -> now < value)
                        .orElse(false);
    }
}

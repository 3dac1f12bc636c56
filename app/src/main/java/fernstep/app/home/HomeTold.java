package fernstep.app.home;

import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.progress.HomeAdvice;
import fernstep.core.progress.HomeReport;
import fernstep.core.schedule.DailyLife;
import fernstep.core.screening.Answer;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An entry as her phone sends it; what a kind does not need is left out.
 *
 * @param at her clock, local, such as "2031-05-02T07:30:00"
 * @param day of a morning: the day before it on which she trained
 * @param codes answers, signs or daily-life items, by kind
 * @param leaksAsBefore with leaking: she has it as before
 * @param sharp with pain: sharp or stabbing
 * @param place with pain: where
 */
record HomeTold(
        @Nullable String id,
        @Nullable String at,
        @Nullable Kind kind,
        @Nullable String day,
        @Nullable List<String> codes,
        @Nullable String rung,
        @Nullable String side,
        HomeReport.@Nullable Told told,
        @Nullable Integer effort,
        @Nullable Integer pain,
        @Nullable Double range,
        @Nullable Boolean leaksAsBefore,
        @Nullable Boolean sharp,
        @Nullable BodyPlace place,
        @Nullable Side placeSide) {
    private static final int OLDEST_DAYS = 28;
    private static final int MOST_CODES = 40;
    private static final String RUNG = "[A-Za-z0-9_-]{1,10}";

    /** What it is about. */
    enum Kind {
        ANSWERED,
        EXERCISE,
        MORNING,
        DAILY
    }

    /**
     * The entry, checked. A phone's clock that is ahead, or weeks behind, is set right.
     *
     * @throws IllegalArgumentException for anything that is not an entry, out-of-range values included
     */
    HomeEntry entry(LocalDateTime now) {
        if (id == null || kind == null) {
            throw new IllegalArgumentException("an id and a kind are needed");
        }
        UUID uuid = UUID.fromString(id);
        LocalDateTime when = moment(now);
        return switch (kind) {
            case ANSWERED -> new HomeEntry.Answered(uuid, when, all(Answer.class));
            case DAILY -> new HomeEntry.Daily(uuid, when, all(DailyLife.class));
            case MORNING ->
                new HomeEntry.Morning(uuid, when, heldOn(now), new Mornings.Felt(floor(), leaksMore(), level(pain)));
            case EXERCISE -> exercise(uuid, when);
        };
    }

    private HomeEntry.Exercise exercise(UUID uuid, LocalDateTime when) {
        if (rung == null || !rung.matches(RUNG) || told == null) {
            throw new IllegalArgumentException("which exercise, and how it went, are needed");
        }
        Set<SignCode> signs = all(SignCode.class);
        if (!HomeAdvice.NOTICED.containsAll(signs)) {
            throw new IllegalArgumentException("not noticed alone: " + signs);
        }
        double fraction = range == null ? 1 : range;
        if (!(fraction >= 0 && fraction <= 1)) {
            throw new IllegalArgumentException("a range is 0 to 1");
        }
        if (effort != null) {
            Range.EFFORT.check(effort);
        }
        Side limb = side == null || side.isEmpty() ? null : Side.valueOf(side);
        signs.remove(SignCode.PAIN);
        return new HomeEntry.Exercise(
                uuid,
                when,
                rung,
                limb,
                new HomeReport(told, signs, level(pain)),
                new HomeEntry.Felt(leaksMore(), Boolean.TRUE.equals(sharp), place, placeSide),
                effort,
                fraction);
    }

    /** New, or more than before: what she does not say is not taken for less. */
    private boolean leaksMore() {
        return !Boolean.TRUE.equals(leaksAsBefore);
    }

    private static @Nullable Integer level(@Nullable Integer pain) {
        if (pain == null || pain == 0) {
            return null;
        }
        Range.PAIN_LEVEL.check(pain);
        return pain;
    }

    /** What can be felt the day after, pain apart. */
    private Set<SignCode> floor() {
        Set<SignCode> felt = all(SignCode.class);
        felt.retainAll(EnumSet.of(SignCode.HEAVY, SignCode.LEAK));
        return felt;
    }

    private LocalDate heldOn(LocalDateTime now) {
        LocalDate held = date(day);
        if (held.isAfter(now.toLocalDate()) || held.isBefore(now.toLocalDate().minusDays(OLDEST_DAYS))) {
            throw new IllegalArgumentException("not a day of the last four weeks: " + held);
        }
        return held;
    }

    private static LocalDate date(@Nullable String said) {
        try {
            return LocalDate.parse(said == null ? "" : said);
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("not a day: " + said, e);
        }
    }

    private LocalDateTime moment(LocalDateTime now) {
        try {
            LocalDateTime told = LocalDateTime.parse(at == null ? "" : at).withNano(0);
            // ahead of ours it would stand from tomorrow on only
            boolean believable = !told.isAfter(now) && !told.isBefore(now.minusDays(OLDEST_DAYS));
            return believable ? told : now.withNano(0);
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("not a moment: " + at, e);
        }
    }

    private <E extends Enum<E>> Set<E> all(Class<E> type) {
        Set<E> all = EnumSet.noneOf(type);
        List<String> named = codes == null ? List.of() : codes;
        if (named.size() > MOST_CODES) {
            throw new IllegalArgumentException("too many");
        }
        named.forEach(code -> all.add(Enum.valueOf(type, code)));
        return all;
    }
}

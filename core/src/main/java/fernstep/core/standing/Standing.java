package fernstep.core.standing;

import fernstep.core.catalogue.Rung;
import fernstep.core.screening.Answer;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What stands of all that was ever reported of her. {@link #of} is the one entry, {@link #mayTrain} the one question.
 *
 * @param open what nobody has lifted, most serious first, then newest
 * @param level of the most serious
 * @param painTwice open reports of pain on two mornings within four weeks of each other: together they hold everything
 * @param gentlyUntil the last day on which she goes on one level easier; null where she does not
 * @param seenOn when somebody last saw or spoke with her about any of it: what was counted up before starts anew; null for
 *     never
 */
public record Standing(
        List<SafetyReport> open,
        Level level,
        boolean painTwice,
        @Nullable LocalDate gentlyUntil,
        @Nullable LocalDate seenOn) {
    /** Nothing was ever reported. */
    public static final Standing NOTHING_REPORTED = new Standing(List.of(), Level.CLEAR, false, null, null);

    /** So long after it was allowed she goes on one level easier. */
    public static final int GENTLE_DAYS = 7;

    private static final int PAIN_TWICE_WITHIN_DAYS = 28;

    /**
     * @param reports in any order; the same id twice is one
     * @param lifts in any order
     */
    public static Standing of(Collection<SafetyReport> reports, Collection<Lift> lifts, LocalDate today) {
        List<SafetyReport> open = reports.stream()
                .distinct()
                .filter(report -> lifts.stream().noneMatch(lift -> lift.lifts(report)))
                .sorted(Comparator.comparing(
                                (SafetyReport report) -> report.concern().level())
                        .thenComparing(SafetyReport::at)
                        .thenComparing(SafetyReport::id)
                        .reversed())
                .toList();
        boolean painTwice = painTwice(open);
        Level strongest = open.isEmpty() ? Level.CLEAR : open.get(0).concern().level();
        return new Standing(
                open,
                painTwice && strongest == Level.CLEAR ? Level.HELD : strongest,
                painTwice,
                gentlyUntil(reports, lifts, today),
                seenOn(lifts));
    }

    /** Whoever is to train on: sent away or not yet well is not the end of a count. */
    private static @Nullable LocalDate seenOn(Collection<Lift> lifts) {
        return lifts.stream()
                .filter(lift -> lift.may().opens() && lift.kind() != Lift.Kind.TAKEN_BACK)
                .map(lift -> lift.at().toLocalDate())
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    private static boolean painTwice(List<SafetyReport> open) {
        List<LocalDate> mornings = open.stream()
                .filter(report -> report.concern() instanceof Concern.PainAfterwards pain && pain.counts())
                .map(report -> report.at().toLocalDate())
                .distinct()
                .sorted()
                .toList();
        for (int next = 1; next < mornings.size(); next++) {
            if (ChronoUnit.DAYS.between(mornings.get(next - 1), mornings.get(next)) < PAIN_TWICE_WITHIN_DAYS) {
                return true;
            }
        }
        return false;
    }

    private static @Nullable LocalDate gentlyUntil(
            Collection<SafetyReport> reports, Collection<Lift> lifts, LocalDate today) {
        return lifts.stream()
                .filter(lift -> lift.may() == Lift.May.GENTLY)
                .filter(lift -> reports.stream().anyMatch(lift::lifts))
                .map(lift -> lift.at().toLocalDate().plusDays(GENTLE_DAYS - 1L))
                .filter(last -> !last.isBefore(today))
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    /** May she train now. */
    public Permission mayTrain() {
        return switch (level) {
            case LOCKED -> Permission.NOTHING;
            case ASK_FIRST -> holdsEverythingUntilSpoken() ? Permission.SPEAK_FIRST : Permission.BREATH_AND_POSTURE;
            case HELD -> holdsEverythingUntilSpoken() ? Permission.SPEAK_FIRST : Permission.TRAIN;
            case CLEAR -> Permission.TRAIN;
        };
    }

    private boolean holdsEverythingUntilSpoken() {
        return painTwice || untilSpoken().anyMatch(report -> report.concern().holds() instanceof Hold.Everything);
    }

    private java.util.stream.Stream<SafetyReport> untilSpoken() {
        return open.stream().filter(report -> report.concern().level() == Level.HELD);
    }

    public boolean locked() {
        return level == Level.LOCKED;
    }

    /** Whether this exercise waits, whatever else may go on. */
    public boolean holds(Rung rung) {
        return (painTwice && !rung.fromDayOne())
                || open.stream().anyMatch(report -> report.concern().holds().holds(rung));
    }

    /** Answers that count in today's screening although nobody ticked them today. */
    public Set<Answer> answers() {
        Set<Answer> all = EnumSet.noneOf(Answer.class);
        open.forEach(report -> report.concern().asAnswer().ifPresent(all::add));
        return all;
    }

    /** Answers with which she goes on with changes, said on that day and not taken back. */
    public Set<Answer> adaptsOn(LocalDate day) {
        Set<Answer> all = EnumSet.noneOf(Answer.class);
        open.stream().filter(report -> report.at().toLocalDate().equals(day)).forEach(report -> {
            if (report.concern() instanceof Concern.Adapts adapts) {
                all.add(adapts.answer());
            }
        });
        return all;
    }

    /** Open reports that are this answer. */
    public List<SafetyReport> saying(Answer answer) {
        Concern said = Concern.of(answer);
        return open.stream().filter(report -> report.concern().equals(said)).toList();
    }

    /** The one to speak with her about first; empty where nothing waits for that. */
    public Optional<SafetyReport> speakAbout() {
        return untilSpoken()
                .findFirst()
                .or(() -> open.stream()
                        .filter(report -> painTwice && report.concern() instanceof Concern.PainAfterwards)
                        .findFirst());
    }

    /** Everything that waits for somebody to have spoken with her, in the order in which it stands. */
    public List<SafetyReport> toSpeakAbout() {
        List<SafetyReport> all = new ArrayList<>(untilSpoken().toList());
        open.stream()
                .filter(report -> painTwice && report.concern() instanceof Concern.PainAfterwards)
                .forEach(all::add);
        return List.copyOf(all);
    }

    /** One level easier on this day. */
    public boolean gently(LocalDate day) {
        return gentlyUntil != null && !day.isAfter(gentlyUntil);
    }
}

package fernstep.app.home;

import fernstep.core.findings.BodyPlace;
import fernstep.core.measure.Side;
import fernstep.core.progress.HomeReport;
import fernstep.core.schedule.DailyLife;
import fernstep.core.screening.Answer;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** One thing a client told on her home page; the id is made by her phone, so that the same one may come twice. */
sealed interface HomeEntry {
    UUID id();

    /** By her phone's clock, within the last four weeks. */
    LocalDateTime toldAt();

    /** Today's questions; none of them where the set is empty. */
    record Answered(UUID id, LocalDateTime toldAt, Set<Answer> answers) implements HomeEntry {}

    /**
     * How one exercise went.
     *
     * @param rangeFraction as it was planned, 0 to 1
     * @param effort 0 to 10; null where it was not told
     */
    record Exercise(
            UUID id,
            LocalDateTime toldAt,
            String rung,
            @Nullable Side side,
            HomeReport report,
            Felt felt,
            @Nullable Integer effort,
            double rangeFraction)
            implements HomeEntry {}

    /**
     * What she felt in it, as far as it bears on what is held.
     *
     * @param leaksMore new leaking, or more than before; what was not said counts as such
     * @param sharp sharp or stabbing pain
     * @param place where it hurts; null where she did not say
     * @param placeSide null for a place without sides
     */
    record Felt(
            boolean leaksMore,
            boolean sharp,
            @Nullable BodyPlace place,
            @Nullable Side placeSide) {}

    /** How she was the morning after a day of training. */
    record Morning(UUID id, LocalDateTime toldAt, LocalDate heldOn, Mornings.Felt felt) implements HomeEntry {}

    /** What she minded of her daily life that day. */
    record Daily(UUID id, LocalDateTime toldAt, Set<DailyLife> minded) implements HomeEntry {}
}

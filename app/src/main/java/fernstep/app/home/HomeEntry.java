package fernstep.app.home;

import fernstep.core.findings.SignCode;
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
            @Nullable Integer effort,
            double rangeFraction)
            implements HomeEntry {}

    /** How she was the morning after a day of training. */
    record Morning(
            UUID id,
            LocalDateTime toldAt,
            LocalDate heldOn,
            Set<SignCode> felt,
            @Nullable Integer painLevel) implements HomeEntry {}

    /** What she minded of her daily life that day. */
    record Daily(UUID id, LocalDateTime toldAt, Set<DailyLife> minded) implements HomeEntry {}
}

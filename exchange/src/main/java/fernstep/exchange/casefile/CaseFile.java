package fernstep.exchange.casefile;

import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.client.ClientFacts;
import fernstep.core.findings.Finding;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Amount;
import fernstep.core.progress.Progress;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** One client as she travels: who she is, how she is trained, what was checked, where she stands and how sessions went. */
public record CaseFile(
        Her her, Training training, List<Visited> visits, List<Standing> places, List<Trained> sessions) {
    public CaseFile {
        visits = List.copyOf(visits);
        places = List.copyOf(places);
        sessions = List.copyOf(sessions);
    }

    public record Her(String name, String note, @Nullable String dominantHand, ClientFacts facts) {}

    /** @param exercisesAtMost 2 to 10, or null for what her stance says */
    public record Training(
            Approach approach,
            Map<StanceChange, String> stanceChanges,
            int minutesPerDay,
            int daysPerWeek,
            @Nullable Integer exercisesAtMost,
            Progress.GrowFirst growFirst,
            Set<DayOfWeek> blockedDays,
            @Nullable Goal goal,
            @Nullable LocalDate goalDate) {}

    public record Visited(
            LocalDate date, boolean asked, Set<Answer> answers, List<Read> readings, List<Found> findings) {}

    /**
     * A reading of the separation.
     *
     * @param siteCm from the navel, upwards positive
     * @param values repeats, in the method's unit
     * @param depthMm null where it was not measured
     */
    public record Read(
            double siteCm,
            Condition condition,
            Method method,
            List<Double> values,
            @Nullable Double depthMm,
            @Nullable Depth depth,
            @Nullable Feel feel) {}

    public record Found(Finding finding, @Nullable Side side, String value) {}

    /** @param range 0 to 1 */
    public record Standing(
            Strand strand, @Nullable Side side, String rung, Dose dose, double range, LocalDate since, String change) {}

    public record Trained(LocalDate date, boolean atHome, List<Went> results) {}

    /**
     * How one rung and side went.
     *
     * @param effort 0 to 10, or null where it was not told
     * @param nextDay codes with commas, pain as PAIN:level; null where nothing was asked
     * @param signs written the same way
     * @param range 0 to 1
     * @param done how much of it; null where that is not on record
     * @param eased as it could be done clean; null where nothing was made easier
     */
    public record Went(
            String rung,
            @Nullable Side side,
            SessionResult.Kind result,
            @Nullable Integer effort,
            @Nullable String nextDay,
            String signs,
            double range,
            @Nullable Amount done,
            @Nullable WentEased eased) {

        /** All of her dose, and nothing made easier. */
        public Went(
                String rung,
                @Nullable Side side,
                SessionResult.Kind result,
                @Nullable Integer effort,
                @Nullable String nextDay,
                String signs,
                double range) {
            this(rung, side, result, effort, nextDay, signs, range, null, null);
        }
    }

    /**
     * How an exercise could be done clean after it was made easier, and the sign for which it was.
     *
     * @param because null where that is not on record
     */
    public record WentEased(CleanSetting setting, @Nullable SignCode because) {}
}

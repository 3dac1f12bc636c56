package fernstep.core.plan;

import fernstep.core.body.Capacity;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What she has done up to today.
 *
 * @param places where she stands, from progress; they replace the start from findings
 * @param log what was trained, any order
 * @param heldClean loads held clean
 * @param floorSymptoms leaking or heaviness told today or in the past four weeks
 * @param checkedOn the day of her latest findings; null where they are today's
 * @param loads under which she trained of late
 */
public record Training(
        List<Place> places,
        List<Trained> log,
        RungGates.History history,
        List<Capacity.Clean> heldClean,
        boolean floorSymptoms,
        LocalDate today,
        @Nullable LocalDate checkedOn,
        TrainedLoad loads) {
    private static final int IN_TRAINING_DAYS = 28;
    private static final int SESSIONS_LOOKED_AT = 2;

    /**
     * One rung and side in one session.
     *
     * @param strand it was trained for
     * @param clean without any help
     * @param clearly signs seen clearly
     */
    public record Trained(
            Strand strand, String rung, @Nullable Side side, LocalDate date, boolean clean, Set<SignCode> clearly) {
        public Trained {
            clearly = Set.copyOf(clearly);
        }
    }

    /** With findings of today. */
    public Training(
            List<Place> places,
            List<Trained> log,
            RungGates.History history,
            List<Capacity.Clean> heldClean,
            boolean floorSymptoms,
            LocalDate today) {
        this(places, log, history, heldClean, floorSymptoms, today, null, TrainedLoad.NONE);
    }

    public Training {
        places = List.copyOf(places);
        log = List.copyOf(log);
        heldClean = List.copyOf(heldClean);
    }

    /** Nothing done yet. */
    public static Training none(LocalDate today) {
        return new Training(List.of(), List.of(), RungGates.History.NONE, List.of(), false, today);
    }

    public Training with(List<Place> others) {
        return new Training(others, log, history, heldClean, floorSymptoms, today, checkedOn, loads);
    }

    Optional<LocalDate> lastTrained(Strand strand) {
        return log.stream()
                .filter(trained -> trained.strand() == strand && !trained.date().isAfter(today))
                .map(Trained::date)
                .max(Comparator.naturalOrder());
    }

    /** Trained in the past four weeks. */
    boolean inTraining(Strand strand) {
        return lastTrained(strand).map(this::ofLate).orElse(false);
    }

    /** What her check showed clean counts as trained for as long. */
    boolean checkedOfLate() {
        return checkedOn == null || ofLate(checkedOn);
    }

    private boolean ofLate(LocalDate day) {
        return ChronoUnit.DAYS.between(day, today) < IN_TRAINING_DAYS;
    }

    /** Trained once, or given in a plan that was used. */
    boolean begun(Strand strand) {
        return lastTrained(strand).isPresent() || places.stream().anyMatch(place -> place.strand() == strand);
    }

    /** Held clean on that side in some session. */
    boolean heldClean(String rung, Side side) {
        return log.stream()
                .anyMatch(trained -> trained.clean()
                        && trained.rung().equals(rung)
                        && (trained.side() == null || trained.side() == side));
    }

    /** In one of the last two sessions of anything. */
    boolean seenClearlyOfLate(SignCode sign) {
        List<LocalDate> days = log.stream()
                .map(Trained::date)
                .distinct()
                .sorted(Comparator.reverseOrder())
                .limit(SESSIONS_LOOKED_AT)
                .toList();
        return log.stream()
                .anyMatch(trained ->
                        days.contains(trained.date()) && trained.clearly().contains(sign));
    }
}

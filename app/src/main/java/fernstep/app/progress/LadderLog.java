package fernstep.app.progress;

import fernstep.core.body.Capacity;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.plan.Eased;
import fernstep.core.plan.Place;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.TrainedLoad;
import fernstep.core.plan.Training;
import fernstep.core.progress.Progress;
import fernstep.core.progress.StillEased;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What her log says, read once.
 *
 * @param heldClean loads she has held clean in the past year
 * @param eased what was made easier and where it still is
 * @param checkedOn the day of her latest findings; null where there are none
 * @param loads under which she trained
 */
public record LadderLog(
        List<LadderRow> steps,
        List<ResultRow> results,
        RungGates.History history,
        List<Capacity.Clean> heldClean,
        EasedLog eased,
        @Nullable LocalDate checkedOn,
        TrainedLoad loads) {
    private static final int SYMPTOM_DAYS = 28;

    public List<Place> places() {
        return steps.stream().map(step -> step.asPlace(easedOf(step))).toList();
    }

    /** How it is still to begin easier; empty where it begins as planned. */
    public Optional<StillEased> easedOn(LadderRow step) {
        return eased.on(step);
    }

    private @Nullable Eased easedOf(LadderRow step) {
        return easedOn(step).map(StillEased::eased).orElse(null);
    }

    /** On how many days of the past four weeks a session was followed by what holds everything. */
    public int symptomDays(LocalDate today) {
        return (int) symptoms(today).distinct().count();
    }

    /** As the plan reads it. */
    public Training training(Catalogue catalogue, LocalDate today, boolean told) {
        return new Training(
                places(),
                results.stream()
                        .flatMap(row -> row.asTrained(catalogue).stream())
                        .toList(),
                history,
                heldClean,
                told || floorSymptoms(today),
                today,
                checkedOn,
                loads);
    }

    /** What followed her sessions, of whatever rung. */
    Progress.DayAfter dayAfter(LocalDate today, @Nullable LocalDate seenOn) {
        LocalDate last = results.stream()
                .map(ResultRow::heldOn)
                .max(LocalDate::compareTo)
                .orElse(LocalDate.MIN);
        Set<LocalDate> days = symptoms(today)
                .filter(day -> seenOn == null || !day.isBefore(seenOn))
                .collect(Collectors.toSet());
        return new Progress.DayAfter(
                days.contains(last),
                days.size(),
                seenOn,
                days.stream().max(LocalDate::compareTo).orElse(null));
    }

    private Stream<LocalDate> symptoms(LocalDate today) {
        return results.stream()
                .filter(row -> row.heldOn().isAfter(today.minusDays(SYMPTOM_DAYS)) && row.holdsEverything())
                .map(ResultRow::heldOn);
    }

    /** Leaking or heaviness in the past four weeks: the pelvic floor comes early. */
    public boolean floorSymptoms(LocalDate today) {
        return results.stream()
                .filter(row -> row.heldOn().isAfter(today.minusDays(SYMPTOM_DAYS)))
                .anyMatch(ResultRow::floorSymptom);
    }
}

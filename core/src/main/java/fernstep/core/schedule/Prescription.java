package fernstep.core.schedule;

import fernstep.core.body.Body;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Clearance;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Adaptations;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import fernstep.core.screening.Screening;
import fernstep.core.standing.Permission;
import fernstep.core.standing.Standing;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What she is to do: the plan as it was adopted, less what may not be done today. Worked out once, and read by everything
 * that shows, prints, sends or paces her exercises, so that all of them say the same.
 *
 * @param adopted as it was signed
 * @param plan what is left of it to do
 * @param since when it was adopted; null where no plan was yet: then it is what would be proposed
 * @param mayTrain whether anything of it is begun
 * @param withheld what was adopted and waits, each once, with the reason
 * @param blocked weekdays on which she does not train
 */
public record Prescription(
        Plan adopted,
        Plan plan,
        @Nullable LocalDateTime since,
        Permission mayTrain,
        List<Withheld> withheld,
        Set<DayOfWeek> blocked) {

    public Prescription {
        withheld = List.copyOf(withheld);
        blocked = Set.copyOf(blocked);
    }

    /** An exercise that waits, and for what. */
    public record Withheld(PlanItem item, Reason why) {}

    /** What holds today. */
    public record Today(RungGates.Known known, Screening screening, Standing standing, Body body, LocalDate date) {}

    /**
     * @param adopted as it was signed, however long ago: what has closed since is taken out, nothing is put in
     * @param since when; null where it is only proposed
     */
    public static Prescription of(Plan adopted, @Nullable LocalDateTime since, Set<DayOfWeek> blocked, Today today) {
        Map<PlanItem, Reason> waits = new LinkedHashMap<>();
        adopted.items().forEach(item -> why(item, today).ifPresent(reason -> waits.put(item, reason)));
        Plan left = adopted.keeping(item -> !waits.containsKey(item));
        Plan adapted = Adaptations.of(today.screening()).on(left, today.body());
        Plan toDo = today.standing().gently(today.date()) ? adapted.each(item -> item.gentler(today.body())) : adapted;
        List<Withheld> withheld = new ArrayList<>();
        waits.forEach((item, reason) -> withheld.add(new Withheld(item, reason)));
        return new Prescription(adopted, toDo, since, today.standing().mayTrain(), withheld, blocked);
    }

    private static Optional<Reason> why(PlanItem item, Today today) {
        Rung rung = item.rung();
        if (today.standing().holds(rung)) {
            return Optional.of(Reason.of("withheld.untilSpoken"));
        }
        Optional<Reason> position =
                rung.closedBy(today.screening().closed()).map(closed -> Reason.of("withheld.position", closed));
        return position.isPresent()
                ? position
                : RungGates.closedToday(rung, item.side(), today.known()).stream()
                        .findFirst()
                        .map(Waiting::reason);
    }

    /**
     * What is done on a day.
     *
     * @param named "A" or "B"; null for the one whose turn it is
     */
    public List<PlanItem> session(LocalDate day, @Nullable String named) {
        return mayTrain.opensSession() ? sessionOf(day, named).items() : List.of();
    }

    /** "A" or "B"; null where all days are alike. */
    public @Nullable String name(LocalDate day) {
        return plan.days().size() < 2 ? null : sessionOf(day, null).name();
    }

    private Plan.Day sessionOf(LocalDate day, @Nullable String named) {
        return plan.days().stream()
                .filter(session -> session.name().equals(named))
                .findFirst()
                .orElseGet(() -> plan.days()
                        .get(SessionCalendar.turn(day, trainingDays())
                                % plan.days().size()));
    }

    /** Weekdays on which she trains. */
    public Set<DayOfWeek> trainingDays() {
        return TrainingDays.of(adopted.daysPerWeek().orElse(1), blocked);
    }

    /**
     * Day by day; while nothing may be begun, the days of its sessions are held.
     *
     * @param screening today's, for the gates that open
     * @param today from this day on sessions are held; the days before are as they were
     */
    public SessionCalendar calendar(
            Screening screening, List<Clearance> clearances, LocalDate today, LocalDate from, LocalDate to) {
        return mayTrain.opensSession()
                ? SessionCalendar.of(plan, blocked, screening, clearances, from, to)
                : SessionCalendar.of(adopted, blocked, screening, clearances, from, to)
                        .heldFrom(today);
    }
}

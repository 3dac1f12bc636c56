package fernstep.core.client;

import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What the rules need to know about her.
 *
 * @param dueDate required when pregnant
 * @param births all of them, any order; at least one when postnatal
 * @param surgeries all abdominal operations, any order; at least one for ABDOMINAL_SURGERY
 * @param heightCm 120 to 220, or null (assumed later, and marked so)
 * @param massKg 25 to 250, or null
 * @param age years, 12 to 100, or null
 */
public record ClientFacts(
        Status status,
        @Nullable LocalDate dueDate,
        List<Birth> births,
        List<Surgery> surgeries,
        List<Clearance> clearances,
        @Nullable Double heightCm,
        @Nullable Double massKg,
        @Nullable Integer age,
        Set<Restriction> restrictions) {

    public static final int PREGNANCY_DAYS = 280;
    /** A due date further ahead than this cannot be. */
    public static final int DUE_DATE_DAYS_AHEAD = 300;
    /** So long past the due date somebody forgot to record the birth. */
    public static final int DUE_DATE_DAYS_PAST = 28;

    /** @throws fernstep.core.measure.OutOfRange outside the ranges above */
    public ClientFacts {
        births = List.copyOf(births);
        surgeries = List.copyOf(surgeries);
        clearances = List.copyOf(clearances);
        restrictions = Set.copyOf(restrictions);
        if (heightCm != null) {
            Range.HEIGHT_CM.check(heightCm);
        }
        if (massKg != null) {
            Range.MASS_KG.check(massKg);
        }
        if (age != null) {
            Range.AGE_YEARS.check(age);
        }
    }

    /** What contradicts itself or the calendar, or nothing. The first problem found, by field. */
    public Optional<FactProblem> problem(LocalDate today) {
        return switch (status) {
            case PREGNANT ->
                dueDate == null
                        ? Optional.of(
                                new FactProblem("dueDate", Reason.of("fact.dueDateNeeded"), Reason.of("fact.aDate")))
                        : dueDateProblem(dueDate, today).or(() -> eventProblem(today));
            case POSTNATAL ->
                births.isEmpty()
                        ? Optional.of(new FactProblem(
                                "birthDate",
                                Reason.of("fact.birthNeeded"),
                                Reason.of("fact.aDateUpTo", today.toString())))
                        : eventProblem(today);
            case ABDOMINAL_SURGERY ->
                surgeries.isEmpty()
                        ? Optional.of(new FactProblem(
                                "surgeries",
                                Reason.of("fact.operationNeeded"),
                                Reason.of("fact.oneOrMoreUpTo", today.toString())))
                        : eventProblem(today);
            case GENERAL ->
                !events().isEmpty()
                        ? Optional.of(new FactProblem(
                                "status",
                                Reason.of("fact.generalHasNoEvent"),
                                Reason.of(
                                        "fact.otherThanGeneral",
                                        Status.POSTNATAL.name(),
                                        Status.ABDOMINAL_SURGERY.name())))
                        : Optional.empty();
        };
    }

    private static Optional<FactProblem> dueDateProblem(LocalDate dueDate, LocalDate today) {
        LocalDate first = today.minusDays(DUE_DATE_DAYS_PAST);
        LocalDate last = today.plusDays(DUE_DATE_DAYS_AHEAD);
        return dueDate.isBefore(first) || dueDate.isAfter(last)
                ? Optional.of(new FactProblem(
                        "dueDate",
                        Reason.of("fact.dueDateWas", dueDate.toString()),
                        Reason.of("fact.fromTo", first.toString(), last.toString())))
                : Optional.empty();
    }

    private Optional<FactProblem> eventProblem(LocalDate today) {
        if (births.stream().anyMatch(birth -> birth.date().isAfter(today))) {
            return Optional.of(new FactProblem(
                    "birthDate", Reason.of("fact.birthAhead"), Reason.of("fact.upTo", today.toString())));
        }
        return surgeries.stream().anyMatch(surgery -> surgery.date().isAfter(today))
                ? Optional.of(new FactProblem(
                        "surgeries", Reason.of("fact.operationAhead"), Reason.of("fact.upTo", today.toString())))
                : Optional.empty();
    }

    /** A field, what is wrong with it, and what it may be. */
    public record FactProblem(String field, Reason what, Reason allowed) {}

    public boolean pregnant() {
        return status == Status.PREGNANT;
    }

    /** Births and operations, oldest first. */
    public List<BodyEvent> events() {
        return Stream.concat(
                        births.stream().map(Birth::asEvent),
                        surgeries.stream()
                                .map(surgery -> new BodyEvent(BodyEvent.Kind.SURGERY, surgery.date(), surgery.what())))
                .sorted(Comparator.comparing(BodyEvent::date))
                .toList();
    }

    public Optional<BodyEvent> latestEvent() {
        List<BodyEvent> events = events();
        return events.isEmpty() ? Optional.empty() : Optional.of(events.get(events.size() - 1));
    }

    public Optional<Birth> latestBirth() {
        return births.stream().max(Comparator.comparing(Birth::date));
    }

    /** Gestational age in whole days by the 280-day rule; never below 0. Empty when not pregnant. */
    public Optional<Integer> gestationDays(LocalDate today) {
        if (!pregnant() || dueDate == null) {
            return Optional.empty();
        }
        long days = PREGNANCY_DAYS - java.time.temporal.ChronoUnit.DAYS.between(today, dueDate);
        return Optional.of((int) Math.max(0, days));
    }

    /** The day from which a clearance counts: the latest event, or the start of this pregnancy if that is later. */
    public LocalDate clearancesCountSince() {
        LocalDate event = latestEvent().map(BodyEvent::date).orElse(LocalDate.MIN);
        LocalDate pregnancy = pregnant() && dueDate != null ? dueDate.minusDays(PREGNANCY_DAYS) : LocalDate.MIN;
        return event.isAfter(pregnancy) ? event : pregnancy;
    }

    public boolean cleared(Clearance.Scope scope, LocalDate today) {
        LocalDate since = clearancesCountSince();
        return clearances.stream()
                .anyMatch(clearance -> clearance.scope().includes(scope) && clearance.counts(since, today));
    }

    /** Cleared for exercise, or there is nothing to be cleared of. */
    public boolean mayExercise(LocalDate today) {
        return (!pregnant() && events().isEmpty()) || cleared(Clearance.Scope.EXERCISE, today);
    }

    public ClientFacts withRestrictions(Set<Restriction> more) {
        Set<Restriction> all = EnumSet.noneOf(Restriction.class);
        all.addAll(restrictions);
        all.addAll(more);
        return new ClientFacts(status, dueDate, births, surgeries, clearances, heightCm, massKg, age, all);
    }
}

package fernstep.core.screening;

import fernstep.core.approach.Stances;
import fernstep.core.client.BodyEvent;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** May she train today. {@link #of} is the one entry. */
public record Screening(
        Outcome outcome,
        List<Finding> reasons,
        Stage stage,
        List<DerivedRestriction> restrictions,
        Map<GateCode, Gate> gates,
        Set<Strand> allowedStrands,
        @Nullable LocalDate recheckDue) {

    public static final int RECHECK_DAYS = 42;
    private static final int TEAR_DAYS = 84;
    /** So long after an operation, or a caesarean, nothing is loaded before somebody has cleared her. */
    private static final int UNCLEARED_OPERATION_DAYS = 56;

    private static final int UNCLEARED_CAESAREAN_DAYS = 42;

    /** One reason for the outcome; {@code fromFacts} when her record says it although nobody ticked it today. */
    public record Finding(Answer answer, boolean fromFacts) {}

    /** It closes no position, gate or strand that the other does not: the same may be planned. */
    public boolean opensAlike(Screening other) {
        return restrictions.equals(other.restrictions)
                && gates.equals(other.gates)
                && allowedStrands.equals(other.allowedStrands);
    }

    /** A closed position: recorded for her, or derived today with the reason. */
    public record DerivedRestriction(Restriction code, boolean derived, Reason reason) {}

    /**
     * The question put to the rules.
     *
     * @param lastSeparationCheck the day of the last one, or null
     * @param askFirstOverridden a therapist has written why today may go on in spite of an ask-first answer
     * @param liftedRestrictions derived restrictions a therapist has lifted, with a reason kept elsewhere
     */
    public record Question(
            ClientFacts facts,
            Set<Answer> answers,
            Stances stances,
            LocalDate today,
            @Nullable LocalDate lastSeparationCheck,
            boolean askFirstOverridden,
            Set<Restriction> liftedRestrictions) {

        public static Question of(ClientFacts facts, Collection<Answer> answers, Stances stances, LocalDate today) {
            Set<Answer> set = EnumSet.noneOf(Answer.class);
            set.addAll(answers);
            return new Question(facts, set, stances, today, null, false, Set.of());
        }

        public Question withLastCheck(@Nullable LocalDate last) {
            return new Question(facts, answers, stances, today, last, askFirstOverridden, liftedRestrictions);
        }

        public Question withOverrides(boolean askFirst, Set<Restriction> lifted) {
            return new Question(facts, answers, stances, today, lastSeparationCheck, askFirst, lifted);
        }
    }

    public static Screening of(Question question) {
        List<Finding> findings = findings(question);
        Outcome outcome = outcome(findings, question);
        Outcome saidToday =
                outcome(findings.stream().filter(found -> !found.fromFacts()).toList(), question);
        Map<GateCode, Gate> gates = Gates.of(question, outcome, saidToday);
        return new Screening(
                outcome,
                findings,
                Stage.of(question.facts(), question.today()),
                restrictions(question),
                gates,
                allowed(outcome, question, gates),
                recheckDue(question, gates));
    }

    private static Outcome outcome(List<Finding> findings, Question question) {
        Outcome strongest = findings.stream()
                .map(found -> found.answer().leadsTo())
                .min(Comparator.naturalOrder())
                .orElse(Outcome.GO);
        return strongest == Outcome.ASK_FIRST && question.askFirstOverridden() ? Outcome.ADAPT : strongest;
    }

    public boolean open(GateCode code) {
        Gate gate = gates.get(code);
        return gate != null && gate.open();
    }

    /** Something she says closes today, not her record alone. */
    public boolean closedByWhatSheSays() {
        return outcome.closesGates()
                && reasons.stream()
                        .anyMatch(found ->
                                !found.fromFacts() && found.answer().leadsTo().closesGates());
    }

    public boolean refersNow() {
        return outcome == Outcome.REFER_NOW;
    }

    public boolean asksFirst() {
        return outcome == Outcome.ASK_FIRST;
    }

    /** An emergency, or the day of the birth or operation itself. */
    public boolean nothingAllowed() {
        return allowedStrands.isEmpty();
    }

    /** Every position closed today, recorded or derived. */
    public Set<Restriction> closed() {
        Set<Restriction> all = EnumSet.noneOf(Restriction.class);
        restrictions.forEach(restriction -> all.add(restriction.code()));
        return all;
    }

    private static List<Finding> findings(Question question) {
        List<Finding> found = new ArrayList<>();
        question.answers().forEach(answer -> found.add(new Finding(answer, false)));
        boolean freshSevereTear = question.facts().births().stream()
                .anyMatch(birth -> birth.severelyTorn()
                        && question.today().isBefore(birth.date().plusDays(TEAR_DAYS)));
        if (freshSevereTear && !question.answers().contains(Answer.TEAR_RECENT)) {
            found.add(new Finding(Answer.TEAR_RECENT, true));
        }
        if (freshOperationWithoutClearance(question) && !question.answers().contains(Answer.SURGEON_NOT_CLEARED)) {
            found.add(new Finding(Answer.SURGEON_NOT_CLEARED, true));
        }
        found.sort(Comparator.comparing(Finding::answer));
        return List.copyOf(found);
    }

    /** A clearance of whatever scope counts, if it was given after the operation and has not run out. */
    private static boolean freshOperationWithoutClearance(Question question) {
        boolean cleared = question.facts().clearances().stream()
                .anyMatch(clearance -> clearance.counts(question.facts().clearancesCountSince(), question.today()));
        return !cleared
                && question.facts().events().stream()
                        .filter(event -> event.kind().opensTheWall())
                        .anyMatch(event -> question.today()
                                .isBefore(event.date()
                                        .plusDays(
                                                event.kind() == BodyEvent.Kind.CAESAREAN
                                                        ? UNCLEARED_CAESAREAN_DAYS
                                                        : UNCLEARED_OPERATION_DAYS)));
    }

    private static List<DerivedRestriction> restrictions(Question question) {
        Map<Restriction, DerivedRestriction> all = new LinkedHashMap<>();
        EnumSet.copyOf(
                        question.facts().restrictions().isEmpty()
                                ? EnumSet.noneOf(Restriction.class)
                                : question.facts().restrictions())
                .forEach(restriction -> all.put(
                        restriction, new DerivedRestriction(restriction, false, Reason.of("restriction.recorded"))));
        derived(question).forEach(restriction -> {
            if (!question.liftedRestrictions().contains(restriction.code())) {
                all.putIfAbsent(restriction.code(), restriction);
            }
        });
        return List.copyOf(all.values());
    }

    private static List<DerivedRestriction> derived(Question question) {
        List<DerivedRestriction> found = new ArrayList<>();
        Optional<Integer> week =
                question.facts().gestationDays(question.today()).map(gestationDay -> gestationDay / 7);
        week.filter(number -> number >= 12)
                .ifPresent(number -> found.add(derived(Restriction.NO_PRONE, "restriction.pregnant.prone", number)));
        week.filter(number -> number >= 16 && number < 20)
                .ifPresent(number ->
                        found.add(derived(Restriction.SUPINE_LIMITED, "restriction.pregnant.limited", number)));
        week.filter(number -> number >= 20)
                .ifPresent(number ->
                        found.add(derived(Restriction.SUPINE_INCLINED, "restriction.pregnant.inclined", number)));
        question.facts().events().stream()
                .filter(event -> event.kind() == BodyEvent.Kind.CAESAREAN)
                .filter(event -> question.today().isBefore(event.date().plusDays(Gates.WALL_LOADED_DAYS)))
                .findFirst()
                .ifPresent(event -> found.add(derived(
                        Restriction.NO_PRONE,
                        "restriction.caesarean.prone",
                        event.date().plusDays(Gates.WALL_LOADED_DAYS))));
        question.answers()
                .forEach(answer -> answer.closesToday()
                        .ifPresent(restriction -> found.add(
                                new DerivedRestriction(restriction, true, Reason.of("restriction.answer", answer)))));
        return found;
    }

    private static DerivedRestriction derived(Restriction code, String key, Object fact) {
        return new DerivedRestriction(code, true, Reason.of(key, fact));
    }

    private static Set<Strand> allowed(Outcome outcome, Question question, Map<GateCode, Gate> gates) {
        Set<Strand> allowed = EnumSet.noneOf(Strand.class);
        boolean bornToday = !question.facts().pregnant()
                && question.facts()
                        .latestEvent()
                        .map(event -> !event.date().isBefore(question.today()))
                        .orElse(false);
        if (outcome == Outcome.REFER_NOW || bornToday) {
            return allowed;
        }
        for (Strand strand : Strand.values()) {
            boolean open = strand.opensWith()
                    .map(code -> {
                        Gate gate = gates.get(code);
                        return gate != null && gate.open();
                    })
                    .orElse(true);
            if (open || strand.fromDayOne()) {
                allowed.add(strand);
            }
        }
        return allowed;
    }

    private static @Nullable LocalDate recheckDue(Question question, Map<GateCode, Gate> gates) {
        if (question.lastSeparationCheck() != null) {
            return question.lastSeparationCheck().plusDays(RECHECK_DAYS);
        }
        Gate check = gates.get(GateCode.SEPARATION_CHECK);
        if (check == null || (!check.open() && check.opensOn() == null)) {
            return null;
        }
        LocalDate opens = check.opensOn();
        return opens != null && opens.isAfter(question.today()) ? opens : question.today();
    }
}

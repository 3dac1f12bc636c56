package fernstep.exchange.eval;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.ClientFacts;
import fernstep.core.findings.Findings;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Place;
import fernstep.core.plan.Plan;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Training;
import fernstep.core.plan.Wishes;
import fernstep.core.progress.SessionResult;
import fernstep.core.progress.TrainingWeeks;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.casefile.ClientReader;
import fernstep.exchange.casefile.FindingsReader;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The question for a plan, which a forecast asks too.
 *
 * @param cleared for exercise today
 */
record PlanRequest(
        Plan.Question question,
        ClientFacts facts,
        LocalDate today,
        Set<DayOfWeek> blocked,
        boolean cleared,
        List<SessionResult> results) {
    private static final Set<Answer> FLOOR = EnumSet.of(Answer.LEAK_EFFORT, Answer.HEAVINESS);
    private static final Set<SignCode> FLOOR_SIGNS = EnumSet.of(SignCode.LEAK, SignCode.HEAVY);
    private static final int SYMPTOM_DAYS = 28;
    private static final double DAYS_PER_WEEK = 7.0;

    /** Weekdays as requests write them. */
    enum Weekday {
        MON,
        TUE,
        WED,
        THU,
        FRI,
        SAT,
        SUN;

        DayOfWeek day() {
            return DayOfWeek.of(ordinal() + 1);
        }
    }

    /** One line of the log. */
    private record Logged(Rung rung, @Nullable Side side, SessionResult result) {}

    /** Reads its own fields and leaves the others to the operation. */
    static PlanRequest read(CaseObject request, Catalogue catalogue) {
        LocalDate today = request.date("today");
        ClientFacts facts = ClientReader.client(request.object("client"), today);
        Set<Answer> answers = request.codes("answers", Answer.class);
        Stances stances = ClientReader.stances(request);
        Optional<CaseObject> checks = request.optionalObject("checks");
        boolean widthsRead =
                checks.map(object -> !object.objects("readings").isEmpty()).orElse(false);
        LocalDate lastCheck = request.optionalDate("lastSeparationCheck").orElse(widthsRead ? today : null);
        Findings findings = checks.map(PlanRequest::findings).orElse(Findings.NONE);
        Set<DayOfWeek> blocked = EnumSet.noneOf(DayOfWeek.class);
        request.codes("blockedDays", Weekday.class).forEach(code -> blocked.add(code.day()));
        if (blocked.size() == DayOfWeek.values().length) {
            throw request.problem("blockedDays", "one day of the week must be left", "at most six days");
        }
        Wishes wishes = new Wishes(
                stances,
                request.whole("minutesPerDay", Range.MINUTES_PER_DAY),
                request.optionalWhole("daysPerWeek", Range.DAYS_PER_WEEK).orElse((int) DAYS_PER_WEEK),
                blocked,
                request.optionalWhole("size", Range.SIZE).orElse(null),
                request.optionalCode("goal", Goal.class).orElse(null),
                List.of());
        Body body = Body.of(facts.massKg(), facts.heightCm());
        Body bodyToday = facts.gestationDays(today)
                .map(gestationDay -> body.pregnant(gestationDay / DAYS_PER_WEEK))
                .orElse(body);
        List<Place> places = request.objects("places").stream()
                .map(object -> place(object, catalogue))
                .toList();
        List<Logged> log = request.objects("log").stream()
                .map(object -> logged(object, catalogue, today))
                .toList();
        boolean told = answers.stream().anyMatch(FLOOR::contains) || floorSymptoms(log, today);
        List<SessionResult> results = log.stream().map(Logged::result).toList();
        int planned = Math.min(wishes.daysAtMost(), DoseRules.daysPerWeek(stances.dose()));
        int cleanWeeks =
                request.optionalWhole("cleanWeeks", Range.WEEKS).orElse(TrainingWeeks.clean(results, planned, today));
        List<Place> standing = withLogged(places, log, catalogue, stances, bodyToday, findings);
        Training training = new Training(
                standing,
                log.stream().map(PlanRequest::trained).toList(),
                new RungGates.History(cleanWeeks, Map.of()),
                heldClean(log, standing, bodyToday),
                told,
                today);
        Screening screening = Screening.of(
                Screening.Question.of(facts, answers, stances, today).withLastCheck(lastCheck));
        Plan.Question question = new Plan.Question(
                catalogue, new Plan.Her(screening, facts.pregnant(), findings, bodyToday), training, wishes);
        return new PlanRequest(question, facts, today, blocked, facts.mayExercise(today), results);
    }

    private static Logged logged(CaseObject object, Catalogue catalogue, LocalDate today) {
        Rung rung = RungReader.read(object, "rung", catalogue);
        Side side = object.optionalCode("side", Side.class).orElse(null);
        return new Logged(rung, side, ProgressOp.result(object, today));
    }

    private static Training.Trained trained(Logged logged) {
        return new Training.Trained(
                logged.rung().strand(),
                logged.rung().code(),
                logged.side(),
                logged.result().date(),
                logged.result().kind() == SessionResult.Kind.CLEAN,
                Set.of());
    }

    private static boolean floorSymptoms(List<Logged> log, LocalDate today) {
        return log.stream()
                .filter(logged -> logged.result().date().isAfter(today.minusDays(SYMPTOM_DAYS)))
                .flatMap(logged ->
                        logged.result().nextDay() == null ? Stream.empty() : logged.result().nextDay().stream())
                .anyMatch(symptom -> FLOOR_SIGNS.contains(symptom.code()));
    }

    /** Where nothing says where she stands, the newest line of the log of a strand and side does. */
    private static List<Place> withLogged(
            List<Place> places, List<Logged> log, Catalogue catalogue, Stances stances, Body body, Findings findings) {
        List<Place> all = new ArrayList<>(places);
        log.stream()
                .sorted(Comparator.comparing((Logged logged) -> logged.result().date())
                        .reversed())
                .filter(logged -> all.stream()
                        .noneMatch(place -> place.strand() == logged.rung().strand()
                                && (place.side() == logged.side() || place.side() == null || logged.side() == null)))
                .forEach(logged -> {
                    boolean back = logged.result().kind().compareTo(SessionResult.Kind.STEPPED_BACK) >= 0;
                    Rung on = back ? catalogue.previous(logged.rung()).orElse(logged.rung()) : logged.rung();
                    double range = catalogue
                            .previous(on)
                            .filter(rung -> rung.family() != null)
                            .map(rung -> Plan.firstRange(on, body, rung.indexAt(1, body)))
                            .orElse(on.hasRange() ? 0.0 : 1.0);
                    all.add(new Place(
                            on.strand(),
                            on.perSide() ? logged.side() : null,
                            on.code(),
                            Plan.firstDose(on, stances.dose(), findings, logged.side()),
                            range,
                            Reason.of("why.progress")));
                });
        return all;
    }

    private static List<Capacity.Clean> heldClean(List<Logged> log, List<Place> places, Body body) {
        return log.stream()
                .filter(logged ->
                        logged.rung().family() != null && logged.result().kind() == SessionResult.Kind.CLEAN)
                .map(logged -> {
                    double range = places.stream()
                            .filter(place -> place.rung().equals(logged.rung().code()) && place.side() == logged.side())
                            .mapToDouble(Place::range)
                            .findFirst()
                            .orElse(1);
                    return new Capacity.Clean(
                            logged.result().date(),
                            logged.rung().family(),
                            logged.side(),
                            logged.rung().indexAt(range, body),
                            null);
                })
                .toList();
    }

    private static Place place(CaseObject object, Catalogue catalogue) {
        Rung rung = RungReader.read(object, "rung", catalogue);
        Place place = new Place(
                object.optionalCode("strand", Strand.class).orElse(rung.strand()),
                object.optionalCode("side", Side.class).orElse(null),
                rung.code(),
                ProgressOp.dose(object.object("dose")),
                object.optionalNumber("range", Range.RANGE_FRACTION).orElse(1.0),
                Reason.of("why.progress"));
        object.nothingElse();
        return place;
    }

    private static Findings findings(CaseObject object) {
        object.objects("readings").forEach(SeparationOp::reading);
        Findings findings = FindingsReader.read(object);
        object.nothingElse();
        return findings;
    }
}

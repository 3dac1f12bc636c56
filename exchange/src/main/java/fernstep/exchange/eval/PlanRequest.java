package fernstep.exchange.eval;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.ClientFacts;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Place;
import fernstep.core.plan.Plan;
import fernstep.core.plan.RungGates;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.casefile.ClientReader;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The question for a plan, which a forecast asks too.
 *
 * @param cleared for exercise today
 */
record PlanRequest(
        Plan.Question question, ClientFacts facts, LocalDate today, Set<DayOfWeek> blocked, boolean cleared) {
    private static final Set<Answer> FLOOR = EnumSet.of(Answer.LEAK_EFFORT, Answer.HEAVINESS);
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

    /** Reads its own fields and leaves the others to the operation. */
    static PlanRequest read(CaseObject request, Catalogue catalogue) {
        LocalDate today = request.date("today");
        ClientFacts facts = ClientReader.client(request.object("client"), today);
        Set<Answer> answers = request.codes("answers", Answer.class);
        Stances stances = ClientReader.stances(request);
        Optional<CaseObject> checks = request.optionalObject("checks");
        boolean widthsRead = checks.map(c -> !c.objects("readings").isEmpty()).orElse(false);
        LocalDate lastCheck = request.optionalDate("lastSeparationCheck").orElse(widthsRead ? today : null);
        Findings findings = checks.map(PlanRequest::findings).orElse(Findings.NONE);
        int minutes = request.whole("minutesPerDay", Range.MINUTES_PER_DAY);
        int days = request.optionalWhole("daysPerWeek", Range.DAYS_PER_WEEK).orElse(7);
        Set<DayOfWeek> blocked = EnumSet.noneOf(DayOfWeek.class);
        request.codes("blockedDays", Weekday.class).forEach(w -> blocked.add(w.day()));
        if (blocked.size() == DayOfWeek.values().length) {
            throw request.problem("blockedDays", "one day of the week must be left", "at most six days");
        }
        Body body = Body.of(facts.massKg(), facts.heightCm());
        Body today1 = facts.gestationDays(today)
                .map(d -> body.pregnant(d / DAYS_PER_WEEK))
                .orElse(body);
        List<Place> places =
                request.objects("places").stream().map(p -> place(p, catalogue)).toList();
        Plan.Question question = new Plan.Question(
                catalogue,
                Screening.of(
                        Screening.Question.of(facts, answers, stances, today).withLastCheck(lastCheck)),
                facts.pregnant(),
                stances,
                findings,
                today1,
                places,
                minutes,
                days,
                DayOfWeek.values().length - blocked.size(),
                answers.stream().anyMatch(FLOOR::contains),
                history(request),
                List.of());
        return new PlanRequest(question, facts, today, blocked, facts.mayExercise(today));
    }

    private static RungGates.History history(CaseObject request) {
        return new RungGates.History(
                request.optionalWhole("cleanWeeks", Range.WEEKS).orElse(0), Map.of());
    }

    private static Place place(CaseObject p, Catalogue catalogue) {
        Rung rung = RungReader.read(p, "rung", catalogue);
        Place place = new Place(
                p.optionalCode("strand", Strand.class).orElse(rung.strand()),
                p.optionalCode("side", Side.class).orElse(null),
                rung.code(),
                ProgressOp.dose(p.object("dose")),
                p.optionalNumber("range", Range.RANGE_FRACTION).orElse(1.0),
                Reason.of("why.progress"));
        p.nothingElse();
        return place;
    }

    private static Findings findings(CaseObject c) {
        Set<Side> kept = kept(c);
        c.objects("readings").forEach(SeparationOp::reading);
        Findings findings = new Findings(
                c.optionalCode("cough", Findings.Cough.class).orElse(null),
                sides(c, "setGrade", Range.SET_GRADE),
                c.optionalWhole("toleranceBreaths", Range.BREATHS).orElse(null),
                c.optionalCode("breathPattern", Findings.BreathPattern.class).orElse(null),
                sides(c, "floatScore", Range.FLOAT_SCORE),
                c.optionalCode("lumbarGap", Findings.LumbarGap.class).orElse(null),
                c.optionalCode("ribs", Findings.RibsOverPelvis.class).orElse(null),
                c.optionalCode("doming", Findings.Doming.class).orElse(null),
                c.optionalCode("coughFloor", Findings.FloorOnCough.class).orElse(null),
                c.optionalCode("scoop", Findings.Scoop.class).orElse(null),
                kept,
                kept,
                c.optionalWhole("hoverS", Range.HOLD_S).orElse(null));
        c.nothingElse();
        return findings;
    }

    private static Map<Side, Integer> sides(CaseObject c, String field, Range range) {
        Map<Side, Integer> bySide = new EnumMap<>(Side.class);
        c.optionalObject(field).ifPresent(o -> {
            for (Side side : Side.values()) {
                o.optionalWhole(side.name().toLowerCase(Locale.ROOT), range).ifPresent(v -> bySide.put(side, v));
            }
            o.nothingElse();
        });
        return bySide;
    }

    /** A side with an empty list was tried and lost nothing; a side that is missing was not tried. */
    private static Set<Side> kept(CaseObject c) {
        Set<Side> kept = EnumSet.noneOf(Side.class);
        c.optionalObject("contactsLost").ifPresent(o -> {
            for (Side side : Side.values()) {
                String name = side.name().toLowerCase(Locale.ROOT);
                List<Observed.RodContact> lost = new ArrayList<>(o.codes(name, Observed.RodContact.class));
                lost.remove(Observed.RodContact.KEPT);
                if (o.has(name) && lost.isEmpty()) {
                    kept.add(side);
                }
            }
            o.nothingElse();
        });
        return kept;
    }
}

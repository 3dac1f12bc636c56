package fernstep.core.plan;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.client.Surgery;
import fernstep.core.findings.Findings;
import fernstep.core.findings.ImpactTest;
import fernstep.core.findings.Observed;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Somebody a practitioner might see, built up in her words; nothing said is nothing known. */
public final class Woman {
    public static final LocalDate TODAY = LocalDate.of(2031, 6, 30);

    private Status status = Status.GENERAL;
    private LocalDate dueDate;
    private final List<Birth> births = new ArrayList<>();
    private final List<Surgery> surgeries = new ArrayList<>();
    private final List<Clearance> clearances = new ArrayList<>();
    private final Set<Restriction> restrictions = EnumSet.noneOf(Restriction.class);
    private final Set<Answer> answers = EnumSet.noneOf(Answer.class);
    private Observed.Cough cough;
    private final Map<Side, Integer> grade = new EnumMap<>(Side.class);
    private Integer tolerance;
    private Observed.BreathPattern pattern;
    private final Map<Side, Integer> floats = new EnumMap<>(Side.class);
    private Observed.LumbarGap gap;
    private Observed.RibsOverPelvis ribs;
    private Observed.Doming ridge;
    private Observed.Scoop scoop;
    private Set<Side> arms = Set.of();
    private Set<Side> legs = Set.of();
    private Set<Side> loses = Set.of();
    private Integer hoverS;
    private final Map<Side, Double> holdS = new EnumMap<>(Side.class);
    private Double tiltDeg;
    private Boolean flare;
    private Observed.FloorLift lift;
    private Observed.LetGo letGo;
    private Approach approach = Approach.SLOW_LADDER;
    private Stances stances;
    private int minutes = 20;
    private int days = 7;
    private final Set<DayOfWeek> blocked = EnumSet.noneOf(DayOfWeek.class);
    private Integer size;
    private Goal goal;
    private int cleanWeeks;
    private boolean floorSymptoms;
    private final List<Place> places = new ArrayList<>();
    private final List<Training.Trained> log = new ArrayList<>();
    private final List<Capacity.Clean> held = new ArrayList<>();
    private final List<Choice> choices = new ArrayList<>();
    private TrainedLoad loads = TrainedLoad.NONE;
    private ImpactTest.Battery battery = Findings.NONE.impact();

    public static Woman never_pregnant() {
        return new Woman();
    }

    public static Woman weeks_after_birth(int weeks) {
        return days_after_birth(7 * weeks, BirthMode.VAGINAL);
    }

    public static Woman weeks_after_caesarean(int weeks) {
        return days_after_birth(7 * weeks, BirthMode.CAESAREAN);
    }

    public static Woman days_after_birth(int days, BirthMode mode) {
        Woman w = new Woman();
        w.status = Status.POSTNATAL;
        w.births.add(new Birth(TODAY.minusDays(days), mode, 0));
        return w;
    }

    public static Woman days_after_surgery(int days) {
        Woman w = new Woman();
        w.status = Status.ABDOMINAL_SURGERY;
        w.surgeries.add(new Surgery(TODAY.minusDays(days), "appendix"));
        return w;
    }

    public static Woman pregnant(int week) {
        Woman w = new Woman();
        w.status = Status.PREGNANT;
        w.dueDate = TODAY.plusDays(280 - 7L * week);
        return w;
    }

    public Woman cleared(Clearance.Scope scope) {
        clearances.add(new Clearance(scope, TODAY.minusDays(1), "MIDWIFE", null, null, null));
        return this;
    }

    public Woman cleared() {
        return cleared(Clearance.Scope.EXERCISE);
    }

    public Woman battery(ImpactTest.Battery done) {
        battery = done;
        return this;
    }

    public Woman loads(TrainedLoad done) {
        loads = done;
        return this;
    }

    public Woman may_not(Restriction... closed) {
        restrictions.addAll(List.of(closed));
        return this;
    }

    public Woman says(Answer... told) {
        answers.addAll(List.of(told));
        return this;
    }

    public Woman cough(Observed.Cough other) {
        cough = other;
        return this;
    }

    public Woman grade(int left, int right) {
        grade.put(Side.LEFT, left);
        grade.put(Side.RIGHT, right);
        return this;
    }

    public Woman breaths(int count) {
        tolerance = count;
        return this;
    }

    public Woman pattern(Observed.BreathPattern breathPattern) {
        pattern = breathPattern;
        return this;
    }

    public Woman floats(int left, int right) {
        floats.put(Side.LEFT, left);
        floats.put(Side.RIGHT, right);
        return this;
    }

    public Woman gap(Observed.LumbarGap lumbarGap) {
        gap = lumbarGap;
        return this;
    }

    public Woman ribs(Observed.RibsOverPelvis pelvis) {
        ribs = pelvis;
        return this;
    }

    public Woman ridge(Observed.Doming doming) {
        ridge = doming;
        return this;
    }

    public Woman scoop(Observed.Scoop other) {
        scoop = other;
        return this;
    }

    public Woman loses(Set<Side> sides) {
        loses = sides;
        return this;
    }

    /** Who was tried on one side or limb and not kept on the other lost it there. */
    private Set<Side> lost() {
        Set<Side> lost = EnumSet.noneOf(Side.class);
        lost.addAll(loses);
        if (!arms.isEmpty() || !legs.isEmpty()) {
            lost.addAll(EnumSet.allOf(Side.class));
            lost.removeIf(side -> arms.contains(side) && legs.contains(side));
        }
        return lost;
    }

    public Woman reaches(Set<Side> withArm, Set<Side> withLeg) {
        arms = withArm;
        legs = withLeg;
        return this;
    }

    public Woman hovers(int number) {
        hoverS = number;
        return this;
    }

    public Woman holds(double left, double right) {
        holdS.put(Side.LEFT, left);
        holdS.put(Side.RIGHT, right);
        return this;
    }

    public Woman tilt(double deg) {
        tiltDeg = deg;
        return this;
    }

    public Woman ribs_flare() {
        flare = true;
        return this;
    }

    public Woman floor(Observed.FloorLift lifts, Observed.LetGo letsGo) {
        lift = lifts;
        letGo = letsGo;
        return this;
    }

    public Woman by(Approach other) {
        approach = other;
        return this;
    }

    public Woman by(Stances other) {
        stances = other;
        return this;
    }

    public Woman minutes(int count) {
        minutes = count;
        return this;
    }

    public Woman days(int count) {
        days = count;
        return this;
    }

    public Woman not_on(DayOfWeek... weekdays) {
        blocked.addAll(List.of(weekdays));
        return this;
    }

    public Woman at_most(int exercises) {
        size = exercises;
        return this;
    }

    public Woman wants(Goal other) {
        goal = other;
        return this;
    }

    public Woman clean_weeks(int count) {
        cleanWeeks = count;
        return this;
    }

    public Woman leaked_lately() {
        floorSymptoms = true;
        return this;
    }

    public Woman chosen(Choice choice) {
        choices.add(choice);
        return this;
    }

    /** Everything good: nothing found that asks for care. */
    public Woman strong() {
        return cough(Observed.Cough.DRAWS_IN)
                .grade(5, 5)
                .breaths(10)
                .pattern(Observed.BreathPattern.RIBS_ALL_ROUND)
                .floats(5, 5)
                .gap(Observed.LumbarGap.FLAT_HAND)
                .ribs(Observed.RibsOverPelvis.STACKED)
                .ridge(Observed.Doming.NONE)
                .scoop(Observed.Scoop.YES)
                .reaches(Set.of(Side.values()), Set.of(Side.values()))
                .hovers(5)
                .floor(Observed.FloorLift.LIFTS, Observed.LetGo.FULLY);
    }

    /** Stands on a rung, on both sides where it has sides, at the start of its window. */
    public Woman at(String code) {
        return at(code, 0.5);
    }

    /** The same, and as far as this. */
    public Woman at(String code, double range) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        Dose dose = DoseRules.first(rung, stances().dose());
        for (Side side : rung.perSide() ? new Side[] {Side.LEFT, Side.RIGHT} : new Side[] {null}) {
            places.add(new Place(rung.strand(), side, code, dose, range, Reason.of("why.progress")));
        }
        return this;
    }

    /** Trained clean so many days ago, on both sides where it has sides, and stands there. */
    public Woman trained(String code, int daysAgo) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        if (places.stream().noneMatch(place -> place.rung().equals(code))) {
            at(code);
        }
        LocalDate day = TODAY.minusDays(daysAgo);
        for (Side side : rung.perSide() ? new Side[] {Side.LEFT, Side.RIGHT} : new Side[] {null}) {
            log.add(new Training.Trained(rung.strand(), code, side, day, true, Set.of()));
            if (rung.family() != null) {
                held.add(new Capacity.Clean(day, rung.family(), side, rung.indexAt(0.5, body()), null));
            }
        }
        return this;
    }

    /** In a session so many days ago this was seen clearly. */
    public Woman seen(SignCode sign, String code, int daysAgo) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        log.add(new Training.Trained(rung.strand(), code, null, TODAY.minusDays(daysAgo), false, Set.of(sign)));
        return this;
    }

    public Stances stances() {
        return stances == null ? approach.stances() : stances;
    }

    public Findings findings() {
        return Findings.NONE
                .with(new Findings.Pressure(cough, null, ridge))
                .with(new Findings.AtRest(pattern, gap, ribs))
                .with(new Findings.DeepCore(grade, tolerance, floats))
                .with(Findings.HandsAndKnees.scoop(scoop))
                .withReaches(arms, legs, lost(), hoverS)
                .with(new Findings.Shown(holdS, tiltDeg, flare, lift, letGo, null))
                .with(battery);
    }

    public ClientFacts facts() {
        return new ClientFacts(status, dueDate, births, surgeries, clearances, 166.0, 66.0, 31, restrictions);
    }

    public Screening screening() {
        return Screening.of(Screening.Question.of(facts(), answers, stances(), TODAY));
    }

    public Body body() {
        Body body = Body.of(66.0, 166.0);
        return facts().gestationDays(TODAY)
                .map(gestationDay -> body.pregnant(gestationDay / 7.0))
                .orElse(body);
    }

    public Plan.Question question() {
        return new Plan.Question(
                ShippedCatalogue.CATALOGUE,
                new Plan.Her(screening(), facts().pregnant(), findings(), body()),
                new Training(
                        places,
                        log,
                        new RungGates.History(cleanWeeks, Map.of()),
                        held,
                        floorSymptoms || answers.contains(Answer.LEAK_EFFORT),
                        TODAY,
                        null,
                        loads),
                new Wishes(stances(), minutes, days, blocked, size, goal, choices));
    }

    public Plan plan() {
        return Plan.of(question());
    }

    /** Rung codes of a plan in the order done, each once. */
    public static List<String> rungs(Plan plan) {
        return plan.items().stream().map(item -> item.rung().code()).distinct().toList();
    }

    public static Set<String> rungs(List<PlanItem> items) {
        return items.stream().map(item -> item.rung().code()).collect(Collectors.toCollection(TreeSet::new));
    }

    public static Set<Strand> strands(Plan plan) {
        return plan.items().stream()
                .filter(item -> item.role() != Role.SETTLE_IN)
                .map(PlanItem::strand)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Strand.class)));
    }

    public static List<PlanItem> of(Plan plan, Role role) {
        return plan.items().stream().filter(item -> item.role() == role).toList();
    }
}

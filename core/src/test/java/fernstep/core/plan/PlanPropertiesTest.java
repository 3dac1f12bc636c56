package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.Seeded;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;

/** What holds for everybody: thousands of invented women, each made from a seed that a failure names. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class PlanPropertiesTest {
    private static final int WOMEN = Seeded.atMost(2000);
    private static final int FEW = 100;
    private static final List<String> TRAINED = List.of(
            "BR3", "DC2", "F2", "F3", "F5", "HS1", "AL1", "RO1", "BG1", "HK3", "HK4", "HK5", "HP1", "SS1", "SS2", "BK2",
            "UP3");

    private static <T> T one(Random random, T[] of) {
        return of[random.nextInt(of.length)];
    }

    static Woman somebody(long seed) {
        Random r = new Random(seed);
        Woman w =
                switch (r.nextInt(6)) {
                    case 0 -> Woman.pregnant(8 + r.nextInt(32));
                    case 1 -> Woman.days_after_birth(1 + r.nextInt(60), one(r, BirthMode.values()));
                    case 2 -> Woman.days_after_surgery(1 + r.nextInt(120));
                    case 3 -> Woman.never_pregnant();
                    default -> Woman.days_after_birth(40 + r.nextInt(400), one(r, BirthMode.values()));
                };
        if (r.nextInt(3) > 0) {
            w.cleared(one(r, Clearance.Scope.values()));
        }
        if (r.nextInt(3) == 0) {
            w.may_not(one(r, Restriction.values()));
        }
        if (r.nextInt(5) == 0) {
            w.says(one(r, Answer.values()));
        }
        if (r.nextInt(4) > 0) {
            w.grade(r.nextInt(6), r.nextInt(6)).breaths(r.nextInt(12));
        }
        if (r.nextInt(4) > 0) {
            w.floats(r.nextInt(6), r.nextInt(6)).cough(one(r, Observed.Cough.values()));
        }
        if (r.nextBoolean()) {
            w.gap(one(r, Observed.LumbarGap.values())).ribs(one(r, Observed.RibsOverPelvis.values()));
        }
        if (r.nextBoolean()) {
            w.ridge(one(r, Observed.Doming.values())).scoop(one(r, Observed.Scoop.values()));
        }
        if (r.nextBoolean()) {
            w.reaches(r.nextBoolean() ? Set.of(Side.LEFT) : EnumSet.allOf(Side.class), Set.of(one(r, Side.values())));
            w.hovers(r.nextInt(8));
        }
        if (r.nextBoolean()) {
            w.holds(1 + r.nextInt(20), 1 + r.nextInt(20));
        }
        if (r.nextInt(3) == 0) {
            w.floor(one(r, Observed.FloorLift.values()), one(r, Observed.LetGo.values()))
                    .tilt(r.nextInt(30) - 12);
        }
        w.by(one(r, Approach.values())).minutes(4 + r.nextInt(50)).days(1 + r.nextInt(7));
        if (r.nextInt(4) == 0) {
            w.by(StanceChange.DOSE.in(
                    w.stances(), one(r, StanceChange.DOSE.options().toArray(String[]::new))));
        }
        if (r.nextInt(3) == 0) {
            w.at_most(2 + r.nextInt(9));
        }
        if (r.nextInt(4) == 0) {
            w.not_on(one(r, DayOfWeek.values()));
        }
        if (r.nextInt(3) == 0) {
            w.wants(one(r, Goal.values()));
        }
        for (int i = r.nextInt(6); i > 0; i--) {
            w.trained(TRAINED.get(r.nextInt(TRAINED.size())), 1 + r.nextInt(40));
        }
        if (r.nextInt(5) == 0) {
            Strand strand = one(r, Strand.values());
            List<Rung> rungs =
                    ShippedCatalogue.CATALOGUE.strand(strand).orElseThrow().rungs();
            w.chosen(new Choice(strand, null, rungs.get(r.nextInt(rungs.size())).code(), null, null, true, false));
        }
        return w;
    }

    private interface Check {
        void of(String who, Woman w, Plan p);
    }

    private record Planned(String who, Woman woman, Plan plan) {}

    private List<Planned> planned = List.of();

    /**
     * Each is planned for once; every property looks at the same plans. Of a few, each property has its own made: what
     * looks for faults that no test notices sees then which property reaches which code.
     */
    private synchronized List<Planned> all() {
        if (planned.isEmpty() || WOMEN < FEW) {
            planned = LongStream.range(0, WOMEN)
                    .mapToObj(seed -> {
                        Woman w = somebody(seed);
                        return new Planned("seed " + seed, w, w.plan());
                    })
                    .toList();
        }
        return planned;
    }

    private void everybody(Check check) {
        all().forEach(planned -> check.of(planned.who(), planned.woman(), planned.plan()));
    }

    /** Dates and clearances of a rung and of all that leads to it, read from the catalogue by another route. */
    private static boolean datesOpen(Rung rung, Screening screening, Set<String> seen) {
        if (!seen.add(rung.code()) || rung.fromDayOne()) {
            return !screening.allowedStrands().isEmpty();
        }
        for (RungGate gate : rung.gates()) {
            if (gate instanceof RungGate.Opened o && !screening.open(o.code())) {
                return false;
            }
            if (gate instanceof RungGate.CleanRung c
                    && !datesOpen(ShippedCatalogue.CATALOGUE.rung(c.rung()), screening, seen)) {
                return false;
            }
        }
        return true;
    }

    @Test
    void no_rung_is_given_whose_chain_has_a_closed_date_or_clearance() {
        everybody((who, woman, plan) -> plan.items()
                .forEach(item -> assertThat(datesOpen(item.rung(), woman.screening(), new HashSet<>()))
                        .as("%s: %s", who, item.rung().code())
                        .isTrue()));
    }

    @Test
    void nothing_is_given_or_offered_that_is_closed_in_any_way() {
        everybody((who, woman, plan) -> {
            RungGates.Known known = woman.question().known();
            plan.items()
                    .forEach(item -> assertThat(RungGates.waiting(item.rung(), item.side(), known))
                            .as("%s: %s", who, item.rung().code())
                            .isEmpty());
            plan.items().stream()
                    .limit(2)
                    .forEach(item -> assertThat(Swaps.of(woman.question(), plan, item))
                            .as("%s: for %s", who, item.rung().code())
                            .allMatch(rung -> datesOpen(rung, woman.screening(), new HashSet<>()))
                            .allMatch(rung ->
                                    rung.closedBy(woman.screening().closed()).isEmpty()));
            plan.leftOut().stream()
                    .flatMap(out -> out.items().stream())
                    .forEach(item -> assertThat(RungGates.waiting(item.rung(), item.side(), known))
                            .isEmpty());
        });
    }

    @Test
    void no_position_is_taken_that_is_closed() {
        everybody((who, woman, plan) -> plan.items()
                .forEach(item -> assertThat(
                                item.rung().closedBy(woman.screening().closed()))
                        .as("%s: %s", who, item.rung().code())
                        .isEmpty()));
    }

    @Test
    void size_minutes_and_changes_of_position_are_kept() {
        everybody((who, woman, plan) -> {
            boolean byHand = !woman.question().wishes().choices().isEmpty();
            for (Plan.Day day : plan.days()) {
                if (!byHand) {
                    assertThat(Plan.size(day.items()))
                            .as(who)
                            .isLessThanOrEqualTo(woman.question().wishes().size());
                    assertThat(day.secondsPerDay())
                            .as("%s: %s", who, Woman.rungs(day.items()))
                            .isLessThanOrEqualTo(Math.max(plan.secondsAvailable(), longestMust(day)));
                    assertThat(SessionTime.changes(
                                    day.items().stream().map(PlanItem::ground).toList()))
                            .as(
                                    "%s: %s",
                                    who,
                                    day.items().stream().map(PlanItem::ground).toList())
                            .isLessThanOrEqualTo(woman.question().wishes().changesAtMost());
                }
            }
        });
    }

    /** One foundation alone may be longer than very few minutes. */
    private static int longestMust(Plan.Day day) {
        boolean single = day.items().stream().map(PlanItem::strand).distinct().count() == 1;
        return single ? day.secondsPerDay() : 0;
    }

    @Test
    void no_hold_begins_above_what_was_shown() {
        everybody((who, woman, plan) -> plan.items().stream()
                .filter(item -> item.dose().holdS() != null)
                .filter(item -> woman.question().training().places().stream()
                        .noneMatch(place -> place.strand() == item.strand()))
                .filter(item -> item.strand() != Strand.HOVER_PLANK && item.strand() != Strand.BREATH)
                .forEach(item -> woman.findings()
                        .holdShownS(item.side())
                        .filter(value -> value >= 3)
                        .ifPresent(value -> assertThat((double) item.dose().holdS())
                                .as("%s: %s", who, item.rung().code())
                                .isLessThanOrEqualTo(value))));
    }

    @Test
    void every_strand_in_training_comes_in_the_week_or_its_sessions_are_full() {
        everybody((who, woman, plan) -> plan.leftOut().stream()
                .filter(out -> woman.question().training().inTraining(out.strand()))
                .filter(out -> !Foundations.ORDER.contains(out.strand()))
                .forEach(out -> assertThat(out.why().key())
                        .as("%s: %s", who, out.strand())
                        .isIn(
                                "leftOut.size",
                                "leftOut.sizeOfMinutes",
                                "leftOut.tired",
                                "leftOut.minutes",
                                "leftOut.changes",
                                "leftOut.byHand",
                                "leftOut.foundationsFirst")));
    }

    @Test
    void two_foundations_at_most_beside_work_and_those_a_finding_asks_for_and_none_settled_before_load_may_begin() {
        everybody((who, woman, plan) -> {
            boolean loads = woman.screening().open(GateCode.FIRST_LOADED);
            List<Strand> asked = FindingLine.of(woman.question()).stream()
                    .filter(line -> line.serves() == FindingLine.Serves.MUST)
                    .map(FindingLine::strand)
                    .toList();
            long foundations = Woman.of(plan, Role.FOUNDATION).stream()
                    .map(PlanItem::strand)
                    .filter(strand -> !asked.contains(strand))
                    .distinct()
                    .count();
            if (woman.question().wishes().choices().isEmpty()) {
                assertThat(foundations).as(who).isLessThanOrEqualTo(loads ? 2 : 3);
            }
            if (!loads) {
                assertThat(Woman.of(plan, Role.SETTLE_IN)).as(who).isEmpty();
            }
        });
    }

    @Test
    void load_is_never_repeated_through_the_day_and_heavy_work_rests_a_day() {
        everybody((who, woman, plan) -> plan.items()
                .forEach(item -> assertThat(item.rung().loaded() && item.dose().perDay() > 1)
                        .as("%s: %s", who, item.rung().code())
                        .isFalse()));
    }

    private static Set<PlanItem.Ground> lyingGrounds(List<PlanItem> items) {
        Set<PlanItem.Ground> grounds = EnumSet.noneOf(PlanItem.Ground.class);
        items.forEach(item -> grounds.add(item.ground()));
        grounds.remove(PlanItem.Ground.UPRIGHT);
        return grounds;
    }

    @Test
    void why_something_is_left_out_is_true() {
        everybody((who, woman, plan) -> {
            boolean loads = woman.screening().open(GateCode.FIRST_LOADED);
            Wishes wishes = woman.question().wishes();
            assertThat(plan.leftOut()).isSortedAccordingTo(Comparator.comparing(LeftOut::strand));
            for (LeftOut left : plan.leftOut()) {
                boolean foundation = left.items().get(0).role() == Role.FOUNDATION;
                List<PlanItem> first =
                        plan.days().isEmpty() ? List.of() : plan.days().get(0).items();
                List<PlanItem> with =
                        Stream.concat(first.stream(), left.items().stream()).toList();
                String about = who + " " + left.strand() + " " + left.why().key();
                switch (left.why().key()) {
                    case "leftOut.foundationsFirst" -> {
                        assertThat(loads).as(about).isFalse();
                        assertThat(foundation).as(about).isFalse();
                    }
                    case "leftOut.foundationsInTurn" -> {
                        assertThat(foundation).as(about).isTrue();
                        assertThat(Woman.of(plan, Role.FOUNDATION)).as(about).isNotEmpty();
                    }
                    case "leftOut.size" ->
                        assertThat(Plan.size(first)).as(about).isGreaterThanOrEqualTo(wishes.size());
                    case "leftOut.sizeOfMinutes" -> {
                        int minutes = (plan.secondsAvailable() + 59) / 60;
                        assertThat(minutes).as(about).isLessThanOrEqualTo(10);
                        assertThat(Plan.size(first)).as(about).isGreaterThanOrEqualTo(minutes <= 6 ? 3 : 4);
                    }
                    case "leftOut.tired" -> {
                        assertThat(woman.screening().reasons())
                                .as(about)
                                .anyMatch(finding -> finding.answer() == Answer.TIRED);
                        assertThat(Plan.size(first)).as(about).isGreaterThanOrEqualTo(3);
                    }
                    case "leftOut.changes" ->
                        assertThat(lyingGrounds(with).size() - 1).as(about).isGreaterThan(wishes.changesAtMost());
                    case "leftOut.minutes" -> {
                        if (!foundation) {
                            assertThat(new Plan.Day("A", 1, with).secondsPerDay())
                                    .as(about)
                                    .isGreaterThan(plan.secondsAvailable());
                            assertThat((int) left.why().facts().get(0))
                                    .as(about)
                                    .isPositive();
                        }
                    }
                    case "leftOut.alreadyIn" ->
                        assertThat(left.items())
                                .as(about)
                                .allSatisfy(item -> assertThat(Stream.concat(
                                                        plan.items().stream(),
                                                        plan.leftOut().stream()
                                                                .filter(other -> other.strand() != left.strand())
                                                                .flatMap(other -> other.items().stream()))
                                                .map(other -> other.rung().code()))
                                        .contains(item.rung().code()));
                    default -> assertThat(left.why().key()).as(about).isEqualTo("leftOut.nothingCalls");
                }
            }
        });
    }

    @Test
    void daily_life_is_said_with_every_plan_as_far_as_it_is_open() {
        everybody((who, woman, plan) -> {
            RungGates.Known known = woman.question().known();
            assertThat(plan.habits())
                    .as(who)
                    .filteredOn(habit -> habit.strand() == Strand.UPRIGHT)
                    .containsExactlyElementsOf(
                            ShippedCatalogue.CATALOGUE.strand(Strand.UPRIGHT).orElseThrow().rungs().stream()
                                    .filter(Rung::fromDayOne)
                                    .filter(rung -> RungGates.open(rung, null, known))
                                    .toList());
            if (woman.question().wishes().choices().isEmpty()) {
                assertThat(plan.items()).as(who).noneMatch(item -> plan.habits().contains(item.rung()));
            }
        });
    }

    @Test
    void no_strand_is_passed_over_in_silence() {
        everybody((who, woman, plan) -> {
            Set<Strand> settled = new Foundations(woman.question()).settled();
            Set<Strand> told = EnumSet.noneOf(Strand.class);
            plan.items().forEach(item -> told.add(item.strand()));
            plan.leftOut().forEach(out -> told.add(out.strand()));
            plan.notOpen().forEach(open -> told.add(open.strand()));
            told.addAll(settled);
            plan.habits().stream()
                    .map(Rung::strand)
                    .filter(strand -> strand != Strand.UPRIGHT)
                    .forEach(told::add);
            assertThat(plan.notOpen()).isSortedAccordingTo(Comparator.comparing(Plan.NotOpen::strand));
            assertThat(plan.notOpen()).as(who).noneMatch(open -> settled.contains(open.strand()));
            for (Strand strand : Strand.values()) {
                boolean sameRungElsewhere = Stream.concat(
                                plan.items().stream(), plan.leftOut().stream().flatMap(out -> out.items().stream()))
                        .anyMatch(
                                item -> item.standInFor() != null || item.rung().strand() == strand);
                assertThat(told.contains(strand) || sameRungElsewhere)
                        .as("%s: %s", who, strand)
                        .isTrue();
            }
        });
    }

    /** How many rungs of the main line lie at or below it; a branch counts as the rung it leaves. */
    private static long onTheLine(Rung rung) {
        Rung on = rung.branchOf() == null ? rung : ShippedCatalogue.CATALOGUE.rung(rung.branchOf());
        return ShippedCatalogue.CATALOGUE.strand(rung.strand()).orElseThrow().rungs().stream()
                .filter(each -> each.branchOf() == null && each.order() <= on.order())
                .count();
    }

    @Test
    void nothing_is_given_twice_and_the_weaker_side_comes_first_and_waits_for_nobody() {
        everybody((who, woman, plan) -> {
            assertThat(plan.items().stream()
                            .filter(item -> item.role() != Role.SETTLE_IN)
                            .map(item -> item.rung().code() + item.side())
                            .toList())
                    .as(who)
                    .doesNotHaveDuplicates();
            for (Strand strand : Strand.values()) {
                List<PlanItem> sides = plan.items().stream()
                        .filter(item -> item.strand() == strand && item.side() != null && item.standInFor() == null)
                        .toList();
                if (sides.size() == 2 && woman.question().wishes().choices().isEmpty()) {
                    long ahead = onTheLine(sides.get(1).rung())
                            - onTheLine(sides.get(0).rung());
                    assertThat(ahead).as("%s: %s", who, strand).isBetween(0L, 1L);
                    if (ahead > 0) {
                        assertThat(sides.get(0).dose().sets())
                                .as("%s: %s", who, strand)
                                .isGreaterThanOrEqualTo(sides.get(1).dose().sets())
                                .isLessThanOrEqualTo(sides.get(0).baseDose().sets() + 1);
                    }
                }
            }
        });
    }

    @Test
    void a_pelvis_tipped_forward_is_taught_first_and_every_foundation_says_that_it_is_one() {
        everybody((who, woman, plan) -> {
            boolean isOne = Stream.concat(
                            plan.items().stream(), plan.leftOut().stream().flatMap(out -> out.items().stream()))
                    .anyMatch(planItem ->
                            planItem.strand() == Strand.PELVIC_CONTROL && planItem.role() == Role.FOUNDATION);
            if (woman.findings().tiltedForward() && isOne) {
                assertThat(Woman.of(plan, Role.FOUNDATION))
                        .as(who)
                        .anyMatch(planItem -> planItem.strand() == Strand.PELVIC_CONTROL);
            }
            for (PlanItem item : plan.items()) {
                boolean asked = FindingLine.of(woman.question()).stream()
                        .anyMatch(line -> line.strand() == item.strand()
                                && line.serves() == FindingLine.Serves.MUST
                                && String.valueOf(item.why())
                                        .contains(line.why().key()));
                boolean saysSo = asked || String.valueOf(item.why()).contains("need.foundation");
                assertThat(saysSo)
                        .as("%s: %s %s", who, item.rung().code(), item.why())
                        .isEqualTo(item.role() == Role.FOUNDATION);
            }
        });
    }

    @Test
    void the_same_question_has_the_same_plan() {
        for (long seed = 0; seed < 300; seed++) {
            assertThat(somebody(seed).plan()).isEqualTo(somebody(seed).plan());
        }
    }
}

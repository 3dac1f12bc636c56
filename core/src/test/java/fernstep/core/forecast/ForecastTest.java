package fernstep.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.KnownOf;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.forecast.Forecast.Question;
import fernstep.core.forecast.Forecast.Route;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Place;
import fernstep.core.plan.RungGates;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class ForecastTest {
    /** A Sunday: training begins on the Monday. */
    static final LocalDate TODAY = LocalDate.of(2031, 6, 1);

    static final Set<DayOfWeek> DAILY = EnumSet.allOf(DayOfWeek.class);
    private static final Counts NEARLY_ALWAYS = new Counts(4000, 0);

    static Place place(Strand strand, Side side, String rung, Integer reps, Integer holdS, Integer breaths) {
        return new Place(strand, side, rung, new Dose(1, reps, holdS, breaths, 1, 5), 1, Reason.of("why.progress"));
    }

    private static final List<Place> FLOATS = List.of(
            place(Strand.LEG_FLOAT, Side.LEFT, "F1", 5, null, null),
            place(Strand.LEG_FLOAT, Side.RIGHT, "F1", 5, null, null));

    /** Neutral on hands and knees with the belly rising, engagement firm on both sides. */
    static final Findings SCOOPS = Findings.NONE
            .with(new Findings.DeepCore(Map.of(Side.LEFT, 4, Side.RIGHT, 4), null, Map.of()))
            .with(Findings.HandsAndKnees.scoop(Observed.Scoop.YES));

    private static final Set<RungGates.Done> NEUTRAL = Set.of(new RungGates.Done("HK1", null));

    static RungGates.Known known(int daysAfterBirth) {
        return known(daysAfterBirth, Set.of());
    }

    static RungGates.Known known(int daysAfterBirth, Set<Restriction> restrictions) {
        ClientFacts facts = new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(TODAY.minusDays(daysAfterBirth), BirthMode.CAESAREAN, 0)),
                List.of(),
                List.of(new Clearance(Clearance.Scope.EXERCISE, TODAY.minusDays(1), "MIDWIFE", null, null, null)),
                null,
                null,
                null,
                restrictions);
        Screening screening =
                Screening.of(Screening.Question.of(facts, List.of(), Approach.SLOW_LADDER.stances(), TODAY));
        return KnownOf.her(screening, false, Findings.NONE, Set.of());
    }

    private static Question question(
            List<Place> places, RungGates.Known known, Counts sessions, Counts clean, int runs, long seed, Goal goal) {
        return question(
                places,
                known,
                DAILY,
                new Forecast.TrackRecord(sessions, Map.of(Strand.LEG_FLOAT, clean, Strand.ARM_LEG, clean), Counts.NONE),
                new Forecast.Horizon(TODAY, 26, runs, seed),
                goal,
                null);
    }

    /** What she stands on is trained in every session, and there is room for more. */
    private static Question question(
            List<Place> places,
            RungGates.Known known,
            Set<DayOfWeek> days,
            Forecast.TrackRecord record,
            Forecast.Horizon horizon,
            Goal goal,
            LocalDate goalDate) {
        Set<Strand> trained = places.stream().map(Place::strand).collect(Collectors.toSet());
        return new Question(
                ShippedCatalogue.CATALOGUE,
                Approach.SLOW_LADDER.stances().dose(),
                new Forecast.Start(places, known, List.of(trained), 6, days, null),
                record,
                horizon,
                goal,
                goalDate);
    }

    static Route route(Forecast forecast, String rung, Side side) {
        return forecast.routes().stream()
                .filter(route -> route.rung().code().equals(rung) && route.side() == side)
                .findFirst()
                .orElseThrow();
    }

    /**
     * F1 grows 5, 7, 9, 10 repetitions, two clean days for each step and two more at the top: eight clean days. F2 has
     * 10, 12, 14, 17, 20, five doses: ten more.
     */
    @Test
    void without_a_miss_every_second_day_brings_a_step() {
        Forecast f = Forecast.of(question(FLOATS, known(400), NEARLY_ALWAYS, NEARLY_ALWAYS, 200, 1, null));
        assertThat(route(f, "F2", Side.LEFT).opens().p50()).isEqualTo(TODAY.plusDays(8));
        assertThat(route(f, "F3", Side.RIGHT).opens().p50()).isEqualTo(TODAY.plusDays(18));
    }

    /** The same rules written again, plainly: two clean days a step, one eased day starts over, two in a row step down. */
    private static int daysToTheSecondRung(Random random, double trains, double clean) {
        int dose = 0;
        int credits = 0;
        boolean easedBefore = false;
        for (int day = 1; day <= 182; day++) {
            if (random.nextDouble() >= trains) {
                continue;
            }
            if (random.nextDouble() < clean) {
                credits++;
                easedBefore = false;
                if (credits == 2) {
                    dose++;
                    credits = 0;
                    if (dose == 4) {
                        return day;
                    }
                }
            } else {
                credits = 0;
                if (easedBefore && dose > 0) {
                    dose--;
                    easedBefore = false;
                } else {
                    easedBefore = true;
                }
            }
        }
        return Integer.MAX_VALUE;
    }

    @Test
    void agrees_with_the_rules_written_again_by_hand() {
        // beliefs so firm that both chances are known: 2100/3000 and 2400/3000
        Counts sessions = new Counts(2098, 898);
        Counts clean = new Counts(2398, 598);
        Forecast f = Forecast.of(question(FLOATS, known(400), sessions, clean, 4000, 3, null));
        Random random = new Random(17);
        int[] days = new int[4000];
        for (int i = 0; i < days.length; i++) {
            days[i] = daysToTheSecondRung(random, 0.7, 0.8);
        }
        Arrays.sort(days);
        Forecast.Quantiles q = route(f, "F2", Side.LEFT).opens();
        assertThat((double) ChronoUnit.DAYS.between(TODAY, q.p10())).isCloseTo(days[399], within(1.0));
        assertThat((double) ChronoUnit.DAYS.between(TODAY, q.p50())).isCloseTo(days[1999], within(1.0));
        assertThat((double) ChronoUnit.DAYS.between(TODAY, q.p90())).isCloseTo(days[3599], within(2.0));
    }

    @Test
    void the_same_seed_gives_the_same_answer_and_another_seed_another() {
        Counts some = new Counts(18, 6);
        Question q = question(FLOATS, known(400), some, some, 300, 7, null);
        assertThat(Forecast.of(q).routes()).isEqualTo(Forecast.of(q).routes());
        assertThat(Forecast.of(question(FLOATS, known(400), some, some, 300, 8, null))
                        .routes())
                .isNotEqualTo(Forecast.of(q).routes());
    }

    @Test
    void the_dice_fall_the_same_on_every_machine() {
        // written down once; strict arithmetic makes them a constant of the seed
        Dice dice = new Dice(42);
        List<Double> thrown = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            thrown.add(dice.beta(20, 8));
        }
        assertThat(thrown).containsExactly(0.6130517742513452, 0.7136718064940114, 0.8528056974314208);
        double mean = 0;
        for (int i = 0; i < 20_000; i++) {
            mean += dice.beta(20, 8) / 20_000;
        }
        assertThat(mean).as("a Beta(20, 8) has its mean at 20/28").isCloseTo(20 / 28.0, within(0.005));
    }

    @Test
    void no_rung_opens_before_its_gate() {
        List<Place> places = new ArrayList<>(FLOATS);
        places.add(place(Strand.ARM_LEG, null, "AL3", null, null, 6));
        // 20 days after a caesarean: first loaded from day 56, opposite arm and leg from day 84
        Forecast f = Forecast.of(question(places, known(20), NEARLY_ALWAYS, NEARLY_ALWAYS, 100, 1, null));
        assertThat(route(f, "F2", Side.LEFT).opens().p10()).isAfterOrEqualTo(TODAY.plusDays(36));
        assertThat(f.routes())
                .filteredOn(route -> route.rung().code().equals("AL4"))
                .allSatisfy(route -> {
                    if (route.opens().p10() != null) {
                        assertThat(route.opens().p10()).isAfterOrEqualTo(TODAY.plusDays(64));
                    }
                });
    }

    /** More than a year after a birth, with every clearance. */
    static Screening fullyCleared() {
        ClientFacts facts = new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(TODAY.minusDays(400), BirthMode.VAGINAL, 0)),
                List.of(),
                List.of(new Clearance(Clearance.Scope.FULL, TODAY.minusDays(1), "PHYSICIAN", null, null, null)),
                null,
                null,
                null,
                Set.of());
        return Screening.of(Screening.Question.of(facts, List.of(), Approach.SLOW_LADDER.stances(), TODAY));
    }

    /** HP3 stands at its top and one clean week lies behind her: seven more and every training day clean. */
    @Test
    void a_rung_that_asks_for_clean_weeks_opens_when_they_are_full() {
        Screening screening = fullyCleared();
        RungGates.Known known = KnownOf.her(screening, false, SCOOPS, NEUTRAL, new RungGates.History(1, Map.of()));
        Place plank = new Place(
                Strand.HOVER_PLANK, null, "HP3", new Dose(3, 5, 20, null, 1, 5), 1, Reason.of("why.progress"));
        Counts always = new Counts(200_000, 0);
        Question q = question(
                List.of(plank),
                known,
                DAILY,
                new Forecast.TrackRecord(always, Map.of(Strand.HOVER_PLANK, always), always),
                new Forecast.Horizon(TODAY, 26, 50, 1),
                Goal.FULL_PLANK,
                null);
        assertThat(Forecast.of(q).goal().p50())
                .as("the seventh week is over on a Sunday")
                .isEqualTo(TODAY.plusWeeks(7).plusDays(1));
    }

    @Test
    void a_missing_clearance_is_named_before_any_date_and_nothing_behind_it_is_taken_for_granted() {
        Forecast f = Forecast.of(withoutClearance());
        assertThat(f.goalChance()).isZero();
        assertThat(f.bottleneck().needs()).isEqualTo(Clearance.Scope.EXERCISE);
        assertThat(f.routes())
                .filteredOn(route -> route.rung().loaded())
                .isNotEmpty()
                .allSatisfy(route -> assertThat(route.opens().p90()).isNull());
        assertThat(Forecast.whatIf(withoutClearance()))
                .filteredOn(whatIf -> whatIf.change() == Forecast.Change.CLEARANCE_GIVEN)
                .singleElement()
                .satisfies(whatIf -> assertThat(whatIf.goalChance()).isPositive());
    }

    /** Sixty days after a caesarean, nobody has said that she may train. */
    static Question withoutClearance() {
        ClientFacts facts = new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(TODAY.minusDays(60), BirthMode.CAESAREAN, 0)),
                List.of(),
                List.of(),
                null,
                null,
                null,
                Set.of());
        Screening screening =
                Screening.of(Screening.Question.of(facts, List.of(), Approach.SLOW_LADDER.stances(), TODAY));
        return question(
                List.of(place(Strand.DEEP_CORE, null, "DC5", 10, 8, null)),
                KnownOf.her(screening, false, SCOOPS, Set.of()),
                DAILY,
                new Forecast.TrackRecord(NEARLY_ALWAYS, Map.of(), Counts.NONE),
                new Forecast.Horizon(TODAY, 26, 200, 3),
                Goal.CAR_SEAT,
                TODAY.plusWeeks(26));
    }

    @Test
    void the_stronger_side_leads_by_one_rung_at_most() {
        List<Place> apart = List.of(
                place(Strand.LEG_FLOAT, Side.LEFT, "F1", 5, null, null),
                place(Strand.LEG_FLOAT, Side.RIGHT, "F2", 20, null, null));
        Forecast f = Forecast.of(question(apart, known(400), NEARLY_ALWAYS, NEARLY_ALWAYS, 50, 1, null));
        assertThat(route(f, "F3", Side.RIGHT).opens().p10())
                .isAfterOrEqualTo(route(f, "F2", Side.LEFT).opens().p10());
    }

    @Test
    void a_goal_has_a_chance_a_date_and_what_it_waits_for() {
        List<Place> places = List.of(
                place(Strand.DEEP_CORE, null, "DC4", 10, 8, null), place(Strand.UPRIGHT, null, "UP3", 8, null, null));
        Question q = question(
                places,
                KnownOf.her(known(400).screening(), false, SCOOPS, Set.of()),
                EnumSet.of(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY),
                new Forecast.TrackRecord(new Counts(18, 6), Map.of(), Counts.NONE),
                new Forecast.Horizon(TODAY, 26, 500, 5),
                Goal.CAR_SEAT,
                TODAY.plusWeeks(20));
        Forecast f = Forecast.of(q);
        assertThat(f.goalChance()).isBetween(0.3, 1.0);
        assertThat(f.bottleneck().strand()).isIn(Strand.DEEP_CORE, Strand.UPRIGHT);
        List<Forecast.WhatIf> whatIf = Forecast.whatIf(q);
        assertThat(whatIf)
                .extracting(Forecast.WhatIf::change)
                .containsExactly(Forecast.Change.ONE_MORE_DAY, Forecast.Change.TWO_CLEAN_WEEKS);
        assertThat(whatIf.get(0).p50())
                .as("a day more a week is sooner")
                .isBefore(f.goal().p50());
    }

    @Test
    void what_is_otherwise_can_be_switched_on_together() {
        Counts some = new Counts(18, 6);
        Question q = question(FLOATS, known(400), some, some, 300, 7, null);
        assertThat(Forecast.possible(Forecast.Change.ONE_MORE_DAY, q))
                .as("she trains daily")
                .isFalse();
        assertThat(Forecast.whatIf(q))
                .extracting(Forecast.WhatIf::change)
                .containsExactly(Forecast.Change.TWO_CLEAN_WEEKS);
        assertThat(Forecast.possible(Forecast.Change.CHECKS_BETTER, q))
                .as("no goal")
                .isFalse();
        Question cleaner = q.with(EnumSet.allOf(Forecast.Change.class));
        assertThat(cleaner.clean().get(Strand.LEG_FLOAT)).isEqualTo(new Counts(18 + 14, 6));
        assertThat(route(Forecast.of(cleaner), "F3", Side.LEFT).opens().p50())
                .isBefore(route(Forecast.of(q), "F3", Side.LEFT).opens().p50());
    }

    @Test
    void a_goal_behind_a_check_nobody_took_has_a_chance_only_if_the_check_finds_well() {
        Question q = question(FLOATS, known(400), NEARLY_ALWAYS, NEARLY_ALWAYS, 50, 1, Goal.FULL_PLANK);
        Forecast f = Forecast.of(q);
        assertThat(f.awaits()).isNotNull();
        assertThat(f.awaits().by()).isEqualTo(TODAY.plusDays(42));
        assertThat(f.goalChance()).isGreaterThan(0.5);
        assertThat(f.goal().p50()).isAfter(f.awaits().by());
        assertThat(route(f, "HP4", null).opens().p50()).as("as things are").isNull();
        assertThat(f.bottleneck()).isNotNull();
    }

    @Test
    void it_is_said_when_no_change_brings_the_goal_nearer() {
        LocalDate goal = LocalDate.of(2031, 6, 30);
        Forecast.WhatIf sooner = new Forecast.WhatIf(Forecast.Change.ONE_MORE_DAY, goal.minusDays(7), null, null);
        Forecast.WhatIf hardly = new Forecast.WhatIf(Forecast.Change.TWO_CLEAN_WEEKS, goal.minusDays(6), null, null);
        Forecast.WhatIf never = new Forecast.WhatIf(Forecast.Change.CLEARANCE_GIVEN, null, null, null);
        assertThat(Forecast.noneHelps(goal, List.of(hardly, never))).isTrue();
        assertThat(Forecast.noneHelps(goal, List.of(hardly, sooner))).isFalse();
        assertThat(Forecast.noneHelps(null, List.of(never))).isTrue();
        assertThat(Forecast.noneHelps(null, List.of(hardly)))
                .as("reached at all is a help")
                .isFalse();
    }
}

package fernstep.core.forecast;

import static fernstep.core.forecast.ForecastTest.DAILY;
import static fernstep.core.forecast.ForecastTest.SCOOPS;
import static fernstep.core.forecast.ForecastTest.TODAY;
import static fernstep.core.forecast.ForecastTest.known;
import static fernstep.core.forecast.ForecastTest.place;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.KnownOf;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Clearance;
import fernstep.core.forecast.Forecast.Bottleneck;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.forecast.Forecast.Question;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Goal;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Strand;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** On which day of a forecast a goal is reached and what it waits for, counted by hand. */
class ForecastDaysTest extends ForecastCase {
    @Nested
    class A_ladder {
        private final Ladder ladder =
                Ladder.of(Catalogue.read(ShippedCatalogue.texts()), Strand.LEG_FLOAT, null, DoseStance.MASTERY_REPS);

        private static Dose dose(Integer reps) {
            return new Dose(1, reps, null, null, 1, 5);
        }

        @Test
        void has_every_dose_of_every_rung_on_the_main_line() {
            assertThat(List.of(0, 1, 2, 3).stream().map(ladder::at))
                    .extracting(step -> step.rung().code() + " " + step.dose().reps())
                    .containsExactly("F1 5", "F1 7", "F1 9", "F1 10");
            assertThat(ladder.at(3).top()).isTrue();
            assertThat(ladder.at(2).top()).isFalse();
            assertThat(ladder.at(4).rung().code()).isEqualTo("F2");
            assertThat(ladder.at(4).dose().reps()).isEqualTo(10);
            // 10, 12, 14, 17, 20: a notch is 15 %, at least two
            assertThat(ladder.at(7).dose().reps()).isEqualTo(17);
            assertThat(ladder.at(8).dose().reps()).isEqualTo(20);
            assertThat(ladder.at(8).top()).isTrue();
            assertThat(ladder.at(9).rungAt()).isEqualTo(2);
            assertThat(ladder.rungs()).extracting(Rung::code).doesNotContain("F9");
        }

        @Test
        void of_a_branch_has_the_branch_alone() {
            Ladder branch = Ladder.of(
                    Catalogue.read(ShippedCatalogue.texts()), Strand.LEG_FLOAT, "F9", DoseStance.MASTERY_REPS);
            assertThat(branch.rungs()).extracting(Rung::code).containsExactly("F9");
        }

        @ParameterizedTest(name = "{0} with {1} is step {2}")
        @CsvSource({"F1, 5, 0", "F1, 8, 1", "F1, 10, 3", "F2, 9, 4", "F2, 13, 5", "F2, 20, 8", "F2, 40, 8", "ZZ, 5, 0"})
        void places_a_dose_on_the_step_at_or_below_it(String rung, int reps, int step) {
            assertThat(ladder.place(rung, dose(reps))).isEqualTo(step);
        }

        /** State: two for a clean session that counts, one for an eased one just before. */
        @ParameterizedTest(name = "on step {0}, {1}, {2}: step {3}, {4}")
        @CsvSource({
            "0, 0, true, 0, 2",
            "0, 2, true, 1, 0",
            "0, 1, true, 0, 2",
            "0, 2, false, 0, 1",
            "0, 0, false, 0, 1",
            "1, 0, false, 1, 1",
            "1, 1, false, 0, 0",
            "3, 2, true, 4, 0",
            "3, 0, true, 3, 2",
            "8, 2, true, 9, 0"
        })
        void rises_with_the_second_clean_session_and_falls_with_the_second_eased_one(
                int at, int state, boolean clean, int then, int thenState) {
            int packed = ladder.after(at, state, clean);
            assertThat(Ladder.step(packed)).isEqualTo(then);
            assertThat(Ladder.state(packed)).isEqualTo(thenState);
        }
    }

    @Nested
    class A_goal {
        private Case carSeat() {
            // at the top of the squat: the hinge with a load waits for nothing else
            Case c = new Case().at(place(Strand.UPRIGHT, null, "UP3", 12, null, null));
            c.goal = Goal.CAR_SEAT;
            return c;
        }

        @Test
        void is_reached_with_its_last_rung_and_counts_until_its_date() {
            Forecast f = carSeat().forecast();
            assertThat(f.goal().p50()).isEqualTo(TODAY.plusDays(2));
            assertThat(f.goalChance()).isEqualTo(1);
            Case byThen = carSeat();
            byThen.goalDate = TODAY.plusDays(2);
            assertThat(byThen.forecast().goalChance()).isEqualTo(1);
            byThen.goalDate = TODAY.plusDays(1);
            assertThat(byThen.forecast().goalChance()).isZero();
        }

        @Test
        void that_she_stands_on_is_there_today_and_waits_for_nothing() {
            Case c = new Case().at(place(Strand.UPRIGHT, null, "UP7", 8, null, null));
            c.goal = Goal.CAR_SEAT;
            assertThat(c.forecast().goal().p50()).isEqualTo(TODAY);
            assertThat(c.forecast().bottleneck()).isNull();
        }

        @Test
        void has_its_strand_taken_in_for_one_that_can_rest() {
            Case c = new Case().at(f1(Side.LEFT), f1(Side.RIGHT));
            c.size = 1;
            // the set that it stands on takes the first session, she herself the second
            c.sessions = List.of(Set.of(Strand.LEG_FLOAT), Set.of(Strand.BRIDGE));
            c.known = done("DC5", "UP1");
            c.goal = Goal.CAR_SEAT;
            // begun tomorrow on its first rung UP1, 2 to 5 repetitions by twos, two days each
            assertThat(c.forecast().goal().p50()).isNotNull();
            assertThat(c.opens("F2", Side.LEFT)).as("what rests does not climb").isNull();
        }

        @Test
        void of_several_rungs_is_reached_with_the_last_of_them_on_every_side() {
            Case c = new Case()
                    .at(
                            place(Strand.SIDE_SUPPORT, Side.LEFT, "SS1", null, 20, null),
                            place(Strand.SIDE_SUPPORT, Side.RIGHT, "SS1", null, 20, null),
                            place(Strand.HANDS_KNEES, Side.LEFT, "HK5", 3, null, null),
                            place(Strand.HANDS_KNEES, Side.RIGHT, "HK5", 3, null, null),
                            place(Strand.LEG_FLOAT, Side.LEFT, "F6", 8, null, null),
                            place(Strand.LEG_FLOAT, Side.RIGHT, "F5", 10, 5, null),
                            place(Strand.UPRIGHT, null, "UP5", 6, null, null));
            c.known = done("DC5", "HK4", "UP4", "F1", "F2", "F3", "F4");
            c.goal = Goal.RUNNING_ASSESSMENT;
            // F6 on the right two clean days from now
            assertThat(c.forecast().goal().p50()).isEqualTo(TODAY.plusDays(2));
            assertThat(c.forecast().bottleneck().rung()).isEqualTo("F5");
        }
    }

    @Nested
    class What_a_goal_waits_for {
        private Bottleneck of(Case other, String last) {
            return new Bottlenecks(other.question())
                    .of(ShippedCatalogue.CATALOGUE.rung(last))
                    .orElseThrow();
        }

        @Test
        void is_a_missing_clearance_before_any_date_with_the_day_its_rule_allows() {
            Question q = ForecastTest.withoutClearance();
            Bottleneck b = new Bottlenecks(q)
                    .of(ShippedCatalogue.CATALOGUE.rung("UP2"))
                    .orElseThrow();
            assertThat(b.needs()).isEqualTo(Clearance.Scope.EXERCISE);
            assertThat(b.gate()).isEqualTo(GateCode.FIRST_LOADED.name());
            // 56 days are over: given, it would count from today
            assertThat(Bottlenecks.givenBy(q)).contains(TODAY);
            assertThat(Bottlenecks.clearanceMissing(floats().question())).isEmpty();
            assertThat(Bottlenecks.givenBy(floats().question())).isEmpty();
        }

        @Test
        void is_a_finding_on_it_or_on_what_leads_to_it() {
            Case c = floats();
            // nothing says that the belly rises on hands and knees
            assertThat(of(c, "HP2")).isEqualTo(new Bottleneck(Strand.HOVER_PLANK, "HP2", "SCOOP", null, null));
            assertThat(of(c, "DC5").gate()).isEqualTo("SET_GRADE");
        }

        @Test
        void is_the_latest_date_of_its_way() {
            Case c = floats();
            c.known = KnownOf.her(known(20).screening(), false, SCOOPS, Set.of());
            // opposite limbs from day 84
            assertThat(of(c, "AL4"))
                    .isEqualTo(new Bottleneck(
                            Strand.ARM_LEG, "AL4", GateCode.OPPOSITE_LIMBS.name(), TODAY.plusDays(64), null));
            assertThat(of(c, "F3").gateOpens()).isEqualTo(TODAY.plusDays(36));
            assertThat(of(c, "F3").rung()).isEqualTo("F1");
        }

        @Test
        void is_else_the_rung_that_training_has_to_bring_first() {
            Case c = floats();
            c.known = done();
            assertThat(of(c, "F4")).isEqualTo(new Bottleneck(Strand.LEG_FLOAT, "F1", null, null, null));
            c.known = done("F1", "F2");
            assertThat(of(c, "F4").rung()).isEqualTo("F3");
            c.known = done("F1", "F2", "F3");
            assertThat(of(c, "F4").rung()).isEqualTo("F4");
        }
    }

    @Nested
    class Her_sessions {
        private final Question q = floats().question();
        private final Tracks tracks = new Tracks(q);
        private final int[] step = new int[tracks.all().size()];

        Her_sessions() {
            Arrays.fill(step, Tracks.NOT_BEGUN);
        }

        private int track(Strand strand) {
            for (int t = 0; t < tracks.all().size(); t++) {
                if (tracks.all().get(t).strand() == strand) {
                    return t;
                }
            }
            throw new AssertionError(strand);
        }

        private Rotation.Days days(int size, Set<Strand> goal, List<Set<Strand>> sessions) {
            Forecast.Start start = new Forecast.Start(List.of(), q.start().known(), sessions, size, DAILY, null);
            return new Rotation(tracks.all(), start, goal).begin();
        }

        /** All sides of a strand stand at the end of its ladder. */
        private void atEnd(Strand strand) {
            for (int t = 0; t < step.length; t++) {
                if (tracks.all().get(t).strand() == strand) {
                    Ladder ladder = tracks.all().get(t).ladder();
                    int last = 0;
                    while (!(ladder.at(last).top()
                            && ladder.at(last).rungAt() == ladder.rungs().size() - 1)) {
                        last++;
                    }
                    step[t] = last;
                }
            }
        }

        private static final Strand FLOAT = Strand.LEG_FLOAT;
        private static final Strand ARMS = Strand.ARM_LEG;
        private static final Strand BRIDGE = Strand.BRIDGE;

        @Test
        void come_round_in_turn() {
            Rotation.Days d = days(6, Set.of(), List.of(Set.of(FLOAT), Set.of(ARMS)));
            assertThat(d.holds(track(FLOAT), 0)).isTrue();
            assertThat(d.holds(track(FLOAT), 1)).isFalse();
            assertThat(d.holds(track(FLOAT), 2)).isTrue();
            assertThat(d.holds(track(ARMS), 3)).isTrue();
            assertThat(d.holds(track(BRIDGE), 0)).isFalse();
        }

        @Test
        void take_a_strand_where_one_has_room() {
            Rotation.Days d = days(2, Set.of(), List.of(Set.of(FLOAT, ARMS), Set.of(FLOAT)));
            assertThat(d.takes(track(FLOAT), step)).as("it is there").isTrue();
            assertThat(d.takes(track(BRIDGE), step)).isTrue();
            assertThat(d.holds(track(BRIDGE), 0)).isFalse();
            assertThat(d.holds(track(BRIDGE), 1)).isTrue();
            assertThat(d.takes(track(Strand.CURL), step)).as("full").isFalse();
        }

        @Test
        void take_a_goals_strand_for_one_at_its_end_before_any_other() {
            atEnd(ARMS);
            Rotation.Days d = days(2, Set.of(BRIDGE), List.of(EnumSet.of(FLOAT, ARMS)));
            assertThat(d.takes(track(BRIDGE), step)).isTrue();
            assertThat(d.holds(track(ARMS), 0)).isFalse();
            assertThat(d.holds(track(FLOAT), 0)).isTrue();
            assertThat(d.holds(track(BRIDGE), 0)).isTrue();
            Rotation.Days all = days(1, Set.of(BRIDGE, FLOAT), List.of(EnumSet.of(FLOAT)));
            assertThat(all.takes(track(BRIDGE), step))
                    .as("the goal asks for both")
                    .isFalse();
        }

        @Test
        void let_a_strand_at_its_end_go_where_room_is_short() {
            atEnd(ARMS);
            Rotation.Days full = days(2, Set.of(), List.of(EnumSet.of(FLOAT, ARMS)));
            assertThat(full.takes(track(BRIDGE), step)).isFalse();
            full.remake(step);
            assertThat(full.holds(track(ARMS), 0)).isFalse();
            assertThat(full.holds(track(FLOAT), 0)).isTrue();
            assertThat(full.takes(track(BRIDGE), step)).as("there is room now").isTrue();
            Rotation.Days roomy = days(3, Set.of(), List.of(EnumSet.of(FLOAT, ARMS)));
            roomy.remake(step);
            assertThat(roomy.holds(track(ARMS), 0)).isTrue();
            Rotation.Days wanted = days(2, Set.of(ARMS), List.of(EnumSet.of(FLOAT, ARMS)));
            wanted.remake(step);
            assertThat(wanted.holds(track(ARMS), 0)).isTrue();
        }

        @Test
        void keep_a_strand_whose_other_side_is_not_at_its_end() {
            atEnd(FLOAT);
            int right = track(FLOAT) + 1;
            assertThat(tracks.all().get(right).side()).isEqualTo(Side.RIGHT);
            assertThat(tracks.otherSide(tracks.all().get(right))).isEqualTo(track(FLOAT));
            assertThat(tracks.otherSide(tracks.all().get(track(Strand.DEEP_CORE))))
                    .isEqualTo(-1);
            step[right] = 0;
            Rotation.Days full = days(1, Set.of(), List.of(EnumSet.of(FLOAT)));
            full.remake(step);
            assertThat(full.holds(right, 0)).isTrue();
        }
    }

    @Test
    void what_was_counted_adds_up() {
        assertThat(new Counts(3, 4).plus(2)).isEqualTo(new Counts(5, 4));
        assertThat(new Counts(3, 4).plus(new Counts(1, 2))).isEqualTo(new Counts(4, 6));
    }
}

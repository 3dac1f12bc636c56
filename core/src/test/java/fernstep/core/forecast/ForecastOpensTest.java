package fernstep.core.forecast;

import static fernstep.core.forecast.ForecastTest.DAILY;
import static fernstep.core.forecast.ForecastTest.SCOOPS;
import static fernstep.core.forecast.ForecastTest.TODAY;
import static fernstep.core.forecast.ForecastTest.known;
import static fernstep.core.forecast.ForecastTest.place;
import static fernstep.core.forecast.ForecastTest.route;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.KnownOf;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.forecast.Forecast.Question;
import fernstep.core.measure.Side;
import fernstep.core.plan.Place;
import fernstep.core.plan.RungGates;
import fernstep.core.schedule.SessionCalendar;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** On which day of a forecast a rung opens, counted by hand. */
class ForecastOpensTest extends ForecastCase {
    @Nested
    class A_rung_opens {
        @Test
        void after_eight_sessions_on_her_days() {
            // Monday, Wednesday, Friday: the eighth is on the Wednesday of the third week
            Case c = floats();
            c.days = EnumSet.of(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY);
            assertThat(c.opens("F2", Side.LEFT)).isEqualTo(17);
            assertThat(floats().opens("F2", Side.LEFT)).isEqualTo(8);
        }

        @Test
        void when_its_own_sessions_have_come_round_on_a_and_b_days() {
            Case c = new Case().at(f1(Side.LEFT), f1(Side.RIGHT), place(Strand.ARM_LEG, null, "AL1", null, null, 4));
            c.sessions = List.of(Set.of(Strand.LEG_FLOAT), Set.of(Strand.ARM_LEG));
            boolean floatsFirst = SessionCalendar.turn(TODAY.plusDays(1), DAILY) % 2 == 0;
            // the eighth of every second day
            assertThat(c.opens("F2", Side.RIGHT)).isEqualTo(floatsFirst ? 15 : 16);
        }

        @Test
        void on_the_day_its_date_allows_though_she_was_ready_before() {
            Case c = floats();
            // 20 days after a caesarean; first loaded from day 56
            c.known = known(20);
            assertThat(c.opens("F2", Side.LEFT)).isEqualTo(36);
        }

        @Test
        void for_the_stronger_side_when_the_other_has_come_within_one_rung() {
            Case c = new Case().at(f1(Side.LEFT), place(Strand.LEG_FLOAT, Side.RIGHT, "F2", 20, null, null));
            assertThat(c.opens("F2", Side.LEFT)).isEqualTo(8);
            assertThat(c.opens("F3", Side.RIGHT)).isEqualTo(8);
            // four steps through F1, five through F2, two days each
            assertThat(c.opens("F3", Side.LEFT)).isEqualTo(18);
        }

        @Test
        void on_both_sides_where_both_must_have_passed_the_one_before() {
            // F3 6, 8, 10: three steps of two days; the right is there at once, the left ten days later (10, 12, 14,
            // 17, 20)
            Case c = new Case()
                    .at(
                            place(Strand.LEG_FLOAT, Side.LEFT, "F2", 10, null, null),
                            place(Strand.LEG_FLOAT, Side.RIGHT, "F3", 10, null, null));
            assertThat(c.opens("F3", Side.LEFT)).isEqualTo(10);
            // the left is at the top of F3 after two steps more
            assertThat(c.opens("F4", Side.RIGHT)).isEqualTo(14);
            assertThat(c.opens("F4", Side.LEFT)).isEqualTo(16);
        }

        @ParameterizedTest(name = "{0} weeks at its top before: after {1} days")
        @CsvSource({"0, 28", "1, 21", "3, 7", "4, 2", "9, 2"})
        void after_weeks_kept_at_the_top_of_the_one_before(int weeksBefore, int days) {
            Case c = new Case().at(hk7(Side.LEFT), hk7(Side.RIGHT));
            c.known = KnownOf.her(
                    ForecastTest.fullyCleared(),
                    false,
                    SCOOPS,
                    Set.of(new RungGates.Done("HK4", null), new RungGates.Done("HK5", null)),
                    new RungGates.History(0, Map.of("HK7", weeksBefore)));
            assertThat(c.opens("HK8", Side.LEFT)).isEqualTo(days);
        }

        @Test
        void after_weeks_at_the_top_that_she_comes_to_only_now() {
            Case c = new Case().at(hk7(Side.LEFT, 18), hk7(Side.RIGHT, 18));
            c.known = KnownOf.her(
                    ForecastTest.fullyCleared(),
                    false,
                    SCOOPS,
                    Set.of(new RungGates.Done("HK4", null), new RungGates.Done("HK5", null)),
                    new RungGates.History(0, Map.of()));
            // 10, 13, 16, 19, 20: two steps to twenty repetitions, one to the longer hold, two days each; four weeks on
            // it
            assertThat(c.opens("HK8", Side.LEFT)).isEqualTo(6 + 28);
        }

        @Test
        void for_one_that_may_wait_for_either_side_with_the_one_that_is_further_on() {
            Place tilt = place(Strand.PELVIC_CONTROL, null, "PC4", 60, 60, 60);
            Place f3 = place(Strand.LEG_FLOAT, Side.RIGHT, "F3", 10, null, null);
            Case there = new Case().at(tilt, place(Strand.LEG_FLOAT, Side.LEFT, "F2", 10, null, null), f3);
            assertThat(there.opens("PC5", null)).isEqualTo(2);
            // ten days to F3, four to its top
            Case onTheWay = new Case()
                    .at(
                            tilt,
                            place(Strand.LEG_FLOAT, Side.LEFT, "F2", 10, null, null),
                            place(Strand.LEG_FLOAT, Side.RIGHT, "F1", 5, null, null));
            assertThat(onTheWay.opens("PC5", null)).isBetween(14, 15);
        }

        @Test
        void once_for_both_sides_where_she_trains_them_as_one() {
            Case c = new Case().at(place(Strand.LEG_FLOAT, null, "F1", 5, null, null));
            assertThat(c.forecast().routes())
                    .filteredOn(route -> route.rung().code().equals("F2"))
                    .hasSize(1);
            assertThat(c.opens("F2", null)).isEqualTo(8);
        }

        @Test
        void not_by_what_only_the_other_side_has_done() {
            // F4 asks for F3 on both: the left has it from before, the right has to come to its top
            Case c = new Case()
                    .at(
                            place(Strand.LEG_FLOAT, Side.LEFT, "F3", 10, null, null),
                            place(Strand.LEG_FLOAT, Side.RIGHT, "F3", 6, null, null));
            RungGates.Known k = known(400);
            c.known = KnownOf.her(
                    k.screening(),
                    false,
                    SCOOPS,
                    Set.of(new RungGates.Done("F3", Side.LEFT), new RungGates.Done("HK1", null)));
            // on the fourth day, after the left was done: the left goes on with the fifth
            assertThat(c.opens("F4", Side.LEFT)).isEqualTo(5);
        }

        @Test
        void not_while_the_separation_is_overdue_for_a_re_check() {
            Case c = new Case().at(place(Strand.LEG_FLOAT, null, "F1", 10, null, null));
            LocalDate usual = ofHalf(c).p90();
            assertThat(usual).isBefore(TODAY.plusDays(12));
            c.recheck = TODAY.minusDays(15);
            // she comes every second time: in an eighth of the runs neither at once nor after one week nor after two
            assertThat(ofHalf(c).p90()).isBetween(TODAY.plusDays(22), TODAY.plusDays(40));
            assertThat(ofHalf(c).p10()).isBefore(TODAY.plusDays(8));
            c.recheck = TODAY.minusDays(13);
            assertThat(ofHalf(c).p10())
                    .as("a day of grace is left, and most come within it")
                    .isBefore(TODAY.plusDays(8));
            c.recheck = TODAY.plusDays(200);
            assertThat(ofHalf(c).p90()).as("it is far ahead").isEqualTo(usual);
        }

        /** When F2 opens for one who does half of her sessions, over many runs. */
        private Forecast.Quantiles ofHalf(Case other) {
            Question q = other.question();
            Forecast f = Forecast.of(new Question(
                    q.catalogue(),
                    q.stance(),
                    q.start(),
                    new Forecast.TrackRecord(
                            new Counts(500, 500), Map.of(Strand.LEG_FLOAT, new Counts(2000, 0)), Counts.NONE),
                    new Forecast.Horizon(TODAY, 26, 400, 3),
                    null,
                    null));
            return route(f, "F2", null).opens();
        }

        private Place hk7(Side side, int reps) {
            return place(Strand.HANDS_KNEES, side, "HK7", reps, 5, null);
        }

        private Place hk7(Side side) {
            return place(Strand.HANDS_KNEES, side, "HK7", 20, 5, null);
        }

        @Test
        void of_a_strand_not_begun_tomorrow_where_there_is_room_and_not_where_there_is_none() {
            assertThat(floats().opens("BR1", null)).isEqualTo(1);
            Case full = floats();
            full.size = 1;
            assertThat(full.opens("BR1", null)).isNull();
        }

        @Test
        void never_behind_a_finding_that_no_training_changes() {
            // without a grade nothing says that she holds the set
            assertThat(floats().opens("BR3", null)).isNull();
            Case graded = floats();
            graded.known = done();
            assertThat(graded.opens("BR3", null)).isNotNull();
        }

        @Test
        void not_where_what_it_needs_is_climbed_by_nobody_and_not_done() {
            // RO3 waits for F3, and a session of one exercise has no room for the float
            Case c = new Case()
                    .at(
                            place(Strand.ROTATION, Side.LEFT, "RO2", 12, null, null),
                            place(Strand.ROTATION, Side.RIGHT, "RO2", 12, null, null));
            c.size = 1;
            assertThat(c.opens("RO3", Side.LEFT)).as("F3 is not done").isNull();
            c.known = done("F3");
            assertThat(c.opens("RO3", Side.LEFT)).as("it is done").isEqualTo(2);
        }
    }
}

package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.KnownOf;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.decision.Move;
import fernstep.core.findings.Findings;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.progress.SessionResult.Symptom;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProgressTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);

    /** F2, left, 1 × 10, by mastery: one set growing 10 to 20. */
    private static final class Case {
        private String rung = "F2";
        private DoseStance stance = DoseStance.MASTERY_REPS;
        private Dose dose = new Dose(1, 10, null, null, 1, 5);
        private final List<SessionResult> log = new ArrayList<>();
        private LocalDate recheckDue;
        private boolean widened;
        private boolean askFirst;
        private Progress.WayBack eased;
        private Progress.DayAfter dayAfter = Progress.DayAfter.NONE;
        private Screening screening;
        private Set<RungGates.Done> done = Set.of();

        Case at(String code, Dose at) {
            rung = code;
            dose = at;
            return this;
        }

        Case stance(DoseStance doseStance) {
            stance = doseStance;
            return this;
        }

        Case log(int daysAgo, Kind kind) {
            return log(daysAgo, kind, 3, List.of());
        }

        Case log(int daysAgo, Kind kind, Integer effort, List<Symptom> nextDay) {
            log.add(new SessionResult(TODAY.minusDays(daysAgo), kind, effort, nextDay));
            return this;
        }

        /** Clean and light on these days, so much of it done. */
        Case did(Amount amount, int... daysAgo) {
            for (int day : daysAgo) {
                log.add(new SessionResult(TODAY.minusDays(day), Kind.CLEAN, 3, List.of()).withAmount(amount));
            }
            return this;
        }

        Case halfWayBack() {
            eased = Progress.WayBack.EASED;
            return this;
        }

        Case recheckDue(LocalDate day) {
            recheckDue = day;
            return this;
        }

        Case widened() {
            widened = true;
            return this;
        }

        Case askFirst() {
            askFirst = true;
            return this;
        }

        Case screening(Screening other) {
            screening = other;
            return this;
        }

        Case done(String code, Side side) {
            done = Set.of(new RungGates.Done(code, side));
            return this;
        }

        Progress answer() {
            Rung r = ShippedCatalogue.CATALOGUE.rung(rung);
            return Progress.of(new Progress.Question(
                    ShippedCatalogue.CATALOGUE,
                    new Progress.Place(
                            r,
                            r.perSide() ? Side.LEFT : null,
                            dose,
                            DoseRules.window(r.window(), stance),
                            Progress.RangeState.FULL,
                            0,
                            false,
                            eased),
                    stance,
                    log,
                    new Progress.Day(TODAY, recheckDue, widened, askFirst, false, dayAfter),
                    KnownOf.her(screening, screening == null ? null : false, Findings.NONE, done)));
        }
    }

    private static Case f2() {
        return new Case();
    }

    /** By sets a week F2 has two or three sets of 10 to 15. */
    @Nested
    class A_session_that_was_shortened {
        private Case twoSetsOf(int reps) {
            return new Case().stance(DoseStance.SETS_WEEKLY).at("F2", new Dose(2, reps, null, null, 1, 3));
        }

        @Test
        void with_fewer_repetitions_earns_nothing_and_says_so() {
            Progress p = twoSetsOf(10).did(new Amount(2, 3, null), 5, 3).answer();
            assertThat(p.change()).isEqualTo(Change.HOLD);
            assertThat(p.credits()).isZero();
            assertThat(p.reason().key()).isEqualTo("progress.lessThanDose");
        }

        @Test
        void with_fewer_sets_earns_repetitions() {
            Progress p = twoSetsOf(10).did(new Amount(1, 10, null), 5, 3).answer();
            assertThat(p.change()).isEqualTo(Change.NOTCH_UP);
            assertThat(p.dose()).isEqualTo(new Dose(2, 12, null, null, 1, 3));
        }

        @Test
        void with_fewer_sets_earns_no_set_more() {
            // F4 waits for the other side
            Case f3 = new Case().stance(DoseStance.SETS_WEEKLY).at("F3", new Dose(2, 10, null, null, 1, 3));
            assertThat(f3.did(new Amount(1, 10, null), 5, 3).answer().change()).isEqualTo(Change.READY_WAITING);
            assertThat(f3.did(new Amount(2, 10, null), 2, 1).answer().change()).isEqualTo(Change.READY_WAITING);
        }

        @Test
        void earns_once_her_dose_was_done_again() {
            Progress p = twoSetsOf(10)
                    .did(new Amount(2, 3, null), 9, 7)
                    .did(new Amount(2, 10, null), 5, 3)
                    .answer();
            assertThat(p.change()).isEqualTo(Change.NOTCH_UP);
            assertThat(p.credits()).isEqualTo(2);
        }

        @Test
        void earns_the_way_back_where_it_was_made_easier_for_her() {
            assertThat(twoSetsOf(10)
                            .did(new Amount(2, 5, null), 5, 3)
                            .halfWayBack()
                            .answer()
                            .change())
                    .isEqualTo(Change.HALF_BACK);
        }

        @Test
        void with_a_shorter_hold_is_less_as_well() {
            Dose hold = new Dose(1, null, 20, null, 1, 5);
            assertThat(new Amount(1, 1, 12).fullSetsOf(hold)).isFalse();
            assertThat(new Amount(1, 1, 20).fullSetsOf(hold)).isTrue();
            assertThat(Amount.of(hold)).isEqualTo(new Amount(1, 1, 20));
        }
    }

    /** Leaking, heaviness or pain during it or the day after: one step back, and a week's hold (brief 17.5). */
    @Nested
    class On_the_way_back_to_impact {
        private Case landings() {
            return new Case().at("IM4", new Dose(1, 12, null, null, 1, 3));
        }

        private Progress.DayAfter symptomDaysAgo(int days) {
            return new Progress.DayAfter(false, 1, null, TODAY.minusDays(days));
        }

        @Test
        void what_follows_is_the_exercise_before_where_it_begins() {
            Progress p = landings()
                    .log(1, Kind.CLEAN, 3, List.of(new Symptom(SignCode.LEAK, null)))
                    .answer();
            assertThat(p.change()).isEqualTo(Change.RUNG_DOWN);
            assertThat(p.rung()).isEqualTo("IM3");
            assertThat(p.dose().reps()).isEqualTo(5);
            assertThat(p.reason().key()).isEqualTo("progress.impactSymptom");
        }

        @Test
        void leaking_in_the_session_itself_counts_as_much() {
            Case leaked = landings().log(1, Kind.STOPPED);
            leaked.dayAfter = new Progress.DayAfter(true, 1, null, TODAY.minusDays(1));
            assertThat(leaked.answer().change()).isEqualTo(Change.RUNG_DOWN);
            assertThat(leaked.answer().rung()).isEqualTo("IM3");
        }

        @Test
        void nothing_grows_for_a_week() {
            Case clean = landings().log(3, Kind.CLEAN).log(1, Kind.CLEAN);
            clean.dayAfter = symptomDaysAgo(6);
            assertThat(clean.answer().change()).isEqualTo(Change.HOLD);
            assertThat(clean.answer().reason().key()).isEqualTo("progress.impactWeek");
            clean.dayAfter = symptomDaysAgo(7);
            assertThat(clean.answer().change()).isEqualTo(Change.NOTCH_UP);
        }

        @Test
        void elsewhere_a_week_is_not_waited_for() {
            Case clean = f2().log(3, Kind.CLEAN).log(1, Kind.CLEAN);
            clean.dayAfter = symptomDaysAgo(6);
            assertThat(clean.answer().change()).isEqualTo(Change.NOTCH_UP);
        }
    }

    private static Case f2AtTop() {
        return new Case()
                .at("F2", new Dose(1, 20, null, null, 1, 5))
                .log(5, Kind.CLEAN)
                .log(3, Kind.CLEAN);
    }

    private static List<Symptom> felt(SignCode code, Integer level) {
        return List.of(new Symptom(code, level));
    }

    @Nested
    class Credits {
        @Test
        void one_clean_light_session_is_one() {
            Progress p = f2().log(3, Kind.CLEAN).answer();
            assertThat(p.credits()).isEqualTo(1);
            assertThat(p.change()).isEqualTo(Change.HOLD);
        }

        @ParameterizedTest
        @CsvSource({"4, 1", "5, 0"})
        void need_an_effort_of_four_or_less(int effort, int credits) {
            assertThat(f2().log(3, Kind.CLEAN, effort, List.of()).answer().credits())
                    .isEqualTo(credits);
        }

        @ParameterizedTest
        @CsvSource({"1, progress.morningUnknown", "6, progress.morningUnknown", "7, progress.keepGoing"})
        void wait_a_week_for_a_morning_that_nobody_asked_about_and_lapse_without_loss(int daysAgo, String reason) {
            Progress p =
                    f2().log(9, Kind.CLEAN).log(daysAgo, Kind.CLEAN, 3, null).answer();
            assertThat(p.credits()).as("the one that was said to be well").isEqualTo(1);
            assertThat(p.reason().key()).isEqualTo(reason);
        }

        @Test
        void are_lost_to_anything_but_clean_or_helped() {
            assertThat(f2().log(9, Kind.CLEAN).log(7, Kind.HELPED).answer().credits())
                    .isEqualTo(1);
            assertThat(f2().log(9, Kind.CLEAN).log(7, Kind.EASED).answer().credits())
                    .isZero();
            assertThat(f2().log(9, Kind.CLEAN)
                            .log(7, Kind.EASED)
                            .log(5, Kind.CLEAN)
                            .answer()
                            .credits())
                    .isEqualTo(1);
        }

        @Test
        void two_on_one_day_are_not_enough() {
            Progress p = f2().log(3, Kind.CLEAN).log(3, Kind.CLEAN).answer();
            assertThat(p.credits()).as("two sessions on one day earn one").isEqualTo(1);
            assertThat(p.change()).isEqualTo(Change.HOLD);
        }
    }

    @Nested
    class A_notch_up {
        @Test
        void takes_two_more_repetitions_first() {
            Progress p = f2().log(5, Kind.CLEAN).log(3, Kind.CLEAN).answer();
            assertThat(p.change()).isEqualTo(Change.NOTCH_UP);
            assertThat(p.dose()).isEqualTo(new Dose(1, 12, null, null, 1, 5));
        }

        @Test
        void then_hold_inside_the_window() {
            // DC1 5–10 × 3–5 s, sets 2–3 by weekly sets
            Case c = f2().stance(DoseStance.SETS_WEEKLY).log(5, Kind.CLEAN).log(3, Kind.CLEAN);
            assertThat(c.at("DC1", new Dose(2, 9, 3, null, 1, 3))
                            .answer()
                            .dose()
                            .reps())
                    .isEqualTo(10);
            assertThat(c.at("DC1", new Dose(2, 10, 3, null, 1, 3))
                            .answer()
                            .dose()
                            .holdS())
                    .isEqualTo(5);
        }

        @Test
        void then_a_set_while_the_next_exercise_waits_for_the_other_side() {
            Progress p = f2().stance(DoseStance.SETS_WEEKLY)
                    .at("F3", new Dose(2, 10, null, null, 1, 3))
                    .log(5, Kind.CLEAN)
                    .log(3, Kind.CLEAN)
                    .answer();
            assertThat(p.change()).isEqualTo(Change.NOTCH_UP);
            assertThat(p.dose()).isEqualTo(new Dose(3, 10, null, null, 1, 3));
        }

        @Test
        void asks_no_third_set_of_who_may_go_on() {
            Progress p = f2().stance(DoseStance.SETS_WEEKLY)
                    .at("F3", new Dose(2, 10, null, null, 1, 3))
                    .done("F3", Side.RIGHT)
                    .log(5, Kind.CLEAN)
                    .log(3, Kind.CLEAN)
                    .answer();
            assertThat(p.change()).isEqualTo(Change.NEXT_RUNG);
            assertThat(p.rung()).isEqualTo("F4");
        }

        @Test
        void counts_breaths_one_by_one() {
            Progress p = f2().stance(DoseStance.BREATH_COUNTED)
                    .at("BR3", new Dose(2, null, null, 4, 1, 5))
                    .log(5, Kind.CLEAN)
                    .log(3, Kind.CLEAN)
                    .answer();
            assertThat(p.dose().breaths()).isEqualTo(5);
        }
    }

    @Nested
    class The_next_rung {
        @Test
        void opens_at_its_minimum_from_the_top_of_the_window() {
            Progress p = f2AtTop().answer();
            assertThat(p.change()).isEqualTo(Change.NEXT_RUNG);
            assertThat(p.rung()).isEqualTo("F3");
            assertThat(p.dose()).isEqualTo(new Dose(1, 6, null, null, 1, 5));
        }

        @Test
        void waits_for_the_other_side_where_its_gate_asks_both() {
            Case f3 = f2AtTop().at("F3", new Dose(1, 10, null, null, 1, 5));
            assertThat(f3.answer().change()).isEqualTo(Change.READY_WAITING);
            assertThat(f3.answer().waitingFor()).extracting(Waiting::code).containsExactly("F3");
            assertThat(f3.done("F3", Side.RIGHT).answer().change()).isEqualTo(Change.NEXT_RUNG);
        }

        @Test
        void waits_for_a_date_and_names_it() {
            LocalDate born = TODAY.minusDays(60);
            ClientFacts facts = new ClientFacts(
                    Status.POSTNATAL,
                    null,
                    List.of(new Birth(born, BirthMode.VAGINAL, 0)),
                    List.of(),
                    List.of(new Clearance(Clearance.Scope.EXERCISE, TODAY.minusDays(1), "MIDWIFE", null, null, null)),
                    null,
                    null,
                    null,
                    Set.of());
            Progress p = f2AtTop()
                    .at("F7", new Dose(1, 12, null, null, 1, 5))
                    .done("F7", Side.RIGHT)
                    .screening(Screening.of(
                            Screening.Question.of(facts, List.of(), Approach.SLOW_LADDER.stances(), TODAY)))
                    .answer();
            assertThat(p.change()).isEqualTo(Change.READY_WAITING);
            assertThat(p.waitingFor()).extracting(Waiting::opensOn).contains(born.plusDays(84));
        }

        @ParameterizedTest
        @CsvSource({"14, NEXT_RUNG", "15, READY_WAITING"})
        void waits_while_the_recheck_is_overdue_by_more_than_fourteen_days(int overdue, Change change) {
            assertThat(f2AtTop().recheckDue(TODAY.minusDays(overdue)).answer().change())
                    .isEqualTo(change);
        }

        @Test
        void waits_after_a_real_widening_and_while_ask_first_stands() {
            assertThat(f2AtTop().widened().answer().waitingFor())
                    .extracting(Waiting::code)
                    .containsExactly("WIDENING");
            assertThat(f2AtTop().askFirst().answer().waitingFor())
                    .extracting(Waiting::code)
                    .containsExactly("ASK_FIRST");
        }
    }

    @Nested
    class After_a_bad_session {
        @Test
        void eased_once_holds_and_twice_running_goes_one_notch_down() {
            Case c = f2().at("F2", new Dose(1, 14, null, null, 1, 5)).log(5, Kind.EASED);
            assertThat(c.answer().change()).isEqualTo(Change.HOLD);
            Progress p = c.log(3, Kind.EASED).answer();
            assertThat(p.change()).isEqualTo(Change.NOTCH_DOWN);
            assertThat(p.dose().reps()).isEqualTo(12);
        }

        @Test
        void stepped_back_goes_to_the_rung_before_at_its_top() {
            Progress p = f2().at("F3", new Dose(1, 6, null, null, 1, 5))
                    .log(3, Kind.STEPPED_BACK)
                    .answer();
            assertThat(p.change()).isEqualTo(Change.RUNG_DOWN);
            assertThat(p.rung()).isEqualTo("F2");
            assertThat(p.dose().reps()).isEqualTo(20);
        }

        @Test
        void stopped_keeps_the_rung_at_its_minimum_after_a_breath_session() {
            Progress p = f2().at("F2", new Dose(1, 16, null, null, 1, 5))
                    .log(3, Kind.STOPPED)
                    .answer();
            assertThat(p.rung()).isEqualTo("F2");
            assertThat(p.dose().reps()).isEqualTo(10);
            assertThat(p.waitingFor()).extracting(Waiting::code).containsExactly("BREATH_SESSION");
        }

        @Test
        void three_helped_in_a_row_try_without_help() {
            Progress p = f2().log(7, Kind.HELPED)
                    .log(5, Kind.HELPED)
                    .log(3, Kind.HELPED)
                    .answer();
            assertThat(p.reason().key()).isEqualTo("progress.tryWithoutHelp");
        }
    }

    @Nested
    class The_day_after {
        @ParameterizedTest
        @CsvSource({"HEAVY, , HOLD", "LEAK, , HOLD", "PAIN, 3, HOLD", "PAIN, , HOLD"})
        void holds_everything(SignCode code, Integer level, Change change) {
            Progress p = f2().log(5, Kind.CLEAN)
                    .log(3, Kind.CLEAN)
                    .log(2, Kind.CLEAN, 3, felt(code, level))
                    .answer();
            assertThat(p.change()).isEqualTo(change);
            assertThat(p.reason().key()).isEqualTo("progress.nextDay");
        }

        @Test
        void mild_pain_costs_only_its_own_credit() {
            Progress p = f2().log(5, Kind.CLEAN)
                    .log(4, Kind.CLEAN)
                    .log(3, Kind.CLEAN, 3, felt(SignCode.PAIN, 2))
                    .answer();
            assertThat(p.credits()).isEqualTo(2);
            assertThat(p.change()).isEqualTo(Change.NOTCH_UP);
        }

        @Test
        void twice_refers() {
            Progress p = f2().log(5, Kind.CLEAN, 3, felt(SignCode.HEAVY, null))
                    .log(3, Kind.CLEAN, 3, felt(SignCode.LEAK, null))
                    .answer();
            assertThat(p.change()).isEqualTo(Change.REFER);
        }
    }

    @Nested
    class A_gap {
        @ParameterizedTest
        @CsvSource({
            "13, NOTCH_UP",
            "14, NOTCH_DOWN",
            "27, NOTCH_DOWN",
            "28, RUNG_DOWN",
            "41, RUNG_DOWN",
            "42, RECHECK_FIRST"
        })
        void since_the_last_session_takes_back_a_notch_a_rung_or_asks_for_a_recheck(int days, Change change) {
            Progress p = f2().at("F2", new Dose(1, 14, null, null, 1, 5))
                    .log(days + 2, Kind.CLEAN)
                    .log(days, Kind.CLEAN)
                    .answer();
            assertThat(p.change()).isEqualTo(change);
        }
    }

    @Nested
    class What_a_session_adds_up_to {
        private Kind of(ResultRules.Made... made) {
            return ResultRules.of(List.of(made));
        }

        @Test
        void is_its_worst_move() {
            assertThat(of()).isEqualTo(Kind.CLEAN);
            assertThat(of(new ResultRules.Made(Move.END_SET, null, true))).isEqualTo(Kind.CLEAN);
            assertThat(of(new ResultRules.Made(Move.CUE, null, false))).isEqualTo(Kind.HELPED);
            assertThat(of(new ResultRules.Made(Move.EASE, Lever.ADD_HELPER, false)))
                    .isEqualTo(Kind.HELPED);
            assertThat(of(new ResultRules.Made(Move.EASE, Lever.RAISE_RANGE, false)))
                    .isEqualTo(Kind.EASED);
            assertThat(of(new ResultRules.Made(Move.EASE_ONE_SIDE, null, false)))
                    .isEqualTo(Kind.STEPPED_BACK);
            assertThat(of(
                            new ResultRules.Made(Move.STEP_BACK, null, false),
                            new ResultRules.Made(Move.END_EXERCISE, null, false)))
                    .isEqualTo(Kind.STOPPED);
        }
    }
}

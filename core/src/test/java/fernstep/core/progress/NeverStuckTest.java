package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Findings;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.Progress.Day;
import fernstep.core.progress.Progress.DayAfter;
import fernstep.core.progress.Progress.Place;
import fernstep.core.progress.Progress.RangeState;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.progress.SessionResult.Symptom;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Whole histories of twenty weeks, three sessions a week, each way in which somebody could come to stand still for good. */
class NeverStuckTest {
    private static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;
    private static final LocalDate FIRST = LocalDate.of(2031, 1, 6);
    private static final int SESSIONS = 60;
    private static final List<Symptom> WELL = List.of();

    /** What the rules said after one of the sessions. */
    private record Said(int session, Progress progress) {}

    /** A woman who does as the rules say, every offer taken at once. */
    private static final class History {
        private final Stances stances;
        private Rung rung;
        private Dose dose;
        private boolean helped;
        private final List<SessionResult> log = new ArrayList<>();
        private final List<Said> said = new ArrayList<>();
        private @Nullable LocalDate recheckDue;
        private @Nullable LocalDate seenOn;

        History(String code, Approach approach) {
            stances = approach.stances();
            rung = CATALOGUE.rung(code);
            dose = DoseRules.first(rung, stances.dose());
        }

        static LocalDate day(int session) {
            return FIRST.plusDays(7L * (session / 3) + 2L * (session % 3));
        }

        History twentyWeeks(IntFunction<SessionResult> sessions) {
            for (int n = 0; n < SESSIONS; n++) {
                log.add(sessions.apply(n));
                Progress progress = asked(day(n).plusDays(1));
                said.add(new Said(n, progress));
                if (progress.change().moves()) {
                    rung = CATALOGUE.rung(progress.rung());
                    dose = progress.dose();
                    helped = progress.change() == Change.ADD_HELPER
                            || (helped && progress.change() == Change.NOTCH_DOWN);
                    log.clear();
                }
            }
            return this;
        }

        Progress asked(LocalDate today) {
            Set<RungGates.Done> done = CATALOGUE.rungs().stream()
                    .map(other -> new RungGates.Done(other.code(), null))
                    .collect(Collectors.toSet());
            Side side = rung.perSide() ? Side.LEFT : null;
            return Progress.of(new Progress.Question(
                    CATALOGUE,
                    new Place(
                            rung,
                            side,
                            dose,
                            DoseRules.window(rung.window(), stances.dose()),
                            RangeState.FULL,
                            0,
                            helped),
                    stances.dose(),
                    log,
                    new Day(today, recheckDue, false, false, false, new DayAfter(false, 0, seenOn)),
                    new RungGates.Known(CATALOGUE, null, null, Findings.NONE, stances, done, RungGates.History.NONE)));
        }

        List<Change> changes() {
            return said.stream().map(one -> one.progress().change()).distinct().toList();
        }

        Progress last() {
            return said.get(said.size() - 1).progress();
        }

        Progress firstThat(Change change) {
            return said.stream()
                    .map(Said::progress)
                    .filter(one -> one.change() == change)
                    .findFirst()
                    .orElseThrow();
        }

        long howMany(Change change) {
            return said.stream()
                    .filter(one -> one.progress().change() == change)
                    .count();
        }
    }

    private static SessionResult went(
            int session, Kind kind, @Nullable Integer effort, @Nullable List<Symptom> nextDay) {
        return new SessionResult(History.day(session), kind, effort, nextDay);
    }

    @Nested
    class Eased_every_time {
        @Test
        void goes_down_notch_by_notch_then_a_rung_and_at_the_bottom_a_helper_and_another_exercise() {
            History history =
                    new History("F3", Approach.SLOW_LADDER).twentyWeeks(number -> went(number, Kind.EASED, 4, WELL));
            assertThat(history.changes())
                    .containsSubsequence(Change.RUNG_DOWN, Change.NOTCH_DOWN, Change.ADD_HELPER, Change.SWAP);
            assertThat(history.rung.code()).as("the lowest of the strand").isEqualTo("F1");
            assertThat(history.last().reason().key()).isEqualTo("progress.doesNotSuit");
        }

        @Test
        void on_the_lowest_rung_at_its_smallest_dose_asks_for_a_helper_after_two_and_for_a_swap_after_the_third() {
            History history = new History("F1", Approach.SLOW_LADDER);
            history.dose = DoseRules.minimum(
                    DoseRules.window(history.rung.window(), history.stances.dose()), history.stances.dose());
            history.twentyWeeks(number -> went(number, Kind.EASED, 4, WELL));
            assertThat(history.said.stream().limit(3).map(one -> one.progress().change()))
                    .containsExactly(Change.HOLD, Change.ADD_HELPER, Change.SWAP);
        }
    }

    @Nested
    class Clean_and_eased_by_turns {
        @Test
        void is_said_after_four_weeks_and_answered_with_half_a_step() {
            History history = new History("F3", Approach.SLOW_LADDER);
            history.dose = history.dose.withReps(10);
            history.twentyWeeks(number -> went(number, number % 2 == 0 ? Kind.CLEAN : Kind.EASED, 3, WELL));
            Progress first = history.firstThat(Change.NOTCH_DOWN);
            assertThat(first.reason().key()).isEqualTo("progress.alternates");
            assertThat(first.dose().reps()).as("one repetition, not two").isEqualTo(9);
            assertThat(history.said.stream()
                            .filter(one -> one.progress().change() == Change.NOTCH_DOWN)
                            .findFirst()
                            .orElseThrow()
                            .session())
                    .as("four weeks are twelve sessions")
                    .isBetween(11, 13);
        }
    }

    @Nested
    class How_hard_it_was {
        @ParameterizedTest
        @ValueSource(ints = {5, 6})
        void five_and_six_earn_nothing_and_the_reason_says_so(int effort) {
            History history = new History("F3", Approach.SLOW_LADDER)
                    .twentyWeeks(number -> went(number, Kind.CLEAN, effort, WELL));
            assertThat(history.changes()).containsExactly(Change.HOLD);
            assertThat(history.said)
                    .allSatisfy(one -> assertThat(one.progress().reason().key()).isEqualTo("progress.effortHigh"));
        }

        @Test
        void seven_and_more_twice_is_a_notch_down_and_never_zero_of_two_for_ever() {
            History history = new History("F3", Approach.SLOW_LADDER);
            history.dose = history.dose.withReps(10);
            history.twentyWeeks(number -> went(number, Kind.CLEAN, number < 2 ? 9 : 3, WELL));
            assertThat(history.said.get(1).progress().change()).isEqualTo(Change.NOTCH_DOWN);
            assertThat(history.said.get(1).progress().dose().reps()).isEqualTo(8);
            assertThat(history.howMany(Change.NOTCH_UP)).as("and then it grows").isGreaterThan(2);
        }

        @Test
        void not_told_waits_and_says_so_and_counts_once_it_is_told() {
            History untold =
                    new History("F3", Approach.SLOW_LADDER).twentyWeeks(number -> went(number, Kind.CLEAN, null, WELL));
            assertThat(untold.said)
                    .allSatisfy(one -> assertThat(one.progress().reason().key()).isEqualTo("progress.effortUntold"));
            untold.log.replaceAll(one -> new SessionResult(one.date(), one.kind(), 3, one.nextDay()));
            assertThat(untold.asked(History.day(SESSIONS)).change()).isEqualTo(Change.NOTCH_UP);
        }

        @ParameterizedTest
        @CsvSource({"0, 10", "1, 10", "2, 8"})
        void next_to_none_and_clean_twice_is_two_notches(int effort, int reps) {
            History history = new History("F3", Approach.SLOW_LADDER);
            history.twentyWeeks(number -> went(number, Kind.CLEAN, effort, WELL));
            assertThat(history.firstThat(Change.NOTCH_UP).dose().reps())
                    .as("from six")
                    .isEqualTo(reps);
        }
    }

    @Nested
    class Two_symptomatic_days {
        private final List<Symptom> heavy = List.of(new Symptom(SignCode.HEAVY, null));

        private SessionResult afterTwoDays(int count) {
            return went(count, Kind.CLEAN, 3, count == 0 || count == 2 ? heavy : WELL);
        }

        @Test
        void refer_and_hold_and_end_after_four_weeks_without() {
            History history = new History("F3", Approach.SLOW_LADDER).twentyWeeks(this::afterTwoDays);
            assertThat(history.said.get(2).progress().change()).isEqualTo(Change.REFER);
            int lastReferred = history.said.stream()
                    .filter(one -> one.progress().change() == Change.REFER)
                    .mapToInt(Said::session)
                    .max()
                    .orElseThrow();
            assertThat(History.day(lastReferred))
                    .as("the first of the two was on the first day of all")
                    .isBefore(FIRST.plusDays(28));
            assertThat(history.howMany(Change.NOTCH_UP)).isGreaterThan(5);
        }

        @Test
        void end_at_once_when_somebody_has_seen_her() {
            History history = new History("F3", Approach.SLOW_LADDER);
            for (int n = 0; n < 5; n++) {
                history.log.add(afterTwoDays(n));
            }
            assertThat(history.asked(History.day(5)).change()).isEqualTo(Change.REFER);
            history.seenOn = History.day(3);
            assertThat(history.asked(History.day(5)).change()).isEqualTo(Change.NOTCH_UP);
        }

        @ParameterizedTest
        @CsvSource({"27, REFER", "28, NOTCH_UP"})
        void of_which_one_is_four_weeks_old_count_no_longer(int daysAgo, Change change) {
            History history = new History("F3", Approach.SLOW_LADDER);
            LocalDate today = FIRST.plusDays(60);
            history.log.add(new SessionResult(today.minusDays(daysAgo), Kind.CLEAN, 3, heavy));
            history.log.add(new SessionResult(today.minusDays(9), Kind.CLEAN, 3, heavy));
            history.log.add(new SessionResult(today.minusDays(5), Kind.CLEAN, 3, WELL));
            history.log.add(new SessionResult(today.minusDays(3), Kind.CLEAN, 3, WELL));
            assertThat(history.asked(today).change()).isEqualTo(change);
        }
    }

    @Nested
    class An_overdue_recheck {
        @Test
        void stops_the_dose_as_well_as_the_rung_and_lets_both_go_on_when_it_was_done() {
            History history = new History("F3", Approach.SLOW_LADDER);
            history.recheckDue = FIRST.plusDays(42);
            history.twentyWeeks(number -> went(number, Kind.CLEAN, 3, WELL));
            assertThat(history.said.stream()
                            .filter(one -> one.progress().change().moves())
                            .mapToInt(Said::session)
                            .max()
                            .orElseThrow())
                    .as("the last rise lies within fourteen days of the day it was due")
                    .isLessThanOrEqualTo(24);
            assertThat(history.last().waitingFor()).extracting("code").contains("RECHECK");
            history.recheckDue = null;
            assertThat(history.asked(History.day(SESSIONS)).change().moves()).isTrue();
        }
    }

    @Nested
    class Pressed_flat_under_the_natural_curve {
        @Test
        void is_never_next_and_what_leads_through_it_leads_past_it() {
            History natural =
                    new History("PC1", Approach.BREATH_LED).twentyWeeks(number -> went(number, Kind.CLEAN, 3, WELL));
            assertThat(natural.said).noneMatch(one -> one.progress().rung().equals("PC2"));
            assertThat(natural.firstThat(Change.NEXT_RUNG).rung()).isEqualTo("PC3");
            History byFinding =
                    new History("PC1", Approach.SLOW_LADDER).twentyWeeks(number -> went(number, Kind.CLEAN, 3, WELL));
            assertThat(byFinding.firstThat(Change.NEXT_RUNG).rung()).isEqualTo("PC2");
        }

        @Test
        void is_not_gone_back_to_either() {
            History natural = new History("PC3", Approach.BREATH_LED);
            natural.twentyWeeks(number -> went(number, Kind.STEPPED_BACK, 3, WELL));
            assertThat(natural.firstThat(Change.RUNG_DOWN).rung()).isEqualTo("PC1");
        }
    }

    @Nested
    class What_else_could_hold_her {
        @Test
        void clean_with_help_every_time_is_told_to_be_tried_without() {
            History history =
                    new History("F3", Approach.SLOW_LADDER).twentyWeeks(number -> went(number, Kind.HELPED, 3, WELL));
            assertThat(history.last().reason().key()).isEqualTo("progress.tryWithoutHelp");
        }

        @Test
        void stopped_every_time_ends_at_the_smallest_dose_behind_a_session_of_breathing() {
            History history =
                    new History("F3", Approach.SLOW_LADDER).twentyWeeks(number -> went(number, Kind.STOPPED, 3, WELL));
            assertThat(history.last().waitingFor()).extracting("code").containsExactly("BREATH_SESSION");
        }

        @Test
        void a_long_gap_begins_the_rung_before_where_it_begins() {
            History history = new History("F3", Approach.SLOW_LADDER);
            history.log.add(went(0, Kind.CLEAN, 3, WELL));
            Progress progress = history.asked(FIRST.plusDays(28));
            assertThat(progress.change()).isEqualTo(Change.RUNG_DOWN);
            assertThat(progress.rung()).isEqualTo("F2");
            assertThat(progress.dose()).isEqualTo(DoseRules.first(CATALOGUE.rung("F2"), history.stances.dose()));
            assertThat(progress.range()).as("its easiest").isZero();
        }
    }
}

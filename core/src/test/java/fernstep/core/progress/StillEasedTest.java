package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.findings.Findings;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.Progress.Day;
import fernstep.core.progress.Progress.Place;
import fernstep.core.progress.Progress.RangeState;
import fernstep.core.progress.Progress.WayBack;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.session.Circumstances;
import fernstep.core.session.EarlierSessions;
import fernstep.core.session.ExerciseResult;
import fernstep.core.session.Intake;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.StaffId;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What was made easier in one session is where the next begins. */
class StillEasedTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);
    private static final Body BODY = Body.of(70.0, 170.0);
    private static final StaffId ILSE = new StaffId(4);
    private static final Dose EIGHT = new Dose(2, 8, null, null, 1, 5);
    private static final CleanSetting TWO_THIRDS = new CleanSetting("F4", 0.67, Easing.NONE, 8, null);

    private static StillEased.Stands stands(@Nullable Change change, int sinceDaysAgo) {
        return new StillEased.Stands("F4", 1, EIGHT, TODAY.minusDays(sinceDaysAgo), change, false);
    }

    private static StillEased.Session eased(int daysAgo, CleanSetting clean) {
        return new StillEased.Session(TODAY.minusDays(daysAgo), clean, SignCode.DOME_SOFT);
    }

    @Nested
    class The_result_of_a_session {
        private final List<SessionEvent> events = new ArrayList<>();
        private final PlannedExercise planned = new PlannedExercise("F4", RungForm.PLAIN, Side.LEFT, EIGHT, 1);

        private Intake intake() {
            Circumstances her = new Circumstances(
                    ShippedCatalogue.CATALOGUE,
                    Approach.SLOW_LADDER.stances(),
                    new Situation.Woman(false, Set.of(), BODY),
                    EarlierSessions.NONE,
                    TODAY);
            return new Intake(Session.replay(ShippedCatalogue.CATALOGUE, List.of(planned), events), () -> her, ILSE);
        }

        private void reps(int count) {
            for (int i = 0; i < count; i++) {
                intake().repDone("r" + events.size()).ifPresent(events::add);
            }
        }

        private void seen(Seen sign) {
            intake().sign("s" + events.size(), sign).ifPresent(events::add);
        }

        private ExerciseResult result() {
            return intake().session().results().get(0);
        }

        @Test
        void keeps_how_it_was_clean_after_an_easing() {
            reps(2);
            seen(Seen.clear(SignCode.DOME_SOFT));
            reps(6);
            ExerciseResult result = result();
            assertThat(result.kind()).isEqualTo(Kind.EASED);
            CleanSetting clean = result.cleanAt();
            assertThat(clean).isNotNull();
            assertThat(clean.rung()).isEqualTo("F4");
            boolean lessFarOrBent = clean.range() < 1 || clean.easing().kneesBentDeg() > 0;
            assertThat(lessFarOrBent).isTrue();
            double before = ShippedCatalogue.CATALOGUE.rung("F4").indexAt(1, BODY);
            double after = clean.easing()
                    .on(ShippedCatalogue.CATALOGUE.rung("F4"), BODY)
                    .indexAt(clean.range(), BODY);
            assertThat(after).as("a tenth less and more").isLessThanOrEqualTo(0.9 * before);
        }

        @Test
        void is_half_of_what_was_planned_where_pain_ended_it() {
            reps(3);
            seen(Seen.clear(SignCode.PAIN).withPain(5, null));
            ExerciseResult result = result();
            assertThat(result.kind()).isEqualTo(Kind.STOPPED);
            assertThat(result.cleanAt()).isEqualTo(new CleanSetting("F4", 0.5, Easing.NONE, 4, null));
        }

        @Test
        void is_nothing_after_a_clean_one() {
            reps(8);
            intake().setBegun("next").ifPresent(events::add);
            reps(8);
            intake().effort("hard", 3).ifPresent(events::add);
            assertThat(result().kind()).isEqualTo(Kind.CLEAN);
            assertThat(result().cleanAt()).isNull();
        }

        @Test
        void begins_the_next_one_as_it_was_left_and_counts_clean() {
            Easing easing = new Easing(30, Set.of(Lever.BEND_KNEE), Set.of(Helper.BALL));
            PlannedExercise next =
                    new PlannedExercise("F4", RungForm.PLAIN, Side.LEFT, EIGHT.withSets(1), 0.67, easing);
            Session session = Session.replay(ShippedCatalogue.CATALOGUE, List.of(next), List.of());
            Rung rung = ShippedCatalogue.CATALOGUE.rung("F4");
            assertThat(session.current().orElseThrow().kneesBentDeg()).isEqualTo(30);
            assertThat(session.current().orElseThrow().helpers()).containsExactly(Helper.BALL);
            assertThat(session.current().orElseThrow().asDone(BODY).indexAt(0.67, BODY))
                    .isLessThan(rung.indexAt(0.67, BODY));
        }
    }

    @Nested
    class Where_it_begins {
        @Test
        void is_how_she_was_clean_with_the_day_and_the_sign() {
            StillEased still = StillEased.of(stands(Change.NOTCH_UP, 20), List.of(eased(3, TWO_THIRDS)), null)
                    .orElseThrow();
            assertThat(still.wayBack()).isEqualTo(WayBack.EASED);
            assertThat(still.eased().setting()).isEqualTo(TWO_THIRDS);
            assertThat(still.eased().since()).isEqualTo(TODAY.minusDays(3));
            assertThat(still.eased().because()).isEqualTo(SignCode.DOME_SOFT);
        }

        @Test
        void is_the_newest_of_several() {
            CleanSetting lessStill = new CleanSetting("F4", 0.33, Easing.NONE, 8, null);
            assertThat(StillEased.of(stands(null, 30), List.of(eased(2, lessStill), eased(9, TWO_THIRDS)), null)
                            .orElseThrow()
                            .eased()
                            .setting())
                    .isEqualTo(lessStill);
        }

        @ParameterizedTest
        @CsvSource({
            "NOTCH_UP, false",
            "WHOLE_BACK, false",
            "NEXT_RUNG, false",
            ", false",
            "NOTCH_DOWN, true",
            "HOLD, true"
        })
        void is_forgotten_by_what_settles_it_and_kept_by_what_does_not(@Nullable Change change, boolean kept) {
            Optional<StillEased> still = StillEased.of(stands(change, 2), List.of(eased(3, TWO_THIRDS)), null);
            assertThat(still.isPresent()).isEqualTo(kept);
        }

        @Test
        void is_half_of_the_way_back_once_that_was_confirmed() {
            CleanSetting bent =
                    new CleanSetting("F4", 0.5, new Easing(60, Set.of(Lever.BEND_KNEE), Set.of(Helper.BALL)), 4, null);
            StillEased still = StillEased.of(stands(Change.HALF_BACK, 2), List.of(eased(9, bent)), null)
                    .orElseThrow();
            assertThat(still.wayBack()).isEqualTo(WayBack.HALF_WAY);
            assertThat(still.eased().setting())
                    .isEqualTo(
                            new CleanSetting("F4", 0.75, new Easing(30, Set.of(Lever.BEND_KNEE), Set.of()), 6, null));
        }

        @Test
        void does_not_say_anything_of_another_rung() {
            CleanSetting elsewhere = new CleanSetting("F3", 0.67, Easing.NONE, 8, null);
            assertThat(StillEased.of(stands(null, 30), List.of(eased(2, elsewhere)), null))
                    .isEmpty();
        }

        @Test
        void is_with_a_helper_where_the_least_was_too_much() {
            StillEased still = StillEased.of(stands(Change.ADD_HELPER, 1), List.of(), Helper.BALL)
                    .orElseThrow();
            assertThat(still.eased().setting().easing().helpers()).containsExactly(Helper.BALL);
            assertThat(still.eased().setting().range()).isEqualTo(1);
        }
    }

    @Nested
    class The_way_back {
        private Progress asked(@Nullable WayBack eased, Kind... kinds) {
            Rung rung = ShippedCatalogue.CATALOGUE.rung("F4");
            List<SessionResult> log = new ArrayList<>();
            for (int n = 0; n < kinds.length; n++) {
                log.add(new SessionResult(TODAY.minusDays(2L * (kinds.length - n)), kinds[n], 3, List.of()));
            }
            return Progress.of(new Progress.Question(
                    ShippedCatalogue.CATALOGUE,
                    new Place(
                            rung,
                            Side.LEFT,
                            new Dose(1, 8, null, null, 1, 5),
                            DoseRules.window(
                                    rung.window(),
                                    Approach.SLOW_LADDER.stances().dose()),
                            RangeState.FULL,
                            0,
                            false,
                            eased),
                    Approach.SLOW_LADDER.stances().dose(),
                    log,
                    Day.of(TODAY),
                    new RungGates.Known(
                            ShippedCatalogue.CATALOGUE,
                            null,
                            null,
                            Findings.NONE,
                            null,
                            Set.of(),
                            RungGates.History.NONE)));
        }

        @Test
        void takes_two_credits_for_the_first_half_and_two_more_for_the_rest() {
            assertThat(asked(WayBack.EASED, Kind.EASED, Kind.CLEAN).change()).isEqualTo(Change.HOLD);
            assertThat(asked(WayBack.EASED, Kind.EASED, Kind.CLEAN, Kind.CLEAN).change())
                    .isEqualTo(Change.HALF_BACK);
            assertThat(asked(WayBack.HALF_WAY, Kind.CLEAN, Kind.CLEAN).change()).isEqualTo(Change.WHOLE_BACK);
            assertThat(asked(null, Kind.CLEAN, Kind.CLEAN).change()).isEqualTo(Change.NOTCH_UP);
        }

        @Test
        void a_step_back_goes_to_where_she_was_clean_not_to_the_top_of_the_rung_before() {
            Rung rung = ShippedCatalogue.CATALOGUE.rung("F4");
            CleanSetting clean = new CleanSetting("F3", 0.4, Easing.NONE, 6, null);
            Progress progress = Progress.of(new Progress.Question(
                    ShippedCatalogue.CATALOGUE,
                    Place.atFullRange(
                            rung,
                            Side.LEFT,
                            new Dose(1, 8, null, null, 1, 5),
                            DoseRules.window(
                                    rung.window(),
                                    Approach.SLOW_LADDER.stances().dose())),
                    Approach.SLOW_LADDER.stances().dose(),
                    List.of(new SessionResult(TODAY.minusDays(1), Kind.STEPPED_BACK, 4, List.of(), clean, null)),
                    Day.of(TODAY),
                    new RungGates.Known(
                            ShippedCatalogue.CATALOGUE,
                            null,
                            null,
                            Findings.NONE,
                            null,
                            Set.of(),
                            RungGates.History.NONE)));
            assertThat(progress.change()).isEqualTo(Change.RUNG_DOWN);
            assertThat(progress.rung()).isEqualTo("F3");
            assertThat(progress.range()).isEqualTo(0.4);
            assertThat(progress.dose().reps()).isEqualTo(6);
        }
    }
}

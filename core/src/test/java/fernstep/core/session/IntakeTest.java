package fernstep.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.OutOfRange;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.screening.Answer;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** A session told press by press, as the runner tells it. */
class IntakeTest {
    private static final StaffId ILSE = new StaffId(3);
    private static final PlannedExercise BREATH =
            new PlannedExercise("BR3", RungForm.PLAIN, null, new Dose(1, null, null, 2, 1, 5), 1);
    private static final PlannedExercise FLOAT =
            new PlannedExercise("F1", RungForm.PLAIN, Side.LEFT, new Dose(2, 3, null, null, 1, 5), 1);
    private static final PlannedExercise HOVER =
            new PlannedExercise("HP1", RungForm.PLAIN, null, new Dose(1, 5, null, null, 1, 5), 1);

    private final List<SessionEvent> events = new ArrayList<>();
    private int told;

    private Session session() {
        return Session.replay(ShippedCatalogue.CATALOGUE, List.of(BREATH, FLOAT), events);
    }

    private Intake intake() {
        Circumstances her = new Circumstances(
                ShippedCatalogue.CATALOGUE,
                Approach.SLOW_LADDER.stances(),
                new Situation.Woman(false, Set.of(), Body.of(null, null)),
                EarlierSessions.NONE,
                LocalDate.of(2031, 5, 14));
        return new Intake(session(), () -> her, ILSE);
    }

    private String id() {
        told++;
        return "t" + told;
    }

    private SessionEvent take(Optional<SessionEvent> event) {
        SessionEvent taken = event.orElseThrow();
        assertThat(taken.madeBy()).isEqualTo(ILSE);
        events.add(taken);
        return taken;
    }

    private Exercise now() {
        return session().current().orElseThrow();
    }

    private void breathDone() {
        take(intake().repDone(id()));
        take(intake().repDone(id()));
        take(intake().effort(id(), 3));
    }

    @Test
    void easier_instead_pulls_the_lever_that_would_have_been_next_and_is_refused_where_none_is() {
        breathDone();
        repsDone(1);
        SignSeen seen = (SignSeen) take(intake().sign(id(), Seen.slight(SignCode.BACK_ARCHES)));
        assertThat(seen.advice().move()).isEqualTo(Move.CUE);
        LeverChange next = seen.advice().easierInstead().orElseThrow();
        Exercise before = now();
        take(intake().overridden(id(), seen.id(), Move.EASE, "she is tired today"));
        Exercise after = now();
        assertThat(after.range() < before.range()
                        || after.kneesBentDeg() > before.kneesBentDeg()
                        || after.helpers().size() > before.helpers().size())
                .as("%s", next)
                .isTrue();
        SignSeen tired = (SignSeen) take(intake().sign(id(), Seen.clear(SignCode.TIRED)));
        assertThat(tired.advice().easierInstead()).isEmpty();
        assertThat(intake().overridden(id(), tired.id(), Move.EASE, "all the same"))
                .isEmpty();
    }

    @Test
    void pain_keeps_the_side_on_which_it_is_felt_whichever_side_is_trained() {
        breathDone();
        repsDone(1);
        SignSeen seen = (SignSeen) take(intake().sign(
                        id(),
                        Seen.clear(SignCode.PAIN).withPain(2, BodyPlace.HIP).on(Side.RIGHT)));
        assertThat(seen.seen().side()).as("the left leg is in training").isEqualTo(Side.RIGHT);
        SignSeen turned = (SignSeen) take(intake().sign(id(), Seen.slight(SignCode.PELVIS_ROCKS)));
        assertThat(turned.seen().side()).isEqualTo(Side.LEFT);
    }

    private void repsDone(int count) {
        for (int i = 0; i < count; i++) {
            take(intake().repDone(id()));
        }
    }

    @Test
    void goes_press_by_press_through_sets_rest_and_effort() {
        breathDone();
        assertThat(now().rung().code()).isEqualTo("F1");
        repsDone(3);
        assertThat(now().setDone()).isTrue();
        assertThat(now().restS()).isEqualTo(30);
        assertThat(now().asksEffort()).isFalse();
        take(intake().setBegun(id()));
        assertThat(now().set()).isEqualTo(2);
        assertThat(now().repsLeft()).isEqualTo(3);
        repsDone(3);
        assertThat(now().asksEffort()).isTrue();
        assertThat(now().restS()).as("asked first").isZero();
        assertThat(((EffortTold) take(intake().effort(id(), 7))).effort()).isEqualTo(7);
        assertThat(session().ended()).isTrue();
        assertThat(session().exercises().get(1).effort()).isEqualTo(7);
        assertThat(session().exercises().get(1).sets())
                .extracting(SetDone::done)
                .containsExactly(3, 3);
    }

    @Test
    void an_effort_nobody_can_have_is_refused() {
        assertThatThrownBy(() -> intake().effort("e", 11)).isInstanceOf(OutOfRange.class);
    }

    @Test
    void leaves_an_exercise_out_with_its_reason() {
        assertThat(((Skipped) take(intake().skipped(id(), SkipReason.EQUIPMENT))).reason())
                .isEqualTo(SkipReason.EQUIPMENT);
        assertThat(session().exercises().get(0).state()).isEqualTo(Exercise.State.SKIPPED);
        assertThat(now().rung().code()).isEqualTo("F1");
    }

    @Test
    void takes_back_the_last_thing_and_says_which() {
        SessionEvent rep = take(intake().repDone(id()));
        assertThat(((Undone) take(intake().undone(id()))).eventId()).isEqualTo(rep.id());
        assertThat(now().repsDone()).isZero();
        assertThat(intake().undone(id())).as("nothing is left").isEmpty();
    }

    @Test
    void does_a_set_once_more_only_where_one_has_just_ended() {
        breathDone();
        repsDone(2);
        assertThat(intake().setRepeated(id())).as("in the middle of it").isEmpty();
        repsDone(1);
        take(intake().setRepeated(id()));
        assertThat(now().set()).isEqualTo(2);
        assertThat(now().setDone()).isFalse();
    }

    @Test
    void adds_an_exercise_once_and_none_that_is_closed_or_after_the_end() {
        assertThat(intake().added(id(), FLOAT)).as("it is there").isEmpty();
        assertThat(intake().added(id(), new PlannedExercise("F1", RungForm.PLAIN, Side.RIGHT, FLOAT.dose(), 1)))
                .as("the other side is not")
                .isPresent();
        take(intake().added(id(), HOVER));
        assertThat(session().exercises()).hasSize(3);
        assertThat(intake().added(id(), HOVER)).isEmpty();
        take(intake().finished(id()));
        assertThat(intake().added(id(), new PlannedExercise("BG1", RungForm.PLAIN, null, HOVER.dose(), 1)))
                .isEmpty();
    }

    @Test
    void adds_no_load_once_bearing_down_closed_it_but_a_breath() {
        breathDone();
        repsDone(1);
        take(intake().sign(id(), Seen.clear(SignCode.BEARS_DOWN)));
        assertThat(session().loadClosed()).isTrue();
        assertThat(intake().added(id(), HOVER)).isEmpty();
        assertThat(intake().added(
                                id(),
                                new PlannedExercise("BR2", RungForm.PLAIN, null, new Dose(1, null, null, 5, 1, 5), 1)))
                .isPresent();
    }

    @Test
    void keeps_a_note_at_any_time_and_goes_on_after_an_end_by_hand() {
        assertThat(intake().reopened(id())).as("it has not ended").isEmpty();
        take(intake().finished(id()));
        take(intake().noted(id(), "She was called away."));
        assertThat(session().ended()).isTrue();
        take(intake().reopened(id()));
        assertThat(session().ended()).isFalse();
        assertThat(session().note()).isEqualTo("She was called away.");
    }

    @Test
    void after_an_emergency_takes_nothing_back_and_nothing_more() {
        take(intake().emergency(id(), Answer.CHEST_PAIN));
        assertThat(session().locked()).isTrue();
        assertThat(intake().repDone(id())).isEmpty();
        assertThat(intake().setBegun(id())).isEmpty();
        assertThat(intake().effort(id(), 3)).isEmpty();
        assertThat(intake().skipped(id(), SkipReason.NO_TIME)).isEmpty();
        assertThat(intake().setRepeated(id())).isEmpty();
        assertThat(intake().added(id(), HOVER)).isEmpty();
        assertThat(intake().undone(id())).isEmpty();
        assertThat(intake().reopened(id())).isEmpty();
        assertThat(intake().sign(id(), Seen.clear(SignCode.DOME_FIRM))).isEmpty();
        assertThat(intake().situation(Seen.clear(SignCode.DOME_FIRM))).isEmpty();
        assertThat(intake().noted(id(), "Called 112.")).isPresent();
    }

    @Test
    void another_move_than_the_one_advised_takes_its_place_with_who_chose_it() {
        breathDone();
        repsDone(1);
        SessionEvent sign = take(intake().sign(id(), Seen.clear(SignCode.DOME_FIRM)));
        double eased = now().range();
        assertThat(eased).isLessThan(1);
        take(intake().overridden(id(), sign.id(), Move.CARRY_ON, "she knows it"));
        assertThat(now().range()).as("nothing was eased").isEqualTo(1);
        assertThat(now().answered()).hasSize(1);
    }

    @Test
    void a_result_says_what_was_done_of_a_step_back() {
        breathDone();
        repsDone(3);
        assertThat(now().steppedBack()).isFalse();
        assertThat(now().secondsUnderLoad()).isEqualTo(now().sets().get(0).secondsUnderLoad());
        assertThat(now().loadIndex(Body.of(null, null))).isEqualTo(now().rung().indexAt(1, Body.of(null, null)));
        assertThat(session().exercises().get(0).loadIndex(Body.of(null, null)))
                .as("a breath carries none")
                .isZero();
    }
}

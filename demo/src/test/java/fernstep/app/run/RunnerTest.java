package fernstep.app.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientRow;
import fernstep.app.client.Clients;
import fernstep.app.progress.Results;
import fernstep.app.standing.Standings;
import fernstep.app.support.Today;
import fernstep.core.approach.Approach;
import fernstep.core.body.Position;
import fernstep.core.catalogue.RungForm;
import fernstep.core.client.Licence;
import fernstep.core.client.Status;
import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Answer;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.StaffId;
import fernstep.core.standing.Lift;
import fernstep.core.standing.Permission;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;

/** What the tablet reports, on the real database. */
@ExtendWith(AppExtension.class)
class RunnerTest {
    private static final long IMOGEN = 1;
    private static final long TAMSIN = 2;

    private final Runner runner;
    private final Visits visits;
    private final RunAnswers answers;
    private final RunView view;
    private final Why why;
    private final SessionRecords records;
    private final Results results;
    private final Today today;
    private final Running app;
    private String session;
    private long visit;

    RunnerTest(
            Runner runner,
            Visits visits,
            RunAnswers answers,
            RunView view,
            Why why,
            SessionRecords records,
            Results results,
            Today today,
            Running app) {
        this.runner = runner;
        this.visits = visits;
        this.answers = answers;
        this.view = view;
        this.why = why;
        this.records = records;
        this.results = results;
        this.today = today;
        this.app = app;
    }

    @BeforeEach
    void a_session_that_has_begun() {
        long client = Someone.firm(app.context(), "Runner Person", Approach.SLOW_LADDER, 20);
        Visit today = visits.openToday(client, IMOGEN);
        visits.markAsked(today.id());
        visit = today.id();
        session = runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
    }

    private static Report effort(String id, int value) {
        return new Report(id, Kind.EFFORT, null, null, null, value, null, null, null);
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    @Test
    void a_report_sent_twice_is_one_event_and_carries_who_told_it() {
        String sign = id();
        runner.take(session, Report.sign(sign, "RUSHED"), TAMSIN);
        Session after =
                runner.take(session, Report.sign(sign, "RUSHED"), TAMSIN).session();
        assertThat(after.current())
                .hasValueSatisfying(exercise -> assertThat(exercise.signs()).containsExactly(SignCode.RUSHED));
        assertThat(after.answered())
                .containsInstanceOf(SignSeen.class)
                .hasValueSatisfying(answered -> assertThat(answered.madeBy()).isEqualTo(new StaffId(TAMSIN)));
        assertThat(runner.replay(session).exercises())
                .usingRecursiveComparison()
                .isEqualTo(after.exercises());
    }

    @Test
    void an_emergency_stands_in_the_visit_and_does_not_come_back_when_it_was_corrected() {
        String emergency = id();
        runner.take(session, Report.sign(emergency, "CHEST_PAIN"), IMOGEN);
        assertThat(runner.replay(session).locked()).isTrue();
        assertThat(visits.byId(visit).answers()).contains(Answer.CHEST_PAIN);
        visits.correct(visit, Answer.CHEST_PAIN, "it was the band", IMOGEN);
        runner.take(session, Report.sign(emergency, "CHEST_PAIN"), IMOGEN);
        assertThat(visits.byId(visit).answers()).doesNotContain(Answer.CHEST_PAIN);
    }

    /** As if it had been some days ago. */
    private void daysAgo(String of, int days) {
        JdbcTemplate sql = app.context().getBean(JdbcTemplate.class);
        for (String table : List.of("training_session", "session_result", "clean_setting")) {
            sql.update(
                    "UPDATE " + table + " SET held_on = held_on - INTERVAL ? DAY WHERE "
                            + (table.equals("training_session") ? "id" : "session_id") + " = ?",
                    days,
                    of);
        }
    }

    private Move heaviness(String in) {
        runner.take(in, Report.sign(id(), "HEAVY"), IMOGEN);
        Move move = runner.replay(in).answered().orElseThrow().advice().move();
        runner.take(in, Report.of(id(), Kind.FINISH), IMOGEN);
        return move;
    }

    @Test
    void heaviness_in_two_sessions_holds_her_until_somebody_has_seen_her_and_then_is_counted_anew() {
        Standings standings = app.context().getBean(Standings.class);
        long client = visits.byId(visit).client().id();
        assertThat(heaviness(session)).isEqualTo(Move.END_EXERCISE);
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.TRAIN);
        daysAgo(session, 3);
        String second = runner.start(visit, id(), null, IMOGEN);
        assertThat(heaviness(second)).isEqualTo(Move.END_SESSION);
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.SPEAK_FIRST);
        assertThat(standings.of(client).open())
                .as("once, though it was settled twice")
                .hasSize(1);
        daysAgo(second, 2);
        standings.lift(
                client,
                standings.of(client).open().get(0).id(),
                Lift.Kind.SEEN,
                Lift.May.AS_PLANNED,
                new Standings.By(IMOGEN, Licence.THERAPIST),
                "a pelvic-floor check, nothing found");
        String third = runner.start(visit, id(), null, IMOGEN);
        assertThat(heaviness(third)).as("counted anew").isEqualTo(Move.END_EXERCISE);
    }

    @Test
    void an_emergency_called_when_the_session_is_over_stands_in_the_visit_all_the_same() {
        runner.take(session, Report.of(id(), Kind.FINISH), IMOGEN);
        runner.take(session, Report.sign(id(), "CALF"), IMOGEN);
        assertThat(visits.byId(visit).answers()).contains(Answer.CALF);
    }

    @Test
    void an_id_that_was_used_for_something_else_is_refused_by_name_and_changes_nothing() {
        String id = id();
        runner.take(session, Report.of(id, Kind.REP), IMOGEN);
        assertThatThrownBy(() -> runner.take(session, Report.sign(id, "RUSHED"), IMOGEN))
                .isInstanceOfSatisfying(
                        Refused.class, refused -> assertThat(refused.code()).isEqualTo(Refused.Code.ID_REUSED));
        String other = runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
        assertThatThrownBy(() -> runner.take(other, Report.of(id, Kind.REP), IMOGEN))
                .isInstanceOf(Refused.class);
        assertThat(runner.replay(session).current().orElseThrow().repsDone()).isEqualTo(1);
        assertThat(runner.replay(other).current().orElseThrow().repsDone()).isZero();
    }

    @Test
    void a_repetition_told_of_an_exercise_that_is_over_is_refused_and_a_sign_never_is() {
        runner.take(session, Report.of(id(), Kind.SKIP), IMOGEN);
        Report late = new Report(id(), Kind.REP, 0, null, null, null, null, null, null);
        assertThatThrownBy(() -> runner.take(session, late, IMOGEN))
                .isInstanceOfSatisfying(
                        Refused.class, refused -> assertThat(refused.code()).isEqualTo(Refused.Code.MOVED_ON));
        Report sign = new Report(
                id(),
                Kind.SIGN,
                0,
                new Report.Sign("RUSHED", null, null, null, null, null, null, null),
                null,
                null,
                null,
                null,
                null);
        assertThat(runner.take(session, sign, IMOGEN).session().answered()).isPresent();
    }

    @Test
    void an_emergency_told_elsewhere_stops_the_session_until_it_is_corrected() {
        runner.take(session, Report.of(id(), Kind.REP), IMOGEN);
        String before = runner.version(session);
        visits.answer(visit, Answer.CALF, true, 1, "");
        assertThat(runner.version(session)).isNotEqualTo(before);
        assertThat(runner.held(session).locked()).isTrue();
        runner.take(session, Report.of(id(), Kind.REP), IMOGEN);
        assertThat(runner.replay(session).current().orElseThrow().repsDone()).isEqualTo(1);
        visits.correct(visit, Answer.CALF, "the other leg, a bruise", IMOGEN);
        assertThat(runner.take(session, Report.of(id(), Kind.REP), IMOGEN).locked())
                .isFalse();
        assertThat(runner.replay(session).current().orElseThrow().repsDone()).isEqualTo(2);
    }

    @Test
    void a_session_that_is_reopened_has_no_result_until_it_is_over_again() {
        long client = runner.session(session).clientId();
        runner.take(session, Report.sign(id(), "RUSHED"), IMOGEN);
        runner.take(session, Report.of(id(), Kind.FINISH), IMOGEN);
        assertThat(results.since(client, today.date()))
                .extracting(row -> row.sessionId())
                .containsOnly(session);
        assertThat(runner.session(session).finishedAt()).isNotNull();
        runner.take(session, Report.of(id(), Kind.UNDO), IMOGEN);
        assertThat(results.since(client, today.date())).isEmpty();
        assertThat(runner.session(session).finishedAt()).isNull();
    }

    @Test
    void the_answers_made_ahead_are_the_ones_that_are_given() {
        RunAnswers.Answers ahead = answers.of(session, 0);
        assertThat(ahead.bySign().keySet()).contains("PAIN.STRONG", "SET_LOST.GONE", "DOME_FIRM.CLEAR");
        RunState.After expected = ahead.bySign().get("BREATH_HELD.CLEAR").get(0).after();
        Runner.Held held = runner.take(session, Report.sign(id(), "BREATH_HELD"), IMOGEN);
        RunState now = view.state(held);
        assertThat(now.answersKey()).isEqualTo(expected.key());
        assertThat(now.phase()).isEqualTo(expected.phase());
        assertThat(now.advice())
                .usingRecursiveComparison()
                .ignoringFields("signEventId", "reason", "watchNext")
                .isEqualTo(expected.advice());
        assertThat(now.advice().reason()).isEqualTo(expected.advice().reason().replace(RunAnswers.REP_THEN, "1"));
    }

    @Test
    void an_exercise_further_on_is_answered_as_if_those_before_it_were_over() {
        RunAnswers.Answers second = answers.of(session, 1);
        RunState now = view.state(runner.held(session));
        assertThat(second.key()).isEqualTo(now.items().get(1).key());
        runner.take(session, Report.of(id(), Kind.SKIP), IMOGEN);
        assertThat(view.state(runner.held(session)).answersKey()).isEqualTo(second.key());
        assertThat(answers.of(session, 1)).isEqualTo(second);
    }

    @Test
    void why_names_the_rule_that_decided_and_what_the_other_approaches_say() {
        String id = id();
        runner.take(session, Report.sign(id, "BREATH_HELD"), IMOGEN);
        Why.Answer answer = why.of(session, id);
        assertThat(answer.rules()).hasSize(13);
        assertThat(answer.rules())
                .filteredOn(view -> view.outcome().equals("CHOSEN"))
                .extracting(Why.RuleView::rule)
                .containsExactly("R7");
        assertThat(answer.others())
                .hasSize(Approach.values().length - 1)
                .allSatisfy(view -> assertThat(view.move()).isNotBlank());
    }

    @Test
    void the_record_of_a_session_holds_sets_signs_answers_and_what_was_not_done() {
        String sign = id();
        runner.take(session, Report.of(id(), Kind.REP), IMOGEN);
        runner.take(session, Report.sign(sign, "BREATH_HELD"), IMOGEN);
        runner.take(
                session,
                new Report(
                        id(),
                        Kind.OVERRIDE,
                        null,
                        null,
                        new Report.Chosen(sign, Move.CARRY_ON, "she laughed"),
                        null,
                        null,
                        null,
                        null),
                IMOGEN);
        runner.take(session, new Report(id(), Kind.NOTE, null, null, null, null, null, null, " calm "), IMOGEN);
        runner.take(session, Report.of(id(), Kind.FINISH), IMOGEN);
        SessionRecords.View record = records.of(runner.held(session));
        assertThat(record.done()).hasSize(1);
        assertThat(record.done().get(0).sets().get(0).text()).startsWith("1 of ");
        assertThat(record.done().get(0).sets().get(0).reps())
                .extracting(SessionRecords.Rep::look, SessionRecords.Rep::keys)
                .containsExactly(tuple("clean", ""), tuple("seen", "1"));
        assertThat(record.done().get(0).signs().get(0).sign()).isEqualTo("Breath held, strong");
        assertThat(record.done().get(0).signs().get(0).answer()).isEqualTo("Carry on");
        assertThat(record.done().get(0).signs().get(0).overridden()).contains("she laughed");
        assertThat(record.note()).isEqualTo("calm");
        assertThat(record.notDone())
                .isNotEmpty()
                .allSatisfy(line -> assertThat(line).endsWith(": not started"));
        assertThat(record.canReopen()).isTrue();
    }

    @Test
    void beside_the_mat_she_lies_as_her_plan_has_it_not_flat() {
        long client = Someone.firm(app.context(), "Runner Expecting", Approach.SLOW_LADDER, 20);
        Clients clients = app.context().getBean(Clients.class);
        ClientRow row = clients.file(client).row();
        clients.update(
                new ClientRow(
                        client,
                        row.formId(),
                        row.name(),
                        Status.PREGNANT,
                        today.date().plusWeeks(16),
                        row.heightCm(),
                        row.massKg(),
                        row.age(),
                        row.dominantHand(),
                        row.approach(),
                        row.minutesPerDay(),
                        row.daysPerWeek(),
                        row.restrictions(),
                        row.note()),
                List.of(),
                clients.version(client),
                IMOGEN);
        Visit visit = visits.openToday(client, IMOGEN);
        visits.markAsked(visit.id());
        String expecting = runner.start(visit.id(), UUID.randomUUID().toString(), null, IMOGEN);
        List<Exercise> onTheBack = runner.replay(expecting).exercises().stream()
                .filter(exercise -> exercise.form() == RungForm.INCLINED)
                .toList();
        assertThat(onTheBack)
                .isNotEmpty()
                .allSatisfy(exercise -> assertThat(exercise.rung().position()).isEqualTo(Position.INCLINED));
        assertThat(view.state(runner.held(expecting)).items())
                .filteredOn(item -> item.figure().contains("form=INCLINED"))
                .hasSameSizeAs(onTheBack)
                .allSatisfy(item -> assertThat(item.position()).isEqualTo("inclined"));
        assertThat(runner.replay(expecting).exercises())
                .noneSatisfy(exercise -> assertThat(exercise.rung().position()).isEqualTo(Position.SUPINE));
    }

    @Test
    void the_record_sets_time_under_load_against_the_last_session_beside_the_mat() {
        SessionRecords.Line first = doneLoaded(session, 2);
        assertThat(first.underLoad()).matches("\\d+ s under load");
        int seconds = Integer.parseInt(first.underLoad().split(" ")[0]);
        String again = runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
        SessionRecords.Line second = doneLoaded(again, 1);
        assertThat(second.underLoad())
                .startsWith(seconds / 2 + " s under load, last time " + seconds + " s")
                .endsWith("load ±0 % against last time");
    }

    /** Skips to the first loaded exercise that is counted in repetitions and does so many. */
    private SessionRecords.Line doneLoaded(String id, int times) {
        while (!runner.replay(id).current().orElseThrow().rung().loaded()
                || runner.replay(id).current().orElseThrow().rung().family() == null) {
            runner.take(id, Report.of(id(), Kind.SKIP), IMOGEN);
        }
        for (int i = 0; i < times; i++) {
            runner.take(id, Report.of(id(), Kind.REP), IMOGEN);
        }
        runner.take(id, Report.of(id(), Kind.FINISH), IMOGEN);
        return records.of(runner.held(id)).done().get(0);
    }

    @Test
    void only_sessions_in_which_something_was_told_stand_among_the_records() {
        long client = runner.session(session).clientId();
        assertThat(records.latest(client, 6)).isEmpty();
        runner.take(session, Report.of(id(), Kind.REP), IMOGEN);
        assertThat(records.latest(client, 6)).extracting(SessionRow::id).containsExactly(session);
    }

    @Test
    void an_effort_is_told_once_the_last_set_is_over() {
        int target = runner.replay(session).current().orElseThrow().target();
        for (int i = 0; i < target; i++) {
            runner.take(session, Report.of(id(), Kind.REP), IMOGEN);
        }
        assertThat(runner.replay(session).current().orElseThrow().setDone()).isTrue();
        assertThatThrownBy(() -> runner.take(session, effort(id(), 11), IMOGEN))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("from 0 to 10");
    }
}

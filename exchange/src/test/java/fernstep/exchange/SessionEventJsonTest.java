package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Advice;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.screening.Answer;
import fernstep.core.session.Circumstances;
import fernstep.core.session.EarlierSessions;
import fernstep.core.session.Intake;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.ExerciseAdded;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Noted;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SetRepeated;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import fernstep.core.session.SkipReason;
import fernstep.core.session.StaffId;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.session.SessionEventJson;
import fernstep.exchange.session.SessionEventJson.Written;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What happened in a session comes back from its written form as it was. */
class SessionEventJsonTest {
    private static final StaffId IMOGEN = new StaffId(4);
    private static final Place PLACE = new Place("F2", 3);

    private static Advice advice(LeverChange change, Advice.RunnerUp next) {
        Reason inner = Reason.of("R4.ease", SignCode.DOME_FIRM, 2, "so", LocalDate.of(2031, 5, 14));
        return new Advice(
                Move.EASE,
                change,
                new Advice.StepBack("F1", RungForm.ON_FOREARMS, 0.4),
                -24.5,
                RuleId.R4,
                Reason.of("advice.withLever", inner, Lever.BEND_KNEE),
                SignCode.WALL_BULGE,
                next,
                List.of("RUSHED", "CHEST_PAIN"),
                true,
                true);
    }

    static Stream<SessionEvent> events() {
        Advice numbers = advice(
                new LeverChange(Lever.RAISE_RANGE, 1.0, 0.67, -24.5),
                new Advice.RunnerUp(
                        Move.EASE,
                        new LeverChange(Lever.SUPPORT, null, Helper.BALL, null),
                        Reason.of("runner.laterInOrder")));
        Advice codes = advice(
                new LeverChange(Lever.CHANGE_SPINE, Stances.Spine.NATURAL_CURVE, Stances.Spine.LIGHT_IMPRINT, null),
                null);
        Advice position =
                advice(new LeverChange(Lever.EASIER_POSITION, Position.PRONE, Position.HANDS_KNEES, -3.0), null);
        Seen full = new Seen(SignCode.PAIN, Seen.Severity.CLEAR, Side.LEFT, 2, 4.5, 6, BodyPlace.HIP, true, false);
        Seen bare = Seen.slight(SignCode.RUSHED).inRep(1);
        return Stream.of(
                new RepDone("a", IMOGEN),
                new SetBegun("b", IMOGEN),
                new SignSeen("c", IMOGEN, PLACE, full, numbers),
                new SignSeen("d", IMOGEN, PLACE, bare, codes),
                new SignSeen("e", IMOGEN, PLACE, bare, position),
                new SignSeen("f", IMOGEN, PLACE, bare, advice(null, null)),
                new EmergencyCalled("g", IMOGEN, PLACE, Answer.CALF, advice(null, null)),
                new Overridden("h", IMOGEN, "c", Move.CUE, "she \"laughed\""),
                new EffortTold("i", IMOGEN, 7),
                new Skipped("j", IMOGEN, SkipReason.NO_TIME),
                new SetRepeated("m", IMOGEN),
                new ExerciseAdded(
                        "n",
                        IMOGEN,
                        new PlannedExercise("F2", RungForm.INCLINED, Side.RIGHT, new Dose(2, 8, 5, null, 1, 3), 0.67)),
                new ExerciseAdded(
                        "o",
                        IMOGEN,
                        new PlannedExercise("BR1", RungForm.PLAIN, null, new Dose(1, null, null, 6, 2, 7), 1)),
                new Noted("p", IMOGEN, "calmer than last week"),
                new Undone("k", IMOGEN, "c"),
                new Finished("l", IMOGEN));
    }

    @ParameterizedTest
    @MethodSource("events")
    void every_kind_comes_back_as_it_was(SessionEvent event) {
        Written written = SessionEventJson.write(event);
        SessionEvent back = SessionEventJson.read(written.kind(), event.id(), event.madeBy(), written.detail());
        assertThat(SessionEventJson.write(back)).isEqualTo(written);
        // Whole numbers come back as the same number, perhaps of another class.
        assertThat(back)
                .usingRecursiveComparison()
                .withEqualsForType((one, other) -> one.doubleValue() == other.doubleValue(), Number.class)
                .ignoringFields("advice.reason")
                .isEqualTo(event);
        event.answered()
                .ifPresent(answered -> assertThat(wording(back))
                        .isEqualTo(Wording.english().of(answered.advice().reason())));
    }

    private static String wording(SessionEvent event) {
        return Wording.english().of(event.answered().orElseThrow().advice().reason());
    }

    /** Every sign on a rung of every strand: what the rules truly answer survives being written, word for word. */
    @ParameterizedTest
    @EnumSource(SignCode.class)
    void what_the_rules_answer_reads_the_same_after_it_was_written(SignCode sign) {
        Catalogue catalogue = CataloguePackage.shipped();
        List<String> compared = new ArrayList<>();
        for (String rung : List.of("BR2", "F3", "HS2", "HK5", "HP2", "SS2", "BG2", "UP3")) {
            Circumstances her = new Circumstances(
                    catalogue,
                    Approach.SLOW_LADDER.stances(),
                    new Situation.Woman(false, Set.of(), Body.of(null, null)),
                    EarlierSessions.NONE,
                    LocalDate.of(2031, 5, 14));
            List<PlannedExercise> planned =
                    List.of(new PlannedExercise(rung, RungForm.PLAIN, null, new Dose(2, 6, null, null, 1, 5), 1));
            SessionEvent event = new Intake(Session.replay(catalogue, planned, List.of()), () -> her, IMOGEN)
                    .sign("s", Seen.clear(sign))
                    .orElseThrow();
            Written written = SessionEventJson.write(event);
            SessionEvent back = SessionEventJson.read(written.kind(), "s", IMOGEN, written.detail());
            assertThat(wording(back)).as(rung).isEqualTo(wording(event));
            assertThat(Session.replay(catalogue, planned, List.of(back)).exercises())
                    .usingRecursiveComparison()
                    .ignoringFields("seen.answered")
                    .isEqualTo(
                            Session.replay(catalogue, planned, List.of(event)).exercises());
            compared.add(rung);
        }
        assertThat(compared).hasSize(8);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "EFFORT|{}",
                "EFFORT|{\"effort\": 11}",
                "SIGN|{\"rung\": \"F2\", \"set\": 1, \"sign\": \"DOMING\", \"severity\": \"CLEAR\"}",
                "OVERRIDE|{\"signId\": \"a\", \"move\": \"EASE\"}",
                "UNDO|no JSON",
                "UNDO|[1]"
            })
    void what_no_event_says_is_refused(SessionEventJson.Kind kind, String detail) {
        assertThatThrownBy(() -> SessionEventJson.read(kind, "a", IMOGEN, detail))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void a_reason_is_written_by_its_key_never_as_a_sentence() {
        String detail = SessionEventJson.write(
                        new SignSeen("c", IMOGEN, PLACE, Seen.clear(SignCode.RUSHED), advice(null, null)))
                .detail();
        assertThat(detail).contains("\"key\":\"R4.ease\"").contains("{\"code\":\"Lever.BEND_KNEE\"}");
    }
}

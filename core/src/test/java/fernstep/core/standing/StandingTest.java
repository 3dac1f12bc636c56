package fernstep.core.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.Seeded;
import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Licence;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.OutOfRange;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Who reported what, when, who lifted it, and what is open. */
class StandingTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);
    private static final Concern CHEST_PAIN = new Concern.Emergency(Answer.CHEST_PAIN);
    private static final Concern HERNIA = new Concern.AskFirst(Answer.HERNIA);
    private static final Concern HEAVY = new Concern.PelvicFloor(SignCode.HEAVY, "SS1");

    private final List<SafetyReport> reports = new ArrayList<>();
    private final List<Lift> lifts = new ArrayList<>();

    private static LocalDateTime daysAgo(int days) {
        return TODAY.minusDays(days).atTime(21, 40);
    }

    /** Its number counts from 1. */
    private StandingTest reported(Concern concern, int daysAgo) {
        reports.add(
                new SafetyReport(reports.size() + 1L, concern, SafetyReport.Way.HOME, daysAgo(daysAgo), "Imogen Vale"));
        return this;
    }

    private StandingTest lifted(long report, Lift.Kind kind, Lift.May may, Licence licence, int daysAgo) {
        lifts.add(new Lift(report, kind, may, licence, daysAgo(daysAgo), "Ilse Brandt", "looked at"));
        return this;
    }

    private Standing standing() {
        return Standing.of(reports, lifts, TODAY);
    }

    private static Rung rung(String code) {
        return ShippedCatalogue.CATALOGUE.rung(code);
    }

    @Test
    void nothing_reported_stops_nothing() {
        assertThat(standing().level()).isEqualTo(Level.CLEAR);
        assertThat(standing().mayTrain()).isEqualTo(Permission.TRAIN);
        assertThat(standing().holds(rung("F7"))).isFalse();
    }

    @Nested
    class An_emergency {
        @ParameterizedTest
        @CsvSource({"0", "1", "7", "400"})
        void stands_however_long_ago_it_was_told(int daysAgo) {
            reported(CHEST_PAIN, daysAgo);
            assertThat(standing().mayTrain()).isEqualTo(Permission.NOTHING);
            assertThat(standing().answers()).containsExactly(Answer.CHEST_PAIN);
        }

        @ParameterizedTest
        @CsvSource({
            "TAKEN_BACK, AS_PLANNED, THERAPIST, TRAIN",
            "SEEN, AS_PLANNED, THERAPIST, TRAIN",
            "SEEN, GENTLY, THERAPIST, TRAIN",
            "SEEN, NOT_YET, THERAPIST, NOTHING",
            "SEEN, REFERRED, THERAPIST, NOTHING",
            "SEEN, AS_PLANNED, COACH, NOTHING",
            "TAKEN_BACK, AS_PLANNED, COACH, NOTHING",
            "SPOKEN, AS_PLANNED, THERAPIST, NOTHING",
            "CLEARED, AS_PLANNED, THERAPIST, NOTHING"
        })
        void goes_only_with_the_licence_and_when_it_was_mistaken_or_seen(
                Lift.Kind kind, Lift.May may, Licence licence, Permission then) {
            reported(CHEST_PAIN, 2).lifted(1, kind, may, licence, 0);
            assertThat(standing().mayTrain()).isEqualTo(then);
        }

        @Test
        void told_again_stands_again() {
            reported(CHEST_PAIN, 3).lifted(1, Lift.Kind.SEEN, Lift.May.AS_PLANNED, Licence.THERAPIST, 2);
            reported(CHEST_PAIN, 1);
            assertThat(standing().locked()).isTrue();
        }

        @Test
        void is_not_lifted_by_what_was_said_of_another_report() {
            reported(HEAVY, 3).reported(CHEST_PAIN, 2);
            lifted(1, Lift.Kind.TAKEN_BACK, Lift.May.AS_PLANNED, Licence.THERAPIST, 0);
            assertThat(standing().locked()).isTrue();
        }

        @Test
        void holds_everything_but_what_is_for_everyone_from_the_first_day() {
            reported(CHEST_PAIN, 0);
            assertThat(standing().holds(rung("F1"))).isTrue();
            assertThat(standing().mayTrain().opensSession()).isFalse();
        }
    }

    @Nested
    class What_asks_first {
        @Test
        void leaves_breath_and_posture_until_a_therapist_has_looked() {
            reported(HERNIA, 20);
            assertThat(standing().mayTrain()).isEqualTo(Permission.BREATH_AND_POSTURE);
            lifted(1, Lift.Kind.SPOKEN, Lift.May.AS_PLANNED, Licence.COACH, 1);
            assertThat(standing().mayTrain()).isEqualTo(Permission.BREATH_AND_POSTURE);
            lifted(1, Lift.Kind.SPOKEN, Lift.May.AS_PLANNED, Licence.THERAPIST, 0);
            assertThat(standing().mayTrain()).isEqualTo(Permission.TRAIN);
        }

        @Test
        void a_clearance_answers_whoever_took_it_down() {
            reported(new Concern.AskFirst(Answer.SURGEON_NOT_CLEARED), 9);
            lifted(1, Lift.Kind.CLEARED, Lift.May.AS_PLANNED, Licence.COACH, 0);
            assertThat(standing().level()).isEqualTo(Level.CLEAR);
        }
    }

    @Nested
    class Told_from_home {
        @Test
        void heaviness_holds_all_but_breath_and_posture_until_somebody_has_spoken_with_her() {
            reported(HEAVY, 6);
            assertThat(standing().level()).isEqualTo(Level.HELD);
            assertThat(standing().mayTrain()).isEqualTo(Permission.SPEAK_FIRST);
            assertThat(standing().holds(rung("HS1"))).isTrue();
            assertThat(standing().holds(rung("BR1"))).isFalse();
            assertThat(standing().holds(rung("UP1"))).isFalse();
            lifted(1, Lift.Kind.SPOKEN, Lift.May.NOT_YET, Licence.THERAPIST, 1);
            assertThat(standing().mayTrain()).isEqualTo(Permission.SPEAK_FIRST);
            lifted(1, Lift.Kind.SPOKEN, Lift.May.AS_PLANNED, Licence.COACH, 0);
            assertThat(standing().mayTrain()).isEqualTo(Permission.TRAIN);
        }

        @Test
        void new_leaking_holds_its_exercise_and_leaking_as_before_holds_nothing() {
            reported(new Concern.Leaking(true, "HP1"), 1);
            assertThat(standing().mayTrain()).isEqualTo(Permission.TRAIN);
            assertThat(standing().level()).isEqualTo(Level.HELD);
            assertThat(standing().holds(rung("HP1"))).isTrue();
            assertThat(standing().holds(rung("HP2"))).isFalse();
            reports.clear();
            reported(new Concern.Leaking(false, "HP1"), 1);
            assertThat(standing().level()).isEqualTo(Level.CLEAR);
            assertThat(standing().holds(rung("HP1"))).isFalse();
        }

        @ParameterizedTest
        @CsvSource({
            "3, false, WRIST, CLEAR, false, false",
            "4, false, WRIST, HELD, true, false",
            "4, false, LOW_BACK, HELD, true, true",
            "2, true, WRIST, HELD, true, true",
            "4, false, , HELD, true, true"
        })
        void strong_pain_holds_what_loads_its_place_and_all_where_it_is_sharp_or_nobody_knows_where(
                int level, boolean sharp, BodyPlace place, Level then, boolean onTheHands, boolean onTheBack) {
            reported(new Concern.Pain(level, sharp, place, null, "HK4"), 1);
            assertThat(standing().level()).isEqualTo(then);
            assertThat(standing().holds(rung("HK4"))).isEqualTo(onTheHands);
            assertThat(standing().holds(rung("F3"))).isEqualTo(onTheBack);
        }

        @ParameterizedTest
        @CsvSource({"30, 3, 2, 3, TRAIN", "29, 3, 2, 3, SPEAK_FIRST", "29, 2, 2, 3, TRAIN", "2, 3, 1, 10, SPEAK_FIRST"})
        void pain_of_three_on_two_mornings_within_four_weeks_holds_everything(
                int firstDaysAgo, int firstLevel, int secondDaysAgo, int secondLevel, Permission then) {
            reported(new Concern.PainAfterwards(firstLevel), firstDaysAgo)
                    .reported(new Concern.PainAfterwards(secondLevel), secondDaysAgo);
            assertThat(standing().mayTrain()).isEqualTo(then);
        }

        @Test
        void two_on_one_morning_are_one() {
            reported(new Concern.PainAfterwards(5), 1).reported(new Concern.PainAfterwards(4), 1);
            assertThat(standing().mayTrain()).isEqualTo(Permission.TRAIN);
        }

        @Test
        void too_many_wrong_pins_are_told_and_hold_nothing() {
            reported(new Concern.PageLocked(10), 1);
            assertThat(standing().open()).hasSize(1);
            assertThat(standing().mayTrain()).isEqualTo(Permission.TRAIN);
        }
    }

    @Nested
    class Gently {
        @ParameterizedTest
        @CsvSource({"0, true", "6, true", "7, false"})
        void lasts_a_week_from_the_day_on_which_it_was_allowed(int daysAgo, boolean still) {
            reported(HEAVY, 9).lifted(1, Lift.Kind.SPOKEN, Lift.May.GENTLY, Licence.COACH, daysAgo);
            assertThat(standing().mayTrain()).isEqualTo(Permission.TRAIN);
            assertThat(standing().gently(TODAY)).isEqualTo(still);
        }
    }

    @Test
    void the_most_serious_comes_first_and_what_to_speak_about_is_named() {
        reported(HERNIA, 1).reported(HEAVY, 0).reported(CHEST_PAIN, 5);
        assertThat(standing().open()).extracting(SafetyReport::concern).containsExactly(CHEST_PAIN, HERNIA, HEAVY);
        assertThat(standing().speakAbout()).map(SafetyReport::concern).contains(HEAVY);
        assertThat(standing().saying(Answer.HERNIA)).hasSize(1);
    }

    @Test
    void what_only_adapts_counts_on_its_day_and_holds_nothing() {
        reported(Concern.of(Answer.WRIST_PAIN), 1);
        assertThat(standing().mayTrain()).isEqualTo(Permission.TRAIN);
        assertThat(standing().adaptsOn(TODAY.minusDays(1))).containsExactly(Answer.WRIST_PAIN);
        assertThat(standing().adaptsOn(TODAY)).isEmpty();
        assertThat(standing().answers()).isEmpty();
    }

    @Test
    void what_is_no_emergency_or_no_level_cannot_be_reported_as_one() {
        assertThatThrownBy(() -> new Concern.Emergency(Answer.TIRED)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Concern.AskFirst(Answer.FEVER)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Concern.PelvicFloor(SignCode.TIRED, ""))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Concern.PainAfterwards(11)).isInstanceOf(OutOfRange.class);
    }

    /** Laws over reports and lifts made up at random. */
    @Nested
    class For_whatever_was_reported {
        @ParameterizedTest
        @MethodSource("fernstep.core.standing.StandingTest#histories")
        void adding_a_report_never_makes_it_milder(Random random) {
            fill(random, 6, 6);
            Standing before = standing();
            reported(concern(random), random.nextInt(60));
            Standing after = standing();
            assertThat(after.level()).isGreaterThanOrEqualTo(before.level());
            assertThat(after.mayTrain()).isGreaterThanOrEqualTo(before.mayTrain());
            ShippedCatalogue.CATALOGUE.rungs().stream()
                    .filter(before::holds)
                    .forEach(rung -> assertThat(after.holds(rung)).isTrue());
        }

        @ParameterizedTest
        @MethodSource("fernstep.core.standing.StandingTest#histories")
        void the_order_in_which_things_arrive_does_not_matter(Random random) {
            fill(random, 8, 8);
            Standing before = standing();
            Collections.shuffle(reports, random);
            Collections.shuffle(lifts, random);
            reports.add(reports.get(0));
            assertThat(standing()).isEqualTo(before);
        }

        @ParameterizedTest
        @MethodSource("fernstep.core.standing.StandingTest#histories")
        void nothing_lifts_an_emergency_but_a_lift_of_it_by_a_therapist_that_opens(Random random) {
            fill(random, 8, 12);
            boolean unlifted = reports.stream()
                    .filter(report -> report.concern() instanceof Concern.Emergency)
                    .anyMatch(report -> lifts.stream()
                            .noneMatch(lift -> lift.reportId() == report.id()
                                    && lift.licence() == Licence.THERAPIST
                                    && (lift.kind() == Lift.Kind.SEEN || lift.kind() == Lift.Kind.TAKEN_BACK)
                                    && (lift.may() == Lift.May.AS_PLANNED || lift.may() == Lift.May.GENTLY)));
            assertThat(standing().locked()).isEqualTo(unlifted);
            assertThat(Standing.of(reports, lifts, TODAY.plusYears(1)).locked()).isEqualTo(unlifted);
        }

        private void fill(Random random, int mostReports, int mostLifts) {
            int many = 1 + random.nextInt(mostReports);
            for (int n = 0; n < many; n++) {
                reported(concern(random), random.nextInt(60));
            }
            for (int n = random.nextInt(mostLifts + 1); n > 0; n--) {
                lifted(
                        1 + random.nextInt(many),
                        any(random, Lift.Kind.values()),
                        any(random, Lift.May.values()),
                        any(random, Licence.values()),
                        random.nextInt(60));
            }
        }
    }

    static Stream<Random> histories() {
        return Seeded.cases(400, random -> random);
    }

    private static Concern concern(Random random) {
        return switch (random.nextInt(7)) {
            case 0 -> new Concern.Emergency(answer(random, Outcome.REFER_NOW));
            case 1 -> new Concern.AskFirst(answer(random, Outcome.ASK_FIRST));
            case 2 -> HEAVY;
            case 3 -> new Concern.Leaking(random.nextBoolean(), random.nextBoolean() ? "HP1" : "");
            case 4 ->
                new Concern.Pain(random.nextInt(11), random.nextBoolean(), any(random, BodyPlace.values()), null, "F3");
            case 5 -> new Concern.PainAfterwards(random.nextInt(11));
            default -> new Concern.PageLocked(10);
        };
    }

    private static Answer answer(Random random, Outcome leadsTo) {
        return any(
                random,
                Arrays.stream(Answer.values())
                        .filter(answer -> answer.leadsTo() == leadsTo)
                        .toArray(Answer[]::new));
    }

    private static <T> T any(Random random, T[] of) {
        return of[random.nextInt(of.length)];
    }
}

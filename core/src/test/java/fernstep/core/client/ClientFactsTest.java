package fernstep.core.client;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.measure.OutOfRange;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ClientFactsTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 2);

    private static ClientFacts facts(
            Status status,
            @Nullable LocalDate dueDate,
            List<Birth> births,
            List<Surgery> surgeries,
            Clearance... clearances) {
        return new ClientFacts(
                status, dueDate, births, surgeries, Arrays.asList(clearances), null, null, null, Set.of());
    }

    private static Birth birth(LocalDate day, BirthMode mode) {
        return new Birth(day, mode, 0);
    }

    private static Birth birth(LocalDate day) {
        return birth(day, BirthMode.VAGINAL);
    }

    private static Surgery operation(LocalDate day) {
        return new Surgery(day, "hernia");
    }

    private static Clearance cleared(Clearance.Scope scope, LocalDate day, @Nullable LocalDate expiry) {
        return new Clearance(scope, day, "MIDWIFE", null, expiry, null);
    }

    private static Optional<String> fieldOf(ClientFacts facts) {
        return facts.problem(TODAY).map(ClientFacts.FactProblem::field);
    }

    @Nested
    class What_contradicts_the_calendar {
        @Test
        void a_pregnancy_needs_its_due_date() {
            ClientFacts.FactProblem none = facts(Status.PREGNANT, null, List.of(), List.of())
                    .problem(TODAY)
                    .orElseThrow();
            assertThat(none.field()).isEqualTo("dueDate");
            assertThat(none.what().key()).isEqualTo("fact.dueDateNeeded");
        }

        @ParameterizedTest(name = "due in {0} days: {1}")
        @CsvSource({"-29, false", "-28, true", "0, true", "300, true", "301, false"})
        void a_due_date_lies_from_four_weeks_past_to_three_hundred_days_ahead(int days, boolean fine) {
            Optional<ClientFacts.FactProblem> problem = facts(
                            Status.PREGNANT, TODAY.plusDays(days), List.of(), List.of())
                    .problem(TODAY);
            assertThat(problem.isEmpty()).isEqualTo(fine);
            problem.ifPresent(factProblem -> {
                assertThat(factProblem.what().key()).isEqualTo("fact.dueDateWas");
                assertThat(factProblem.allowed().facts()).containsExactly("2031-05-05", "2032-03-28");
            });
        }

        @Test
        void nothing_can_have_happened_after_today_whatever_she_is() {
            LocalDate tomorrow = TODAY.plusDays(1);
            LocalDate due = TODAY.plusDays(90);
            assertThat(fieldOf(facts(Status.PREGNANT, due, List.of(birth(tomorrow)), List.of())))
                    .contains("birthDate");
            assertThat(fieldOf(facts(Status.PREGNANT, due, List.of(), List.of(operation(tomorrow)))))
                    .contains("surgeries");
            assertThat(fieldOf(facts(Status.POSTNATAL, null, List.of(birth(TODAY), birth(tomorrow)), List.of())))
                    .contains("birthDate");
            assertThat(fieldOf(facts(Status.ABDOMINAL_SURGERY, null, List.of(), List.of(operation(tomorrow)))))
                    .contains("surgeries");
            assertThat(fieldOf(facts(Status.POSTNATAL, null, List.of(birth(TODAY)), List.of(operation(TODAY)))))
                    .isEmpty();
            assertThat(fieldOf(facts(Status.ABDOMINAL_SURGERY, null, List.of(birth(TODAY)), List.of(operation(TODAY)))))
                    .isEmpty();
        }

        @Test
        void what_she_is_needs_what_makes_her_so() {
            assertThat(fieldOf(facts(Status.POSTNATAL, null, List.of(), List.of(operation(TODAY)))))
                    .contains("birthDate");
            assertThat(fieldOf(facts(Status.ABDOMINAL_SURGERY, null, List.of(birth(TODAY)), List.of())))
                    .contains("surgeries");
            assertThat(fieldOf(facts(Status.GENERAL, null, List.of(), List.of())))
                    .isEmpty();
            assertThat(fieldOf(facts(Status.GENERAL, null, List.of(birth(TODAY)), List.of())))
                    .contains("status");
            assertThat(fieldOf(facts(Status.GENERAL, null, List.of(), List.of(operation(TODAY)))))
                    .contains("status");
        }

        @Test
        void a_size_nobody_has_is_refused() {
            assertThatThrownBy(() -> new ClientFacts(
                            Status.GENERAL, null, List.of(), List.of(), List.of(), 119.0, null, null, Set.of()))
                    .isInstanceOf(OutOfRange.class);
            assertThatThrownBy(() -> new ClientFacts(
                            Status.GENERAL, null, List.of(), List.of(), List.of(), null, 251.0, null, Set.of()))
                    .isInstanceOf(OutOfRange.class);
            assertThatThrownBy(() -> new ClientFacts(
                            Status.GENERAL, null, List.of(), List.of(), List.of(), null, null, 11, Set.of()))
                    .isInstanceOf(OutOfRange.class);
            assertThatThrownBy(() -> new Birth(TODAY, BirthMode.VAGINAL, 5)).isInstanceOf(OutOfRange.class);
        }
    }

    @Nested
    class What_happened_to_her {
        private final ClientFacts all = facts(
                Status.POSTNATAL,
                null,
                List.of(
                        birth(TODAY.minusDays(10), BirthMode.CAESAREAN),
                        birth(TODAY.minusDays(900), BirthMode.ASSISTED)),
                List.of(operation(TODAY.minusDays(400))));

        @Test
        void is_told_oldest_first_and_an_assisted_birth_does_not_open_the_wall() {
            assertThat(all.events())
                    .extracting(BodyEvent::kind)
                    .containsExactly(BodyEvent.Kind.VAGINAL_BIRTH, BodyEvent.Kind.SURGERY, BodyEvent.Kind.CAESAREAN);
            assertThat(all.events())
                    .extracting(event -> event.kind().opensTheWall())
                    .containsExactly(false, true, true);
            assertThat(all.events()).extracting(BodyEvent::what).containsExactly("", "hernia", "");
            assertThat(all.latestEvent()).map(BodyEvent::date).contains(TODAY.minusDays(10));
            assertThat(all.latestBirth()).map(Birth::mode).contains(BirthMode.CAESAREAN);
        }

        @Test
        void is_nothing_where_nothing_is_on_record() {
            ClientFacts none = facts(Status.GENERAL, null, List.of(), List.of());
            assertThat(none.latestEvent()).isEmpty();
            assertThat(none.latestBirth()).isEmpty();
            assertThat(none.gestationDays(TODAY)).isEmpty();
            assertThat(none.clearancesCountSince()).isEqualTo(LocalDate.MIN);
            assertThat(none.mayExercise(TODAY)).as("nothing to be cleared of").isTrue();
        }
    }

    /** 280 days before the due date is day nought. */
    @ParameterizedTest(name = "due in {0} days: {1}")
    @CsvSource({"280, 0", "279, 1", "112, 168", "0, 280", "-10, 290", "295, 0"})
    void a_pregnancy_is_counted_back_from_its_due_date_and_never_below_nothing(int dueInDays, int gestation) {
        assertThat(facts(Status.PREGNANT, TODAY.plusDays(dueInDays), List.of(), List.of())
                        .gestationDays(TODAY))
                .contains(gestation);
    }

    @Test
    void who_is_not_pregnant_any_more_has_no_gestation_though_a_due_date_is_still_on_file() {
        assertThat(facts(Status.POSTNATAL, TODAY.plusDays(10), List.of(birth(TODAY)), List.of())
                        .gestationDays(TODAY))
                .isEmpty();
    }

    @Nested
    class A_clearance {
        private final LocalDate given = TODAY.minusDays(20);

        @Test
        void counts_from_the_day_it_was_given_through_the_day_it_ends() {
            Clearance c = cleared(Clearance.Scope.EXERCISE, given, TODAY);
            assertThat(c.counts(given, TODAY)).isTrue();
            assertThat(c.counts(given.plusDays(1), TODAY))
                    .as("something happened since")
                    .isFalse();
            assertThat(c.counts(given, given.minusDays(1))).as("not given yet").isFalse();
            assertThat(c.counts(given, given)).isTrue();
            assertThat(c.counts(given, TODAY.plusDays(1))).as("run out").isFalse();
            assertThat(cleared(Clearance.Scope.EXERCISE, given, null).counts(given, TODAY.plusYears(5)))
                    .isTrue();
        }

        @Test
        void cannot_end_before_it_is_given() {
            assertThatThrownBy(() -> cleared(Clearance.Scope.FULL, given, given.minusDays(1)))
                    .isInstanceOf(IllegalArgumentException.class);
            assertThat(cleared(Clearance.Scope.FULL, given, given).expiry()).isEqualTo(given);
        }

        @Test
        void for_more_covers_less_and_not_the_other_way() {
            ClientFacts she = facts(
                    Status.POSTNATAL,
                    null,
                    List.of(birth(given)),
                    List.of(),
                    cleared(Clearance.Scope.EXERCISE, given, null));
            assertThat(she.cleared(Clearance.Scope.GENTLE, TODAY)).isTrue();
            assertThat(she.cleared(Clearance.Scope.EXERCISE, TODAY)).isTrue();
            assertThat(she.cleared(Clearance.Scope.FULL, TODAY)).isFalse();
            assertThat(she.mayExercise(TODAY)).isTrue();
        }

        @Test
        void given_before_her_latest_birth_or_operation_counts_no_more() {
            Clearance old = cleared(Clearance.Scope.FULL, given, null);
            assertThat(facts(Status.POSTNATAL, null, List.of(birth(given.plusDays(1))), List.of(), old)
                            .mayExercise(TODAY))
                    .isFalse();
            assertThat(facts(
                                    Status.POSTNATAL,
                                    null,
                                    List.of(birth(given.minusDays(90))),
                                    List.of(operation(given.plusDays(3))),
                                    old)
                            .mayExercise(TODAY))
                    .isFalse();
        }

        @Test
        void of_before_this_pregnancy_counts_no_more() {
            LocalDate due = TODAY.plusDays(100);
            LocalDate began = due.minusDays(280);
            List<Birth> earlier = List.of(birth(began.minusDays(500)));
            ClientFacts before = facts(
                    Status.PREGNANT, due, earlier, List.of(), cleared(Clearance.Scope.FULL, began.minusDays(1), null));
            assertThat(before.clearancesCountSince()).isEqualTo(began);
            assertThat(before.mayExercise(TODAY)).isFalse();
            assertThat(facts(Status.PREGNANT, due, List.of(), List.of()).mayExercise(TODAY))
                    .as("with child and nobody asked")
                    .isFalse();
            assertThat(facts(Status.PREGNANT, due, earlier, List.of(), cleared(Clearance.Scope.EXERCISE, began, null))
                            .mayExercise(TODAY))
                    .isTrue();
        }

        @Test
        void counts_since_an_operation_in_this_pregnancy_where_that_is_later() {
            LocalDate due = TODAY.plusDays(100);
            assertThat(facts(Status.PREGNANT, due, List.of(), List.of(operation(TODAY.minusDays(5))))
                            .clearancesCountSince())
                    .isEqualTo(TODAY.minusDays(5));
        }
    }

    @Test
    void restrictions_are_added_to_those_there_are() {
        ClientFacts she = new ClientFacts(
                Status.GENERAL,
                null,
                List.of(),
                List.of(),
                List.of(),
                168.0,
                71.0,
                33,
                Set.of(Restriction.values()[0]));
        ClientFacts more = she.withRestrictions(Set.of(Restriction.values()[1]));
        assertThat(more.restrictions()).containsExactlyInAnyOrder(Restriction.values()[0], Restriction.values()[1]);
        assertThat(more.heightCm()).isEqualTo(168.0);
        assertThat(more.age()).isEqualTo(33);
        assertThat(she.restrictions()).hasSize(1);
    }
}

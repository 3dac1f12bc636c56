package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.KnownOf;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.Progress.GrowFirst;
import fernstep.core.progress.Progress.RangeState;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Range as a notch, sides, and whole years of training. */
class RangeAndYearTest {
    private static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;
    private static final DoseStance STANCE = DoseStance.MASTERY_REPS;
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 1);

    private static Progress f7(int reps, RangeState range, int otherSidePlace) {
        Rung rung = CATALOGUE.rung("F7");
        return Progress.of(new Progress.Question(
                CATALOGUE,
                new Progress.Place(
                        rung,
                        Side.LEFT,
                        new Dose(1, reps, null, null, 1, 5),
                        DoseRules.window(rung.window(), STANCE),
                        range,
                        otherSidePlace,
                        false),
                STANCE,
                List.of(clean(3), clean(1)),
                Progress.Day.of(TODAY),
                KnownOf.her(null, null, Findings.NONE, Set.of())));
    }

    private static SessionResult clean(int daysAgo) {
        return new SessionResult(TODAY.minusDays(daysAgo), Kind.CLEAN, 3, List.of());
    }

    @Test
    void range_grows_first_where_the_practitioner_picked_it() {
        Progress p = f7(10, new RangeState(0.4, 0.5, 0, 1, GrowFirst.RANGE), 0);
        assertThat(p.change()).isEqualTo(Change.NOTCH_UP);
        assertThat(p.range()).isEqualTo(0.5);
        assertThat(p.dose().reps()).isEqualTo(10);
    }

    @Test
    void repetitions_grow_first_otherwise_and_the_range_stays() {
        Progress p = f7(10, new RangeState(0.4, 0.5, 0, 1, GrowFirst.REPS), 0);
        assertThat(p.dose().reps()).isEqualTo(12);
        assertThat(p.range()).isEqualTo(0.4);
    }

    @Test
    void a_full_dose_grows_its_range_before_the_next_rung_opens() {
        Progress p = f7(12, new RangeState(0.8, 0.95, 0, 1, GrowFirst.REPS), 0);
        assertThat(p.change()).isEqualTo(Change.NOTCH_UP);
        assertThat(p.range()).isEqualTo(0.95);
        assertThat(p.rung()).isEqualTo("F7");
    }

    @Test
    void at_full_dose_and_range_the_next_rung_begins_where_the_solver_says() {
        Progress p = f7(12, new RangeState(1, null, 0.3, 1, GrowFirst.REPS), 7);
        assertThat(p.change()).isIn(Change.NEXT_RUNG, Change.READY_WAITING);
        if (p.change() == Change.NEXT_RUNG) {
            assertThat(p.range()).isEqualTo(0.3);
        }
    }

    @Test
    void the_stronger_side_waits_one_rung_ahead() {
        Progress p = f7(12, RangeState.FULL, 6);
        assertThat(p.change()).isEqualTo(Change.READY_WAITING);
        assertThat(p.waitingFor()).extracting(waiting -> waiting.code()).contains("OTHER_SIDE");
    }

    @ParameterizedTest(name = "{0} beside {1}: {2}")
    @CsvSource({
        "SS4, SS2, true",
        "SS2, SS4, false",
        "HK7, HK5, true",
        "HK5, HK7, false",
        // a branch stands beside the rung it leaves
        "HK9, HK5, false",
        "SS3, SS1, false"
    })
    void a_side_is_ahead_by_rungs_of_the_ladder_and_not_by_its_branches(String own, String other, boolean waits) {
        Rung rung = CATALOGUE.rung(own);
        Window window = DoseRules.window(rung.window(), STANCE);
        Progress p = Progress.of(new Progress.Question(
                CATALOGUE,
                new Progress.Place(
                        rung,
                        Side.LEFT,
                        DoseRules.top(window, STANCE),
                        window,
                        RangeState.FULL,
                        CATALOGUE.placeOnLine(CATALOGUE.rung(other)),
                        false),
                STANCE,
                List.of(clean(3), clean(1)),
                Progress.Day.of(TODAY),
                KnownOf.her(null, null, Findings.NONE, Set.of())));
        assertThat(p.waitingFor().stream().anyMatch(waiting -> waiting.code().equals("OTHER_SIDE")))
                .isEqualTo(waits);
    }

    private static Change after(Progress.DayAfter dayAfter) {
        Rung rung = CATALOGUE.rung("F7");
        return Progress.of(new Progress.Question(
                        CATALOGUE,
                        new Progress.Place(
                                rung,
                                Side.LEFT,
                                new Dose(1, 10, null, null, 1, 5),
                                DoseRules.window(rung.window(), STANCE),
                                RangeState.FULL,
                                0,
                                false),
                        STANCE,
                        List.of(clean(3), clean(1)),
                        new Progress.Day(TODAY, null, false, false, false, dayAfter),
                        KnownOf.her(null, null, Findings.NONE, Set.of())))
                .change();
    }

    @Test
    void symptoms_after_a_session_of_anything_hold_a_rung_whose_own_log_is_clean() {
        assertThat(after(Progress.DayAfter.NONE)).isEqualTo(Change.NOTCH_UP);
        assertThat(after(new Progress.DayAfter(true, 1))).isEqualTo(Change.HOLD);
        assertThat(after(new Progress.DayAfter(false, 1))).isEqualTo(Change.NOTCH_UP);
        assertThat(after(new Progress.DayAfter(false, 2))).isEqualTo(Change.REFER);
    }

    private static ClientFacts facts(LocalDate birth) {
        return new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(birth, BirthMode.CAESAREAN, 0)),
                List.of(),
                List.of(new Clearance(Clearance.Scope.EXERCISE, birth.plusDays(45), "MIDWIFE", null, null, null)),
                null,
                null,
                null,
                Set.of());
    }

    /** Leg float, left, from the birth on: half a year and a whole one, good weeks and bad ones, on ten seeds. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void a_year_never_breaks_a_gate_never_jumps_a_rung_never_leaves_the_window(long seed) {
        Random random = new Random(seed);
        LocalDate birth = LocalDate.of(2031, 1, 1);
        Rung rung = CATALOGUE.rung("F1");
        Window window = DoseRules.window(rung.window(), STANCE);
        Dose dose = DoseRules.minimum(window, STANCE);
        List<SessionResult> log = new ArrayList<>();
        int furthest = 1;
        for (int day = 57; day < 420; day++) {
            LocalDate today = birth.plusDays(day);
            if (random.nextInt(7) < 2 || (day > 200 && day < 200 + 7 * random.nextInt(8))) {
                continue;
            }
            Kind kind = random.nextInt(10) < 7
                    ? Kind.CLEAN
                    : List.of(Kind.HELPED, Kind.EASED, Kind.STEPPED_BACK, Kind.STOPPED)
                            .get(random.nextInt(4));
            log.add(new SessionResult(today, kind, 2 + random.nextInt(4), List.of()));
            Screening screening =
                    Screening.of(Screening.Question.of(facts(birth), List.of(), Approach.SLOW_LADDER.stances(), today));
            Set<RungGates.Done> done = new HashSet<>();
            for (Rung below = rung; CATALOGUE.previous(below).isPresent(); ) {
                below = CATALOGUE.previous(below).get();
                done.add(new RungGates.Done(below.code(), null));
            }
            RungGates.Known known = KnownOf.her(screening, false, Findings.NONE, done);
            Progress p = Progress.of(new Progress.Question(
                    CATALOGUE,
                    Progress.Place.atFullRange(rung, Side.LEFT, dose, window),
                    STANCE,
                    log,
                    new Progress.Day(today, today, false, false, false, Progress.DayAfter.NONE),
                    known));
            Rung to = CATALOGUE.rung(p.rung());
            assertThat(Math.abs(to.order() - rung.order()))
                    .as("one rung at a time")
                    .isLessThanOrEqualTo(1);
            if (to.order() > rung.order()) {
                Set<RungGates.Done> with = new HashSet<>(done);
                with.add(new RungGates.Done(rung.code(), null));
                assertThat(RungGates.waiting(to, Side.LEFT, known.withDone(with)))
                        .isEmpty();
            }
            boolean moved = !to.equals(rung) || !p.dose().equals(dose);
            rung = to;
            window = DoseRules.window(rung.window(), STANCE);
            dose = p.dose();
            assertThat(window.reps().holds(dose.reps()))
                    .as(rung.code() + " " + dose)
                    .isTrue();
            assertThat(window.sets().holds(dose.sets())).isTrue();
            if (moved) {
                log.clear();
            }
            furthest = Math.max(furthest, rung.order());
        }
        assertThat(furthest).as("a year brings her somewhere").isGreaterThan(1);
    }
}

package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.Seeded;
import fernstep.core.ShippedCatalogue;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Packing.Unit;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PackingTest {
    private static final List<Rung> RUNGS = List.copyOf(ShippedCatalogue.CATALOGUE.rungs());

    private static Unit unit(Rung rung, boolean must, int value, int seconds) {
        Dose dose = new Dose(1, 1, null, null, 1, 5);
        PlanItem item = new PlanItem(
                rung.strand(),
                rung,
                null,
                null,
                null,
                dose,
                dose,
                1,
                null,
                seconds,
                0,
                Reason.of("why.byHand"),
                Reason.of("whyNot.top"),
                List.of(),
                null);
        return new Unit(List.of(item), must, value);
    }

    private static Unit unit(String rung, boolean must, int value, int seconds) {
        return unit(ShippedCatalogue.CATALOGUE.rung(rung), must, value, seconds);
    }

    /** A few exercises, and minutes for some of them. */
    record Case(List<Unit> units, int seconds) {}

    static Stream<Case> cases() {
        return Seeded.cases(150, PackingTest::random);
    }

    private static Case random(Random random) {
        List<Unit> units = new ArrayList<>();
        for (int i = 0; i < 3 + random.nextInt(7); i++) {
            Rung rung = RUNGS.get(random.nextInt(RUNGS.size()));
            units.add(unit(rung, random.nextInt(6) == 0, 1 + random.nextInt(20), 20 + random.nextInt(200)));
        }
        return new Case(units, 100 + random.nextInt(600));
    }

    private static int value(List<Unit> units) {
        return units.stream().filter(u -> !u.mustBeIn()).mapToInt(Unit::value).sum();
    }

    /** Seconds with 20 for each change, position by position. */
    private static int seconds(List<Unit> units) {
        Set<Position> positions = EnumSet.noneOf(Position.class);
        units.forEach(u -> positions.addAll(u.positions()));
        return units.stream().mapToInt(Unit::seconds).sum() + 20 * Math.max(0, positions.size() - 1);
    }

    private static int positions(List<Unit> units) {
        return (int)
                units.stream().flatMap(u -> u.positions().stream()).distinct().count();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void takes_the_most_valuable_choice_there_is(Case c) {
        List<Unit> must = c.units().stream().filter(Unit::mustBeIn).toList();
        int mostPositions = Math.max(3, positions(must));
        int best = 0;
        for (int bits = 0; bits < 1 << c.units().size(); bits++) {
            List<Unit> tried = new ArrayList<>();
            for (int i = 0; i < c.units().size(); i++) {
                if ((bits & 1 << i) != 0 || c.units().get(i).mustBeIn()) {
                    tried.add(c.units().get(i));
                }
            }
            if (positions(tried) <= mostPositions && seconds(tried) <= c.seconds()) {
                best = Math.max(best, value(tried));
            }
        }
        List<Unit> chosen = Packing.chosen(c.units(), c.seconds());
        assertThat(value(chosen)).isEqualTo(best);
        assertThat(chosen).containsAll(must);
        if (chosen.size() > must.size()) {
            assertThat(seconds(chosen)).isLessThanOrEqualTo(c.seconds());
            assertThat(positions(chosen)).isLessThanOrEqualTo(mostPositions);
        }
    }

    @Test
    void what_must_be_in_is_in_even_when_the_minutes_are_too_few() {
        Unit breath = unit("BR1", true, 1, 400);
        assertThat(Packing.chosen(List.of(breath, unit("F1", false, 9, 30)), 120))
                .containsExactly(breath);
    }

    @Test
    void no_more_than_two_changes_of_position() {
        List<Unit> units = List.of(
                unit("BR1", true, 1, 30),
                unit("SS1", false, 5, 30),
                unit("HK3", false, 5, 30),
                unit("DC4", false, 4, 30),
                unit("DC5", false, 3, 30));
        assertThat(Packing.chosen(units, 3000)).containsExactly(units.get(0), units.get(1), units.get(2));
    }

    @Test
    void is_done_position_by_position_with_another_load_between_where_there_is_one() {
        Unit breath = unit("BR1", true, 1, 30);
        Unit float1 = unit("F1", false, 1, 30);
        Unit slide = unit("HS1", false, 1, 30);
        Unit arms = unit("AL1", false, 1, 30);
        Unit knees = unit("HK3", false, 1, 30);
        List<Unit> ordered = Packing.ordered(List.of(breath, float1, slide, knees, arms));
        assertThat(ordered).containsExactly(breath, float1, arms, slide, knees);
        assertThat(float1.family()).isEqualTo(LoadFamily.LYING_LEGS).isEqualTo(slide.family());
    }
}

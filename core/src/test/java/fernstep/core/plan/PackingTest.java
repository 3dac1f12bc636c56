package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Packing.Room;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What goes into a session, against every choice tried one after the other. */
class PackingTest {
    private static final List<Strand> STRANDS = List.of(
            Strand.LEG_FLOAT,
            Strand.HEEL_SLIDE,
            Strand.ARM_LEG,
            Strand.ROTATION,
            Strand.BRIDGE,
            Strand.HANDS_KNEES,
            Strand.HOVER_PLANK,
            Strand.SIDE_SUPPORT,
            Strand.BACK_LINE,
            Strand.UPRIGHT);

    private static PlanItem item(Rung rung, int sets) {
        Dose dose = new Dose(
                sets,
                rung.window().reps() == null ? null : rung.window().reps().min(),
                rung.window().holdS() == null ? null : rung.window().holdS().min(),
                rung.window().breaths() == null ? null : rung.window().breaths().min(),
                1,
                5);
        return new PlanItem(
                rung.strand(),
                Role.of(rung.strand(), false),
                rung,
                null,
                null,
                null,
                dose,
                dose,
                1,
                null,
                SessionTime.seconds(rung, dose),
                0,
                Reason.of("why.progress"),
                Reason.of("whyNot.top"),
                null,
                null);
    }

    private static Exercise exercise(Strand strand, Random random) {
        List<Rung> rungs =
                ShippedCatalogue.CATALOGUE.strand(strand).orElseThrow().mainLine();
        Rung rung = rungs.get(random.nextInt(rungs.size()));
        return new Exercise(
                List.of(item(rung, 1 + random.nextInt(3))),
                random.nextInt(8) == 0,
                1 + random.nextInt(1200),
                random.nextInt(3) > 0,
                false);
    }

    private static List<Exercise> some(Random random) {
        List<Exercise> all = new ArrayList<>();
        for (Strand strand : STRANDS) {
            if (random.nextInt(4) > 0) {
                all.add(exercise(strand, random));
            }
        }
        return all;
    }

    /** Strands still waiting, then slots, then need: written again, plainly. */
    private static long[] worth(List<Exercise> chosen, Set<Strand> waiting, Room room) {
        long uncalled =
                chosen.stream().filter(e -> !e.called() && !e.mustBeIn()).count();
        if (uncalled > 0 && chosen.size() > room.wanted()) {
            return new long[] {-1, -1, -1};
        }
        Set<Role.Slot> slots = new HashSet<>();
        chosen.stream().filter(e -> e.role() == Role.WORK).forEach(e -> slots.add(e.slot()));
        return new long[] {
            chosen.stream().filter(e -> waiting.contains(e.strand())).count(),
            slots.size(),
            chosen.stream().mapToLong(Exercise::need).sum()
        };
    }

    private static boolean better(long[] a, long[] b) {
        for (int i = 0; i < a.length; i++) {
            if (a[i] != b[i]) {
                return a[i] > b[i];
            }
        }
        return false;
    }

    private static void tryAll(
            List<Exercise> free, int from, List<Exercise> now, Room room, List<List<Exercise>> found) {
        if (Packing.fits(now, room)) {
            found.add(List.copyOf(now));
        }
        for (int i = from; i < free.size(); i++) {
            now.add(free.get(i));
            tryAll(free, i + 1, now, room, found);
            now.remove(now.size() - 1);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {4, 8, 12, 20, 30, 45})
    void no_other_choice_is_worth_more(int minutes) {
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(1000L * minutes + seed);
            List<Exercise> all = some(random);
            Set<Strand> waiting = EnumSet.noneOf(Strand.class);
            STRANDS.stream().filter(s -> random.nextInt(3) == 0).forEach(waiting::add);
            Room room = new Room(3 + random.nextInt(5), 3, 60 * minutes, 2 + random.nextInt(2));
            List<Exercise> chosen = new Packing(all, room, waiting).chosen();
            List<Exercise> must = all.stream().filter(Exercise::mustBeIn).toList();
            assertThat(chosen).containsAll(must);
            List<List<Exercise>> possible = new ArrayList<>();
            tryAll(all.stream().filter(e -> !e.mustBeIn()).toList(), 0, new ArrayList<>(must), room, possible);
            if (!possible.isEmpty()) {
                assertThat(Packing.fits(chosen, room)).isTrue();
            }
            for (List<Exercise> other : possible) {
                assertThat(better(worth(other, waiting, room), worth(chosen, waiting, room)))
                        .as("seed %d: %s against %s", seed, other, chosen)
                        .isFalse();
            }
        }
    }

    @Test
    void seated_and_standing_at_the_end_is_no_change_of_position() {
        List<Exercise> all = List.of(
                new Exercise(List.of(item(ShippedCatalogue.CATALOGUE.rung("F1"), 1)), false, 10, true, false),
                new Exercise(List.of(item(ShippedCatalogue.CATALOGUE.rung("HK1"), 1)), false, 10, true, false),
                new Exercise(List.of(item(ShippedCatalogue.CATALOGUE.rung("UP3"), 1)), false, 10, true, false));
        assertThat(Packing.changes(all)).isEqualTo(1);
        // F1 5 × 10 s; HK1 4 × 8 s; UP3 8 × 8 s; one change of 20 s
        assertThat(Packing.seconds(all)).isEqualTo(50 + 32 + 64 + 20);
    }
}

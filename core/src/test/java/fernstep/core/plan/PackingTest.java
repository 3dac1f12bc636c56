package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.plan.Packing.Room;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Arrays;
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
        return item(rung, sets, 1, Role.of(rung.strand(), false));
    }

    private static PlanItem item(Rung rung, int sets, int perDay, Role role) {
        Dose dose = new Dose(
                sets,
                rung.window().reps() == null ? null : rung.window().reps().min(),
                rung.window().holdS() == null ? null : rung.window().holdS().min(),
                rung.window().breaths() == null ? null : rung.window().breaths().min(),
                perDay,
                5);
        return Items.item(rung, null, role, dose, 1, null, SessionTime.seconds(rung, dose), 0);
    }

    private static Exercise exercise(Strand strand, Random random) {
        List<Rung> rungs =
                ShippedCatalogue.CATALOGUE.strand(strand).orElseThrow().mainLine();
        Rung rung = rungs.get(random.nextInt(rungs.size()));
        int perDay = random.nextInt(3) == 0 ? 3 : 1;
        Role role = random.nextInt(6) == 0 ? Role.SETTLE_IN : Role.of(strand, false);
        return new Exercise(
                List.of(item(rung, 1 + random.nextInt(3), perDay, role)),
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
        long uncalled = chosen.stream()
                .filter(e -> e.counts() && !e.called() && !e.mustBeIn())
                .count();
        if (uncalled > 0 && chosen.stream().filter(Exercise::counts).count() > room.wanted()) {
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

    /** Places on the mat one after the other, upright at the end. */
    private static int changesOf(List<Exercise> exercises) {
        Set<PlanItem.Ground> grounds = new HashSet<>();
        exercises.forEach(e -> e.items().forEach(i -> grounds.add(i.ground())));
        grounds.remove(PlanItem.Ground.UPRIGHT);
        return grounds.isEmpty() ? 0 : grounds.size() - 1;
    }

    /** First, second and third session of the day, each with what is done that often. */
    private static int secondsOf(List<Exercise> exercises) {
        int seconds = 0;
        for (int session = 1; session <= 3; session++) {
            List<Exercise> now = new ArrayList<>();
            for (Exercise e : exercises) {
                if (e.items().get(0).dose().perDay() >= session) {
                    now.add(e);
                    seconds += e.items().get(0).seconds();
                }
            }
            seconds += 20 * changesOf(now);
        }
        return seconds;
    }

    private static boolean hasRoom(List<Exercise> exercises, Room room) {
        return exercises.stream().filter(e -> e.role() != Role.SETTLE_IN).count() <= room.size()
                && changesOf(exercises) <= room.changes()
                && secondsOf(exercises) <= room.secondsPerDay();
    }

    private static void tryAll(
            List<Exercise> free, int from, List<Exercise> now, Room room, List<List<Exercise>> found) {
        assertThat(Packing.fits(now, room)).isEqualTo(hasRoom(now, room));
        if (hasRoom(now, room)) {
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
            assertThat(chosen.subList(0, Math.min(must.size(), chosen.size()))).isEqualTo(must);
            assertThat(chosen).doesNotHaveDuplicates();
            List<List<Exercise>> possible = new ArrayList<>();
            tryAll(all.stream().filter(e -> !e.mustBeIn()).toList(), 0, new ArrayList<>(must), room, possible);
            if (possible.isEmpty()) {
                assertThat(chosen)
                        .as("seed %d: what must be in, though it is too much", seed)
                        .isEqualTo(must);
            } else {
                assertThat(possible.contains(chosen)).as("seed %d", seed).isTrue();
            }
            long[] worth = worth(chosen, waiting, room);
            for (List<Exercise> other : possible) {
                long[] otherWorth = worth(other, waiting, room);
                assertThat(better(otherWorth, worth)).as("seed %d", seed).isFalse();
                if (Arrays.equals(otherWorth, worth)) {
                    assertThat(secondsOf(other) / 100)
                            .as("seed %d: of equal choices the shorter", seed)
                            .isGreaterThanOrEqualTo(secondsOf(chosen) / 100 - 1);
                }
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

    private static Exercise free(String rung, int sets, int need) {
        return new Exercise(List.of(item(ShippedCatalogue.CATALOGUE.rung(rung), sets)), false, need, true, false);
    }

    @Test
    void what_fits_to_the_second_fits_and_a_second_less_does_not() {
        // F1 5 × 10 s = 50 s
        Exercise f1 = free("F1", 1, 10);
        assertThat(new Packing(List.of(f1), new Room(3, 3, 50, 0), Set.of()).chosen())
                .containsExactly(f1);
        assertThat(new Packing(List.of(f1), new Room(3, 3, 49, 0), Set.of()).chosen())
                .isEmpty();
        assertThat(new Packing(List.of(f1), new Room(1, 1, 50, 0), Set.of()).chosen())
                .containsExactly(f1);
        // one more on hands and knees: 50 + 32 + 20 s for the change
        Exercise hk1 = free("HK1", 1, 10);
        assertThat(new Packing(List.of(f1, hk1), new Room(3, 3, 102, 1), Set.of()).chosen())
                .containsExactly(f1, hk1);
        assertThat(new Packing(List.of(f1, hk1), new Room(3, 3, 101, 1), Set.of()).chosen())
                .hasSize(1);
        assertThat(new Packing(List.of(f1, hk1), new Room(3, 3, 200, 0), Set.of()).chosen())
                .hasSize(1);
    }

    @Test
    void what_must_be_in_stays_though_it_does_not_fit_and_leaves_room_for_nothing_else() {
        Exercise must = new Exercise(List.of(item(ShippedCatalogue.CATALOGUE.rung("F1"), 3)), true, 10, true, false);
        Exercise settles = new Exercise(
                List.of(item(ShippedCatalogue.CATALOGUE.rung("BR2"), 1, 1, Role.SETTLE_IN)), false, 10, true, false);
        assertThat(new Packing(List.of(must, settles), new Room(1, 1, 60, 2), Set.of()).chosen())
                .containsExactly(must);
        assertThat(new Packing(List.of(must, settles), new Room(1, 1, 6000, 2), Set.of()).chosen())
                .as("settling in is not counted")
                .containsExactly(must, settles);
        assertThat(new Packing(List.of(must, free("HS1", 1, 900)), new Room(1, 1, 6000, 2), Set.of()).chosen())
                .containsExactly(must);
    }

    @Test
    void of_equal_need_the_shorter_comes_in_and_of_equal_length_the_first() {
        Exercise longer = free("F1", 3, 10);
        Exercise shorter = free("HS1", 1, 10);
        assertThat(longer.secondsPerDay() - shorter.secondsPerDay()).isGreaterThan(100);
        Room one = new Room(1, 1, 6000, 2);
        assertThat(new Packing(List.of(longer, shorter), one, Set.of()).chosen())
                .containsExactly(shorter);
        assertThat(new Packing(List.of(shorter, longer), one, Set.of()).chosen())
                .containsExactly(shorter);
        Exercise same = free("F1", 1, 10);
        Exercise again = new Exercise(same.items(), false, 10, true, true);
        assertThat(new Packing(List.of(same, again), one, Set.of()).chosen()).containsExactly(same);
        assertThat(new Packing(List.of(again, same), one, Set.of()).chosen()).containsExactly(again);
    }
}

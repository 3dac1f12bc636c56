package fernstep.core.plan;

import fernstep.core.body.LoadFamily;
import fernstep.core.body.Position;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Fits a session into her minutes: what must be in, then the most valuable rest. With few positions it is a knapsack
 * for each choice of positions, solved exactly by dynamic programming over seconds.
 */
final class Packing {
    private static final int MOST_CHANGES = 2;

    private Packing() {}

    /**
     * What goes in or stays out together: one strand, both sides.
     *
     * @param mustBeIn breath, set and daily life; and what the practitioner has locked
     * @param value above 0; more is wanted more
     */
    record Unit(List<PlanItem> items, boolean mustBeIn, int value) {
        int seconds() {
            return items.stream().mapToInt(PlanItem::seconds).sum();
        }

        Set<Position> positions() {
            EnumSet<Position> all = EnumSet.noneOf(Position.class);
            items.forEach(i -> all.add(i.position()));
            return all;
        }

        @Nullable
        LoadFamily family() {
            return items.get(0).rung().family();
        }
    }

    /** The units that go in, in their given order. */
    static List<Unit> chosen(List<Unit> units, int secondsAvailable) {
        List<Unit> must = units.stream().filter(Unit::mustBeIn).toList();
        List<Unit> free = units.stream().filter(u -> !u.mustBeIn()).toList();
        EnumSet<Position> needed = EnumSet.noneOf(Position.class);
        must.forEach(u -> needed.addAll(u.positions()));
        int mustSeconds = must.stream().mapToInt(Unit::seconds).sum();
        Best best = new Best(List.of(), 0, 0);
        for (Set<Position> positions : positionSets(needed, free)) {
            int changes = Math.max(0, positions.size() - 1);
            int left = secondsAvailable - mustSeconds - changes * SessionTime.CHANGE_OF_POSITION_S;
            if (left < 0) {
                continue;
            }
            List<Unit> fitting = free.stream()
                    .filter(u -> positions.containsAll(u.positions()))
                    .toList();
            Best here = knapsack(fitting, left);
            if (here.better(best)) {
                best = here;
            }
        }
        Set<Unit> in = Set.copyOf(best.units());
        return units.stream().filter(u -> u.mustBeIn() || in.contains(u)).toList();
    }

    /** @param seconds fewer are better at the same value */
    private record Best(List<Unit> units, int value, int seconds) {
        boolean better(Best other) {
            return value != other.value ? value > other.value : value > 0 && seconds < other.seconds;
        }
    }

    /** Every set of positions that holds what is needed and asks for no more than two changes. */
    private static List<Set<Position>> positionSets(Set<Position> needed, List<Unit> free) {
        EnumSet<Position> more = EnumSet.noneOf(Position.class);
        free.forEach(u -> more.addAll(u.positions()));
        more.removeAll(needed);
        int most = Math.max(MOST_CHANGES + 1, needed.size());
        List<Position> candidates = List.copyOf(more);
        List<Set<Position>> sets = new ArrayList<>();
        for (int bits = 0; bits < 1 << candidates.size(); bits++) {
            if (needed.size() + Integer.bitCount(bits) <= most) {
                EnumSet<Position> set = EnumSet.noneOf(Position.class);
                set.addAll(needed);
                for (int i = 0; i < candidates.size(); i++) {
                    if ((bits & 1 << i) != 0) {
                        set.add(candidates.get(i));
                    }
                }
                sets.add(set);
            }
        }
        return sets;
    }

    /** value[i][s]: the best value of the first i units within s seconds; ties keep the fewer units. */
    private static Best knapsack(List<Unit> units, int seconds) {
        int[][] value = new int[units.size() + 1][seconds + 1];
        for (int i = 1; i <= units.size(); i++) {
            Unit u = units.get(i - 1);
            int takes = u.seconds();
            for (int s = 0; s <= seconds; s++) {
                int without = value[i - 1][s];
                int with = takes <= s ? value[i - 1][s - takes] + u.value() : -1;
                value[i][s] = Math.max(without, with);
            }
        }
        List<Unit> taken = new ArrayList<>();
        int s = leastSeconds(value[units.size()]);
        int used = 0;
        for (int i = units.size(); i > 0; i--) {
            if (value[i][s] != value[i - 1][s]) {
                Unit u = units.get(i - 1);
                taken.add(u);
                s -= u.seconds();
                used += u.seconds();
            }
        }
        return new Best(taken, value[units.size()][seconds], used);
    }

    private static int leastSeconds(int[] byValue) {
        int s = byValue.length - 1;
        while (s > 0 && byValue[s - 1] == byValue[s]) {
            s--;
        }
        return s;
    }

    /**
     * Position by position, beginning with the first unit's; inside a position the given order, but no two of one load
     * family in a row where another can come between.
     */
    static List<Unit> ordered(List<Unit> units) {
        List<Position> positions = new ArrayList<>();
        units.forEach(u -> u.positions().forEach(p -> {
            if (!positions.contains(p)) {
                positions.add(p);
            }
        }));
        List<Unit> ordered = new ArrayList<>();
        for (Position position : positions) {
            List<Unit> here = new ArrayList<>(units.stream()
                    .filter(u -> !ordered.contains(u))
                    .filter(u -> u.items().get(0).position() == position)
                    .sorted(Comparator.comparing(u -> units.indexOf(u)))
                    .toList());
            while (!here.isEmpty()) {
                LoadFamily last = ordered.isEmpty()
                        ? null
                        : ordered.get(ordered.size() - 1).family();
                Unit next = here.stream()
                        .filter(u -> last == null || u.family() != last)
                        .findFirst()
                        .orElse(here.get(0));
                here.remove(next);
                ordered.add(next);
            }
        }
        return ordered;
    }
}

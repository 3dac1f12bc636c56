package fernstep.core.plan;

import fernstep.core.body.LoadFamily;
import fernstep.core.plan.Packing.Room;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The sessions of a week: one where all fits, else A and B in turn, so that every strand in training comes at least once
 * and heavy work does not come on days in a row.
 *
 * <p>A session grows minute by minute, as if she had one more each time: the next exercise in its fewest sets, and only when
 * none is left that has a place, sets. So more minutes never give less of anything (brief 17.1).
 */
final class Week {
    private static final int REST_DAY_BETWEEN_AT_MOST = 3;

    private final Room room;
    private final Set<Strand> training;
    private final WeekRules rules;
    private final ByHand byHand;
    private final List<Growing> all = new ArrayList<>();
    private final List<Growing> a = new ArrayList<>();
    /** In B alone so far. */
    private final List<Growing> onlyB = new ArrayList<>();

    private Set<LoadFamily> heavyOnB = Set.of();
    private boolean twoDays;
    private int days;

    /**
     * @param training strands in training, or shown clean by a check
     */
    Week(List<Exercise> exercises, Room room, Set<Strand> training, ByHand byHand, WeekRules rules) {
        this.room = room;
        this.training = training;
        this.rules = rules;
        this.byHand = byHand;
        for (Exercise e : exercises) {
            all.add(new Growing(e, all.size(), byHand.fixed(e.strand()), e.role() == Role.FOUNDATION));
        }
    }

    static boolean daysFollowEachOther(int daysPerWeek) {
        return daysPerWeek > REST_DAY_BETWEEN_AT_MOST;
    }

    /** One session, or two. */
    List<List<Exercise>> sessions(int daysPerWeek) {
        twoDays = daysPerWeek > 1;
        days = daysPerWeek;
        heavyOnB = twoDays && daysFollowEachOther(daysPerWeek) ? heavyOnB() : Set.of();
        musts().filter(growing -> byHand.locked().contains(growing.exercise().strand()))
                .forEach(a::add);
        if (a.isEmpty()) {
            musts().findFirst().ifPresent(a::add);
        }
        for (int minutes = 1; minutes <= room.minutes(); minutes++) {
            grow(room.in(minutes));
        }
        Room now = room.now();
        fillUp(now);
        for (Growing g : List.copyOf(onlyB)) {
            if (mayBeInA(g) && Growing.fit(with(a, g), now)) {
                a.add(g);
                onlyB.remove(g);
            }
        }
        boolean apart = rules.restsBetween()
                && daysFollowEachOther(daysPerWeek)
                && a.stream().anyMatch(growing -> growing.exercise().heavy());
        if (!twoDays || (onlyB.isEmpty() && !apart)) {
            return List.of(inOrder(a));
        }
        List<Exercise> first = inOrder(a);
        List<Exercise> second = inOrder(b(apart, now));
        return first.equals(second) ? List.of(first) : List.of(first, second);
    }

    /** B: what only it holds, what must be in, and as much of the rest as has room. */
    private List<Growing> b(boolean apart, Room now) {
        List<Growing> b = new ArrayList<>(inB());
        Stream<Growing> others =
                apart ? all.stream().filter(growing -> !growing.exercise().mustBeIn()) : Stream.of();
        Stream.concat(a.stream(), others.sorted(byNeed()))
                .distinct()
                .filter(growing -> !b.contains(growing))
                .filter(growing -> !apart || !growing.exercise().heavy() || !a.contains(growing))
                .forEach(growing -> {
                    boolean wanted = a.contains(growing) || calledFor(growing, b, now);
                    if (wanted && Growing.fit(with(b, growing), now)) {
                        b.add(growing);
                    }
                });
        return b;
    }

    /** What waits for minutes that she does not have keeps nobody else out: the fewest sets of it, as far as they go. */
    private void fillUp(Room now) {
        all.stream()
                .filter(growing ->
                        !growing.exercise().mustBeIn() && growing.exercise().called() && mayBeInA(growing))
                .sorted(byNeed())
                .filter(growing -> !a.contains(growing) && !onlyB.contains(growing))
                .forEach(growing -> {
                    if (Growing.fit(with(a, growing), now)) {
                        take(growing);
                    }
                });
    }

    private Stream<Growing> musts() {
        return all.stream().filter(growing -> growing.exercise().mustBeIn());
    }

    private void grow(Room now) {
        Growth growth = Growth.MORE;
        while (growth == Growth.MORE) {
            growth = nextMust(now);
            if (growth == Growth.DONE) {
                growth = nextExercise(now);
            }
            if (growth == Growth.DONE && (moreSets(now) || anotherRound(now) || uncalled(now))) {
                growth = Growth.MORE;
            }
        }
    }

    /** What a step came to. */
    private enum Growth {
        /** Something came in. */
        MORE,
        /** Something has its turn and no time yet: nothing else may take it. */
        WAITS,
        DONE
    }

    /** What must be in comes first, on both days. */
    private Growth nextMust(Room now) {
        Optional<Growing> next = musts().filter(growing -> !a.contains(growing))
                .filter(growing -> Growing.fitButForTime(with(a, growing), now))
                .findFirst();
        if (next.isEmpty()) {
            return Growth.DONE;
        }
        boolean room1 = Growing.fit(with(a, next.get()), now);
        boolean room2 = onlyB.isEmpty() || Growing.fit(with(inB(), next.get()), now);
        if (room1 && room2) {
            return take(next.get());
        }
        return byHand.fixed(next.get().exercise().strand()) ? Growth.DONE : Growth.WAITS;
    }

    private Growth nextExercise(Room now) {
        Optional<Growing> next = next(now, false);
        if (next.isPresent() && Growing.fit(with(a, next.get()), now)) {
            return take(next.get());
        }
        if (ontoB(now)) {
            return Growth.MORE;
        }
        return next.isPresent() ? Growth.WAITS : Growth.DONE;
    }

    private Growth take(Growing growing) {
        onlyB.remove(growing);
        a.add(growing);
        return Growth.MORE;
    }

    /** A strand in training that A has no time for, or whose heavy work waits for B. */
    private boolean ontoB(Room now) {
        if (!twoDays) {
            return false;
        }
        Optional<Growing> next = all.stream()
                .filter(growing -> !a.contains(growing)
                        && !onlyB.contains(growing)
                        && !growing.exercise().mustBeIn())
                .filter(growing -> training.contains(growing.exercise().strand()) || !mayBeInA(growing))
                .sorted(byNeed())
                .filter(growing -> Growing.fit(with(inB(), growing), now))
                .findFirst();
        next.ifPresent(onlyB::add);
        return next.isPresent();
    }

    private List<Growing> inB() {
        List<Growing> b = new ArrayList<>();
        musts().filter(a::contains).forEach(b::add);
        b.addAll(onlyB);
        return b;
    }

    private boolean moreSets(Room now) {
        return growing(growing -> !growing.isFull(), now);
    }

    private boolean anotherRound(Room now) {
        return rules.rounds() && growing(growing -> growing.exercise().mustBeIn() && !growing.isAtTop(), now);
    }

    /** One set more of the first that has room for it, the fewest sets first. */
    private boolean growing(Predicate<Growing> which, Room now) {
        List<Growing> candidates = Stream.concat(a.stream(), onlyB.stream())
                .filter(which)
                .sorted(Comparator.comparingInt(growing -> growing.exercise().sets()))
                .toList();
        for (Growing g : candidates) {
            g.grow();
            boolean musts = g.exercise().mustBeIn();
            boolean room1 = onlyB.contains(g) || Growing.fit(a, now);
            boolean room2 = onlyB.isEmpty() || (!onlyB.contains(g) && !musts) || Growing.fit(inB(), now);
            boolean noMoreThanHerWeek = withinHerWeek(g.exercise().family());
            if (room1 && room2 && noMoreThanHerWeek) {
                return true;
            }
            g.shrink();
            if (!noMoreThanHerWeek) {
                g.heldByHerWeek();
            }
        }
        return false;
    }

    /** The load of a kind rises slowly from week to week: sets give way before exercises do. */
    private boolean withinHerWeek(@Nullable LoadFamily family) {
        if (family == null) {
            return true;
        }
        double everyDay = days * exposure(a, family);
        double everyOtherDay = days / 2.0 * exposure(onlyB, family);
        return rules.allows(family, everyDay + everyOtherDay);
    }

    private static double exposure(List<Growing> these, LoadFamily family) {
        return these.stream()
                .map(Growing::exercise)
                .filter(exercise -> exercise.family() == family)
                .mapToDouble(Exercise::exposurePerDay)
                .sum();
    }

    /** What nothing calls for comes in while half of her minutes are free. */
    private boolean uncalled(Room now) {
        if (2 * Growing.seconds(a) >= now.secondsPerDay()) {
            return false;
        }
        Optional<Growing> next = next(now, true).filter(growing -> Growing.fit(with(a, growing), now));
        next.ifPresent(this::take);
        return next.isPresent();
    }

    /** What comes into A next, whether or not there is time for it. */
    private Optional<Growing> next(Room now, boolean uncalledToo) {
        return all.stream()
                .filter(growing -> !a.contains(growing) && !growing.exercise().mustBeIn() && mayBeInA(growing))
                .filter(growing -> uncalledToo || calledFor(growing, a, now))
                .filter(growing -> Growing.fitButForTime(with(a, growing), now))
                .max(Comparator.comparing((Growing growing) -> settlesIn(growing))
                        .thenComparing(growing ->
                                !twoDays && training.contains(growing.exercise().strand()))
                        .thenComparing(growing ->
                                rules.towardGoal().contains(growing.exercise().strand()))
                        .thenComparing(growing -> growing.exercise().called()
                                && growing.exercise().role() == Role.WORK)
                        .thenComparing(growing -> opensSlot(growing, a))
                        .thenComparing(growing -> growing.exercise().called())
                        .thenComparing(growing -> growing.exercise().need())
                        .thenComparing(growing -> -growing.order()));
    }

    private static boolean settlesIn(Growing growing) {
        return !growing.exercise().counts();
    }

    private static boolean calledFor(Growing growing, List<Growing> in, Room now) {
        Exercise e = growing.exercise();
        long counted = in.stream().filter(other -> other.exercise().counts()).count();
        return !e.counts() || e.called() || counted < now.wanted();
    }

    private static boolean opensSlot(Growing growing, List<Growing> in) {
        Exercise e = growing.exercise();
        return e.role() == Role.WORK
                && in.stream()
                        .map(Growing::exercise)
                        .noneMatch(other -> other.role() == Role.WORK && other.slot() == e.slot());
    }

    private boolean mayBeInA(Growing growing) {
        Exercise e = growing.exercise();
        LoadFamily family = e.family();
        return e.mustBeIn() || !e.heavy() || family == null || !heavyOnB.contains(family);
    }

    private static Comparator<Growing> byNeed() {
        return Comparator.comparing((Growing growing) -> -growing.exercise().need())
                .thenComparing(Growing::order);
    }

    private static List<Growing> with(List<Growing> these, Growing other) {
        List<Growing> with = new ArrayList<>(these);
        with.add(other);
        return with;
    }

    private static List<Exercise> inOrder(List<Growing> these) {
        return these.stream()
                .sorted(Comparator.comparingInt(Growing::order))
                .map(Growing::told)
                .toList();
    }

    /** With more than one kind of heavy load, every other kind waits for B. */
    private Set<LoadFamily> heavyOnB() {
        EnumSet<LoadFamily> onB = EnumSet.noneOf(LoadFamily.class);
        if (!rules.restsBetween()) {
            return onB;
        }
        List<LoadFamily> families = all.stream()
                .map(Growing::exercise)
                .filter(Exercise::heavy)
                .map(Exercise::family)
                .distinct()
                .toList();
        for (int i = 1; i < families.size(); i += 2) {
            onB.add(families.get(i));
        }
        return onB;
    }
}

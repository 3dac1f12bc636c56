package fernstep.core.plan;

import fernstep.core.body.LoadFamily;
import fernstep.core.plan.Packing.Room;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The sessions of a week: one where all fits, else A and B in turn, so that every strand in training comes at least once
 * and heavy work does not come on days in a row.
 */
final class Week {
    private static final int REST_DAY_BETWEEN_AT_MOST = 3;

    private final List<Exercise> exercises;
    private final Room room;
    private final Set<Strand> training;
    private final boolean restsBetween;

    /**
     * @param training strands in training
     * @param restsBetween heavy work needs a day between
     */
    Week(List<Exercise> exercises, Room room, Set<Strand> training, boolean restsBetween) {
        this.exercises = exercises;
        this.room = room;
        this.training = training;
        this.restsBetween = restsBetween;
    }

    static boolean daysFollowEachOther(int daysPerWeek) {
        return daysPerWeek > REST_DAY_BETWEEN_AT_MOST;
    }

    /** One session, or two. */
    List<List<Exercise>> sessions(int daysPerWeek) {
        Set<LoadFamily> heavyOnB = daysFollowEachOther(daysPerWeek) ? heavyOnB() : Set.of();
        List<Exercise> forA = without(heavyOnB);
        List<Exercise> a = new Packing(forA, room, Set.of()).chosen();
        boolean heavyInA = a.stream().anyMatch(Exercise::heavy);
        boolean apart = restsBetween && heavyInA && daysFollowEachOther(daysPerWeek);
        Set<Strand> waiting = waitingAfter(a);
        if (daysPerWeek < 2 && !waiting.isEmpty()) {
            return List.of(new Packing(forA, room, training).chosen());
        }
        if (daysPerWeek < 2 || (waiting.isEmpty() && !apart)) {
            return List.of(a);
        }
        List<Exercise> forB = apart ? withoutHeavyOf(a) : exercises;
        List<Exercise> b = new Packing(forB, room, waiting).chosen();
        if (!waitingAfter(a, b).isEmpty()) {
            a = new Packing(forA, room, training).chosen();
            b = new Packing(apart ? withoutHeavyOf(a) : exercises, room, waitingAfter(a)).chosen();
        }
        return a.equals(b) ? List.of(a) : List.of(a, b);
    }

    /** With more than one kind of heavy load, every other kind waits for B. */
    private Set<LoadFamily> heavyOnB() {
        EnumSet<LoadFamily> onB = EnumSet.noneOf(LoadFamily.class);
        if (!restsBetween) {
            return onB;
        }
        List<LoadFamily> families = exercises.stream()
                .filter(Exercise::heavy)
                .map(Exercise::family)
                .distinct()
                .toList();
        for (int i = 1; i < families.size(); i += 2) {
            onB.add(families.get(i));
        }
        return onB;
    }

    private List<Exercise> without(Set<LoadFamily> families) {
        return exercises.stream()
                .filter(e -> e.mustBeIn() || !e.heavy() || !families.contains(e.family()))
                .toList();
    }

    private List<Exercise> withoutHeavyOf(List<Exercise> session) {
        Set<Strand> heavy =
                session.stream().filter(Exercise::heavy).map(Exercise::strand).collect(Collectors.toSet());
        return exercises.stream().filter(e -> !heavy.contains(e.strand())).toList();
    }

    @SafeVarargs
    private Set<Strand> waitingAfter(List<Exercise>... sessions) {
        Set<Strand> waiting = new HashSet<>();
        exercises.stream().map(Exercise::strand).filter(training::contains).forEach(waiting::add);
        List<Exercise> all = new ArrayList<>();
        for (List<Exercise> session : sessions) {
            all.addAll(session);
        }
        all.forEach(e -> waiting.remove(e.strand()));
        return waiting;
    }
}

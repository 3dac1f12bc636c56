package fernstep.core.plan;

import fernstep.core.body.LoadFamily;
import fernstep.core.client.Restriction;
import fernstep.core.plan.PlanItem.Ground;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The order of a session: place by place on the mat, upright at the end; inside a place what settles in, foundations, work,
 * and no two of one kind of load in a row where another can come between.
 */
final class SessionOrder {
    /** So long she may lie flat where lying flat is limited. */
    static final int FLAT_AT_A_STRETCH_S = 180;

    private SessionOrder() {}

    static List<PlanItem> of(List<Exercise> exercises, Set<Restriction> closed) {
        List<Exercise> ordered = new ArrayList<>();
        for (Ground ground : grounds(exercises)) {
            List<Exercise> here = new ArrayList<>(exercises.stream()
                    .filter(exercise -> exercise.items().get(0).ground() == ground)
                    .sorted(Comparator.comparing(Exercise::role)
                            .thenComparing(exercise -> exercise.role() == Role.FOUNDATION
                                    ? Foundations.ORDER.indexOf(exercise.strand())
                                    : exercises.indexOf(exercise)))
                    .toList());
            while (!here.isEmpty()) {
                Exercise next = next(here, ordered.isEmpty() ? null : ordered.get(ordered.size() - 1));
                here.remove(next);
                ordered.add(next);
            }
        }
        List<Exercise> lying = closed.contains(Restriction.SUPINE_LIMITED) ? inclinedInTime(ordered) : ordered;
        return lying.stream().flatMap(exercise -> exercise.items().stream()).toList();
    }

    private static Exercise next(List<Exercise> here, @Nullable Exercise last) {
        LoadFamily family = last == null ? null : last.family();
        Role role = here.get(0).role();
        return here.stream()
                .filter(exercise -> exercise.role() == role && (family == null || exercise.family() != family))
                .findFirst()
                .orElse(here.get(0));
    }

    /** Where settling in or the first foundation is done comes first; upright comes last. */
    private static List<Ground> grounds(List<Exercise> exercises) {
        EnumSet<Ground> all = EnumSet.noneOf(Ground.class);
        exercises.forEach(exercise -> all.addAll(exercise.grounds()));
        List<Ground> order = new ArrayList<>(all);
        exercises.stream()
                .filter(exercise -> exercise.role().compareTo(Role.WORK) < 0)
                .sorted(Comparator.comparing(Exercise::role))
                .map(exercise -> exercise.items().get(0).ground())
                .filter(ground -> ground != Ground.UPRIGHT)
                .findFirst()
                .ifPresent(first -> {
                    order.remove(first);
                    order.add(0, first);
                });
        return order;
    }

    /** Lying flat for three minutes at a stretch at most: what would go beyond is done on a wedge. */
    private static List<Exercise> inclinedInTime(List<Exercise> ordered) {
        List<Exercise> safe = new ArrayList<>();
        int stretch = 0;
        for (Exercise e : ordered) {
            int flat = e.items().stream().mapToInt(PlanItem::flatSeconds).sum();
            boolean tooLong = flat > 0 && stretch + flat > FLAT_AT_A_STRETCH_S;
            safe.add(tooLong ? e.with(e.items().stream().map(PlanItem::inclined).toList()) : e);
            stretch = tooLong || flat == 0 ? 0 : stretch + flat;
        }
        return safe;
    }
}

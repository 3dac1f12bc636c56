package fernstep.core.plan;

import fernstep.core.client.Restriction;
import fernstep.core.plan.Plan.Day;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** The sessions laid out as days A and B, and all of their exercises once, each with the days it comes on. */
record PlanDays(List<Day> days, List<PlanItem> items) {

    PlanDays(List<List<Exercise>> sessions, int daysPerWeek, Set<Restriction> closed) {
        this(laidOut(sessions, daysPerWeek, closed), sessions);
    }

    private PlanDays(List<Day> days, Iterable<List<Exercise>> sessions) {
        this(days, once(days, sessions));
    }

    private static List<Day> laidOut(List<List<Exercise>> sessions, int daysPerWeek, Set<Restriction> closed) {
        List<Day> days = new ArrayList<>();
        for (int i = 0; i < sessions.size(); i++) {
            int perWeek = (daysPerWeek + sessions.size() - 1 - i) / sessions.size();
            days.add(new Day(
                    i == 0 ? "A" : "B",
                    perWeek,
                    SessionOrder.of(sessions.get(i), closed).stream()
                            .map(item -> item.onDays(onDays(item, sessions, daysPerWeek)))
                            .toList()));
        }
        return List.copyOf(days);
    }

    private static List<PlanItem> once(List<Day> days, Iterable<List<Exercise>> sessions) {
        Set<Exercise> all = new LinkedHashSet<>();
        sessions.forEach(all::addAll);
        return SessionOrder.of(List.copyOf(all), Set.of()).stream()
                .map(item -> days.stream()
                        .flatMap(day -> day.items().stream())
                        .filter(planItem -> planItem.strand() == item.strand()
                                && planItem.side() == item.side()
                                && planItem.role() == item.role())
                        .findFirst()
                        .orElse(item))
                .toList();
    }

    /** On how many days of the week it comes. */
    private static int onDays(PlanItem item, List<List<Exercise>> sessions, int daysPerWeek) {
        int days = 0;
        for (int i = 0; i < sessions.size(); i++) {
            boolean in = sessions.get(i).stream()
                    .anyMatch(exercise -> exercise.strand() == item.strand() && exercise.role() == item.role());
            days += in ? (daysPerWeek + sessions.size() - 1 - i) / sessions.size() : 0;
        }
        return days;
    }
}

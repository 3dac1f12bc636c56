package fernstep.core.plan;

import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** How two plans for the same woman differ, said before any table. */
public final class PlanDifference {
    private static final int SECONDS_A_MINUTE = 60;

    private PlanDifference() {}

    /**
     * The differences as sentences: what only one of them holds, what both hold in another dose, and the time.
     *
     * @param nameA who would prescribe {@code plan}, as the practitioner knows it
     * @param nameB the same of {@code other}
     */
    public static List<Reason> of(String nameA, Plan plan, String nameB, Plan other) {
        Map<String, List<PlanItem>> inA = byRung(plan);
        Map<String, List<PlanItem>> inB = byRung(other);
        List<Reason> said = new ArrayList<>();
        only("difference.only", nameA, inA, inB, said);
        only("difference.only", nameB, inB, inA, said);
        List<Reason> otherDose = inA.entrySet().stream()
                .filter(entry -> inB.containsKey(entry.getKey()))
                .filter(entry -> !doses(entry.getValue()).equals(doses(inB.getOrDefault(entry.getKey(), List.of()))))
                .map(entry -> named(entry.getValue().get(0).rung()))
                .toList();
        if (!otherDose.isEmpty()) {
            said.add(Reason.of("difference.dose", Reason.list(otherDose)));
        }
        if (said.isEmpty()) {
            said.add(Reason.of("difference.none"));
        }
        long minutesA = minutes(plan);
        long minutesB = minutes(other);
        said.add(
                minutesA == minutesB
                        ? Reason.of("difference.sameTime", minutesA)
                        : Reason.of("difference.time", minutesA, nameA, minutesB, nameB));
        return List.copyOf(said);
    }

    private static void only(
            String key,
            String name,
            Map<String, List<PlanItem>> here,
            Map<String, List<PlanItem>> there,
            List<Reason> said) {
        List<Reason> rungs = here.entrySet().stream()
                .filter(entry -> !there.containsKey(entry.getKey()))
                .map(entry -> named(entry.getValue().get(0).rung()))
                .toList();
        if (!rungs.isEmpty()) {
            said.add(Reason.of(key, name, Reason.list(rungs)));
        }
    }

    private static Map<String, List<PlanItem>> byRung(Plan plan) {
        return plan.items().stream()
                .collect(Collectors.groupingBy(item -> item.rung().code(), LinkedHashMap::new, Collectors.toList()));
    }

    private static List<?> doses(List<PlanItem> items) {
        return items.stream().map(PlanItem::dose).toList();
    }

    private static Reason named(Rung rung) {
        return Reason.of("difference.rung", rung.name(), rung.code());
    }

    private static long minutes(Plan plan) {
        return Math.round(plan.secondsPerDay() / (double) SECONDS_A_MINUTE);
    }
}

package fernstep.core.schedule;

import fernstep.core.client.Clearance;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.SessionTime;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The sessions of a plan day by day, with rest days, blocked days, gates that open and re-checks that fall due. */
public record SessionCalendar(List<Day> days) {

    /** What a day is for. */
    public enum Kind {
        SESSION,
        REST,
        BLOCKED
    }

    /**
     * One day.
     *
     * @param items what is done in each session of that day; empty on a day without one
     * @param sessions how many that day
     * @param seconds of one session
     */
    public record Day(LocalDate date, Kind kind, List<PlanItem> items, int sessions, int seconds, List<Mark> marks) {}

    /** Something that falls on a day. */
    public record Mark(What what, @Nullable GateCode gate, Clearance.@Nullable Scope scope) {

        /** What it is. */
        public enum What {
            GATE_OPENS,
            RECHECK,
            CLEARANCE_ENDS
        }
    }

    /**
     * @param from first day, included
     * @param to last day, included
     * @param clearances hers, for the days on which they end
     */
    public static SessionCalendar of(
            Plan plan,
            Set<DayOfWeek> blocked,
            Screening screening,
            List<Clearance> clearances,
            LocalDate from,
            LocalDate to) {
        Map<Integer, Set<DayOfWeek>> daysFor = new HashMap<>();
        List<Day> days = new ArrayList<>();
        for (LocalDate date = from; !date.isAfter(to); date = date.plusDays(1)) {
            DayOfWeek weekday = date.getDayOfWeek();
            List<PlanItem> items = plan.items().stream()
                    .filter(i -> daysFor.computeIfAbsent(i.dose().daysPerWeek(), n -> TrainingDays.of(n, blocked))
                            .contains(weekday))
                    .toList();
            Kind kind = blocked.contains(weekday) ? Kind.BLOCKED : items.isEmpty() ? Kind.REST : Kind.SESSION;
            days.add(new Day(
                    date,
                    kind,
                    items,
                    items.isEmpty() ? 0 : plan.perDay(),
                    seconds(items),
                    marks(date, screening, clearances)));
        }
        return new SessionCalendar(List.copyOf(days));
    }

    private static int seconds(List<PlanItem> items) {
        return items.stream().mapToInt(PlanItem::seconds).sum()
                + SessionTime.changesSeconds(
                        items.stream().map(PlanItem::position).toList());
    }

    private static List<Mark> marks(LocalDate date, Screening screening, List<Clearance> clearances) {
        List<Mark> marks = new ArrayList<>();
        for (Gate gate : screening.gates().values()) {
            if (!gate.open() && date.equals(gate.opensOn())) {
                marks.add(new Mark(Mark.What.GATE_OPENS, gate.code(), null));
            }
        }
        if (date.equals(screening.recheckDue())) {
            marks.add(new Mark(Mark.What.RECHECK, null, null));
        }
        clearances.stream()
                .filter(c -> date.equals(c.expiry()))
                .forEach(c -> marks.add(new Mark(Mark.What.CLEARANCE_ENDS, null, c.scope())));
        return List.copyOf(marks);
    }
}

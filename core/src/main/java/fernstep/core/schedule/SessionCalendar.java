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
    private static final LocalDate FIRST_MONDAY = LocalDate.of(2000, 1, 3);
    private static final int WEEK = 7;

    /** What a day is for. */
    public enum Kind {
        SESSION,
        REST,
        BLOCKED,
        /** A session that waits until somebody has looked at what she reported. */
        HELD
    }

    /**
     * One day.
     *
     * @param session "A" or "B" where the week alternates two; null on a day without one, or where all days are alike
     * @param items what is done on that day; empty on a day without a session
     * @param sessions how many that day; what is repeated says so in its dose
     * @param seconds of one session
     */
    public record Day(
            LocalDate date,
            Kind kind,
            @Nullable String session,
            List<PlanItem> items,
            int sessions,
            int seconds,
            List<Mark> marks) {

        Day held() {
            return new Day(date, Kind.HELD, session, List.of(), 0, 0, marks);
        }

        public boolean isSession() {
            return kind == Kind.SESSION;
        }

        public boolean isRest() {
            return kind == Kind.REST;
        }

        public boolean isBlocked() {
            return kind == Kind.BLOCKED;
        }

        public boolean isHeld() {
            return kind == Kind.HELD;
        }

        /** Both sides counted once, settling in not at all. */
        public int exercises() {
            return Plan.size(items);
        }
    }

    /** Something that falls on a day. */
    public record Mark(What what, @Nullable GateCode gate, Clearance.@Nullable Scope scope) {
        public boolean opens() {
            return what == What.GATE_OPENS;
        }

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
        Set<DayOfWeek> training = TrainingDays.of(plan.daysPerWeek().orElse(1), blocked);
        Map<Integer, Set<DayOfWeek>> daysFor = new HashMap<>();
        List<Day> days = new ArrayList<>();
        for (LocalDate date = from; !date.isAfter(to); date = date.plusDays(1)) {
            DayOfWeek weekday = date.getDayOfWeek();
            boolean trains = !plan.items().isEmpty() && training.contains(weekday);
            Plan.Day session =
                    trains ? plan.days().get(turn(date, training) % plan.days().size()) : null;
            boolean alternates = plan.days().size() > 1;
            List<PlanItem> items = session == null
                    ? List.of()
                    : session.items().stream()
                            .filter(item -> alternates
                                    || daysFor.computeIfAbsent(
                                                    item.dose().daysPerWeek(), key -> TrainingDays.of(key, blocked))
                                            .contains(weekday)
                                    || item.dose().daysPerWeek() >= training.size())
                            .toList();
            Kind open = items.isEmpty() ? Kind.REST : Kind.SESSION;
            Kind kind = blocked.contains(weekday) ? Kind.BLOCKED : open;
            days.add(new Day(
                    date,
                    kind,
                    alternates && session != null ? session.name() : null,
                    items,
                    items.stream().mapToInt(item -> item.dose().perDay()).max().orElse(0),
                    seconds(items),
                    marks(date, screening, clearances)));
        }
        return new SessionCalendar(List.copyOf(days));
    }

    /** The same with the sessions from a day on held: nothing is done on them. */
    SessionCalendar heldFrom(LocalDate first) {
        return new SessionCalendar(days.stream()
                .map(day -> day.kind() == Kind.SESSION && !day.date().isBefore(first) ? day.held() : day)
                .toList());
    }

    /** Counts training days through the weeks, so that A and B go on in turn over a Sunday. */
    public static int turn(LocalDate date, Set<DayOfWeek> training) {
        long week = Math.floorDiv(date.toEpochDay() - FIRST_MONDAY.toEpochDay(), WEEK);
        long before = training.stream()
                .filter(weekday -> weekday.compareTo(date.getDayOfWeek()) < 0)
                .count();
        return Math.floorMod(week * training.size() + before, Integer.MAX_VALUE);
    }

    private static int seconds(List<PlanItem> items) {
        return items.stream().mapToInt(PlanItem::seconds).sum()
                + SessionTime.changesSeconds(
                        items.stream().map(PlanItem::ground).toList());
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
                .filter(clearance -> date.equals(clearance.expiry()))
                .forEach(clearance -> marks.add(new Mark(Mark.What.CLEARANCE_ENDS, null, clearance.scope())));
        return List.copyOf(marks);
    }
}

package fernstep.app.overview;

import fernstep.core.client.BodyEvent;
import fernstep.core.client.ClientFacts;
import fernstep.core.screening.Gate;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The gates on a line of weeks from the event to beyond the last gate, in units of a {@value #WIDTH}-wide view box. */
public record StageLine(List<Mark> weeks, List<GateMark> gates, double todayX, boolean dated) {
    static final int WIDTH = 1000;
    private static final int LEFT = 20;
    private static final int RIGHT = 980;
    private static final int DAYS_PAST_LAST_GATE = 14;
    private static final int LONGEST_DAYS = 200;

    /** A week mark. */
    public record Mark(double x, String text) {}

    /** A gate on the line; {@code row} keeps the words of neighbours apart. */
    public record GateMark(Gate gate, double x, int row) {
        private static final int ROW_HEIGHT = 19;
        private static final int LOWEST = 74;
        private static final int NEAR_END = 860;

        public double labelX() {
            return x > NEAR_END ? x + 8 : x - 8;
        }

        public double labelY() {
            return LOWEST - (double) row * ROW_HEIGHT;
        }

        public String anchor() {
            return x > NEAR_END ? "end" : "start";
        }
    }

    static StageLine of(Screening screening, ClientFacts facts, LocalDate today) {
        Optional<BodyEvent> event = facts.pregnant() ? Optional.empty() : facts.latestEvent();
        if (event.isEmpty()) {
            return new StageLine(List.of(), List.of(), LEFT, false);
        }
        LocalDate start = event.get().date();
        long last = screening.gates().values().stream()
                .filter(gate -> gate.opensOn() != null)
                .mapToLong(gate -> ChronoUnit.DAYS.between(start, gate.opensOn()))
                .max()
                .orElse(0);
        long sinceStart = ChronoUnit.DAYS.between(start, today);
        double span = Math.max(last + DAYS_PAST_LAST_GATE, Math.min(sinceStart + DAYS_PAST_LAST_GATE, LONGEST_DAYS));
        List<GateMark> gates = new ArrayList<>();
        screening.gates().values().stream()
                .filter(gate -> gate.opensOn() != null)
                .forEach(gate -> {
                    long day = ChronoUnit.DAYS.between(start, gate.opensOn());
                    gates.add(new GateMark(gate, x(day, span), gates.size() % 4));
                });
        List<Mark> weeks = new ArrayList<>();
        for (int week = 0; week * 7 <= span; week += 4) {
            weeks.add(new Mark(x(week * 7L, span), String.valueOf(week)));
        }
        return new StageLine(weeks, gates, x(Math.min(sinceStart, (long) span), span), true);
    }

    private static double x(long day, double span) {
        return LEFT + (RIGHT - LEFT) * Math.max(0, day) / span;
    }
}

package fernstep.app.demo;

import fernstep.app.ask.VisitMapper;
import fernstep.app.check.CheckMapper;
import fernstep.app.check.FindingRow;
import fernstep.app.check.ReadingRow;
import fernstep.app.support.Today;
import fernstep.core.findings.Finding;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import java.time.LocalDate;
import java.util.Random;
import org.springframework.stereotype.Component;

/** Earlier visits of the invented clients and what was found at them. */
@Component
class DemoChecks {
    private static final double[] SITES_CM = {5, 2, 0, -2, -5};
    private static final double[] SHAPE = {0.75, 1.0, 0.95, 0.7, 0.4};

    private final VisitMapper visits;
    private final CheckMapper checks;
    private final Today today;

    DemoChecks(VisitMapper visits, CheckMapper checks, Today today) {
        this.visits = visits;
        this.checks = checks;
        this.today = today;
    }

    void neutral(long visit, String scoop) {
        finding(visit, Finding.SCOOP, "", scoop);
        finding(visit, Finding.HOVER_S, "", "6");
        finding(visit, Finding.ROD_ARM, "LEFT", "KEPT");
        finding(visit, Finding.ROD_ARM, "RIGHT", "KEPT");
        finding(visit, Finding.ROD_LEG, "LEFT", "KEPT");
        finding(visit, Finding.ROD_LEG, "RIGHT", "KEPT");
    }

    /** Readings at rest and on the head lift, in half fingers, each off by what an honest hand is off. */
    long separation(long client, int daysAgo, double fingers, double closes, Feel feel, long staff, Random random) {
        long visit = visit(client, daysAgo, staff);
        for (int i = 0; i < SITES_CM.length; i++) {
            double rest = halves(fingers * SHAPE[i] + random.nextGaussian() * 0.2);
            double lift = halves(Math.max(0, (fingers - closes) * SHAPE[i] + random.nextGaussian() * 0.2));
            reading(visit, SITES_CM[i], Condition.REST, rest, feel, staff);
            reading(visit, SITES_CM[i], Condition.HEAD_LIFT, lift, feel, staff);
        }
        return visit;
    }

    private static double halves(double fingers) {
        return Math.max(0.5, Math.round(fingers * 2) / 2.0);
    }

    private void reading(long visit, double site, Condition condition, double fingers, Feel feel, long staff) {
        checks.putReading(new ReadingRow(
                visit, site, condition, Method.FINGERS, String.valueOf(fingers), null, null, feel, staff));
    }

    long visit(long client, int daysAgo, long staff) {
        LocalDate day = today.date().minusDays(daysAgo);
        visits.insert(client, day, staff);
        visits.foundTeam(client, staff);
        long id = visits.onDay(client, day).orElseThrow().id();
        if (daysAgo > 0) {
            visits.markAsked(id, today.date().minusDays(daysAgo).atTime(10, 0));
        }
        return id;
    }

    void finding(long visit, Finding field, String side, String value) {
        checks.putFinding(new FindingRow(visit, field, side, value));
    }

    void set(long visit, int left, int right, String tolerance) {
        finding(visit, Finding.SET_GRADE, "LEFT", String.valueOf(left));
        finding(visit, Finding.SET_GRADE, "RIGHT", String.valueOf(right));
        finding(visit, Finding.TOLERANCE_BREATHS, "", tolerance);
    }

    void floats(long visit, String side, int score) {
        for (int rung = 1; rung <= 5 && rung <= score + 1; rung++) {
            finding(visit, Finding.valueOf("FLOAT_F" + rung), side, rung <= score ? "CLEAN" : "SIGN");
        }
    }
}

package fernstep.app;

import fernstep.app.ask.VisitMapper;
import fernstep.app.check.CheckMapper;
import fernstep.app.check.FindingRow;
import fernstep.app.client.ClientRow;
import fernstep.app.client.Clients;
import fernstep.app.client.EventRow;
import fernstep.core.approach.Approach;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Status;
import fernstep.core.findings.Finding;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.context.ApplicationContext;

/** Makes clients of a test's own, so that no test meets another's. */
public final class Someone {
    private Someone() {}

    /** Checked and found firm: set grade 4, five floats, scoop, no ridge. */
    public static long firm(ApplicationContext app, String name, Approach approach, int minutesPerDay) {
        long id = plain(app, name, approach, minutesPerDay);
        VisitMapper visits = app.getBean(VisitMapper.class);
        LocalDate day = LocalDate.now().minusDays(3);
        visits.insert(id, day, 1);
        long visit = visits.onDay(id, day).orElseThrow().id();
        visits.markAsked(visit, day.atTime(12, 0));
        finding(app, visit, Finding.COUGH, "", "DRAWS_IN");
        finding(app, visit, Finding.TOLERANCE_BREATHS, "", "8");
        finding(app, visit, Finding.LUMBAR_GAP, "", "FLAT_HAND");
        finding(app, visit, Finding.SCOOP, "", "YES");
        finding(app, visit, Finding.DOMING, "", "NONE");
        for (String side : List.of("LEFT", "RIGHT")) {
            finding(app, visit, Finding.SET_GRADE, side, "4");
            for (int rung = 1; rung <= 3; rung++) {
                finding(app, visit, Finding.valueOf("FLOAT_F" + rung), side, "CLEAN");
            }
        }
        return id;
    }

    /** Gave birth so many weeks ago; nobody has cleared her yet. */
    public static long afterBirth(ApplicationContext app, String name, int weeks) {
        return afterBirth(app, name, weeks, Approach.SLOW_LADDER);
    }

    public static long afterBirth(ApplicationContext app, String name, int weeks, Approach approach) {
        Clients clients = app.getBean(Clients.class);
        long id = clients.create(row(name, Status.POSTNATAL, approach, 14), List.of());
        clients.addEvent(
                new EventRow(id, EventRow.Kind.BIRTH, LocalDate.now().minusWeeks(weeks), BirthMode.VAGINAL, 0, ""), 1);
        return id;
    }

    public static long plain(ApplicationContext app, String name, Approach approach, int minutesPerDay) {
        return app.getBean(Clients.class).create(row(name, Status.GENERAL, approach, minutesPerDay), List.of());
    }

    private static ClientRow row(String name, Status status, Approach approach, int minutesPerDay) {
        return new ClientRow(
                null,
                UUID.randomUUID().toString(),
                name,
                status,
                null,
                168.0,
                66.0,
                35,
                "RIGHT",
                approach,
                minutesPerDay,
                5,
                "",
                "");
    }

    private static void finding(ApplicationContext app, long visit, Finding field, String side, String value) {
        app.getBean(CheckMapper.class).putFinding(new FindingRow(visit, field, side, value));
    }
}

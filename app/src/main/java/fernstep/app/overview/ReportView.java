package fernstep.app.overview;

import fernstep.app.standing.Standings;
import fernstep.core.client.Licence;
import fernstep.core.measure.Reason;
import fernstep.core.standing.Concern;
import fernstep.core.standing.Level;
import fernstep.core.standing.SafetyReport;
import java.time.LocalDateTime;
import java.util.List;

/**
 * A report that nobody has lifted, as the client's page shows it.
 *
 * @param code what it is about, by kind: for tests and anchors
 * @param heardBy empty where she told it on her own page
 * @param emergency an emergency: seen or taken back, by a therapist
 * @param licensed it takes a therapist
 */
public record ReportView(
        long id,
        String code,
        Reason said,
        LocalDateTime at,
        String heardBy,
        SafetyReport.Way way,
        boolean emergency,
        boolean licensed) {

    static List<ReportView> open(Standings standings, long clientId) {
        return standings.of(clientId).open().stream()
                .filter(report -> !(report.concern() instanceof Concern.Adapts))
                .map(report -> of(report, standings.said(report)))
                .toList();
    }

    private static ReportView of(SafetyReport report, Reason said) {
        Concern concern = report.concern();
        return new ReportView(
                report.id(),
                concern.asAnswer()
                        .map(Enum::name)
                        .orElseGet(() -> concern.getClass().getSimpleName()),
                said,
                report.at(),
                report.heardBy(),
                report.way(),
                concern.level() == Level.LOCKED,
                concern.liftedBy() == Licence.THERAPIST);
    }
}

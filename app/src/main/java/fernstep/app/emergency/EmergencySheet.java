package fernstep.app.emergency;

import fernstep.app.client.ClientFile;
import fernstep.app.house.EmergencyNumbers;
import fernstep.app.progress.ResultRow;
import fernstep.core.measure.Reason;
import fernstep.core.screening.EmergencyCall;
import fernstep.core.standing.SafetyReport;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;

/**
 * What goes with her.
 *
 * @param calls whom to call, most urgent first; empty while no emergency stands
 * @param said what was said, most serious first
 * @param trainedOn the day of the exercises below
 * @param before what she had done that day and what was seen, in the order of the exercises
 * @param called what was noted of calls and of who saw her, oldest first
 * @param numbersMissing telephone numbers that the practice has not set
 */
public record EmergencySheet(
        ClientFile client,
        LocalDateTime madeAt,
        List<Call> calls,
        List<Said> said,
        LocalDate trainedOn,
        List<ResultRow> before,
        List<Noted> called,
        List<EmergencyNumbers.Who> numbersMissing) {

    /** Whom to call, and the numbers. */
    public record Call(EmergencyCall whom, List<EmergencyNumbers.Line> lines) {}

    /**
     * One thing that was said.
     *
     * @param heardBy empty where she told it on her own page
     */
    public record Said(Reason what, LocalDateTime at, String heardBy, SafetyReport.Way way) {}

    /** What was noted about it. */
    public record Noted(LocalDateTime at, String by, String what) {}

    public boolean emergencyStands() {
        return !calls.isEmpty();
    }
}

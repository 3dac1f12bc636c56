package fernstep.app.check;

import fernstep.app.ask.Visit;
import fernstep.core.findings.Finding;
import fernstep.core.measure.Side;
import fernstep.core.separation.Condition;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is written in a check: readings, findings and what was left out. */
@Service
public class CheckEntries {
    private static final int LONGEST_REASON = 200;

    private final CheckMapper mapper;

    public CheckEntries(CheckMapper mapper) {
        this.mapper = mapper;
    }

    public void put(ReadingRow reading) {
        mapper.putReading(reading.canonical());
    }

    public void removeReading(long visitId, double siteCm, Condition condition) {
        mapper.removeReading(visitId, siteCm, condition);
    }

    /** @param value in the finding's stored form */
    public void put(long visitId, Finding finding, String side, String value) {
        mapper.putFinding(new FindingRow(visitId, finding, side, value));
    }

    public void remove(long visitId, Finding finding, String side) {
        mapper.removeFinding(visitId, finding, side);
    }

    /** Leaves a check out, with the reason; an empty reason takes that back. */
    public void skip(long visitId, CheckSection section, String reason) {
        String text = reason.strip();
        if (text.isEmpty()) {
            mapper.removeSkip(visitId, section);
        } else {
            mapper.putSkip(new SkipRow(visitId, section, text.substring(0, Math.min(LONGEST_REASON, text.length()))));
        }
    }

    /**
     * Done again and found as last time: every earlier value of this check is today's as well. What was entered today
     * stays, and what only a licensed clinician may record is left to one.
     */
    @Transactional
    public void asLastTime(Visit visit, CheckSheet sheet, CheckSection section, boolean therapist) {
        for (Finding finding : section.fields()) {
            if (finding.therapistOnly() && !therapist) {
                continue;
            }
            if (finding.perSide()) {
                for (Side side : Side.values()) {
                    keep(visit, sheet, finding, side.name());
                }
            } else {
                keep(visit, sheet, finding, "");
            }
        }
    }

    private void keep(Visit visit, CheckSheet sheet, Finding finding, String side) {
        String before = sheet.earlierValue(finding.name(), side);
        if (!before.isEmpty() && sheet.value(finding.name(), side).isEmpty()) {
            put(visit.id(), finding, side, before);
        }
    }
}

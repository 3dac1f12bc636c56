package fernstep.app.check;

import fernstep.app.ask.Visit;
import fernstep.app.support.RecordLog;
import fernstep.core.findings.CheckSection;
import fernstep.core.findings.Finding;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.separation.Condition;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is written in a check: readings, findings and what was left out. What stood there before is kept. */
@Service
public class CheckEntries {
    private static final int LONGEST_REASON = 200;
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm");

    private final CheckMapper mapper;
    private final RecordLog log;

    public CheckEntries(CheckMapper mapper, RecordLog log) {
        this.mapper = mapper;
        this.log = log;
    }

    /**
     * Who writes, and what she had before her.
     *
     * @param was what the page showed there when she wrote; null where the page does not say
     * @param reason why a past visit is changed; empty on the day itself
     */
    public record By(long staffId, @Nullable String was, String reason) {}

    /** A value that was not taken, and why. */
    public static final class Refused extends Exception {
        private static final long serialVersionUID = 1L;
        private final transient Reason why;
        private final @Nullable String present;

        Refused(Reason why, @Nullable String present) {
            super(why.key());
            this.why = why;
            this.present = present;
        }

        /** What stands there now, where somebody else wrote it meanwhile; null for other reasons. */
        public @Nullable String present() {
            return present;
        }

        public Reason why() {
            return why;
        }
    }

    /**
     * Writes a reading.
     *
     * @throws IllegalArgumentException where no reading can be built from it
     * @throws Refused where somebody wrote another meanwhile, or a past visit is changed without a reason
     */
    @Transactional(rollbackFor = Refused.class)
    public void put(Visit visit, ReadingRow reading, By by) throws Refused {
        ReadingRow canonical = reading.canonical();
        String part = part(reading.siteCm(), reading.conditionCode());
        Optional<ReadingRow> before = reading(visit, reading.siteCm(), reading.conditionCode());
        check(visit, part, before.map(ReadingRow::readingValues).orElse(""), canonical.readingValues(), by);
        mapper.putReading(canonical);
        changed(visit, part, before.map(CheckEntries::written).orElse(null), written(canonical), by);
    }

    /**
     * Writes a reading taken now: what comes from elsewhere was measured already.
     *
     * @throws IllegalArgumentException where no reading can be built from it
     * @throws Refused while the check is not open to her, and as {@link #put}
     */
    @Transactional(rollbackFor = Refused.class)
    public void measure(Visit visit, ReadingRow reading, By by) throws Refused {
        checkOpen(visit);
        put(visit, reading, by);
    }

    /** Nothing is measured before the day on which the check opens. */
    private static void checkOpen(Visit visit) throws Refused {
        Gate gate = visit.screening().gates().get(GateCode.SEPARATION_CHECK);
        if (gate != null && !gate.open()) {
            LocalDate opens = gate.opensOn();
            throw new Refused(
                    opens == null
                            ? Reason.of("told.checkClosed", gate.reason())
                            : Reason.of("told.checkClosedUntil", opens),
                    null);
        }
    }

    @Transactional(rollbackFor = Refused.class)
    public void removeReading(Visit visit, double siteCm, Condition condition, By by) throws Refused {
        String part = part(siteCm, condition);
        Optional<ReadingRow> before = reading(visit, siteCm, condition);
        check(visit, part, before.map(ReadingRow::readingValues).orElse(""), "", by);
        mapper.removeReading(visit.id(), siteCm, condition);
        changed(visit, part, before.map(CheckEntries::written).orElse(null), null, by);
    }

    private Optional<ReadingRow> reading(Visit visit, double siteCm, Condition condition) {
        return mapper.readings(visit.id()).stream()
                .filter(row -> row.siteCm() == siteCm && row.conditionCode() == condition)
                .findFirst();
    }

    private static String written(ReadingRow row) {
        return row.readingValues() + " " + row.method();
    }

    private static String part(double siteCm, Condition condition) {
        return "reading:" + siteCm + ":" + condition;
    }

    private static String part(Finding finding, String side) {
        return "finding:" + finding + (side.isEmpty() ? "" : ":" + side);
    }

    /**
     * Writes a finding.
     *
     * @param value in the finding's stored form; empty takes it back
     * @throws Refused where somebody wrote another meanwhile, or a past visit is changed without a reason
     */
    @Transactional(rollbackFor = Refused.class)
    public void put(Visit visit, Finding finding, String side, String value, By by) throws Refused {
        String part = part(finding, side);
        String before = mapper.findings(visit.id()).stream()
                .filter(row -> row.name() == finding && row.side().equals(side))
                .map(FindingRow::findingValue)
                .findFirst()
                .orElse("");
        check(visit, part, before, value, by);
        if (value.isEmpty()) {
            mapper.removeFinding(visit.id(), finding, side);
        } else {
            mapper.putFinding(new FindingRow(visit.id(), finding, side, value));
        }
        changed(visit, part, before.isEmpty() ? null : before, value.isEmpty() ? null : value, by);
    }

    private void check(Visit visit, String part, String before, String value, By by) throws Refused {
        if (visit.past() && by.reason().isBlank()) {
            throw new Refused(Reason.of("told.aPastVisitNeedsAReason"), null);
        }
        boolean meanwhile = by.was() != null && !before.equals(by.was()) && !before.equals(value);
        if (meanwhile) {
            RecordLog.Entry last = log.last(visit.id(), part);
            String who = last == null ? null : last.staffName();
            throw new Refused(
                    Reason.of(
                            "told.writtenMeanwhile",
                            before.isEmpty() ? "–" : before,
                            who == null ? "?" : who,
                            last == null ? "" : HOUR.format(last.at())),
                    before);
        }
    }

    private void changed(Visit visit, String part, @Nullable String before, @Nullable String after, By by) {
        log.changed(
                new RecordLog.Change(visit.client().id(), visit.id(), part, before, after, by.reason(), by.staffId()));
    }

    /**
     * Leaves a check out, with the reason; an empty reason takes that back.
     *
     * @throws Refused on a past visit without a reason for changing it, or where somebody wrote another meanwhile
     */
    @Transactional(rollbackFor = Refused.class)
    public void skip(Visit visit, CheckSheet sheet, CheckSection section, String reason, By by) throws Refused {
        String text = reason.strip()
                .substring(0, Math.min(LONGEST_REASON, reason.strip().length()));
        String part = "skip:" + section;
        String before = Objects.requireNonNullElse(sheet.skip(section), "");
        check(visit, part, before, text, by);
        if (text.isEmpty()) {
            mapper.removeSkip(visit.id(), section);
        } else {
            mapper.putSkip(new SkipRow(visit.id(), section, text));
        }
        if (!before.equals(text)) {
            changed(visit, part, before.isEmpty() ? null : before, text.isEmpty() ? null : text, by);
        }
    }

    /**
     * Done again and found as last time: every earlier value of this check is today's as well. What was entered today
     * stays, and what only a licensed clinician may record is left to one.
     */
    @Transactional(rollbackFor = Refused.class)
    public void asLastTime(Visit visit, CheckSheet sheet, CheckSection section, boolean therapist, By by)
            throws Refused {
        for (Finding finding : section.fields()) {
            if (finding.therapistOnly() && !therapist) {
                continue;
            }
            if (finding.perSide()) {
                for (Side side : Side.values()) {
                    keep(visit, sheet, finding, side.name(), by);
                }
            } else {
                keep(visit, sheet, finding, "", by);
            }
        }
    }

    private void keep(Visit visit, CheckSheet sheet, Finding finding, String side, By by) throws Refused {
        String before = sheet.earlierValue(finding.name(), side);
        if (!before.isEmpty() && sheet.value(finding.name(), side).isEmpty()) {
            put(visit, finding, side, Objects.requireNonNull(before), by);
        }
    }

    /** Of many clients, as they are stored. */
    public List<ReadingRow> readingsOf(Collection<Long> clients) {
        return clients.isEmpty() ? List.of() : mapper.readingsOf(clients);
    }

    /** Many at once, from a table that was brought in: what stood there before is kept with the reason. */
    public void putAll(List<Changed> readings, String reason) {
        mapper.putReadings(
                readings.stream().map(changed -> changed.reading().canonical()).toList());
        readings.stream().filter(changed -> changed.before() != null).forEach(changed -> logged(changed, reason));
    }

    /** Takes back what {@link #putAll} wrote. */
    public void takeBack(List<Changed> written, String reason) {
        List<ReadingRow> fresh = written.stream()
                .filter(changed -> changed.before() == null)
                .map(Changed::reading)
                .toList();
        if (!fresh.isEmpty()) {
            mapper.removeReadings(fresh);
        }
        for (Changed w : written) {
            if (w.before() != null) {
                mapper.putReading(w.before());
                logged(new Changed(w.clientId(), /* reading= */ w.before(), /* before= */ w.reading()), reason);
            }
        }
    }

    /**
     * A reading and what stood in its place.
     *
     * @param before null where nothing did
     */
    public record Changed(
            long clientId, ReadingRow reading, @Nullable ReadingRow before) {}

    private void logged(Changed changed, String reason) {
        log.changed(new RecordLog.Change(
                changed.clientId(),
                changed.reading().visitId(),
                part(changed.reading().siteCm(), changed.reading().conditionCode()),
                changed.before() == null ? null : written(changed.before()),
                written(changed.reading()),
                reason,
                changed.reading().staffId()));
    }

    /** As they are stored. */
    public List<ReadingRow> readings(long visitId) {
        return mapper.readings(visitId);
    }

    /** Of many clients, as they are stored. */
    public List<FindingRow> findingsOf(Collection<Long> clients) {
        return clients.isEmpty() ? List.of() : mapper.findingsOf(clients);
    }
}

package fernstep.app.check;

import fernstep.app.ask.Visit;
import fernstep.app.ask.VisitRow;
import fernstep.app.client.ClientFile;
import fernstep.app.examiners.Examiners;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Recorded;
import fernstep.core.progress.ChangeReport;
import fernstep.core.screening.Stage;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.Separation;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The checks of a visit, read back as the core wants them. */
@Service
public class Checks {
    private final CheckMapper mapper;
    private final Examiners examiners;

    public Checks(CheckMapper mapper, Examiners examiners) {
        this.mapper = mapper;
        this.examiners = examiners;
    }

    /** The sheet of one visit, with the visit before it beside. */
    public CheckSheet sheet(Visit visit) {
        List<ReadingRow> now = mapper.readings(visit.id());
        List<ReadingRow> before = mapper.visitWithReadingsBefore(
                        visit.client().id(), visit.row().heldOn())
                .map(mapper::readings)
                .orElse(List.of());
        Recorded today = FindingValues.recorded(mapper.findings(visit.id()));
        Recorded earlier = FindingValues.recorded(
                mapper.latestFindings(visit.client().id(), visit.row().heldOn().minusDays(1)));
        return sheet(visit.client(), visit.row().heldOn(), now, before, today, earlier, mapper.skips(visit.id()));
    }

    private CheckSheet sheet(
            ClientFile client,
            LocalDate day,
            List<ReadingRow> now,
            List<ReadingRow> before,
            Recorded today,
            Recorded earlier,
            List<SkipRow> skips) {
        Separation.Check checkBefore = before.isEmpty() ? null : check(before);
        return new CheckSheet(
                now,
                before,
                separation(client, day, check(now), checkBefore, today.firmRidge()),
                checkBefore == null ? null : separation(client, day, checkBefore, null, earlier.firmRidge()),
                today,
                earlier,
                skips);
    }

    private static Separation separation(
            ClientFile client,
            LocalDate day,
            Separation.Check now,
            Separation.@Nullable Check before,
            boolean firmRidge) {
        return Separation.of(
                now, before, client.stances().gapReading(), Stage.forWidth(client.facts(), day), firmRidge);
    }

    /** The newest separation check up to a day, with the one before it beside; empty without any. */
    public Optional<CheckSheet> latestSheet(ClientFile client, LocalDate upTo) {
        return mapper.visitWithReadingsBefore(client.id(), upTo.plusDays(1)).map(id -> {
            List<ReadingRow> now = mapper.readings(id);
            List<ReadingRow> before =
                    mapper.visitBefore(client.id(), id).map(mapper::readings).orElse(List.of());
            return sheet(client, upTo, now, before, Recorded.NOTHING, Recorded.NOTHING, List.of());
        });
    }

    /** The newest value of every finding up to a day: what the plan is made from. */
    public Findings findings(long clientId, LocalDate upTo) {
        return FindingValues.recorded(mapper.latestFindings(clientId, upTo)).findings();
    }

    /** The day of the latest of them. */
    public Optional<LocalDate> lastFindings(long clientId, LocalDate upTo) {
        return mapper.lastFindings(clientId, upTo);
    }

    /** One visit's readings and findings, ready to be compared. */
    public record Taken(VisitRow visit, Separation.Check check, ChangeReport.Found found) {
        public boolean empty() {
            return check.readings().isEmpty()
                    && found.numbers().isEmpty()
                    && found.codes().isEmpty();
        }
    }

    /** Every visit on which something was checked, oldest first. */
    public List<Taken> history(List<VisitRow> visits) {
        return visits.stream()
                .sorted(Comparator.comparing(VisitRow::heldOn))
                .map(row -> new Taken(
                        row,
                        check(mapper.readings(row.id())),
                        ChangeReport.Found.of(FindingValues.recorded(mapper.findings(row.id())))))
                .filter(taken -> !taken.empty())
                .toList();
    }

    /** The later visit compared with the earlier one. */
    public ChangeReport changes(ClientFile client, Taken before, Taken now) {
        return ChangeReport.of(
                separation(client, now.visit().heldOn(), now.check(), before.check(), false),
                before.found(),
                now.found());
    }

    private Separation.Check check(List<ReadingRow> rows) {
        Examiner examiner = rows.isEmpty()
                ? Examiner.UNKNOWN
                : examiners.examiner(rows.get(0).staffId());
        return new Separation.Check(rows.stream().map(ReadingRow::asReading).toList(), examiner);
    }
}

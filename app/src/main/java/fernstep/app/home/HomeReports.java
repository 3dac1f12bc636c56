package fernstep.app.home;

import fernstep.app.client.Clients;
import fernstep.app.plan.Prescriptions;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.core.findings.SignCode;
import fernstep.core.progress.Amount;
import fernstep.core.progress.HomeReport;
import fernstep.core.progress.SessionResult;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What was said of exercises at home. A second report of the same exercise and day stands beside the first: what counts for
 * her safety is the worst of them, for her dose the latest.
 */
@Service
public class HomeReports {
    private final HomeReportMapper mapper;
    private final HomeLogMapper log;
    private final Results results;
    private final Clients clients;
    private final Prescriptions prescriptions;

    HomeReports(
            HomeReportMapper mapper, HomeLogMapper log, Results results, Clients clients, Prescriptions prescriptions) {
        this.mapper = mapper;
        this.log = log;
        this.results = results;
        this.clients = clients;
        this.prescriptions = prescriptions;
    }

    /** Puts a report down beside those that are there. The same id again is the same report. */
    @Transactional
    public void put(HomeReportRow report, LocalDate day) {
        fromBefore(report, day);
        insert(report);
        count(report, day);
    }

    private void insert(HomeReportRow report) {
        mapper.insert(new HomeReportMapper.Stored(
                report.id(),
                report.clientId(),
                report.sessionId(),
                report.rung(),
                report.side(),
                report.report().told(),
                report.effort(),
                report.report().painLevel(),
                report.rangeFraction(),
                report.reportedAt(),
                report.heardBy()));
        report.report().signs().forEach(sign -> mapper.insertSign(report.id(), sign));
    }

    /** A result from before reports were kept one by one is a report too. */
    private void fromBefore(HomeReportRow report, LocalDate day) {
        if (of(report.sessionId(), report.rung(), report.side()).isEmpty()) {
            results.ofSession(report.sessionId()).stream()
                    .filter(result ->
                            result.rung().equals(report.rung()) && result.side().equals(report.side()))
                    .findFirst()
                    .ifPresent(result -> insert(asReport(result, day)));
        }
    }

    private static HomeReportRow asReport(ResultRow result, LocalDate day) {
        HomeReport.Told told =
                switch (result.result()) {
                    case STOPPED -> HomeReport.Told.STOPPED;
                    case EASED, STEPPED_BACK -> HomeReport.Told.EASED;
                    case CLEAN, HELPED -> HomeReport.Told.DONE;
                };
        Set<SignCode> signs = EnumSet.noneOf(SignCode.class);
        signs.addAll(result.signList());
        signs.remove(SignCode.PAIN);
        return new HomeReportRow(
                UUID.randomUUID().toString(),
                result.clientId(),
                result.sessionId(),
                result.rung(),
                result.side(),
                new HomeReport(told, signs, result.painLevel()),
                result.effort(),
                result.rangeFraction(),
                day.atStartOfDay(),
                null);
    }

    private void count(HomeReportRow of, LocalDate day) {
        List<HomeReportRow> all = of(of.sessionId(), of.rung(), of.side());
        HomeReportRow latest = all.get(all.size() - 1);
        Set<SignCode> signs = EnumSet.noneOf(SignCode.class);
        all.forEach(report -> signs.addAll(report.report().signs()));
        Optional<Integer> pain = all.stream()
                .map(report -> report.report().painLevel())
                .filter(Objects::nonNull)
                .max(Integer::compareTo);
        SessionResult.Kind worst = all.stream()
                .map(report -> report.report().kind())
                .max(SessionResult.Kind::compareTo)
                .orElseThrow();
        results.put(new ResultRow(
                        of.sessionId(),
                        of.rung(),
                        of.side(),
                        of.clientId(),
                        day,
                        worst,
                        latest.effort(),
                        null,
                        HomeEntries.told(signs, pain.orElse(null)),
                        latest.rangeFraction())
                .withAmount(prescribed(of).orElse(null)));
    }

    /** Nobody counts at home: done is what was prescribed, which minutes or tiredness may have made less than her dose. */
    private Optional<Amount> prescribed(HomeReportRow of) {
        return prescriptions.of(clients.file(of.clientId())).plan().items().stream()
                .filter(item -> item.rung().code().equals(of.rung())
                        && (item.side() == null ? "" : item.side().name()).equals(of.side()))
                .map(item -> Amount.of(item.dose()))
                .findFirst();
    }

    private List<HomeReportRow> of(String sessionId, String rung, String side) {
        return of(sessionId).stream()
                .filter(report -> report.rung().equals(rung) && report.side().equals(side))
                .toList();
    }

    /** Everything said of a day's session, in the order in which it was said. */
    public List<HomeReportRow> of(String sessionId) {
        Map<String, Set<SignCode>> signs = new HashMap<>();
        mapper.signs(sessionId)
                .forEach(sign -> signs.computeIfAbsent(sign.reportId(), id -> EnumSet.noneOf(SignCode.class))
                        .add(sign.code()));
        return mapper.of(sessionId).stream()
                .map(stored -> new HomeReportRow(
                        stored.id(),
                        stored.clientId(),
                        stored.sessionId(),
                        stored.rung(),
                        stored.side(),
                        new HomeReport(stored.told(), signs.getOrDefault(stored.id(), Set.of()), stored.painLevel()),
                        stored.effort(),
                        stored.rangeFraction(),
                        stored.reportedAt(),
                        stored.heardBy()))
                .toList();
    }

    /** A practitioner says that it was not done after all: what she told herself stays. */
    @Transactional
    public void withdraw(ResultRow result, long staffId) {
        boolean reported = !of(result.sessionId(), result.rung(), result.side()).isEmpty();
        if (reported) {
            mapper.withdraw(result.sessionId(), result.rung(), result.side(), staffId);
        }
        List<HomeReportRow> left = of(result.sessionId(), result.rung(), result.side());
        if (left.isEmpty()) {
            log.removeResult(result.sessionId(), result.rung(), result.side());
        } else {
            count(left.get(0), result.heldOn());
        }
    }
}

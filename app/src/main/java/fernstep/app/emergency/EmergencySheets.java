package fernstep.app.emergency;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.house.EmergencyNumbers;
import fernstep.app.house.House;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.standing.Standings;
import fernstep.core.screening.EmergencyCall;
import fernstep.core.standing.Concern;
import fernstep.core.standing.Level;
import fernstep.core.standing.SafetyReport;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** Puts the sheet together from what is on file: the same for a visit, a session and her own page. */
@Service
public class EmergencySheets {
    private final Clients clients;
    private final Standings standings;
    private final Results results;
    private final House house;
    private final Clock clock;

    EmergencySheets(Clients clients, Standings standings, Results results, House house, Clock clock) {
        this.clients = clients;
        this.standings = standings;
        this.results = results;
        this.house = house;
        this.clock = clock;
    }

    /** Of the emergencies that stand, and of what asks first and is held beside them. */
    public EmergencySheet of(long clientId) {
        ClientFile client = clients.file(clientId);
        LocalDateTime now = LocalDateTime.now(clock);
        List<SafetyReport> open = standings.of(clientId).open().stream()
                .filter(report -> report.concern().level() != Level.CLEAR)
                .toList();
        EmergencyNumbers numbers = house.facts().numbers();
        LocalDate day = open.stream()
                .findFirst()
                .map(report -> report.at().toLocalDate())
                .orElse(now.toLocalDate());
        return new EmergencySheet(
                client,
                now,
                kinds(open, client)
                        .map(call -> new EmergencySheet.Call(
                                call, numbers.linesFor(call, client.facts(), now.toLocalDate())))
                        .toList(),
                open.stream()
                        .map(report -> new EmergencySheet.Said(
                                standings.said(report), report.at(), report.heardBy(), report.way()))
                        .toList(),
                day,
                before(clientId, day),
                standings.history(clientId).stream()
                        .filter(reported -> open.contains(reported.report()))
                        .flatMap(reported -> reported.lifts().stream())
                        .map(lift -> new EmergencySheet.Noted(lift.at(), lift.by(), lift.found()))
                        .sorted(Comparator.comparing(EmergencySheet.Noted::at))
                        .toList(),
                numbers.missing());
    }

    private static Stream<EmergencyCall> kinds(List<SafetyReport> open, ClientFile client) {
        return open.stream()
                .filter(report -> report.concern() instanceof Concern.Emergency)
                .flatMap(report -> report.concern().asAnswer().stream())
                .map(answer -> answer.call(client.facts()))
                .distinct()
                .sorted();
    }

    private List<ResultRow> before(long clientId, LocalDate day) {
        return results.since(clientId, day).stream()
                .filter(result -> result.heldOn().equals(day))
                .toList();
    }
}

package fernstep.app.board;

import fernstep.app.ask.VisitMapper;
import fernstep.app.ask.VisitRow;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.support.Today;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** One row per client, most urgent first. */
@Service
class Board {
    private static final int GATE_SOON_DAYS = 14;

    private final Clients clients;
    private final VisitMapper visits;
    private final BoardMapper mapper;
    private final Today today;

    Board(Clients clients, VisitMapper visits, BoardMapper mapper, Today today) {
        this.clients = clients;
        this.visits = visits;
        this.mapper = mapper;
        this.today = today;
    }

    /** What waits, from the most urgent. */
    enum Urgency {
        EMERGENCY,
        ASK_FIRST,
        RECHECK_OVERDUE,
        GATE_SOON,
        CALM
    }

    /** One client on the board. */
    record Row(
            ClientFile client,
            Reason stage,
            Urgency urgency,
            Reason waits,
            @Nullable LocalDate lastVisit) {}

    List<Row> rows() {
        LocalDate day = today.date();
        Map<Long, VisitRow> visitToday =
                visits.allOnDay(day).stream().collect(Collectors.toMap(VisitRow::clientId, Function.identity()));
        Map<Long, LastVisit> last =
                mapper.lastVisits().stream().collect(Collectors.toMap(LastVisit::clientId, Function.identity()));
        return clients.all().stream()
                .map(c -> row(c, visitToday.get(c.id()), last.get(c.id()), day))
                .sorted(Comparator.comparing(Row::urgency)
                        .thenComparing(r -> r.client().name()))
                .toList();
    }

    private Row row(ClientFile client, @Nullable VisitRow visit, @Nullable LastVisit last, LocalDate day) {
        Set<Answer> answers = EnumSet.noneOf(Answer.class);
        if (visit != null) {
            answers.addAll(visits.answers(visit.id()));
        }
        Screening s = Screening.of(Screening.Question.of(client.facts(), answers, client.stances(), day)
                .withLastCheck(last == null ? null : last.lastCheck()));
        return new Row(
                client, s.stage().label(), urgency(s, day), waits(s, day), last == null ? null : last.lastVisit());
    }

    private static Urgency urgency(Screening s, LocalDate day) {
        if (s.outcome() == Outcome.REFER_NOW) {
            return Urgency.EMERGENCY;
        }
        if (s.outcome() == Outcome.ASK_FIRST) {
            return Urgency.ASK_FIRST;
        }
        if (s.recheckDue() != null && !s.recheckDue().isAfter(day)) {
            return Urgency.RECHECK_OVERDUE;
        }
        return nextGate(s, day).isPresent() ? Urgency.GATE_SOON : Urgency.CALM;
    }

    private static Reason waits(Screening s, LocalDate day) {
        return switch (urgency(s, day)) {
            case EMERGENCY, ASK_FIRST ->
                Reason.of("board." + s.outcome(), s.reasons().get(0).answer());
            case RECHECK_OVERDUE ->
                s.recheckDue() == null ? Reason.of("board.calm") : Reason.of("board.recheck", s.recheckDue());
            case GATE_SOON ->
                nextGate(s, day)
                        .map(g -> Reason.of("board.gate", g.code(), g.reason()))
                        .orElse(Reason.of("board.calm"));
            case CALM -> Reason.of("board.calm");
        };
    }

    private static Optional<Gate> nextGate(Screening s, LocalDate day) {
        return s.gates().values().stream()
                .filter(g -> !g.open() && g.code() != GateCode.CURL && g.opensOn() != null)
                .filter(g -> !g.opensOn().isAfter(day.plusDays(GATE_SOON_DAYS)))
                .findFirst();
    }
}

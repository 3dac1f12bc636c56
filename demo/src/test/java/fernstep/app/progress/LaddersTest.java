package fernstep.app.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.AppExtension;
import fernstep.app.client.ClientFile;
import fernstep.app.client.ClientRow;
import fernstep.app.client.Clients;
import fernstep.app.run.SessionMapper;
import fernstep.app.run.SessionRow;
import fernstep.core.approach.Approach;
import fernstep.core.client.Status;
import fernstep.core.plan.Dose;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Places and results on the real database. */
@ExtendWith(AppExtension.class)
class LaddersTest {
    private final LocalDate today = LocalDate.now();
    private final Clients clients;
    private final Ladders ladders;
    private final LadderMoves moves;
    private final LadderMapper mapper;
    private final SessionMapper sessions;
    private ClientFile client;

    LaddersTest(Clients clients, Ladders ladders, LadderMoves moves, LadderMapper mapper, SessionMapper sessions) {
        this.clients = clients;
        this.ladders = ladders;
        this.moves = moves;
        this.mapper = mapper;
        this.sessions = sessions;
    }

    @BeforeEach
    void someone_in_training() {
        String form = UUID.randomUUID().toString();
        long id = clients.create(
                new ClientRow(
                        null,
                        form,
                        "Test Person",
                        Status.GENERAL,
                        null,
                        null,
                        null,
                        null,
                        "",
                        Approach.SLOW_LADDER,
                        12,
                        5,
                        "",
                        ""),
                List.of());
        assertThat(clients.create(clients.file(id).row(), List.of()))
                .as("the same form again")
                .isEqualTo(id);
        client = clients.file(id);
        mapper.insert(LadderRow.of(
                id,
                Strand.BREATH,
                null,
                "BR1",
                new Dose(1, null, null, 5, 1, 5),
                today.minusDays(20),
                LadderMoves.START,
                1,
                0,
                1));
    }

    private void trained(int daysAgo, Kind kind) {
        String session = UUID.randomUUID().toString();
        sessions.insert(new SessionRow(session, client.id(), today.minusDays(daysAgo), 1, null));
        ResultRow row = new ResultRow(session, "BR1", "", client.id(), today.minusDays(daysAgo), kind, 3, "", "", 1);
        mapper.putResult(row);
        mapper.putResult(row);
    }

    private Standing standing() {
        return ladders.standings(client).get(0);
    }

    @Test
    void a_result_written_twice_is_one_credit() {
        trained(5, Kind.CLEAN);
        assertThat(standing().progress().credits()).isEqualTo(1);
    }

    @Test
    void a_confirmed_move_is_taken_once_and_the_log_starts_again() {
        trained(5, Kind.CLEAN);
        trained(3, Kind.CLEAN);
        assertThat(standing().progress().change()).isEqualTo(Change.NOTCH_UP);
        long step = standing().step().id();
        moves.confirm(step, 1);
        moves.confirm(step, 1);
        assertThat(ladders.standings(client)).hasSize(1);
        // a notch of BR1: 15 % of five breaths, at least an eighth of the way to twenty
        assertThat(standing().step().dose().breaths()).isEqualTo(7);
        assertThat(standing().progress().credits()).isZero();
        assertThat(standing().log()).isEmpty();
    }

    @Test
    void a_hold_cannot_be_confirmed_into_a_move() {
        trained(3, Kind.CLEAN);
        moves.confirm(standing().step().id(), 1);
        assertThat(standing().step().dose().breaths()).isEqualTo(5);
    }

    @Test
    void heaviness_after_one_rung_holds_every_other_and_outlives_a_confirmed_move() {
        mapper.insert(LadderRow.of(
                client.id(),
                Strand.DEEP_CORE,
                null,
                "DC1",
                new Dose(1, 5, 3, null, 1, 5),
                today.minusDays(20),
                LadderMoves.START,
                1,
                0,
                1));
        for (int daysAgo : new int[] {8, 6}) {
            String session = UUID.randomUUID().toString();
            sessions.insert(new SessionRow(session, client.id(), today.minusDays(daysAgo), 1, null));
            mapper.putResult(
                    new ResultRow(session, "DC1", "", client.id(), today.minusDays(daysAgo), Kind.CLEAN, 3, "", "", 1));
        }
        assertThat(change("DC1")).isEqualTo(Change.NOTCH_UP);
        String heavy = UUID.randomUUID().toString();
        sessions.insert(new SessionRow(heavy, client.id(), today.minusDays(1), 1, null));
        mapper.putResult(
                new ResultRow(heavy, "BR1", "", client.id(), today.minusDays(1), Kind.CLEAN, 3, "HEAVY", "", 1));
        assertThat(change("DC1")).as("she did not do it that day").isEqualTo(Change.HOLD);
        assertThat(change("BR1")).isEqualTo(Change.HOLD);
        mapper.insert(LadderRow.of(
                client.id(),
                Strand.BREATH,
                null,
                "BR1",
                new Dose(1, null, null, 6, 1, 5),
                today,
                "NOTCH_UP",
                1,
                ladders.standings(client).stream()
                        .filter(standing -> standing.rung().code().equals("BR1"))
                        .findFirst()
                        .orElseThrow()
                        .step()
                        .id(),
                1));
        assertThat(change("BR1")).as("a step taken since does not hide it").isEqualTo(Change.HOLD);
    }

    private Change change(String rung) {
        return ladders.standings(client).stream()
                .filter(standing -> standing.rung().code().equals(rung))
                .findFirst()
                .orElseThrow()
                .progress()
                .change();
    }
}

package fernstep.app.board;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.progress.LadderMapper;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.Ladders;
import fernstep.app.progress.Standing;
import fernstep.core.approach.Approach;
import fernstep.core.caseload.Attention;
import fernstep.core.progress.Progress;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import fernstep.exchange.wording.Wording;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;

@ExtendWith(AppExtension.class)
@Isolated("counts who is on the board")
class BoardTest {
    private final Running app;
    private final BoardRows rows;
    private final Board board;
    private final Clients clients;
    private final Ladders ladders;
    private final Visits visits;

    BoardTest(Running app, BoardRows rows, Board board, Clients clients, Ladders ladders, Visits visits) {
        this.app = app;
        this.rows = rows;
        this.board = board;
        this.clients = clients;
        this.ladders = ladders;
        this.visits = visits;
    }

    @Test
    void a_row_follows_what_is_written_about_its_client() {
        long id = Someone.plain(app.context(), "Board Row", Approach.SLOW_LADDER, 12);
        assertThat(row(id).waits()).extracting(Board.Tag::kind).containsExactly(Attention.Kind.RECHECK_DUE);
        long visit = visits.openToday(id, 1).id();
        visits.answer(visit, Answer.HEAVINESS, true, 1, "");
        assertThat(row(id).waits()).extracting(Board.Tag::kind).contains(Attention.Kind.ASK_FIRST);
        visits.correct(visit, Answer.HEAVINESS, "she meant her legs", 1);
        assertThat(row(id).waits()).extracting(Board.Tag::kind).containsExactly(Attention.Kind.RECHECK_DUE);
    }

    private Board.Row row(long id) {
        return rows.all().stream().filter(row -> row.id() == id).findFirst().orElseThrow();
    }

    /** A stored value that nobody can read any more: a rung that is in no catalogue. */
    @Test
    void one_client_who_cannot_be_worked_out_says_so_with_a_number_and_the_others_stay() throws SQLException {
        long id = Someone.plain(app.context(), "Board Broken", Approach.SLOW_LADDER, 12);
        int clients = board.rows(null).size();
        app.context()
                .getBean(LadderMapper.class)
                .insert(new LadderRow(
                        null,
                        id,
                        Strand.LEG_FLOAT,
                        "LEFT",
                        "F99",
                        1,
                        10,
                        null,
                        null,
                        1,
                        5,
                        LocalDate.now(),
                        "START",
                        1,
                        0,
                        1));
        try {
            List<Board.Row> all = board.rows(null);
            assertThat(all).hasSize(clients);
            assertThat(all.stream().filter(row -> row.id() == id).findFirst())
                    .hasValueSatisfying(row -> assertThat(row.waits())
                            .singleElement()
                            .satisfies(tag -> assertThat(Wording.english().of(tag.reason()))
                                    .matches("could not be calculated.*[0-9a-f]{8}.*")));
            assertThat(all.stream()
                            .filter(row -> row.id() != id)
                            .flatMap(row -> row.waits().stream())
                            .map(tag -> Wording.english().of(tag.reason())))
                    .noneMatch(text -> text.contains("could not be calculated"));
        } finally {
            try (Connection c = app.context().getBean(DataSource.class).getConnection();
                    PreparedStatement delete = c.prepareStatement("DELETE FROM ladder_step WHERE client_id = ?")) {
                delete.setLong(1, id);
                delete.executeUpdate();
            }
        }
    }

    @Test
    void the_kept_rows_are_those_of_a_board_made_anew() {
        // what somebody has searched for meanwhile is kept beside a row and belongs to no board
        assertThat(rows.all())
                .usingRecursiveFieldByFieldElementComparatorIgnoringFields("searched")
                .containsExactlyInAnyOrderElementsOf(board.rows(null));
    }

    @Test
    void the_quick_look_counts_the_same_moves_as_the_full_one() {
        for (Board.Row row : board.rows(null)) {
            ClientFile client = clients.file(row.id());
            List<Standing> full = ladders.standings(client);
            long up = full.stream()
                    .filter(standing -> standing.held() == null)
                    .map(standing -> standing.progress().change())
                    .filter(change -> change == Progress.Change.NOTCH_UP || change == Progress.Change.NEXT_RUNG)
                    .count();
            boolean ready = row.waits().stream().anyMatch(tag -> tag.kind() == Attention.Kind.READY);
            assertThat(ready).as(row.name()).isEqualTo(up > 0);
        }
    }

    @Test
    void the_most_urgent_stand_first() {
        long asks = Someone.plain(app.context(), "Asks First", Approach.SLOW_LADDER, 12);
        visits.answer(visits.openToday(asks, 1).id(), Answer.HEAVINESS, true, 1, "");
        List<Board.Row> all = rows.all();
        for (int i = 1; i < all.size(); i++) {
            assertThat(all.get(i - 1).urgency()).isLessThanOrEqualTo(all.get(i).urgency());
        }
        assertThat(all.stream().filter(row -> row.id() == asks).findFirst())
                .hasValueSatisfying(row -> assertThat(row.waits().get(0).kind()).isEqualTo(Attention.Kind.ASK_FIRST));
    }
}

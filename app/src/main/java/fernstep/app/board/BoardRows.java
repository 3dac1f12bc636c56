package fernstep.app.board;

import fernstep.app.support.Today;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/**
 * The board kept ready: all rows are worked out once a day, then only those of clients something was written about since,
 * by whichever instance.
 */
@Service
class BoardRows {
    private static final Logger LOG = LoggerFactory.getLogger(BoardRows.class);
    /** A change is marked when it is written and seen when it is committed: look back a little further than the last look. */
    private static final int OVERLAP_S = 10;

    private static final int TOO_MANY_FOR_ONES = 500;

    private final Board board;
    private final BoardMapper mapper;
    private final Today today;
    private final Map<Long, Board.Row> rows = new HashMap<>();
    private List<Board.Row> sorted = List.of();
    private @Nullable LocalDate day;
    private @Nullable LocalDateTime seen;

    BoardRows(Board board, BoardMapper mapper, Today today) {
        this.board = board;
        this.mapper = mapper;
        this.today = today;
    }

    /** In the background, so that the first board of the day does not wait for it. */
    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        Thread warming = new Thread(
                () -> {
                    try {
                        all();
                    } catch (RuntimeException e) {
                        LOG.warn("the board could not be made ready: the first visitor waits for it", e);
                    }
                },
                "board-rows");
        warming.setDaemon(true);
        warming.start();
    }

    /** Most urgent first, then by name. */
    synchronized List<Board.Row> all() {
        BoardMapper.State now = mapper.state();
        if (!today.date().equals(day) || seen == null) {
            everything(now);
            return sorted;
        }
        Set<Long> touched = new HashSet<>(mapper.touchedSince(seen.minusSeconds(OVERLAP_S)));
        boolean gone = now.clients() < rows.size();
        if (touched.size() > TOO_MANY_FOR_ONES || gone) {
            everything(now);
        } else if (!touched.isEmpty()) {
            board.rows(touched).forEach(r -> rows.put(r.id(), r));
            sort();
        }
        seen = now.now();
        return sorted;
    }

    private void everything(BoardMapper.State now) {
        List<Board.Row> fresh = board.rows(null);
        rows.clear();
        fresh.forEach(r -> rows.put(r.id(), r));
        sort();
        day = today.date();
        seen = now.now();
    }

    private void sort() {
        List<Board.Row> all = new ArrayList<>(rows.values());
        all.sort(Comparator.comparingInt(Board.Row::urgency).thenComparing(Board.Row::name));
        sorted = List.copyOf(all);
    }
}

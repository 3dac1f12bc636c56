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
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
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
    private static final int LONGEST_WAIT_MS = 1_000;

    private final Board board;
    private final BoardMapper mapper;
    private final Today today;
    private final Map<Long, Board.Row> rows = new HashMap<>();
    private final ReentrantLock looking = new ReentrantLock();
    private volatile List<Board.Row> sorted = List.of();
    private @Nullable LocalDate day;
    private volatile @Nullable LocalDateTime seen;
    private long lookBegan;

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

    /**
     * Most urgent first, then by name. Who comes while another is looking waits for one more look, shared by all who wait;
     * who would have to wait long gets what is known.
     */
    List<Board.Row> all() {
        long asked = System.nanoTime();
        boolean mine = false;
        try {
            mine = looking.tryLock(LONGEST_WAIT_MS, TimeUnit.MILLISECONDS);
            if (!mine && seen != null) {
                return sorted;
            }
            if (!mine) {
                looking.lock();
                mine = true;
            }
            if (seen != null && lookBegan > asked) {
                return sorted;
            }
            lookBegan = System.nanoTime();
            return look();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return sorted;
        } finally {
            if (mine) {
                looking.unlock();
            }
        }
    }

    private List<Board.Row> look() {
        BoardMapper.State now = mapper.state();
        LocalDateTime last = seen;
        if (!today.date().equals(day) || last == null) {
            everything(now);
            return sorted;
        }
        Set<Long> touched = new HashSet<>(mapper.touchedSince(last.minusSeconds(OVERLAP_S)));
        boolean gone = now.clients() < rows.size();
        if (touched.size() > TOO_MANY_FOR_ONES || gone) {
            everything(now);
        } else if (!touched.isEmpty()) {
            boolean changed = false;
            for (Board.Row row : board.rows(touched)) {
                Board.Row known = rows.get(row.id());
                if (known == null || !row.says(known)) {
                    rows.put(row.id(), row);
                    changed = true;
                }
            }
            if (changed) {
                sort();
            }
        }
        seen = now.now();
        return sorted;
    }

    private void everything(BoardMapper.State now) {
        List<Board.Row> fresh = board.rows(null);
        rows.clear();
        fresh.forEach(row -> rows.put(row.id(), row));
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

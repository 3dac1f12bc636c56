package fernstep.app.board;

import fernstep.app.security.OpenStreams;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells open boards that something has changed, whichever instance it was written on: each looks at the database's own mark
 * of the newest change, and only while somebody has a board open. What changed is not told; the board asks for its rows.
 */
@Controller
class BoardStream {
    private static final Logger LOG = LoggerFactory.getLogger(BoardStream.class);
    private static final long LOOKS_EVERY_MS = 1_500;
    private static final Duration OPEN_FOR = Duration.ofMinutes(10);
    private static final int MOST_BOARDS = 500;

    private final BoardMapper mapper;
    private final OpenStreams streams;
    private final Set<SseEmitter> boards = ConcurrentHashMap.newKeySet();
    private volatile @Nullable LocalDateTime seen;

    BoardStream(BoardMapper mapper, OpenStreams streams) {
        this.streams = streams;
        this.mapper = mapper;
    }

    @GetMapping("/board/changes")
    ResponseEntity<SseEmitter> changes(HttpServletRequest request) {
        if (boards.size() >= MOST_BOARDS) {
            return ResponseEntity.status(503).build();
        }
        SseEmitter board = new SseEmitter(OPEN_FOR.toMillis());
        board.onCompletion(() -> boards.remove(board));
        board.onTimeout(() -> {
            boards.remove(board);
            board.complete();
        });
        board.onError(gone -> boards.remove(board));
        if (seen == null) {
            seen = mapper.newestChange();
        }
        send(board, "open");
        boards.add(board);
        streams.bind(board, request);
        return ResponseEntity.ok()
                .contentType(MediaType.TEXT_EVENT_STREAM)
                .cacheControl(CacheControl.noStore())
                // a proxy hands on each line as it comes
                .header("X-Accel-Buffering", "no")
                .body(board);
    }

    @Scheduled(fixedDelay = LOOKS_EVERY_MS)
    void look() {
        if (boards.isEmpty()) {
            seen = null;
            return;
        }
        try {
            LocalDateTime newest = mapper.newestChange();
            LocalDateTime last = seen;
            seen = newest;
            boolean changed = last != null && newest != null && newest.isAfter(last);
            boards.forEach(emitter -> send(emitter, changed ? "changed" : "still"));
        } catch (RuntimeException e) {
            LOG.warn("the newest change could not be read; looked at again", e);
        }
    }

    /** Open boards would keep a server that stops waiting for them. */
    @EventListener(ContextClosedEvent.class)
    void end() {
        boards.forEach(SseEmitter::complete);
        boards.clear();
    }

    private void send(SseEmitter board, String what) {
        try {
            board.send(SseEmitter.event().name(what).data(""));
        } catch (IOException | IllegalStateException gone) {
            boards.remove(board);
            LOG.debug("a board was closed", gone);
        }
    }
}

package fernstep.app.trace;

import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import fernstep.core.trace.Samples;
import fernstep.core.trace.Trace;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceReport;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Open pages that show strips. A page on the instance the device is connected to sees samples a fifth of a second after they
 * came; on another instance as they are stored, each second.
 */
@Component
class StripPages {
    private static final Logger LOG = LoggerFactory.getLogger(StripPages.class);
    private static final long LOOKS_EVERY_MS = 200;
    private static final int LOOKS_A_SECOND = 5;
    private static final Duration WATCHED_FOR = Duration.ofMinutes(30);
    private static final int MOST_WATCHERS = 300;

    private final LiveStreams streams;
    private final Recordings recordings;
    private final Words words;
    private final Set<Watcher> watchers = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService looks;
    private int look;

    StripPages(LiveStreams streams, Recordings recordings, Words words) {
        this.streams = streams;
        this.recordings = recordings;
        this.words = words;
        this.looks = Executors.newSingleThreadScheduledExecutor(task -> {
            Thread thread = new Thread(task, "traces");
            thread.setDaemon(true);
            return thread;
        });
        var unused = looks.scheduleWithFixedDelay(this::look, LOOKS_EVERY_MS, LOOKS_EVERY_MS, TimeUnit.MILLISECONDS);
    }

    /** A page that is open. */
    private static final class Watcher {
        private final String sessionId;
        private final SseEmitter page;
        private double seenMs = Double.NEGATIVE_INFINITY;

        Watcher(String sessionId, SseEmitter page) {
            this.sessionId = sessionId;
            this.page = page;
        }
    }

    /** Empty where too many watch. */
    Optional<SseEmitter> watch(String sessionId) {
        if (watchers.size() >= MOST_WATCHERS) {
            return Optional.empty();
        }
        Watcher watcher = new Watcher(sessionId, new SseEmitter(WATCHED_FOR.toMillis()));
        watcher.page.onCompletion(() -> watchers.remove(watcher));
        watcher.page.onError(gone -> watchers.remove(watcher));
        watcher.page.onTimeout(() -> {
            watchers.remove(watcher);
            watcher.page.complete();
        });
        watchers.add(watcher);
        return Optional.of(watcher.page);
    }

    private void look() {
        look++;
        streams.store(session -> watchers.stream().anyMatch(each -> each.sessionId.equals(session)));
        for (Watcher watcher : List.copyOf(watchers)) {
            try {
                tell(watcher);
            } catch (IOException | IllegalStateException gone) {
                watchers.remove(watcher);
                // one that is still there opens its lines again
                watcher.page.completeWithError(gone);
                LOG.debug("the lines of a page were closed", gone);
            } catch (RuntimeException e) {
                LOG.warn("strips could not be sent; tried again", e);
            }
        }
    }

    private void tell(Watcher watcher) throws IOException {
        Optional<LiveStream> live = streams.of(watcher.sessionId);
        if (live.isEmpty()) {
            if (look % LOOKS_A_SECOND == 0) {
                send(watcher, elsewhere(watcher));
            }
            return;
        }
        LiveStream stream = live.get();
        Optional<Samples> fresh = stream.after(from(watcher, stream));
        fresh.ifPresent(samples -> watcher.seenMs = samples.timeMs(samples.size() - 1));
        boolean whole = look % LOOKS_A_SECOND == 0;
        if (fresh.isPresent() || whole) {
            List<String> problems = new ArrayList<>();
            streams.noticeOf(watcher.sessionId).ifPresent(problems::add);
            if (whole) {
                stream.problems().stream()
                        .map(Trace.Problem::text)
                        .map(words::of)
                        .forEach(problems::add);
                if (stream.unreadableLines() > 0) {
                    problems.add(words.of(Reason.of("trace.unreadableLines", stream.unreadableLines())));
                }
            }
            send(
                    watcher,
                    StripLines.of(
                            stream.state().name(),
                            fresh,
                            whole ? stream.look() : Optional.empty(),
                            stream.settings(),
                            problems));
        }
    }

    private static double from(Watcher watcher, LiveStream stream) {
        if (Double.isFinite(watcher.seenMs)) {
            return watcher.seenMs;
        }
        return stream.after(Double.NEGATIVE_INFINITY)
                .map(samples -> samples.timeMs(samples.size() - 1) - StripLines.SHOWN_MS)
                .orElse(Double.NEGATIVE_INFINITY);
    }

    private StripLines elsewhere(Watcher watcher) {
        List<String> problems =
                streams.noticeOf(watcher.sessionId).map(List::of).orElse(List.of());
        Optional<RecordingRow> row = recordings.openOf(watcher.sessionId);
        if (row.isEmpty()) {
            return StripLines.of("NONE", Optional.empty(), Optional.empty(), null, problems);
        }
        Optional<Samples> window = recordings.window(row.get().id());
        Optional<TraceReport> report = window.map(samples ->
                TraceAnalysis.of(recordings.settings(row.get().clientId()).over(samples.trace(), List.of())));
        double seen = watcher.seenMs;
        Optional<Samples> fresh = window.filter(samples -> samples.timeMs(samples.size() - 1) > seen)
                .map(samples -> StripLines.later(samples, seen));
        fresh.ifPresent(samples -> watcher.seenMs = samples.timeMs(samples.size() - 1));
        return StripLines.of(
                fresh.isEmpty() ? "SILENT" : "LIVE",
                fresh,
                report,
                recordings.settings(row.get().clientId()),
                problems);
    }

    private static void send(Watcher watcher, StripLines told) throws IOException {
        watcher.page.send(SseEmitter.event().name("trace").data(told, MediaType.APPLICATION_JSON));
    }

    /** Open pages would keep a server that stops waiting for them. */
    @EventListener(ContextClosedEvent.class)
    void end() {
        watchers.forEach(watcher -> watcher.page.complete());
        watchers.clear();
    }

    @PreDestroy
    void stop() {
        looks.shutdown();
        streams.stop();
    }
}

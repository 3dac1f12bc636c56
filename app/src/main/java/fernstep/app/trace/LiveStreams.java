package fernstep.app.trace;

import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace;
import fernstep.core.trace.LiveTrace.Sample;
import fernstep.core.trace.Samples;
import fernstep.core.trace.Trace;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceAnalysis.Mark;
import fernstep.core.trace.TraceReport;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Devices that stream now, and the pages that watch. A page on the instance the device is connected to sees samples a fifth
 * of a second after they came; on another instance as they are stored, each second.
 */
@Service
class LiveStreams {
    private static final Logger LOG = LoggerFactory.getLogger(LiveStreams.class);
    private static final long LOOKS_EVERY_MS = 200;
    private static final int LOOKS_A_SECOND = 5;
    private static final int STORED_AT_ONCE = 50;
    private static final Duration WATCHED_FOR = Duration.ofMinutes(30);
    private static final int MOST_WATCHERS = 300;
    /** What a page that opens late is given. */
    private static final double SHOWN_MS = 30_000;
    /** Of a line: as many points as a strip can show. */
    private static final int SHOWN_POINTS = 1200;

    private final Recordings recordings;
    private final Words words;
    private final Clock clock;
    private final Map<String, LiveStream> streams = new ConcurrentHashMap<>();
    private final Map<String, String> notices = new ConcurrentHashMap<>();
    private final Set<Watcher> watchers = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService looks;
    private int look;

    LiveStreams(Recordings recordings, Words words, Clock clock) {
        this.recordings = recordings;
        this.words = words;
        this.clock = clock;
        this.looks = Executors.newSingleThreadScheduledExecutor(task -> {
            Thread thread = new Thread(task, "traces");
            thread.setDaemon(true);
            return thread;
        });
        var unused = looks.scheduleWithFixedDelay(this::look, LOOKS_EVERY_MS, LOOKS_EVERY_MS, TimeUnit.MILLISECONDS);
    }

    /** A page that shows strips. */
    private static final class Watcher {
        private final String sessionId;
        private final SseEmitter page;
        private double seenMs = Double.NEGATIVE_INFINITY;

        Watcher(String sessionId, SseEmitter page) {
            this.sessionId = sessionId;
            this.page = page;
        }
    }

    /**
     * What a page is told.
     *
     * @param ms times of the points
     * @param lines by channel, null where a point is missing
     * @param outBreaths from and to, in ms; the last may still be going on
     * @param bandLow where the cuff may be at the least, mmHg; null before a device speaks
     * @param bandHigh where it may be at most
     */
    record Told(
            String state,
            List<Double> ms,
            Map<String, List<Double>> lines,
            List<List<Double>> outBreaths,
            @Nullable Double bandLow,
            @Nullable Double bandHigh,
            List<String> problems) {}

    /** A device that may stream into a session. */
    static final class Busy extends Exception {
        private static final long serialVersionUID = 1L;
    }

    /** @throws Busy where another device streams into it: the practitioner is told */
    synchronized LiveStream begin(Pairings.Paired paired, long clientId) throws Busy {
        LiveStream old = streams.get(paired.sessionId());
        if (old != null && old.state() != LiveStream.State.ENDED) {
            notices.put(paired.sessionId(), words.text("trace.twoDevices"));
            throw new Busy();
        }
        notices.remove(paired.sessionId());
        // one that an instance left open when it went
        recordings.openOf(paired.sessionId()).ifPresent(left -> recordings.end(left.id()));
        RecordingRow row = recordings.open(
                UUID.randomUUID().toString(),
                clientId,
                paired.sessionId(),
                paired.staffId(),
                words.text("trace.ofASession"),
                LocalDateTime.now(clock));
        LiveStream stream = new LiveStream(row.id(), paired.sessionId(), recordings.settings(clientId));
        streams.put(paired.sessionId(), stream);
        return stream;
    }

    /** Something the practitioner must know, though the session goes on. */
    void notice(String sessionId, String sentence) {
        notices.put(sessionId, sentence);
    }

    /** Empty where nothing was recorded of it. */
    Optional<TraceReport.Rep> judge(String sessionId, long clientId, Mark mark, String rung) {
        LiveStream stream = streams.get(sessionId);
        if (stream != null) {
            if (stream.state() == LiveStream.State.ENDED) {
                return Optional.empty();
            }
            recordings.mark(stream.recordingId(), mark, rung);
            return stream.judge(mark, recordings.settings(clientId, rung));
        }
        // the device is connected to another instance
        return recordings.openOf(sessionId).flatMap(row -> {
            recordings.mark(row.id(), mark, rung);
            List<Mark> marks = recordings.marks(row.id());
            return recordings
                    .window(row.id())
                    .map(s -> s.trace())
                    .flatMap(t -> TraceAnalysis.of(
                                    recordings.settings(clientId, rung).over(t, marks))
                            .reps()
                            .stream()
                            .filter(r -> r.startMs() == mark.startMs())
                            .findFirst());
        });
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
        for (LiveStream stream : streams.values()) {
            store(stream);
        }
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

    private void store(LiveStream stream) {
        try {
            stream.unstored(STORED_AT_ONCE).ifPresent(batch -> {
                recordings.store(batch.recordingId(), batch.batch(), batch.samples());
                stream.stored(batch);
            });
            if (stream.state() == LiveStream.State.ENDED && stream.unstored(1).isEmpty()) {
                recordings.end(stream.recordingId());
                if (watchers.stream().noneMatch(w -> w.sessionId.equals(stream.sessionId()))) {
                    streams.remove(stream.sessionId(), stream);
                }
            }
        } catch (RuntimeException e) {
            // kept, and stored when the database is back
            LOG.warn("samples could not be stored; tried again", e);
        }
    }

    private void tell(Watcher watcher) throws IOException {
        LiveStream stream = streams.get(watcher.sessionId);
        if (stream == null) {
            if (look % LOOKS_A_SECOND == 0) {
                send(watcher, elsewhere(watcher));
            }
            return;
        }
        Optional<Samples> fresh = stream.after(from(watcher, stream));
        fresh.ifPresent(s -> watcher.seenMs = s.timeMs(s.size() - 1));
        boolean whole = look % LOOKS_A_SECOND == 0;
        if (fresh.isPresent() || whole) {
            List<String> problems = new ArrayList<>();
            Optional.ofNullable(notices.get(watcher.sessionId)).ifPresent(problems::add);
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
                    told(
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
                .map(s -> s.timeMs(s.size() - 1) - SHOWN_MS)
                .orElse(Double.NEGATIVE_INFINITY);
    }

    private Told elsewhere(Watcher watcher) {
        List<String> problems = Optional.ofNullable(notices.get(watcher.sessionId))
                .map(List::of)
                .orElse(List.of());
        Optional<RecordingRow> row = recordings.openOf(watcher.sessionId);
        if (row.isEmpty()) {
            return told("NONE", Optional.empty(), Optional.empty(), null, problems);
        }
        Optional<Samples> window = recordings.window(row.get().id());
        Optional<TraceReport> report = window.map(
                s -> TraceAnalysis.of(recordings.settings(row.get().clientId()).over(s.trace(), List.of())));
        double seen = watcher.seenMs;
        Optional<Samples> fresh =
                window.filter(s -> s.timeMs(s.size() - 1) > seen).map(s -> later(s, seen));
        fresh.ifPresent(s -> watcher.seenMs = s.timeMs(s.size() - 1));
        return told(
                fresh.isEmpty() ? "SILENT" : "LIVE",
                fresh,
                report,
                recordings.settings(row.get().clientId()),
                problems);
    }

    private static Samples later(Samples all, double ms) {
        List<Sample> late = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            if (all.timeMs(i) > Math.max(ms, all.timeMs(all.size() - 1) - SHOWN_MS)) {
                Map<Channel, Double> values = new TreeMap<>();
                for (Channel channel : Channel.values()) {
                    if (!Double.isNaN(all.value(channel, i))) {
                        values.put(channel, all.value(channel, i));
                    }
                }
                late.add(new Sample(all.timeMs(i), values));
            }
        }
        return SampleBody.of(late);
    }

    private static Told told(
            String state,
            Optional<Samples> samples,
            Optional<TraceReport> report,
            LiveTrace.@Nullable Settings settings,
            List<String> problems) {
        List<Double> ms = new ArrayList<>();
        Map<String, List<Double>> lines = new TreeMap<>();
        samples.ifPresent(s -> {
            int step = Math.max(1, s.size() / SHOWN_POINTS);
            for (Channel channel : Channel.values()) {
                if (s.has(channel)) {
                    lines.put(channel.name(), new ArrayList<>());
                }
            }
            // the newest is always one of them: the page counts from it
            for (int i = (s.size() - 1) % step; i < s.size(); i += step) {
                ms.add(s.timeMs(i));
                for (Map.Entry<String, List<Double>> line : lines.entrySet()) {
                    double value = s.value(Channel.valueOf(line.getKey()), i);
                    line.getValue().add(Double.isNaN(value) ? null : Double.valueOf(value));
                }
            }
        });
        return new Told(
                state,
                ms,
                lines,
                report.map(LiveStreams::outBreaths).orElse(List.of()),
                settings == null ? null : settings.bandLowMmHg(),
                settings == null ? null : settings.bandHighMmHg(),
                problems);
    }

    /** Each goes on to the next in-breath. */
    static List<List<Double>> outBreaths(TraceReport report) {
        List<List<Double>> all = new ArrayList<>();
        List<TraceReport.Breath> breaths = report.breaths();
        for (int i = 0; i < breaths.size(); i++) {
            double end = i + 1 < breaths.size() ? breaths.get(i + 1).inMs() : Double.NaN;
            all.add(
                    Double.isNaN(end)
                            ? List.of(breaths.get(i).outMs())
                            : List.of(breaths.get(i).outMs(), end));
        }
        return all;
    }

    private static void send(Watcher watcher, Told told) throws IOException {
        watcher.page.send(SseEmitter.event().name("trace").data(told, MediaType.APPLICATION_JSON));
    }

    /** Open pages would keep a server that stops waiting for them. */
    @EventListener(ContextClosedEvent.class)
    void end() {
        watchers.forEach(w -> w.page.complete());
        watchers.clear();
    }

    @PreDestroy
    void stop() {
        looks.shutdown();
        streams.values().forEach(s -> {
            s.end();
            store(s);
        });
    }
}

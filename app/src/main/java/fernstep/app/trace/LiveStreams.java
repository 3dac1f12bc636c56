package fernstep.app.trace;

import fernstep.app.support.Words;
import fernstep.core.trace.LiveTrace;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceAnalysis.Mark;
import fernstep.core.trace.TraceReport;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Devices that stream now into this instance; what they send is stored each second. */
@Service
class LiveStreams {
    private static final Logger LOG = LoggerFactory.getLogger(LiveStreams.class);
    private static final int STORED_AT_ONCE = 50;
    /** By then what this instance heard last counts as lately no more. */
    private static final int AWAY_BEFORE_ASKED_S = 10;
    /** Numbers left free for what the instance it was lost by has still to store. */
    private static final int LATE_BATCHES = 1000;

    private final Recordings recordings;
    private final Words words;
    private final Clock clock;
    private final Map<String, LiveStream> streams = new ConcurrentHashMap<>();
    private final Map<String, String> notices = new ConcurrentHashMap<>();

    LiveStreams(Recordings recordings, Words words, Clock clock) {
        this.recordings = recordings;
        this.words = words;
        this.clock = clock;
    }

    /**
     * A device let in.
     *
     * @param number which connection of the stream this is: an earlier one says nothing any more
     */
    record Connected(LiveStream stream, int number) {
        static Connected to(LiveStream stream) {
            return new Connected(stream, stream.connect());
        }
    }

    /** Another device streams into it. */
    static final class Busy extends Exception {
        private static final long serialVersionUID = 1L;
    }

    /**
     * Connected before the next device is looked at: of two that come in the same moment one is let in.
     *
     * @throws Busy where another device streams into it: the practitioner is told
     */
    synchronized Connected begin(Pairings.Paired paired, long clientId) throws Busy {
        LiveStream old = streams.get(paired.sessionId());
        Optional<RecordingRow> open = recordings.openOf(paired.sessionId());
        boolean busy = old == null
                ? open.isPresent() && recordings.heardLately(open.get().id())
                : old.state() == LiveStream.State.LIVE || old.state() == LiveStream.State.SILENT;
        if (busy) {
            notices.put(paired.sessionId(), words.text("trace.twoDevices"));
            throw new Busy();
        }
        notices.remove(paired.sessionId());
        // one whose device was lost, or that an instance left open when it went
        open.ifPresent(left -> recordings.end(left.id()));
        RecordingRow row = recordings.open(
                UUID.randomUUID().toString(),
                clientId,
                paired.sessionId(),
                paired.staffId(),
                words.text("trace.ofASession"),
                LocalDateTime.now(clock));
        LiveStream stream = LiveStream.begin(row.id(), paired.sessionId(), recordings.settings(clientId));
        streams.put(paired.sessionId(), stream);
        return Connected.to(stream);
    }

    /** A device whose connection was lost, on this instance or another; empty where there is nothing to go on with. */
    synchronized Optional<Connected> goOn(String token) {
        return recordings.toComeBackTo(token).map(row -> {
            String session = String.valueOf(row.sessionId());
            LiveStream here = streams.get(session);
            if (here == null || here.recordingId() != row.id()) {
                here = LiveStream.goOn(
                        row.id(),
                        session,
                        recordings.settings(row.clientId()),
                        recordings.nextBatch(row.id()) + LATE_BATCHES);
                streams.put(session, here);
            }
            recordings.heard(row.id());
            return Connected.to(here);
        });
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
                    .map(samples -> samples.trace())
                    .flatMap(trace -> LiveTrace.counted(
                            TraceAnalysis.of(recordings.settings(clientId, rung).over(trace, marks)), mark));
        });
    }

    /** The one of a session; empty where none is connected to this instance. */
    Optional<LiveStream> of(String sessionId) {
        return Optional.ofNullable(streams.get(sessionId));
    }

    /** What the practitioner was not told yet of this session. */
    Optional<String> noticeOf(String sessionId) {
        return Optional.ofNullable(notices.get(sessionId));
    }

    /**
     * Stores what came; a stream that is over is kept as long as a page shows it.
     *
     * @param watched by session, whether a page shows its strips
     */
    void store(Predicate<String> watched) {
        streams.values().forEach(stream -> store(stream, watched));
    }

    private void store(LiveStream stream, Predicate<String> watched) {
        try {
            stream.unstored(STORED_AT_ONCE).ifPresent(batch -> {
                recordings.store(batch.recordingId(), batch.batch(), batch.samples());
                recordings.heard(batch.recordingId());
                stream.stored(batch);
            });
            if (stream.state() == LiveStream.State.AWAY) {
                away(stream);
            }
            if (stream.state() == LiveStream.State.ENDED && stream.unstored(1).isEmpty()) {
                recordings.end(stream.recordingId());
                if (!watched.test(stream.sessionId())) {
                    streams.remove(stream.sessionId(), stream);
                }
            }
        } catch (RuntimeException e) {
            // kept, and stored when the database is back
            LOG.warn("samples could not be stored; tried again", e);
        }
    }

    /** It comes back here, is heard by another instance, or is waited for no longer. */
    private void away(LiveStream stream) {
        if (!stream.heardWithinS(60 * Recordings.COMES_BACK_WITHIN_MIN)) {
            stream.end();
        } else if (!stream.heardWithinS(AWAY_BEFORE_ASKED_S) && recordings.heardLately(stream.recordingId())) {
            streams.remove(stream.sessionId(), stream);
        }
    }

    /** The last samples of every stream are stored. */
    void stop() {
        streams.values().forEach(LiveStream::end);
        store(session -> false);
    }
}

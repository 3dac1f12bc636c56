package fernstep.app.trace;

import fernstep.core.trace.LiveTrace;
import fernstep.core.trace.LiveTrace.Sample;
import fernstep.core.trace.Samples;
import fernstep.core.trace.Trace;
import fernstep.core.trace.TraceAnalysis.Mark;
import fernstep.core.trace.TraceReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** One device streaming into one session, on the instance it is connected to. */
final class LiveStream {
    /** Said within two seconds (brief 9.1); the strips look five times a second. */
    private static final long SILENT_AFTER_NS = 1_500_000_000L;

    private final long recordingId;
    private final String sessionId;
    private final LiveTrace.Settings settings;
    private final LiveTrace trace;
    private final List<Sample> unstored = new ArrayList<>();
    private int nextBatch;
    private int unreadable;
    private long heardNs = System.nanoTime();
    private int connection;
    private boolean connected;
    private boolean ended;

    private LiveStream(long recordingId, String sessionId, LiveTrace.Settings settings, LiveTrace trace) {
        this.recordingId = recordingId;
        this.sessionId = sessionId;
        this.settings = settings;
        this.trace = trace;
    }

    static LiveStream begin(long recordingId, String sessionId, LiveTrace.Settings settings) {
        return new LiveStream(recordingId, sessionId, settings, new LiveTrace());
    }

    /** @param nextBatch what was stored of it by another instance goes before */
    static LiveStream goOn(long recordingId, String sessionId, LiveTrace.Settings settings, int nextBatch) {
        LiveStream stream = new LiveStream(recordingId, sessionId, settings, LiveTrace.ofOneUnderWay());
        stream.nextBatch = nextBatch;
        return stream;
    }

    /** Of what is sent to the page. */
    enum State {
        LIVE,
        SILENT,
        /** Its connection was lost; it may come back. */
        AWAY,
        ENDED
    }

    /** Samples that wait to be stored, and under which number. */
    record Unstored(long recordingId, int batch, Samples samples, int count) {}

    long recordingId() {
        return recordingId;
    }

    String sessionId() {
        return sessionId;
    }

    /** @param which as {@link #connect} said: an earlier one is late, its device has come back since */
    synchronized void take(int which, long sequence, List<Sample> samples) {
        if (which != connection) {
            return;
        }
        heardNs = System.nanoTime();
        unstored.addAll(trace.take(sequence, samples).samples());
    }

    /** A line that says nothing; the stream goes on. */
    synchronized void unreadable() {
        heardNs = System.nanoTime();
        unreadable++;
    }

    synchronized int unreadableLines() {
        return unreadable;
    }

    /** @return which connection this is: one that was lost before says nothing any more */
    synchronized int connect() {
        heardNs = System.nanoTime();
        connected = true;
        return ++connection;
    }

    /** @param which as {@link #connect} said */
    synchronized void lost(int which) {
        if (which == connection) {
            connected = false;
        }
    }

    /** @param which as {@link #connect} said */
    synchronized void end(int which) {
        if (which == connection) {
            end();
        }
    }

    synchronized void end() {
        ended = true;
    }

    synchronized boolean heardWithinS(int seconds) {
        return System.nanoTime() - heardNs < seconds * 1_000_000_000L;
    }

    synchronized State state() {
        if (ended) {
            return State.ENDED;
        }
        if (!connected) {
            return State.AWAY;
        }
        return System.nanoTime() - heardNs > SILENT_AFTER_NS ? State.SILENT : State.LIVE;
    }

    /** @param like how the rung in hand is read */
    synchronized Optional<TraceReport.Rep> judge(Mark mark, LiveTrace.Settings like) {
        return trace.judge(mark, like);
    }

    synchronized List<Trace.Problem> problems() {
        return trace.problems();
    }

    LiveTrace.Settings settings() {
        return settings;
    }

    /** What the last two minutes show; empty before anything came. */
    synchronized Optional<TraceReport> look() {
        return trace.window().size() < 2 ? Optional.empty() : Optional.of(trace.look(settings));
    }

    /** What is later than a moment; empty where nothing is. */
    synchronized Optional<Samples> after(double ms) {
        boolean nothing = trace.window().isEmpty() || trace.window().lastMs() <= ms;
        return nothing ? Optional.empty() : Optional.of(trace.window().after(ms));
    }

    synchronized Optional<Unstored> unstored(int atLeast) {
        if (unstored.isEmpty() || (unstored.size() < atLeast && !ended && connected)) {
            return Optional.empty();
        }
        return Optional.of(new Unstored(recordingId, nextBatch, SampleBody.of(unstored), unstored.size()));
    }

    synchronized void stored(Unstored batch) {
        unstored.subList(0, batch.count()).clear();
        nextBatch++;
    }
}

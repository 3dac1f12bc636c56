package fernstep.app.trace;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.Tokens;
import fernstep.core.approach.Stances;
import fernstep.core.findings.SignCode;
import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace;
import fernstep.core.trace.SampleBuffer;
import fernstep.core.trace.Samples;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceAnalysis.Mark;
import fernstep.core.trace.TraceReport;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps recordings and gives them back to the last bit; what they show is the core's. */
@Service
public class Recordings {
    private static final int BATCH_SAMPLES = 3000;
    private static final int LONGEST_TITLE = 120;
    static final int COMES_BACK_WITHIN_MIN = 10;
    /** Samples are stored each second. */
    private static final int LATELY_S = 5;

    private final RecordingMapper mapper;
    private final Clients clients;
    private final Catalogues catalogues;
    private final Audit audit;

    Recordings(RecordingMapper mapper, Clients clients, Catalogues catalogues, Audit audit) {
        this.mapper = mapper;
        this.clients = clients;
        this.catalogues = catalogues;
        this.audit = audit;
    }

    /** A recording, read. */
    record Read(RecordingRow row, Samples samples, TraceReport report, LiveTrace.Settings settings) {
        /** Of its first sample, by the clock of the device. */
        double startMs() {
            return samples.timeMs(0);
        }
    }

    /** How she is read: by how her approach breathes and holds the back. */
    LiveTrace.Settings settings(long clientId) {
        ClientFile client = clients.file(clientId);
        Stances stances = client.stances();
        return new LiveTrace.Settings(
                stances.effortTiming(),
                stances.spine(),
                TraceAnalysis.Question.USUAL_BASELINE_MMHG,
                TraceAnalysis.Question.USUAL_TOLERANCE_MMHG);
    }

    /** The same on a rung: its tempo, and whether it asks to let go; a rung nobody knows changes nothing. */
    LiveTrace.Settings settings(long clientId, String rung) {
        LiveTrace.Settings hers = settings(clientId);
        return catalogues
                .get()
                .find(rung)
                .map(each -> hers.on(
                        Math.max(1, each.tempo().liftS() + each.tempo().returnS()),
                        each.watch().contains(SignCode.NO_LET_GO)))
                .orElse(hers);
    }

    List<RecordingRow> ofClient(long clientId) {
        return mapper.ofClient(clientId);
    }

    RecordingRow row(long clientId, long id) {
        return mapper.byId(clientId, id).orElseThrow(() -> new NotFound("no recording " + id));
    }

    /** Empty where nothing has come of it. */
    Optional<Samples> samples(long id) {
        return after(id, Double.NEGATIVE_INFINITY);
    }

    /** The last two minutes of one that is still coming in, as far as it is stored. */
    Optional<Samples> window(long id) {
        return mapper.lastMs(id).flatMap(last -> after(id, last - LiveTrace.WINDOW_MS));
    }

    private Optional<Samples> after(long id, double ms) {
        SampleBuffer all = new SampleBuffer();
        for (BatchRow batch : mapper.batches(id, Math.max(-1e15, ms))) {
            SampleBody.read(batch.body(), batch.samples(), all);
        }
        return all.isEmpty() ? Optional.empty() : Optional.of(all.whole());
    }

    Optional<Read> read(RecordingRow row) {
        LiveTrace.Settings settings = settings(row.clientId(), rung(row.id()).orElse(""));
        return samples(row.id())
                .map(samples -> new Read(
                        row, samples, TraceAnalysis.of(settings.over(samples.trace(), marks(row.id()))), settings));
    }

    List<Mark> marks(long id) {
        return mapper.reps(id).stream()
                .map(row -> new Mark(row.rep(), row.side(), row.startMs(), row.endMs()))
                .toList();
    }

    /**
     * The file is kept once, however often it is sent.
     *
     * @param rung it was recorded on; empty where the file does not say
     */
    @Transactional
    public RecordingRow keep(
            String formId,
            long clientId,
            long staffId,
            String title,
            LocalDateTime start,
            Samples all,
            List<Mark> marks,
            String rung) {
        RecordingRow row = open(formId, clientId, null, staffId, title, start);
        if (row.endedAt() != null) {
            return row;
        }
        for (int from = 0; from < all.size(); from += BATCH_SAMPLES) {
            int to = Math.min(all.size(), from + BATCH_SAMPLES);
            store(row.id(), from / BATCH_SAMPLES, part(all, from, to));
        }
        marks.forEach(mark ->
                mapper.insertRep(new RepRow(row.id(), mark.startMs(), mark.endMs(), mark.rep(), mark.side(), rung)));
        mapper.end(row.id());
        audit.record(staffId, clientId, "TRACE_KEPT", title);
        return row;
    }

    RecordingRow open(
            String formId, long clientId, @Nullable String sessionId, long staffId, String title, LocalDateTime start) {
        String shown = title.length() > LONGEST_TITLE ? title.substring(0, LONGEST_TITLE) : title;
        mapper.insert(formId, clientId, sessionId, staffId, shown, start);
        return mapper.byForm(formId)
                .filter(row -> row.clientId() == clientId)
                .orElseThrow(() -> new NotFound("that form belongs to another client"));
    }

    private static Samples part(Samples all, int from, int to) {
        Map<Channel, double[]> values = new EnumMap<>(Channel.class);
        Arrays.stream(Channel.values())
                .filter(all::has)
                .forEach(channel -> values.put(channel, Arrays.copyOfRange(all.line(channel), from, to)));
        return new Samples(Arrays.copyOfRange(all.times(), from, to), values);
    }

    void store(long id, int batch, Samples samples) {
        mapper.insertBatch(new BatchRow(
                id,
                batch,
                samples.timeMs(0),
                samples.timeMs(samples.size() - 1),
                samples.size(),
                SampleBody.written(samples)));
    }

    /** What a device keeps to find its recording again after its connection was lost; of it a digest is stored. */
    String mayComeBack(long id) {
        String token = Tokens.fresh();
        mapper.mayComeBack(id, Tokens.digest(token));
        return token;
    }

    /** Empty where it is over, was not heard for {@value #COMES_BACK_WITHIN_MIN} minutes, or never was. */
    Optional<RecordingRow> toComeBackTo(String token) {
        return mapper.toComeBackTo(Tokens.digest(token), COMES_BACK_WITHIN_MIN);
    }

    /** A device is there, whichever instance it speaks to. */
    void heard(long id) {
        mapper.heard(id);
    }

    boolean heardLately(long id) {
        return mapper.heardWithin(id, LATELY_S);
    }

    int nextBatch(long id) {
        return mapper.nextBatch(id);
    }

    void end(long id) {
        mapper.end(id);
    }

    void mark(long id, Mark mark, String rung) {
        mapper.insertRep(new RepRow(id, mark.startMs(), mark.endMs(), mark.rep(), mark.side(), rung));
    }

    /** The rung it was recorded on, where a session or somebody says. */
    Optional<String> rung(long id) {
        return Stream.concat(mapper.reps(id).stream().map(RepRow::rung), mapper.rungSaid(id).stream())
                .filter(text -> !text.isEmpty())
                .findFirst();
    }

    /**
     * What she did in a recording that a file brought: it is read by that rung's tempo from then on.
     *
     * @param rung of the catalogue; empty where nobody knows any more
     * @throws NotFound for a rung nobody has
     */
    @Transactional
    public void sayRung(long clientId, long id, String rung, long staffId) {
        if (!rung.isEmpty() && catalogues.get().find(rung).isEmpty()) {
            throw new NotFound("no rung " + rung);
        }
        if (mapper.sayRung(clientId, id, rung) == 1) {
            audit.record(staffId, clientId, "TRACE_RUNG", "recording " + id + (rung.isEmpty() ? "" : ": " + rung));
        }
    }

    Optional<RecordingRow> openOf(String sessionId) {
        return mapper.openOf(sessionId);
    }

    @Transactional
    public void remove(long clientId, long id, long staffId) {
        if (mapper.remove(clientId, id) == 1) {
            audit.record(staffId, clientId, "TRACE_REMOVED", "recording " + id);
        }
    }
}

package fernstep.app.trace;

import fernstep.app.support.PartOfRecord;
import fernstep.core.trace.TraceReport;
import fernstep.exchange.edf.EdfFile;
import fernstep.exchange.edf.EdfWriter;
import fernstep.exchange.table.TraceCsv;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Recordings in the open formats. */
@Component
class TracesOut implements PartOfRecord {
    private final Recordings recordings;

    TracesOut(Recordings recordings) {
        this.recordings = recordings;
    }

    /** @param lines one value a line; else one moment a line */
    byte[] csv(RecordingRow row, boolean lines) {
        return recordings
                .samples(row.id())
                .map(samples -> lines ? TraceCsv.lines(samples) : TraceCsv.wide(samples))
                .orElse("t_ms,cuff_mmhg,ribs,belly\n")
                .getBytes(StandardCharsets.UTF_8);
    }

    /** With its repetitions and the signs that are sure as annotations; empty where nothing was recorded. */
    Optional<byte[]> edf(RecordingRow row) {
        return recordings.read(row).map(read -> {
            List<EdfFile.Annotation> annotations = new ArrayList<>();
            for (TraceReport.Rep rep : read.report().reps()) {
                double from = (rep.startMs() - read.startMs()) / 1000;
                String side = rep.side() == null ? "" : " " + rep.side();
                annotations.add(
                        new EdfFile.Annotation(from, (rep.endMs() - rep.startMs()) / 1000, "Rep " + rep.rep() + side));
                rep.verdict().stream()
                        .filter(verdict -> verdict.confidence() >= TraceReport.SURE)
                        .forEach(verdict -> annotations.add(new EdfFile.Annotation(
                                from,
                                0,
                                "Sign " + verdict.sign() + String.format(Locale.ROOT, " %.2f", verdict.confidence()))));
            }
            return EdfWriter.write(row.startedAt(), read.samples(), annotations);
        });
    }

    @Override
    public void write(long clientId, Asking who, Folder folder) throws IOException {
        for (RecordingRow row : recordings.ofClient(clientId)) {
            folder.add("traces/trace-" + row.id() + ".csv", csv(row, false));
            Optional<byte[]> edf = edf(row);
            if (edf.isPresent()) {
                folder.add("traces/trace-" + row.id() + ".edf", edf.get());
            }
        }
    }
}

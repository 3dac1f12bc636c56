package fernstep.app.trace;

import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.trace.Samples;
import fernstep.core.trace.TraceAnalysis.Mark;
import fernstep.exchange.edf.EdfFile;
import fernstep.exchange.edf.EdfReader;
import fernstep.exchange.table.TraceCsv;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A trace from a file: EDF or EDF+ by its first bytes, otherwise CSV.
 *
 * @param start null where the file does not say
 * @param marks repetitions that are annotated
 */
record TraceFile(Samples samples, @Nullable LocalDateTime start, List<Mark> marks) {
    private static final Pattern REP = Pattern.compile("Rep (\\d{1,4})(?: (LEFT|RIGHT))?", Pattern.CASE_INSENSITIVE);
    private static final byte[] EDF = "0       ".getBytes(StandardCharsets.US_ASCII);

    /** A file that cannot be read. */
    static final class Refused extends Exception {
        private static final long serialVersionUID = 1L;
        private final transient Reason why;

        Refused(Reason why) {
            super(why.key());
            this.why = why;
        }

        Reason why() {
            return why;
        }
    }

    /** @param keepReadable of a truncated EDF file takes what is whole */
    static TraceFile read(byte[] bytes, boolean keepReadable) throws Refused {
        if (bytes.length == 0) {
            throw new Refused(Reason.of("trace.file.empty"));
        }
        try {
            return isEdf(bytes) ? edf(bytes, keepReadable) : csv(bytes);
        } catch (EdfFile.Damaged e) {
            throw new Refused(Reason.of("trace.file.damaged", e.at(), e.what()));
        } catch (TraceCsv.Unreadable e) {
            throw new Refused(Reason.of("trace.file.unreadable", String.valueOf(e.getMessage())));
        } catch (IllegalArgumentException e) {
            throw new Refused(Reason.of("trace.file.unreadable", String.valueOf(e.getMessage())));
        }
    }

    private static boolean isEdf(byte[] bytes) {
        return bytes.length >= EDF.length
                && ByteBuffer.wrap(bytes, 0, EDF.length).equals(ByteBuffer.wrap(EDF));
    }

    private static TraceFile csv(byte[] bytes) throws TraceCsv.Unreadable, Refused {
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException e) {
            throw new Refused(Reason.of("trace.file.encoding"));
        }
        Samples samples = TraceCsv.read(text.startsWith("\uFEFF") ? text.substring(1) : text);
        samples.trace();
        return new TraceFile(samples, null, List.of());
    }

    private static TraceFile edf(byte[] bytes, boolean keepReadable) throws EdfFile.Damaged {
        EdfFile file = EdfReader.read(bytes, keepReadable);
        List<Mark> marks = new ArrayList<>();
        for (EdfFile.Annotation a : file.annotations()) {
            Matcher rep = REP.matcher(a.text());
            if (rep.matches() && a.durationS() > 0) {
                Side side =
                        rep.group(2) == null ? null : Side.valueOf(rep.group(2).toUpperCase(Locale.ROOT));
                marks.add(new Mark(
                        Integer.parseInt(rep.group(1)), side, 1000 * a.onsetS(), 1000 * (a.onsetS() + a.durationS())));
            }
        }
        file.samples().trace();
        return new TraceFile(file.samples(), file.start(), marks);
    }
}

package fernstep.exchange.edf;

import fernstep.core.trace.Samples;
import java.time.LocalDateTime;
import java.util.List;

/**
 * A recording as an EDF+ file holds it (Kemp and Olivan, Clinical Neurophysiology 114, 2003, 1755–1761).
 *
 * @param start to the second
 * @param samples NaN where a gap is annotated
 */
public record EdfFile(LocalDateTime start, Samples samples, List<Annotation> annotations) {
    public EdfFile {
        annotations = List.copyOf(annotations);
    }

    /**
     * @param onsetS seconds from the start
     * @param durationS seconds, from 0
     */
    public record Annotation(double onsetS, double durationS, String text) {}

    /** A stretch of which nothing was received is annotated with this, since the format has no missing sample. */
    static final String GAP = "Gap";
    /** The one line that annotations are in. */
    static final String ANNOTATIONS = "EDF Annotations";

    static final int HEADER_BYTES = 256;
    static final int SIGNAL_BYTES = 256;

    /** A file that is none, or not whole. */
    public static final class Damaged extends Exception {
        private static final long serialVersionUID = 1L;
        private final long at;
        private final String what;

        Damaged(long at, String what) {
            super("byte " + at + ": " + what);
            this.at = at;
            this.what = what;
        }

        /** Offset in bytes, from 0, at which it stops being readable. */
        public long at() {
            return at;
        }

        public String what() {
            return what;
        }
    }
}

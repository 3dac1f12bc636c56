package fernstep.app.trace;

import fernstep.core.measure.Side;
import org.jspecify.annotations.Nullable;

/** A repetition by the times of the device. */
record RepRow(
        long recordingId,
        double startMs,
        double endMs,
        int rep,
        @Nullable Side side,
        String rung) {}

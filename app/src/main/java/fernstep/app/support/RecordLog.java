package fernstep.app.support;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What stood in the record before: no reading, finding, answer or fact is ever lost by being changed. */
@Service
public class RecordLog {
    private static final int LONGEST_VALUE = 600;
    private static final int LONGEST_REASON = 300;

    private final RecordLogMapper mapper;

    RecordLog(RecordLogMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * One change.
     *
     * @param part what was changed: a kind and a name with a colon between, "finding:COUGH"
     * @param beforeValue null where there was nothing
     * @param afterValue null where it was taken away
     */
    public record Change(
            long clientId,
            @Nullable Long visitId,
            String part,
            @Nullable String beforeValue,
            @Nullable String afterValue,
            String reason,
            long staffId) {}

    /** A change as it is shown: with its day and hour and who made it. */
    public record Entry(
            LocalDateTime at,
            @Nullable String staffName,
            @Nullable Long visitId,
            String part,
            @Nullable String beforeValue,
            @Nullable String afterValue,
            String reason) {
        /** "finding" of "finding:COUGH:LEFT". */
        public String kind() {
            return part.split(":")[0];
        }

        /** "COUGH", "LEFT" of "finding:COUGH:LEFT". */
        public List<String> names() {
            return List.of(part.split(":")).subList(1, part.split(":").length);
        }
    }

    /** Nothing is written where nothing changed. */
    public void changed(Change change) {
        if (!Objects.equals(change.beforeValue(), change.afterValue())) {
            mapper.insert(new Change(
                    change.clientId(),
                    change.visitId(),
                    change.part(),
                    cut(change.beforeValue(), LONGEST_VALUE),
                    cut(change.afterValue(), LONGEST_VALUE),
                    Objects.requireNonNull(cut(change.reason(), LONGEST_REASON)),
                    change.staffId()));
        }
    }

    /** Newest first. */
    public List<Entry> of(long clientId) {
        return mapper.ofClient(clientId);
    }

    /** Who wrote a part of a visit last, and when; null where it was written before changes were kept. */
    public @Nullable Entry last(long visitId, String part) {
        return mapper.last(visitId, part);
    }

    private static @Nullable String cut(@Nullable String text, int longest) {
        return text == null || text.length() <= longest ? text : text.substring(0, longest);
    }
}

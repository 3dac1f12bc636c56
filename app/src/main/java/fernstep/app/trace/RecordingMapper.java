package fernstep.app.trace;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
interface RecordingMapper {
    /** Codes of a session that were not used no longer open it. */
    void removePairings(@Param("sessionId") String sessionId);

    void insertPairing(
            @Param("codeHash") String codeHash,
            @Param("sessionId") String sessionId,
            @Param("staffId") long staffId,
            @Param("minutes") int minutes);

    Optional<String> pairedSession(@Param("codeHash") String codeHash);

    /** Who made the code. */
    Optional<Long> pairedBy(@Param("codeHash") String codeHash);

    /** 1 for whoever was first. */
    int usePairing(@Param("codeHash") String codeHash);

    /** 0 where the same form came before. */
    int insert(
            @Param("formId") String formId,
            @Param("clientId") long clientId,
            @Param("sessionId") @Nullable String sessionId,
            @Param("staffId") long staffId,
            @Param("title") String title,
            @Param("startedAt") LocalDateTime startedAt);

    Optional<RecordingRow> byForm(@Param("formId") String formId);

    Optional<RecordingRow> byId(@Param("clientId") long clientId, @Param("id") long id);

    /** Newest first. */
    List<RecordingRow> ofClient(@Param("clientId") long clientId);

    /** One that a device is streaming into. */
    Optional<RecordingRow> openOf(@Param("sessionId") String sessionId);

    void end(@Param("id") long id);

    /** The device may find it again by the token of this digest. */
    void mayComeBack(@Param("id") long id, @Param("againHash") String againHash);

    /** One that is open and was heard within so many minutes. */
    Optional<RecordingRow> toComeBackTo(@Param("againHash") String againHash, @Param("minutes") int minutes);

    void heard(@Param("id") long id);

    /** Whether it was heard within so many seconds. */
    boolean heardWithin(@Param("id") long id, @Param("seconds") int seconds);

    /** 0 where nothing is stored yet. */
    int nextBatch(@Param("id") long id);

    /** The rung that somebody said it is of; empty where nobody did. */
    Optional<String> rungSaid(@Param("id") long id);

    /** 0 for one of a session, which says itself, or of another client. */
    int sayRung(@Param("clientId") long clientId, @Param("id") long id, @Param("rung") String rung);

    int remove(@Param("clientId") long clientId, @Param("id") long id);

    void insertBatch(BatchRow batch);

    /** In order, those that end after a moment. */
    List<BatchRow> batches(@Param("id") long id, @Param("afterMs") double afterMs);

    Optional<Double> lastMs(@Param("id") long id);

    void insertRep(RepRow rep);

    List<RepRow> reps(@Param("id") long id);
}

package fernstep.app.transfer;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface TransferMapper {
    List<SessionOf> sessionsOf(@Param("clients") Collection<Long> clients);

    /** The same file sent twice is looked at once. */
    void look(
            @Param("formId") String formId,
            @Param("staffId") long staffId,
            @Param("fileName") String fileName,
            @Param("body") String body);

    Optional<ImportRow> byForm(@Param("formId") String formId);

    /** Locked until the end of the transaction. */
    Optional<ImportRow> locked(@Param("formId") String formId);

    void taken(@Param("formId") String formId, @Param("clientId") long clientId);

    /** Taken within a day, not undone, and nothing was written about her since. */
    List<ImportRow> undoable();

    void undone(@Param("formId") String formId);

    /** What was only looked at is forgotten after a day. */
    void forget();

    /** Bodies of what was taken. */
    void forgetTaken();

    /** What was only looked at and names her. */
    void forgetLookedAt(@Param("name") String name);

    /** What became her, but that it did. */
    void forgetHer(@Param("clientId") long clientId);
}

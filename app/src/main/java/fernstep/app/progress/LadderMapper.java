package fernstep.app.progress;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
public interface LadderMapper {
    /** The newest step of every strand and side. */
    List<LadderRow> current(@Param("clientId") long clientId);

    /** Of many clients. */
    List<LadderRow> currentOf(@Param("clients") Collection<Long> clients);

    Optional<LadderRow> byId(@Param("id") long id);

    /** The same step sent twice is kept once. */
    void insert(LadderRow step);

    /** Every step she ever stood on, oldest first. */
    List<LadderRow> path(@Param("clientId") long clientId);

    List<HoldRow> holds(@Param("clientId") long clientId);

    void putHold(HoldRow hold);

    void removeHold(@Param("stepId") long stepId);

    /** Oldest first, from a day on. */
    List<ResultRow> resultsSince(@Param("clientId") long clientId, @Param("since") LocalDate since);

    List<ResultRow> resultsOf(@Param("sessionId") String sessionId);

    List<ResultRow> resultsOfClients(@Param("clients") Collection<Long> clients);

    void putResult(ResultRow result);

    /** New ones, many at once. */
    void putResults(@Param("results") List<ResultRow> results);

    void removeResults(@Param("sessionId") String sessionId);

    /** Oldest first, from a day on. */
    List<CleanSettingRow> cleanSettings(@Param("clientId") long clientId, @Param("since") LocalDate since);

    /** All that is on record of many. */
    List<CleanSettingRow> cleanSettingsOf(@Param("clients") Collection<Long> clients);

    void putCleanSetting(CleanSettingRow row);

    void putCleanPart(@Param("row") CleanSettingRow row, @Param("part") String part);

    void removeCleanSettings(@Param("sessionId") String sessionId);
}

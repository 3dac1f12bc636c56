package fernstep.app.check;

import fernstep.app.ask.Visits;
import fernstep.core.findings.CheckSection;
import fernstep.core.findings.Finding;
import fernstep.core.separation.Condition;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
public interface CheckMapper extends Visits.LastChecks {
    List<ReadingRow> readings(@Param("visitId") long visitId);

    List<FindingRow> findings(@Param("visitId") long visitId);

    void putReading(ReadingRow reading);

    List<ReadingRow> readingsOf(@Param("clients") Collection<Long> clients);

    List<FindingRow> findingsOf(@Param("clients") Collection<Long> clients);

    void removeReadings(@Param("readings") List<ReadingRow> readings);

    void putReadings(@Param("readings") List<ReadingRow> readings);

    void removeReading(
            @Param("visitId") long visitId, @Param("siteCm") double siteCm, @Param("condition") Condition condition);

    void putFinding(FindingRow finding);

    void removeFinding(@Param("visitId") long visitId, @Param("name") Finding name, @Param("side") String side);

    List<SkipRow> skips(@Param("visitId") long visitId);

    void putSkip(SkipRow skip);

    void removeSkip(@Param("visitId") long visitId, @Param("section") CheckSection section);

    /** The last visit with readings before this day. */
    Optional<Long> visitWithReadingsBefore(@Param("clientId") long clientId, @Param("before") LocalDate before);

    /** The visit with readings before that one. */
    Optional<Long> visitBefore(@Param("clientId") long clientId, @Param("visitId") long visitId);

    /** The newest value of each finding up to this day. */
    List<FindingRow> latestFindings(@Param("clientId") long clientId, @Param("upTo") LocalDate upTo);

    /** The day of the newest of them. */
    Optional<LocalDate> lastFindings(@Param("clientId") long clientId, @Param("upTo") LocalDate upTo);

    @Override
    Optional<LocalDate> lastSeparationCheck(@Param("clientId") long clientId);
}

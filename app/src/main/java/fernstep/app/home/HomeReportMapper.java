package fernstep.app.home;

import fernstep.core.findings.SignCode;
import fernstep.core.progress.HomeReport;
import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
interface HomeReportMapper {
    /** A report without its signs. */
    record Stored(
            String id,
            long clientId,
            String sessionId,
            String rung,
            String side,
            HomeReport.Told told,
            @Nullable Integer effort,
            @Nullable Integer painLevel,
            double rangeFraction,
            LocalDateTime reportedAt,
            @Nullable Long heardBy) {}

    /** A sign of a report. */
    record Sign(String reportId, SignCode code) {}

    void insert(Stored report);

    void insertSign(@Param("id") String id, @Param("code") SignCode code);

    /** Of a day's session, in the order in which they were said; what was withdrawn is left out. */
    List<Stored> of(@Param("sessionId") String sessionId);

    List<Sign> signs(@Param("sessionId") String sessionId);

    /** Only what a practitioner put down: what she told herself stays. */
    int withdraw(
            @Param("sessionId") String sessionId,
            @Param("rung") String rung,
            @Param("side") String side,
            @Param("staffId") long staffId);
}

package fernstep.app.board;

import fernstep.app.progress.HoldRow;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Finding;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** What the board stands on, for many clients at once; no ids means all. */
@Mapper
interface BoardMapper {
    /** @param now the database's clock, by which changes are marked */
    record State(long clients, LocalDateTime now) {}

    State state();

    /** When anything of any client last changed; null in an empty house. */
    @Nullable
    LocalDateTime newestChange();

    List<Long> touchedSince(@Param("since") LocalDateTime since);

    List<LastVisit> lastVisits(@Param("ids") @Nullable Collection<Long> ids);

    /** A day agreed with her. */
    record NextVisit(long clientId, LocalDate day) {}

    List<NextVisit> nextVisits(@Param("from") LocalDate from, @Param("ids") @Nullable Collection<Long> ids);

    List<Long> overriddenOn(@Param("day") LocalDate day, @Param("ids") @Nullable Collection<Long> ids);

    /** A restriction a therapist has lifted. */
    record LiftedRow(long clientId, Restriction code) {}

    List<LiftedRow> lifted(@Param("ids") @Nullable Collection<Long> ids);

    List<LadderRow> steps(@Param("ids") @Nullable Collection<Long> ids);

    List<HoldRow> holds(@Param("ids") @Nullable Collection<Long> ids);

    List<ResultRow> results(@Param("since") LocalDate since, @Param("ids") @Nullable Collection<Long> ids);

    /** The newest value of a finding. */
    record LatestFinding(long clientId, Finding name, String side, String findingValue) {}

    List<LatestFinding> findings(@Param("ids") @Nullable Collection<Long> ids);

    /** The newest day on which she began or went up anywhere. */
    record LastRise(long clientId, LocalDate day) {}

    List<LastRise> lastRises(@Param("ids") @Nullable Collection<Long> ids);
}

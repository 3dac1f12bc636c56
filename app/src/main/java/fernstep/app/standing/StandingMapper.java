package fernstep.app.standing;

import fernstep.core.client.Licence;
import fernstep.core.standing.Lift;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.List;
import java.util.stream.Stream;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
interface StandingMapper {
    /** How often this was reported in its session. */
    int inSession(ReportRow row);

    /** The same said at the same moment by the same way is there once. */
    void insertReport(ReportRow report);

    void insertLift(LiftRow lift);

    /** A report with one lift about it; a report with more is there more often, one with none has none. */
    record Row(
            ReportRow report,
            Lift.@Nullable Kind liftKind,
            Lift.@Nullable May liftMay,
            @Nullable Licence liftLicence,
            @Nullable Long liftStaffId,
            @Nullable String liftStaffName,
            @Nullable LocalDateTime liftedAt,
            @Nullable String liftFound) {

        Stream<Lift> lift() {
            return liftKind == null || liftMay == null || liftLicence == null || liftedAt == null
                    ? Stream.empty()
                    : Stream.of(new Lift(
                            report.id(),
                            liftKind,
                            liftMay,
                            liftLicence,
                            liftedAt,
                            liftStaffName == null ? "" : liftStaffName,
                            liftFound == null ? "" : liftFound));
        }
    }

    /** Of one client, in the order in which they came: one statement. */
    List<Row> ofClient(@Param("clientId") long clientId);

    /** Of many; null for everybody. */
    List<Row> ofClients(@Param("clients") @Nullable Collection<Long> clients);
}

package fernstep.app.ask;

import fernstep.core.screening.Answer;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
public interface VisitMapper {
    Optional<VisitRow> byId(@Param("id") long id);

    Optional<VisitRow> onDay(@Param("clientId") long clientId, @Param("heldOn") LocalDate heldOn);

    /** Newest first. */
    List<VisitRow> ofClient(@Param("clientId") long clientId);

    List<VisitRow> ofClients(@Param("clients") Collection<Long> clients);

    /** A visit of a past day that is not there yet. */
    record Past(long clientId, LocalDate heldOn, long staffId) {}

    /** Those that are there stay as they are. */
    void insertAll(@Param("visits") List<Past> visits);

    /** Goes only where nothing was kept in it. */
    int removeEmpty(@Param("ids") List<Long> ids);

    /** Of all clients on this day. */
    List<VisitRow> allOnDay(@Param("heldOn") LocalDate heldOn);

    void insert(@Param("clientId") long clientId, @Param("heldOn") LocalDate heldOn, @Param("staffId") long staffId);

    /** Only where nobody is on it yet. */
    void foundTeam(@Param("clientId") long clientId, @Param("staffId") long staffId);

    Set<Answer> answers(@Param("visitId") long visitId);

    /** An answer given in a visit. */
    record AnswerOf(long visitId, Answer code) {}

    List<AnswerOf> answersOf(@Param("clients") Collection<Long> clients);

    void addAnswer(@Param("visitId") long visitId, @Param("code") Answer code);

    void removeAnswer(@Param("visitId") long visitId, @Param("code") Answer code);

    void markAsked(@Param("visitId") long visitId, @Param("at") LocalDateTime at);

    void overrideAskFirst(
            @Param("visitId") long visitId, @Param("reason") String reason, @Param("staffId") long staffId);
}

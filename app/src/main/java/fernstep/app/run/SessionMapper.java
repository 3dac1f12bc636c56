package fernstep.app.run;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
public interface SessionMapper {
    Optional<SessionRow> byId(@Param("id") String id);

    /** Those in which something was told, newest first: sessions at home have no events. */
    List<SessionRow> besideTheMat(@Param("clientId") long clientId, @Param("atMost") int atMost);

    void insert(SessionRow session);

    void insertItem(ItemRow item);

    void insertItemPart(@Param("item") ItemRow item, @Param("part") String part);

    List<ItemRow> items(@Param("sessionId") String sessionId);

    /** In the order in which they were written. */
    List<StoredEvent> eventsFrom(@Param("sessionId") String sessionId, @Param("from") int from);

    /** 1 for a new event; 0 where its id is taken. */
    int insertEvent(StoredEvent event);

    Optional<StoredEvent> event(@Param("id") String id);

    /** A session, how many events it has and the id of the last. */
    record Counted(
            String id,
            long clientId,
            LocalDate heldOn,
            long staffId,
            @Nullable LocalDateTime finishedAt,
            int events,
            @Nullable String lastEvent) {}

    Optional<Counted> counted(@Param("id") String id);

    void reopen(@Param("id") String id);

    /** Over already, and without events of their own. */
    void insertPast(@Param("sessions") List<SessionRow> sessions, @Param("atHome") boolean atHome);

    /** Of the past, and without events: with their results. */
    void removePast(@Param("ids") List<String> ids);

    void finish(@Param("id") String id);

    /** Begun beside the mat before that day and never ended. */
    List<SessionRow> leftOpen(@Param("today") LocalDate today);

    /** As the client told it. */
    void markAtHome(@Param("id") String id);

    /** Her last ten earlier sessions, oldest first. */
    List<SessionRow> earlier(@Param("clientId") long clientId, @Param("notSession") String notSession);

    /** Of several sessions, in the order in which they were written. */
    List<StoredEvent> eventsOf(@Param("sessionIds") List<String> sessionIds);
}

package fernstep.app.run;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
public interface SessionMapper {
    Optional<SessionRow> byId(@Param("id") String id);

    List<SessionRow> ofClient(@Param("clientId") long clientId);

    void insert(SessionRow session);

    void insertItem(ItemRow item);

    List<ItemRow> items(@Param("sessionId") String sessionId);

    /** In the order in which they were written. */
    List<EventRow> events(@Param("sessionId") String sessionId);

    void insertEvent(EventRow event);

    void finish(@Param("id") String id);

    /** As the client told it. */
    void markAtHome(@Param("id") String id);

    /** Signs, overrides and undos of her last ten earlier sessions, oldest first. */
    List<PastSign> pastSigns(@Param("clientId") long clientId, @Param("notSession") String notSession);
}

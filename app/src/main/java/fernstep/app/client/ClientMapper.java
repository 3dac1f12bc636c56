package fernstep.app.client;

import fernstep.core.client.Restriction;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
public interface ClientMapper {
    Optional<ClientRow> byId(@Param("id") long id);

    Optional<ClientRow> byFormId(@Param("formId") String formId);

    List<ClientRow> all();

    List<EventRow> events(@Param("clientId") long clientId);

    List<ClearanceRow> clearances(@Param("clientId") long clientId);

    List<EventRow> allEvents();

    List<ClearanceRow> allClearances();

    /** A form sent twice changes nothing the second time. */
    void insert(ClientRow client);

    void update(ClientRow client);

    void putEvent(EventRow event);

    List<LiftRow> lifts(@Param("clientId") long clientId);

    /** Lifting twice keeps the first reason. */
    void putLift(LiftRow lift);

    void removeLift(@Param("clientId") long clientId, @Param("code") Restriction code);

    void putClearance(ClearanceRow clearance);
}

package fernstep.app.client;

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

    void putClearance(ClearanceRow clearance);
}

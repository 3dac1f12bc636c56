package fernstep.app.record;

import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** Rows as they are stored, for taking a client's whole record out. */
@Mapper
interface EverythingMapper {
    /** Tables of the house that have this column. */
    List<String> tablesWith(@Param("column") String column);

    /** @param table one of {@link #tablesWith}, never what somebody typed */
    List<Map<String, Object>> ofClient(@Param("table") String table, @Param("clientId") long clientId);

    List<Map<String, Object>> ofVisits(@Param("table") String table, @Param("clientId") long clientId);

    List<Map<String, Object>> ofRecordings(@Param("table") String table, @Param("clientId") long clientId);

    List<Map<String, Object>> ofSessions(@Param("table") String table, @Param("clientId") long clientId);

    Map<String, Object> client(@Param("clientId") long clientId);
}

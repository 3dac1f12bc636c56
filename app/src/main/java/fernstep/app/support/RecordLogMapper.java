package fernstep.app.support;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
interface RecordLogMapper {
    void insert(RecordLog.Change change);

    List<RecordLog.Entry> ofClient(@Param("clientId") long clientId);

    RecordLog.@Nullable Entry last(@Param("visitId") long visitId, @Param("part") String part);
}

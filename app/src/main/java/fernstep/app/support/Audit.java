package fernstep.app.support;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Every override, with its author and reason. */
@Mapper
public interface Audit {
    void record(
            @Param("staffId") long staffId,
            @Param("clientId") @Nullable Long clientId,
            @Param("what") String what,
            @Param("detail") String detail);

    int count(@Param("clientId") long clientId, @Param("what") String what);
}

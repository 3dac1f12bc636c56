package fernstep.app.figure;

import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface LookMapper {
    /** Empty for somebody who is not there. */
    Optional<Look> of(@Param("clientId") long clientId);

    void put(@Param("clientId") long clientId, @Param("look") Look look);
}

package fernstep.app.calendar;

import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface FeedMapper {
    /** Another one takes the place of the one before, which no longer works. */
    void put(@Param("clientId") long clientId, @Param("hash") String hash, @Param("staffId") long staffId);

    void remove(@Param("clientId") long clientId);

    boolean exists(@Param("clientId") long clientId);

    /** Empty also for an archived client. */
    Optional<Long> clientOf(@Param("hash") String hash);
}

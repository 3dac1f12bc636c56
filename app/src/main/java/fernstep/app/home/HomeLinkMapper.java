package fernstep.app.home;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface HomeLinkMapper {
    /** Another one takes the place of the one before, which no longer works, nor do its phones. */
    void put(
            @Param("clientId") long clientId,
            @Param("tokenHash") String tokenHash,
            @Param("pinHash") String pinHash,
            @Param("staffId") long staffId,
            @Param("expiresOn") LocalDate expiresOn);

    void remove(@Param("clientId") long clientId);

    Optional<HomeLink> ofClient(@Param("clientId") long clientId);

    /** Empty also for an archived client. */
    Optional<HomeLink> byHash(@Param("tokenHash") String tokenHash);

    /**
     * Counts a try as wrong before it is judged, in one step; false where another was counted since its count was read.
     *
     * @param seen wrong tries as they were read
     * @param most with so many it is locked
     */
    boolean claimTry(
            @Param("clientId") long clientId,
            @Param("seen") int seen,
            @Param("most") int most,
            @Param("now") LocalDateTime now);

    void rightTry(@Param("clientId") long clientId);

    void putPass(
            @Param("passHash") String passHash,
            @Param("clientId") long clientId,
            @Param("expiresAt") LocalDateTime expiresAt);

    boolean passOpens(
            @Param("passHash") String passHash, @Param("clientId") long clientId, @Param("now") LocalDateTime now);

    void removePass(@Param("passHash") String passHash);
}

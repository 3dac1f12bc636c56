package fernstep.app.security;

import fernstep.core.client.Licence;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
public interface StaffMapper {
    Optional<Staff> byUsername(@Param("username") String username);

    Optional<Staff> byId(@Param("id") long id);

    List<Staff> all();

    int count();

    void insert(Staff staff);

    /** @return 0 where an account exists already */
    int insertFirst(Staff staff);

    void putPassword(@Param("id") long id, @Param("hash") String hash);

    void putEnabled(@Param("id") long id, @Param("enabled") boolean enabled);

    void putRole(@Param("id") long id, @Param("licence") Licence licence, @Param("houseLead") boolean houseLead);

    /** Leads who may sign in. */
    int leads();

    /** Ends every sign-in of the account, at whichever instance. */
    /** Of these sign-ins those that still stand. */
    Set<String> liveSignIns(@Param("signIns") Set<String> signIns);

    void endSessions(@Param("username") String username);

    void addLink(@Param("hash") String hash, @Param("staffId") long staffId, @Param("madeBy") long madeBy);

    void removeLinks(@Param("staffId") long staffId);

    Optional<Staff> byLink(@Param("hash") String hash);

    /** @return 0 where it was used or has run out */
    int useLink(@Param("hash") String hash);

    void putTotp(@Param("id") long id, @Param("secret") @Nullable String secret);

    /** @return 0 where a code of this step or a later one was taken */
    int useTotpStep(@Param("id") long id, @Param("step") long step);

    void addRecoveryCode(@Param("id") long id, @Param("hash") String hash);

    int useRecoveryCode(@Param("id") long id, @Param("hash") String hash);

    void removeRecoveryCodes(@Param("id") long id);
}

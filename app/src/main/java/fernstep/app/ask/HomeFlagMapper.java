package fernstep.app.ask;

import java.time.LocalDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface HomeFlagMapper {
    /** The same, told at the same moment, is there once. */
    void insert(
            @Param("clientId") long clientId,
            @Param("kind") HomeFlag.Kind kind,
            @Param("code") String code,
            @Param("toldAt") LocalDateTime toldAt);

    /** Newest first. */
    List<HomeFlag> open(@Param("clientId") long clientId);

    /** Of many clients, in no order. */
    List<HomeFlag> openOf(@Param("clients") Collection<Long> clients);

    Optional<HomeFlag> byId(@Param("clientId") long clientId, @Param("id") long id);

    void attend(@Param("id") long id, @Param("staffId") long staffId, @Param("how") String how);
}

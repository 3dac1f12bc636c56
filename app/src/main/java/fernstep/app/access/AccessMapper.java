package fernstep.app.access;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface AccessMapper {
    Optional<Access.Standing> standing(@Param("clientId") long clientId, @Param("staffId") long staffId);

    Optional<Long> clientOfVisit(@Param("visitId") long visitId);

    Optional<Long> clientOfSession(@Param("sessionId") String sessionId);

    Optional<Long> clientOfPhoto(@Param("photoId") long photoId);

    List<Access.Closed> closedTo(@Param("staffId") long staffId);

    List<Long> hiddenFrom(@Param("staffId") long staffId);

    List<Access.Member> members(@Param("clientId") long clientId);

    void restrict(@Param("clientId") long clientId, @Param("restricted") boolean restricted);

    void join(@Param("clientId") long clientId, @Param("staffId") long staffId);

    void leave(@Param("clientId") long clientId, @Param("staffId") long staffId);
}

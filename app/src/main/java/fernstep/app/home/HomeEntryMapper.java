package fernstep.app.home;

import fernstep.core.schedule.DailyLife;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface HomeEntryMapper {
    /** 0 where one of that id is there already. */
    int insert(
            @Param("id") String id,
            @Param("clientId") long clientId,
            @Param("kind") String kind,
            @Param("toldAt") LocalDateTime toldAt,
            @Param("bodyHash") String bodyHash);

    /** What was stored under an id, by whoever: client and digest with a space between. */
    Optional<String> stored(@Param("id") String id);

    void clearDaily(@Param("clientId") long clientId, @Param("day") LocalDate day);

    void putDaily(@Param("clientId") long clientId, @Param("day") LocalDate day, @Param("code") DailyLife code);

    Set<DailyLife> daily(@Param("clientId") long clientId, @Param("day") LocalDate day);

    /** On how many days. */
    record Minded(DailyLife code, int days) {}

    List<Minded> mindedDays(@Param("clientId") long clientId, @Param("from") LocalDate from, @Param("to") LocalDate to);
}

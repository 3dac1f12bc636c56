package fernstep.app.home;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Sessions at home, and how the mornings after were. */
@Mapper
interface HomeLogMapper {
    /** One a day; written again it stays the same. */
    void insertSession(
            @Param("id") String id,
            @Param("clientId") long clientId,
            @Param("heldOn") LocalDate heldOn,
            @Param("staffId") long staffId);

    /** Marked as not done after all. */
    void removeResult(@Param("id") String id, @Param("rung") String rung, @Param("side") String side);

    /** A day on which she trained, newest first; the morning after is null while it was not told. */
    record Day(
            LocalDate heldOn,
            boolean atHome,
            int results,
            @Nullable String nextDay) {}

    List<Day> days(@Param("clientId") long clientId, @Param("since") LocalDate since);

    /** For every exercise of that day. */
    void putNextDay(
            @Param("clientId") long clientId, @Param("heldOn") LocalDate heldOn, @Param("nextDay") String nextDay);
}

package fernstep.app.plan;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** What was set by hand in a client's plan. */
@Mapper
public interface PlanMapper {
    /** Those about one side before those about both. */
    List<ChoiceRow> choices(@Param("clientId") long clientId);

    void put(ChoiceRow choice);

    void clear(@Param("clientId") long clientId);

    Optional<String> order(@Param("clientId") long clientId);

    void putOrder(@Param("clientId") long clientId, @Param("strands") String strands);

    void clearOrder(@Param("clientId") long clientId);
}

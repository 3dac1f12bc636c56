package fernstep.app.spotting;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface RoundMapper {
    /** The same round sent twice is kept once. */
    void put(RoundRow round);

    Optional<RoundRow> byId(@Param("formId") String formId, @Param("staffId") long staffId);

    /** Her latest, oldest first. */
    List<RoundRow> latest(@Param("staffId") long staffId, @Param("atMost") int atMost);
}

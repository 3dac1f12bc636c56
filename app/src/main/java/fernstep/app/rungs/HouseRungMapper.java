package fernstep.app.rungs;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface HouseRungMapper {
    List<HouseRungRow> all();

    /** How many there are and when the last came: another answer means the catalogue has changed. */
    String state();

    /** How many clients' steps, sessions, results or choices name it. */
    int uses(@Param("code") String code);

    void remove(@Param("code") String code);

    /** The same rung sent twice is kept once. */
    void put(HouseRungRow rung);
}

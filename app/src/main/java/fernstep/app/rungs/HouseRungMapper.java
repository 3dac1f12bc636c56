package fernstep.app.rungs;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;

@Mapper
interface HouseRungMapper {
    List<HouseRungRow> all();

    /** How many there are and when the last came: another answer means the catalogue has changed. */
    String state();

    /** The same rung sent twice is kept once. */
    void put(HouseRungRow rung);
}

package fernstep.app.house;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface HouseMapper {
    /** One setting as stored. */
    record Setting(String name, String settingValue) {}

    List<Setting> all();

    void put(@Param("name") String name, @Param("value") String value);
}

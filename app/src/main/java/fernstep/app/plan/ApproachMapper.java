package fernstep.app.plan;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** The house's own approaches. */
@Mapper
interface ApproachMapper {
    List<HouseApproach> all();

    Optional<HouseApproach> byId(@Param("id") long id);

    boolean nameTaken(@Param("name") String name, @Param("formId") String formId);

    /** A form sent twice makes one. */
    void insert(HouseApproach approach);
}

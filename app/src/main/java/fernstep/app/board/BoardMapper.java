package fernstep.app.board;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;

@Mapper
interface BoardMapper {
    List<LastVisit> lastVisits();
}

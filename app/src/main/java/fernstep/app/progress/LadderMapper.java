package fernstep.app.progress;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
public interface LadderMapper {
    /** The newest step of every strand and side. */
    List<LadderRow> current(@Param("clientId") long clientId);

    List<LadderRow> allCurrent();

    Optional<LadderRow> byId(@Param("id") long id);

    /** The same step sent twice is kept once. */
    void insert(LadderRow step);

    List<ResultRow> results(@Param("clientId") long clientId);

    List<ResultRow> allResults();

    void putResult(ResultRow result);
}

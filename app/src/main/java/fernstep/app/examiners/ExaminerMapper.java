package fernstep.app.examiners;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface ExaminerMapper {
    void calibrate(
            @Param("id") long id,
            @Param("one") double one,
            @Param("two") double two,
            @Param("three") double three,
            @Param("four") double four);

    List<PairRow> pairs(@Param("staffId") long staffId);

    /** Same client, site, condition and method, on two visits at most two weeks apart. */
    List<RecheckRow> rechecks(@Param("staffId") long staffId);

    /** The same pair sent twice is kept once. */
    void putPair(PairRow pair);
}

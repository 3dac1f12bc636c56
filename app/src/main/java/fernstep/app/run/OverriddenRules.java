package fernstep.app.run;

import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** How often the practice chose otherwise than a rule advised; what was taken back is left out. */
@Mapper
interface OverriddenRules {
    /**
     * One rule.
     *
     * @param answered signs it has answered
     * @param overridden how many of these answers were not followed
     */
    record ByRule(RuleId rule, int answered, int overridden) {}

    /**
     * What was chosen instead, and why.
     *
     * @param times by how many of them
     */
    record Instead(
            RuleId rule,
            Move advised,
            Move chosen,
            @Nullable String reason,
            int times) {}

    /** Every rule that answered something since, the one least followed first. */
    List<ByRule> byRule(@Param("since") LocalDate since);

    /** The most frequent first. */
    List<Instead> instead(@Param("since") LocalDate since);
}

package fernstep.app.security;

import fernstep.core.client.Licence;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface RightsMapper {
    void ask(
            @Param("staffId") long staffId,
            @Param("licence") Licence licence,
            @Param("houseLead") boolean houseLead,
            @Param("askedBy") long askedBy);

    /** What is open, oldest first. */
    List<RightsAsked> open();

    /** One that is open, held until the end of the transaction. */
    Optional<RightsAsked> locked(@Param("id") long id);

    /** Open for so long, by the database's clock. */
    List<RightsAsked> openFor(@Param("hours") int hours);

    void end(@Param("id") long id);

    /** Whatever is open for somebody. */
    void endAllOf(@Param("staffId") long staffId);
}

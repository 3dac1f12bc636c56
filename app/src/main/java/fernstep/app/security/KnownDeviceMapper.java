package fernstep.app.security;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface KnownDeviceMapper {
    boolean knows(@Param("tokenHash") String tokenHash, @Param("staffId") long staffId, @Param("days") long days);

    /** For whomever. */
    boolean isKnown(@Param("tokenHash") String tokenHash);

    void put(@Param("tokenHash") String tokenHash, @Param("staffId") long staffId);

    /** Those that nobody has used for so many days. */
    void forgetOld(@Param("days") long days);
}

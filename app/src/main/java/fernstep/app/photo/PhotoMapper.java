package fernstep.app.photo;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
public interface PhotoMapper {
    /** The day on which she agreed to photos; empty without consent. */
    Optional<LocalDate> consent(@Param("clientId") long clientId);

    void setConsent(@Param("clientId") long clientId, @Param("day") @Nullable LocalDate day);

    void removeAll(@Param("clientId") long clientId);

    Optional<PhotoRow> latest(@Param("visitId") long visitId);

    List<PhotoRow> ofClient(@Param("clientId") long clientId);

    Optional<PhotoRow> byId(@Param("id") long id);

    Optional<PhotoFile> file(@Param("id") long id);

    /** The same upload sent twice is kept once. */
    void insert(
            @Param("formId") String formId,
            @Param("clientId") long clientId,
            @Param("visitId") long visitId,
            @Param("staffId") long staffId,
            @Param("widthPx") int widthPx,
            @Param("heightPx") int heightPx,
            @Param("jpeg") byte[] jpeg);

    boolean inTeam(@Param("clientId") long clientId, @Param("staffId") long staffId);
}

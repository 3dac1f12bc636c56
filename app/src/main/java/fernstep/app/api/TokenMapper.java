package fernstep.app.api;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface TokenMapper {
    /** The same form sent twice makes one. */
    void insert(
            @Param("formId") String formId,
            @Param("name") String name,
            @Param("hash") String hash,
            @Param("scopes") String scopes,
            @Param("madeBy") long madeBy,
            @Param("expiresOn") LocalDate expiresOn);

    /** Newest first, the revoked ones too. */
    List<TokenRow> all();

    Optional<TokenRow> byHash(@Param("hash") String hash);

    void used(@Param("id") long id);

    int revoke(@Param("id") long id);

    /** Counts a call of this minute. */
    void call(@Param("caller") String caller, @Param("minute") long minute);

    /** Calls in this minute so far. */
    int calls(@Param("caller") String caller, @Param("minute") long minute);
}

package fernstep.app.letters;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;

@Mapper
interface LetterMapper {
    /** A letter before its first version; the database gives the number. */
    final class Fresh {
        private long id;
        private final long clientId;
        private final LetterKind kind;
        private final String language;
        private final LocalDate madeOn;

        Fresh(long clientId, LetterKind kind, String language, LocalDate madeOn) {
            this.clientId = clientId;
            this.kind = kind;
            this.language = language;
            this.madeOn = madeOn;
        }

        public long getId() {
            return id;
        }

        public void setId(long id) {
            this.id = id;
        }

        public long getClientId() {
            return clientId;
        }

        public LetterKind getKind() {
            return kind;
        }

        public String getLanguage() {
            return language;
        }

        public LocalDate getMadeOn() {
            return madeOn;
        }
    }

    @Options(useGeneratedKeys = true, keyProperty = "id")
    void insert(Fresh fresh);

    /** 0 where somebody wrote that version meanwhile. */
    int addVersion(
            @Param("letterId") long letterId,
            @Param("clientId") long clientId,
            @Param("version") int version,
            @Param("addressee") String addressee,
            @Param("body") String body,
            @Param("staffId") long staffId);

    /** The latest version of each, newest first. */
    List<LetterRow> ofClient(@Param("clientId") long clientId);

    /** Every version, newest first. */
    List<LetterRow> versions(@Param("clientId") long clientId, @Param("letterId") long letterId);

    Optional<LetterRow> version(
            @Param("clientId") long clientId, @Param("letterId") long letterId, @Param("version") int version);
}

package fernstep.app.messages;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface OutboxMapper {
    /** 0 where one of that key is there already. */
    int insert(
            @Param("onceKey") String onceKey,
            @Param("clientId") long clientId,
            @Param("kind") MessageKind kind,
            @Param("to") String to,
            @Param("subject") String subject,
            @Param("body") String body,
            @Param("notBefore") LocalDateTime notBefore);

    /** Some that are due, held for this transaction; those that another instance holds are passed over. */
    List<Long> due(@Param("now") LocalDateTime now, @Param("most") int most);

    /** @param by the look that took them */
    void take(@Param("ids") List<Long> ids, @Param("by") String by, @Param("now") LocalDateTime now);

    List<OutboxRow> takenBy(@Param("by") String by);

    /** What was a secret in it is not kept. */
    int sent(@Param("id") long id);

    void tryAgain(@Param("id") long id, @Param("notBefore") LocalDateTime notBefore, @Param("error") String error);

    void failed(@Param("id") long id, @Param("error") String error);

    /** Taken so long ago that whoever took it is gone. */
    List<Long> leftBehind(@Param("before") LocalDateTime before);

    /** Only what is still taken. */
    void doubt(@Param("ids") List<Long> ids);

    /** One that failed or is in doubt waits again. */
    int again(@Param("id") long id, @Param("now") LocalDateTime now);

    /** One that waits, failed or is in doubt will not be sent. */
    int drop(@Param("id") long id);

    /** What was to go to her and has not: she wants no mail. */
    int dropAll(@Param("clientId") long clientId);

    Optional<OutboxRow> byId(@Param("id") long id);

    /** Newest first. */
    List<OutboxRow> latest(@Param("most") int most);

    /** One text of a house. */
    record Text(MessageKind kind, String language, String subject, String body) {}

    Optional<Text> text(@Param("kind") MessageKind kind, @Param("language") String language);

    void putText(Text text);

    void removeText(@Param("kind") MessageKind kind, @Param("language") String language);
}

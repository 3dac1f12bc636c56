package fernstep.app.transfer;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
interface TableMapper {
    /** The same file sent twice is looked at once. */
    void insert(
            @Param("formId") String formId,
            @Param("staffId") long staffId,
            @Param("fileName") String fileName,
            @Param("body") byte[] body);

    Optional<TableImportRow> byForm(@Param("formId") String formId);

    /** Taken within a day, newest first; without their bytes. */
    List<TableImportRow> undoable();

    /** Only while nothing is written of it. */
    void settings(
            @Param("formId") String formId,
            @Param("kind") String kind,
            @Param("matched") String matched,
            @Param("about") String about,
            @Param("characters") @Nullable String characters);

    void characters(@Param("formId") String formId, @Param("characters") @Nullable String characters);

    /** 1 for the one who begins. A table that stopped half-way is begun again. */
    int begin(@Param("formId") String formId, @Param("rowsAll") int rowsAll);

    /** 0 where it was cancelled. */
    int moved(@Param("formId") String formId, @Param("done") int done);

    void movedBack(@Param("formId") String formId, @Param("left") int left);

    void cancel(@Param("formId") String formId);

    int beginUndo(@Param("formId") String formId);

    void end(@Param("formId") String formId, @Param("state") TableImportRow.State state);

    void written(@Param("rows") List<WrittenRow> rows);

    List<WrittenRow> rows(@Param("formId") String formId);

    List<Long> clientsOf(@Param("formId") String formId);

    void forgetRows(
            @Param("formId") String formId,
            @Param("what") WrittenRow.What what,
            @Param("fromLine") int fromLine,
            @Param("toLine") int toLine);

    /** What is older than a day: its bytes, and what it wrote. */
    void forget();

    /** What was only looked at and names her. */
    void forgetLookedAt(@Param("name") String name);

    /** The text of what was written about her, but that it was. */
    void forgetHer(@Param("clientId") long clientId, @Param("name") String name);
}

package fernstep.app.support;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
interface AuditMapper {
    /** A line to be written; the database gives the id. */
    final class Entry {
        private final long staffId;
        private final @Nullable Long clientId;
        private final String what;
        private final String address;
        private long id;

        Entry(long staffId, @Nullable Long clientId, String what, String address) {
            this.staffId = staffId;
            this.clientId = clientId;
            this.what = what;
            this.address = address;
        }

        public long getStaffId() {
            return staffId;
        }

        public @Nullable Long getClientId() {
            return clientId;
        }

        public String getWhat() {
            return what;
        }

        public String getAddress() {
            return address;
        }

        public void setId(long id) {
            this.id = id;
        }

        long id() {
            return id;
        }
    }

    void insert(Entry entry);

    void insertDetail(
            @Param("auditId") long auditId, @Param("clientId") @Nullable Long clientId, @Param("detail") String detail);

    int count(@Param("clientId") long clientId, @Param("what") String what);

    List<Audit.Line> lines(
            @Param("staffId") @Nullable Long staffId,
            @Param("clientId") @Nullable Long clientId,
            @Param("what") @Nullable String what,
            @Param("from") @Nullable LocalDate from,
            @Param("before") @Nullable LocalDate before,
            @Param("most") int most);

    List<String> kinds();

    void forget(@Param("clientId") long clientId);
}

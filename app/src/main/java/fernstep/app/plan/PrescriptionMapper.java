package fernstep.app.plan;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface PrescriptionMapper {
    /** What is to be stored; its id is known once it is. */
    final class Fresh {
        private final PrescriptionRow row;
        private long id;

        Fresh(PrescriptionRow row) {
            this.row = row;
        }

        public PrescriptionRow getRow() {
            return row;
        }

        public long getId() {
            return id;
        }

        public void setId(long id) {
            this.id = id;
        }
    }

    void insert(Fresh fresh);

    void insertItem(PrescriptionItemRow item);

    /** The newest. */
    Optional<PrescriptionRow> ofClient(@Param("clientId") long clientId);

    /** A number that changes whenever something else was found in her: a plan from before that is looked at again. */
    long foundInHer(@Param("clientId") long clientId);

    List<PrescriptionItemRow> items(@Param("prescriptionId") long prescriptionId);
}

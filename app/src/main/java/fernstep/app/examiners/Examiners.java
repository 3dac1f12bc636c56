package fernstep.app.examiners;

import fernstep.app.security.Accounts;
import fernstep.app.security.Staff;
import fernstep.core.measure.MeasurementError;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.FingerCalibration;
import fernstep.core.separation.Method;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/** Every member of staff as an examiner: her fingers and her own typical errors. */
@Service
public class Examiners {
    private static final double SMALLEST_SEM_MM = 0.1;
    private final Accounts accounts;
    private final ExaminerMapper mapper;

    Examiners(Accounts accounts, ExaminerMapper mapper) {
        this.accounts = accounts;
        this.mapper = mapper;
    }

    public Examiner examiner(long staffId) {
        Examiner calibrated = accounts.byId(staffId).map(Staff::examiner).orElse(Examiner.UNKNOWN);
        Map<Method, Double> own = new EnumMap<>(Method.class);
        Map<Method, Double> bias = new EnumMap<>(Method.class);
        repeatability(staffId).forEach(r -> {
            if (r.biasMm() != null && r.pairs() >= MeasurementError.PAIRS_NEEDED) {
                bias.put(r.method(), r.biasMm());
            }
            if (r.semMm() != null) {
                own.put(r.method(), Math.max(SMALLEST_SEM_MM, r.semMm()));
            }
        });
        return new Examiner(String.valueOf(staffId), calibrated.calibration(), own, bias);
    }

    /** Of every method she has pairs of. */
    public List<Repeatability> repeatability(long staffId) {
        List<PairRow> pairs = mapper.pairs(staffId);
        return Arrays.stream(Method.values())
                .map(m -> Repeatability.of(
                        m, pairs.stream().filter(p -> p.method() == m).toList()))
                .filter(r -> r.pairs() > 0)
                .toList();
    }

    public void calibrate(long staffId, FingerCalibration c) {
        mapper.calibrate(
                staffId,
                c.totalMm().get(0),
                c.totalMm().get(1),
                c.totalMm().get(2),
                c.totalMm().get(3));
    }

    public void keep(PairRow pair) {
        mapper.putPair(pair);
    }

    public List<Staff> all() {
        return accounts.all();
    }

    public Staff account(long staffId) {
        return accounts.byId(staffId).orElseThrow();
    }
}

package fernstep.app.examiners;

import fernstep.app.security.Accounts;
import fernstep.app.security.Staff;
import fernstep.core.measure.MeasurementError;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.FingerCalibration;
import fernstep.core.separation.Method;
import fernstep.core.separation.TypicalError;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Every member of staff as an examiner: her fingers and her own typical errors. */
@Service
public class Examiners {
    private final Accounts accounts;
    private final ExaminerMapper mapper;

    Examiners(Accounts accounts, ExaminerMapper mapper) {
        this.accounts = accounts;
        this.mapper = mapper;
    }

    public Examiner examiner(long staffId) {
        Examiner calibrated = accounts.byId(staffId).map(Staff::examiner).orElse(Examiner.UNKNOWN);
        Map<Method, TypicalError> own = new EnumMap<>(Method.class);
        Map<Method, Double> bias = new EnumMap<>(Method.class);
        repeatability(staffId).forEach(repeatability -> {
            if (repeatability.biasMm() != null && repeatability.pairs() >= MeasurementError.PAIRS_NEEDED) {
                bias.put(repeatability.method(), repeatability.biasMm());
            }
            if (repeatability.error() != null) {
                own.put(repeatability.method(), repeatability.error());
            }
        });
        return new Examiner(String.valueOf(staffId), calibrated.calibration(), own, bias);
    }

    /** Of every method she has pairs of. */
    public List<Repeatability> repeatability(long staffId) {
        List<PairRow> pairs = mapper.pairs(staffId);
        FingerCalibration fingers = accounts.byId(staffId)
                .map(Staff::examiner)
                .orElse(Examiner.UNKNOWN)
                .calibration();
        Map<Method, List<Double>> rechecks = mapper.rechecks(staffId).stream()
                .collect(Collectors.groupingBy(
                        RecheckRow::method,
                        Collectors.flatMapping(row -> row.differenceMm(fingers).stream(), Collectors.toList())));
        return Arrays.stream(Method.values())
                .map(method -> Repeatability.of(
                        method,
                        pairs.stream().filter(pair -> pair.method() == method).toList(),
                        rechecks.getOrDefault(method, List.of())))
                .filter(known -> known.pairs() + known.pairsBetween() > 0)
                .toList();
    }

    public void calibrate(long staffId, FingerCalibration calibration) {
        mapper.calibrate(
                staffId,
                calibration.totalMm().get(0),
                calibration.totalMm().get(1),
                calibration.totalMm().get(2),
                calibration.totalMm().get(3));
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

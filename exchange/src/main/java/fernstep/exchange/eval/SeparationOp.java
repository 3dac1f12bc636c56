package fernstep.exchange.eval;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.findings.Observed;
import fernstep.core.measure.MeasurementError;
import fernstep.core.measure.Range;
import fernstep.core.screening.Stage;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.Feel;
import fernstep.core.separation.FingerCalibration;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import fernstep.core.separation.Separation;
import fernstep.core.separation.SiteResult;
import fernstep.core.separation.TypicalError;
import fernstep.core.separation.Width;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.wording.Wording;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** {@code op: "separation"}: widths, error, change, verdict and area. */
final class SeparationOp implements Operation {
    private static final Range VALUE = Range.WIDTH_MM;
    private final Wording wording;

    SeparationOp(Wording wording) {
        this.wording = wording;
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        boolean others = request.has("previousCalibrationMm") || request.has("previousSemMm");
        Map<Method, Double> shares = perMethod(request, "visitShare", Range.SHARE);
        Examiner examiner = examiner(request, others ? "now" : null, "calibrationMm", "semMm", shares);
        Examiner examinerBefore =
                others ? examiner(request, "then", "previousCalibrationMm", "previousSemMm", shares) : examiner;
        boolean firmRidge =
                request.optionalCode("doming", Observed.Doming.class).orElse(null) == Observed.Doming.FIRM;
        GapReading stance = request.code("gapStance", GapReading.class);
        Stage.ForWidth stage = request.code("stage", Stage.ForWidth.class);
        Separation.Check now = check(request, "readings", examiner);
        if (now.readings().isEmpty()) {
            throw request.problem(
                    "readings", "at least one reading is needed", "[{siteCm, condition, method, values}]");
        }
        Separation.Check before = request.has("previous") ? check(request, "previous", examinerBefore) : null;
        request.nothingElse();
        return asJson(request.checked("readings", () -> Separation.of(now, before, stance, stage, firmRidge)));
    }

    private static Examiner examiner(
            CaseObject request,
            @Nullable String id,
            String calibrationField,
            String semField,
            Map<Method, Double> visitShares) {
        FingerCalibration calibration = request.has(calibrationField)
                ? request.checked(
                        calibrationField,
                        () -> FingerCalibration.of(request.numbers(calibrationField, Range.FINGER_TABLE_MM)))
                : FingerCalibration.NOT_CALIBRATED;
        Map<Method, Double> semMm = perMethod(request, semField, Range.SEM_MM);
        Map<Method, TypicalError> own = new EnumMap<>(Method.class);
        for (Method method : Method.values()) {
            if (semMm.containsKey(method) || visitShares.containsKey(method)) {
                own.put(
                        method,
                        new TypicalError(
                                semMm.getOrDefault(method, method.usualSemMm()),
                                visitShares.getOrDefault(method, MeasurementError.USUAL_VISIT_SHARE)));
            }
        }
        return new Examiner(id, calibration, own, Map.of());
    }

    private static Map<Method, Double> perMethod(CaseObject request, String field, Range range) {
        Map<Method, Double> numbers = new EnumMap<>(Method.class);
        request.optionalObject(field).ifPresent(object -> {
            for (Method method : Method.values()) {
                object.optionalNumber(method.name(), range).ifPresent(number -> numbers.put(method, number));
            }
            object.nothingElse();
        });
        return numbers;
    }

    private static Separation.Check check(CaseObject request, String field, Examiner examiner) {
        List<Reading> readings =
                request.objects(field).stream().map(SeparationOp::reading).toList();
        return request.checked(field, () -> new Separation.Check(readings, examiner));
    }

    static Reading reading(CaseObject object) {
        double site = object.number("siteCm", Range.SITE_CM);
        Condition condition = object.code("condition", Condition.class);
        Method method = object.code("method", Method.class);
        List<Double> values = object.numbers("values", method == Method.FINGERS ? Range.FINGERS : VALUE);
        Double depth = object.optionalNumber("depthMm", Range.DEPTH_MM).orElse(null);
        object.optionalCode("depth", Depth.class);
        Feel feel = object.optionalCode("feel", Feel.class).orElse(null);
        object.nothingElse();
        return object.checked("values", () -> new Reading(site, condition, method, values, depth, feel));
    }

    private Map<String, Object> asJson(Separation separation) {
        Map<String, Object> area = new LinkedHashMap<>();
        for (Condition condition : Condition.values()) {
            Optional.ofNullable(separation.profiles().get(condition))
                    .flatMap(profile -> profile.areaMm2())
                    .ifPresent(mm2 -> area.put(condition.name(), Json.rounded(mm2)));
        }
        return Json.object(
                "readings",
                separation.widths().stream().map(SeparationOp::width).toList(),
                "sites",
                separation.sites().stream().map(this::site).toList(),
                "areaMm2",
                area,
                "areaChange",
                areaChanges(separation));
    }

    private static Map<String, Object> areaChanges(Separation separation) {
        Map<String, Object> changes = new LinkedHashMap<>();
        separation
                .areaChanges()
                .forEach((condition, change) -> changes.put(
                        condition.name(),
                        Json.object(
                                "changeMm2",
                                Json.rounded(change.mm2()),
                                "smallestRealChangeMm2",
                                Json.rounded(change.smallestRealMm2()),
                                "change",
                                change.kind())));
        return changes;
    }

    private static Map<String, Object> width(Width width) {
        Map<String, Object> json = Json.object(
                "siteCm",
                width.reading().siteCm(),
                "condition",
                width.reading().condition(),
                "widthMm",
                Json.rounded(width.mm()),
                "semMm",
                Json.rounded(width.errorMm()),
                "calibrated",
                width.calibrated());
        if (width.change() != null) {
            json.put("changeMm", Json.rounded(width.change().mm()));
            json.put("smallestRealChangeMm", Json.rounded(width.change().smallestRealMm()));
            json.put("change", width.change().kind());
            json.put("confirmed", width.change().confirmed());
        }
        return json;
    }

    private Map<String, Object> site(SiteResult result) {
        return Json.object(
                "siteCm",
                result.siteCm(),
                "closurePct",
                Json.rounded(result.closurePct()),
                "setEffectMm",
                Json.rounded(result.setEffectMm()),
                "verdict",
                result.verdict() == null
                        ? null
                        : Json.object(
                                "code",
                                result.verdict().code(),
                                "limitMm",
                                Json.rounded(result.verdict().limitMm()),
                                "stance",
                                result.verdict().stance(),
                                "text",
                                wording.of(result.verdict().reason())));
    }
}

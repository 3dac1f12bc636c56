package fernstep.app.progress;

import fernstep.core.catalogue.Easing;
import fernstep.core.decision.LoadSigns;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.plan.CleanSetting;
import fernstep.core.progress.StillEased;
import fernstep.core.session.ExerciseResult;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How an exercise could be done clean after it was made easier, as stored.
 *
 * @param rung the planned one
 * @param side empty where it has none
 * @param cleanRung the one it was done clean on
 * @param parts levers and helpers in use, with commas; empty for none
 */
public record CleanSettingRow(
        String sessionId,
        String rung,
        String side,
        long clientId,
        LocalDate heldOn,
        String cleanRung,
        double rangeFraction,
        int kneesBentDeg,
        @Nullable Integer times,
        @Nullable Integer holdS,
        @Nullable SignCode because,
        @Nullable String parts) {

    /** Empty where nothing was made easier in it. */
    public static Optional<CleanSettingRow> of(
            String sessionId, long clientId, LocalDate heldOn, ExerciseResult result) {
        return Optional.ofNullable(result.cleanAt())
                .map(clean -> new CleanSettingRow(
                        sessionId,
                        result.rung(),
                        result.side() == null ? "" : result.side().name(),
                        clientId,
                        heldOn,
                        clean.rung(),
                        clean.range(),
                        clean.easing().kneesBentDeg(),
                        clean.times(),
                        clean.holdS(),
                        result.signs().stream()
                                .filter(sign -> LoadSigns.all().contains(sign))
                                .findFirst()
                                .orElse(null),
                        String.join(",", clean.easing().parts())));
    }

    /** Its levers and helpers. */
    public List<String> partList() {
        return parts == null || parts.isEmpty()
                ? List.of()
                : Arrays.stream(parts.split(",")).toList();
    }

    @Nullable
    Side sideOrNull() {
        return side.isEmpty() ? null : Side.valueOf(side);
    }

    /** As it was written elsewhere. */
    public static CleanSettingRow of(ResultRow result, CleanSetting clean, @Nullable SignCode because) {
        return new CleanSettingRow(
                result.sessionId(),
                result.rung(),
                result.side(),
                result.clientId(),
                result.heldOn(),
                clean.rung(),
                clean.range(),
                clean.easing().kneesBentDeg(),
                clean.times(),
                clean.holdS(),
                because,
                String.join(",", clean.easing().parts()));
    }

    public CleanSetting setting() {
        return new CleanSetting(cleanRung, rangeFraction, Easing.of(kneesBentDeg, partList()), times, holdS);
    }

    StillEased.Session asSession() {
        return new StillEased.Session(heldOn, setting(), because);
    }
}

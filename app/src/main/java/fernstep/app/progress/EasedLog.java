package fernstep.app.progress;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Helper;
import fernstep.core.plan.CleanSetting;
import fernstep.core.progress.Progress;
import fernstep.core.progress.StillEased;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What was made easier in her sessions.
 *
 * @param settings every one of the past year, oldest first
 * @param still where an exercise still begins easier than it is planned
 */
public record EasedLog(List<CleanSettingRow> settings, Map<LadderRow, StillEased> still) {
    static final EasedLog NOTHING = new EasedLog(List.of(), Map.of());

    /** As her results and steps say. */
    static EasedLog of(List<LadderRow> steps, List<CleanSettingRow> settings, Catalogue catalogue) {
        Map<LadderRow, StillEased> all = new HashMap<>();
        if (settings.isEmpty() && steps.stream().noneMatch(EasedLog::byHelper)) {
            return NOTHING;
        }
        for (LadderRow step : steps) {
            Helper helper =
                    catalogue.rung(step.rung()).helpers().stream().findFirst().orElse(null);
            List<StillEased.Session> sessions = settings.stream()
                    .filter(row -> row.sideOrNull() == step.sideOrNull())
                    .map(CleanSettingRow::asSession)
                    .toList();
            StillEased.of(stands(step), sessions, helper).ifPresent(still -> all.put(step, still));
        }
        return new EasedLog(settings, all);
    }

    static boolean byHelper(LadderRow step) {
        return step.changeCode().equals(Progress.Change.ADD_HELPER.name());
    }

    private static StillEased.Stands stands(LadderRow step) {
        Progress.Change change = step.changeCode().equals(LadderMoves.APPROACH)
                ? Progress.Change.HOLD
                : Arrays.stream(Progress.Change.values())
                        .filter(one -> one.name().equals(step.changeCode()))
                        .findFirst()
                        .orElse(null);
        return new StillEased.Stands(
                step.rung(),
                step.rangeFraction(),
                step.dose(),
                step.since(),
                change,
                step.changeCode().equals(LadderMoves.START));
    }

    Optional<StillEased> on(LadderRow step) {
        return Optional.ofNullable(still.get(step));
    }

    /** Null where it was not made easier. */
    @Nullable
    CleanSetting cleanAt(ResultRow result) {
        return settings.stream()
                .filter(row -> row.sessionId().equals(result.sessionId())
                        && row.rung().equals(result.rung())
                        && row.side().equals(result.side()))
                .findFirst()
                .map(CleanSettingRow::setting)
                .orElse(null);
    }
}

package fernstep.app.progress;

import fernstep.core.plan.CleanSetting;
import fernstep.core.progress.StillEased;
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

package fernstep.core.standing;

import java.time.LocalDateTime;

/**
 * Something reported of her that bears on whether she may train. It is only ever added.
 *
 * @param id its own, positive; what lifts it names it
 * @param way how it came
 * @param at when it was said, by the clock of whoever took it down
 * @param heardBy who took it down; empty where she told it on her own page
 */
public record SafetyReport(long id, Concern concern, Way way, LocalDateTime at, String heardBy) {
    /** How a report came. */
    public enum Way {
        VISIT,
        SESSION,
        HOME,
        LOG,
        IMPORT
    }
}

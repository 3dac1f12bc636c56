package fernstep.app.spotting;

import fernstep.core.spotting.Level;

/**
 * A round as stored.
 *
 * @param score 0 to 1
 * @param marks JSON, see {@link MarkJson}
 */
public record RoundRow(String formId, long staffId, long seed, String rung, int level, double score, String marks) {
    Level.Played played() {
        return new Level.Played(Math.max(1, Math.min(Level.HARDEST, level)), score);
    }
}

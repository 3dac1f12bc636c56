package fernstep.app.examiners;

import fernstep.core.separation.Method;

/**
 * The same site read twice by the same hands, on two visits at most two weeks apart.
 *
 * @param first what was read, as stored: repeats in finger-widths or mm, separated by commas
 * @param second the same on the later visit
 */
public record RecheckRow(Method method, String first, String second) {}

/**
 * What was seen, felt or told in the checks and during exercise: signs, cough, set, breath, float. Holds in s, per side
 * where sides differ. May use everything above it up to separation.
 */
@NullMarked
package fernstep.core.findings;

import org.jspecify.annotations.NullMarked;

/**
 * The body model: segments and the load of lying legs on the trunk. Lengths m, masses kg, angles deg, moments N·m; an
 * estimate for ordering and sizing steps, not a statement about tissue. May use measure and client.
 */
@NullMarked
package fernstep.core.body;

import org.jspecify.annotations.NullMarked;

/**
 * The body model: segments, poses, joints in space, what bears, the load on the trunk, and how far a rung may go. Lengths
 * m, masses kg, angles deg, moments N·m; an estimate for ordering and sizing steps, not a statement about tissue. May use
 * measure and client.
 */
@NullMarked
package fernstep.core.body;

import org.jspecify.annotations.NullMarked;

/**
 * The strands and rungs, read from catalogue text and checked: a wrong entry is an error with file, line and reason.
 * Times in s, angles in deg. May use everything above it up to body.
 */
@NullMarked
package fernstep.core.catalogue;

import org.jspecify.annotations.NullMarked;

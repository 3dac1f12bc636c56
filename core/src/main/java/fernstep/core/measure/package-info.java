/**
 * Quantities shared by every check: ranges, sides, interpolation and error of measurement. Lengths in mm or cm as
 * named, time in s; depends on nothing.
 */
@NullMarked
package fernstep.core.measure;

import org.jspecify.annotations.NullMarked;

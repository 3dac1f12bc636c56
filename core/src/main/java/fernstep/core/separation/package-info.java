/**
 * Inter-recti distance: readings in fingers or mm, their error, the profile along the midline, the verdict by stance,
 * and real change. Widths in mm, sites in cm from the navel (+ toward the head). May use measure, client, approach and
 * screening.
 */
@NullMarked
package fernstep.core.separation;

import org.jspecify.annotations.NullMarked;

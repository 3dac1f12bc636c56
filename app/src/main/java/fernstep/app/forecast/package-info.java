/** When what is ahead comes within reach. */
@NullMarked
package fernstep.app.forecast;

import org.jspecify.annotations.NullMarked;

/** Today's questions and their outcome; the visit. */
@NullMarked
package fernstep.app.ask;

import org.jspecify.annotations.NullMarked;

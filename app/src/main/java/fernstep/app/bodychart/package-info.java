/** Where it hurts: a drawing to press on, and the same places as a list. */
@NullMarked
package fernstep.app.bodychart;

import org.jspecify.annotations.NullMarked;

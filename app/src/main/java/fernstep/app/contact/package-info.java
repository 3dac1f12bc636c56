/** How a client is spoken to and reached: language, units, mail. */
@NullMarked
package fernstep.app.contact;

import org.jspecify.annotations.NullMarked;

/** Records that travel: a client's case file out and in again. */
@NullMarked
package fernstep.app.transfer;

import org.jspecify.annotations.NullMarked;

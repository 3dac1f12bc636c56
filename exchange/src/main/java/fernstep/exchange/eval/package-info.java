/** The headless command and its operations: one JSON request in, one JSON answer out. */
@NullMarked
package fernstep.exchange.eval;

import org.jspecify.annotations.NullMarked;

/** Reads parts of the case format (brief JSON) into core types: strict, every error with its path and what is allowed. */
@NullMarked
package fernstep.exchange.casefile;

import org.jspecify.annotations.NullMarked;

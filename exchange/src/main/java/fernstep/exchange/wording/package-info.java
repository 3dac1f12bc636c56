/** Sentences for the codes and reasons of the core, from message files. */
@NullMarked
package fernstep.exchange.wording;

import org.jspecify.annotations.NullMarked;

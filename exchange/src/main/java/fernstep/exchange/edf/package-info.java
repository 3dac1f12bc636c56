/** Traces in the European Data Format with annotations (EDF+), read and written. */
@NullMarked
package fernstep.exchange.edf;

import org.jspecify.annotations.NullMarked;

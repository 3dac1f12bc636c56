/** Learning to see: a simulated client shows signs by a seeded script, and what was called out is set against it. */
@NullMarked
package fernstep.core.spotting;

import org.jspecify.annotations.NullMarked;

/**
 * What is seen leads to the next safe move, with its lever, its reason and the runner-up. Times in s, range 0 (easiest)
 * to 1 (the rung's full range). May use everything above it up to catalogue.
 */
@NullMarked
package fernstep.core.decision;

import org.jspecify.annotations.NullMarked;

/** The catalogue as pages: strands and rungs, the range dial, a house's own rungs. */
@NullMarked
package fernstep.app.catalogue;

import org.jspecify.annotations.NullMarked;

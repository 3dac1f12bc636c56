/**
 * What stops her: everything that was ever reported of her safety and everything that was lifted, as one standing. It does
 * not end with a day or a visit. May use all up to the catalogue.
 */
@NullMarked
package fernstep.core.standing;

import org.jspecify.annotations.NullMarked;

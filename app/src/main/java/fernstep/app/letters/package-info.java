/** Letters about a client: composed from her record, edited by hand, every version kept. */
@NullMarked
package fernstep.app.letters;

import org.jspecify.annotations.NullMarked;

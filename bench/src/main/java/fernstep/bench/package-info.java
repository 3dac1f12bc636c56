/** Measurements of the core (JMH) and of the pages (a short load run); not part of the tests. */
@NullMarked
package fernstep.bench;

import org.jspecify.annotations.NullMarked;

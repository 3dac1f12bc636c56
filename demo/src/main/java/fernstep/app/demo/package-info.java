/** The invented studio that ./start shows. */
@NullMarked
package fernstep.app.demo;

import org.jspecify.annotations.NullMarked;

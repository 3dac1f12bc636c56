/** The way in and out for files and other programs: wording, the case format and the headless eval. */
@NullMarked
package fernstep.exchange;

import org.jspecify.annotations.NullMarked;

/** The rules of progress played forward many times, with dice that are the same on every machine. Days and dates. */
@NullMarked
package fernstep.core.forecast;

import org.jspecify.annotations.NullMarked;

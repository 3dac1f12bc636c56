/** Sessions by day: on the page, and as a file for any calendar. */
@NullMarked
package fernstep.app.calendar;

import org.jspecify.annotations.NullMarked;

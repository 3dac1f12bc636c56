/** Sessions as an iCalendar file. */
@NullMarked
package fernstep.exchange.calendar;

import org.jspecify.annotations.NullMarked;

/** Tables that other programs read: CSV with a header line, a point for decimals, CRLF. */
@NullMarked
package fernstep.exchange.table;

import org.jspecify.annotations.NullMarked;

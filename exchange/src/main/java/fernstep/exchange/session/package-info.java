/** What happened in a session as JSON: one object a kind of event, reasons by key and facts, never as sentences. */
@NullMarked
package fernstep.exchange.session;

import org.jspecify.annotations.NullMarked;

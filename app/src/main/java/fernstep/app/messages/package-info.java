/** Mail to clients: put down first, then sent, never twice. */
@NullMarked
package fernstep.app.messages;

import org.jspecify.annotations.NullMarked;

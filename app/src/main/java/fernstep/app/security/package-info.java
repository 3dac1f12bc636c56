/** Sign-in, roles, the first account. */
@NullMarked
package fernstep.app.security;

import org.jspecify.annotations.NullMarked;

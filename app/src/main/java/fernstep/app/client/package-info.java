/** The client file and her page. */
@NullMarked
package fernstep.app.client;

import org.jspecify.annotations.NullMarked;

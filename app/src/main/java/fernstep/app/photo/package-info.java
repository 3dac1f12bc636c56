/** Photos of a client: only with recorded consent, without metadata, for her own team. */
@NullMarked
package fernstep.app.photo;

import org.jspecify.annotations.NullMarked;

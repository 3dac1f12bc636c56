/** Who may see whom: one check for every page, event, picture, file and export. */
@NullMarked
package fernstep.app.access;

import org.jspecify.annotations.NullMarked;

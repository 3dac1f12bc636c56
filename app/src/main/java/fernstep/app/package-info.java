/** The web application, packaged by feature: each folder has its controller, service, mapper and form types. */
@NullMarked
package fernstep.app;

import org.jspecify.annotations.NullMarked;

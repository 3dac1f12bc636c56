/** What a house says of itself to its clients: whom to call, when it is quiet. */
@NullMarked
package fernstep.app.house;

import org.jspecify.annotations.NullMarked;

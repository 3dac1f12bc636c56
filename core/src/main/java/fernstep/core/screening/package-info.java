/**
 * May she train today: facts and answers lead to one outcome, restrictions and dated gates. Days are calendar days;
 * may use measure, client and approach.
 */
@NullMarked
package fernstep.core.screening;

import org.jspecify.annotations.NullMarked;

/** A client's record as such: who sees it, what it was before, when she comes next, archive, export and erasure; the audit trail. */
@NullMarked
package fernstep.app.record;

import org.jspecify.annotations.NullMarked;

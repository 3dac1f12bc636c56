/** What other programs may read, as documented JSON under /api/v1: with a token of the house, scoped, expiring, revocable. */
@NullMarked
package fernstep.app.api;

import org.jspecify.annotations.NullMarked;

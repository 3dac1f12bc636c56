/** One client as a FHIR R4 bundle, out and in. What has no place in a case file is refused by its place, never dropped. */
@NullMarked
package fernstep.exchange.fhir;

import org.jspecify.annotations.NullMarked;

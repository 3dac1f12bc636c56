/** Traces of cuff and belts: devices that stream into a session, files, and the lab that lays repetitions over each other. */
@NullMarked
package fernstep.app.trace;

import org.jspecify.annotations.NullMarked;

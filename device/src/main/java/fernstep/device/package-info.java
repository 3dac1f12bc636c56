/** The stand-in cuff and belts: scripted women by a seed, with what is true of them, streamed or written to a file. */
@NullMarked
package fernstep.device;

import org.jspecify.annotations.NullMarked;

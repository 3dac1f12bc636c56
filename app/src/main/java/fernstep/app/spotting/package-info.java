/** The sign-spotting trainer: a simulated client runs a rung, what is called out is set against what truly showed. */
@NullMarked
package fernstep.app.spotting;

import org.jspecify.annotations.NullMarked;

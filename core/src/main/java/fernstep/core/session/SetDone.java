package fernstep.core.session;

import fernstep.core.body.Body;
import fernstep.core.catalogue.Rung;
import fernstep.core.plan.Dose;
import fernstep.core.plan.SessionTime;

/**
 * One set as it was done, or the part of it that was done on one rung.
 *
 * @param rung in the form in which she did it
 * @param range 0 to 1, at its end
 * @param set from 1
 * @param first number of its first repetition within the set, from 1
 * @param target repetitions or breaths that were wanted, from 1
 * @param done repetitions or breaths done, from 0
 * @param clean those before the first sign that asked for something; at most {@code done}
 */
public record SetDone(Rung rung, Dose dose, double range, int set, int first, int target, int done, int clean) {

    /** Seconds under load, rests left out; 0 for a rung that does not count as load. */
    public int secondsUnderLoad() {
        return done == 0 ? 0 : SessionTime.loadSeconds(rung, dose.withSets(1).withTimes(done));
    }

    /** Greatest load index on the way; 0 where no load is followed or nothing was done. */
    public double loadIndex(Body body) {
        return done == 0 ? 0 : rung.indexAt(range, body);
    }
}

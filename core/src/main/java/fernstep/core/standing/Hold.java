package fernstep.core.standing;

import fernstep.core.catalogue.Rung;
import fernstep.core.findings.BodyPlace;

/** What a report holds closed. Breath, posture and getting up stay open in any of them. */
public sealed interface Hold {
    /** Whether this exercise waits. */
    boolean holds(Rung rung);

    /** It is told, and nothing waits. */
    record Nothing() implements Hold {
        @Override
        public boolean holds(Rung rung) {
            return false;
        }
    }

    /** All but breath, posture and getting up. */
    record Everything() implements Hold {
        @Override
        public boolean holds(Rung rung) {
            return !rung.fromDayOne();
        }
    }

    /**
     * The exercise in which it came; the others may go on.
     *
     * @param code its code
     */
    record OneExercise(String code) implements Hold {
        @Override
        public boolean holds(Rung rung) {
            return rung.code().equals(code);
        }
    }

    /** What loads the place that hurts. */
    record WhatLoads(BodyPlace place) implements Hold {
        @Override
        public boolean holds(Rung rung) {
            boolean loaded = place.loadedBy().contains(rung.strand())
                    || rung.closedBy(place.closedPositions()).isPresent();
            return loaded && !rung.fromDayOne();
        }
    }
}

package fernstep.app.support;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * What a route about a client does to her training, so that the lock knows when it closes. A route that says nothing counts
 * as one that begins work: a new one is closed until somebody has thought about it.
 */
@Target({ElementType.METHOD, ElementType.TYPE})
@Retention(RetentionPolicy.RUNTIME)
public @interface Work {
    Kind value();

    /** What it does. */
    enum Kind {
        /** Starts, resumes or paces work: closed while anything has to be looked at first. */
        BEGINS,
        /** Shows or changes what she is to do: closed while an emergency stands. */
        PRESCRIBES,
        /** Keeps or shows the record, or asks the lock itself for each thing it shows. */
        NONE
    }
}

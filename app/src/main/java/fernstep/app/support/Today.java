package fernstep.app.support;

import java.time.Clock;
import java.time.LocalDate;
import org.springframework.stereotype.Component;

/** The calendar day at the studio; the only place that reads the clock for the rules. */
@Component
public class Today {
    private final Clock clock;

    public Today(Clock clock) {
        this.clock = clock;
    }

    public LocalDate date() {
        return LocalDate.now(clock);
    }
}

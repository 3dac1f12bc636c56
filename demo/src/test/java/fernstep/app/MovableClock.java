package fernstep.app;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.concurrent.atomic.AtomicReference;

/** The house's clock, which a test that is alone with the house may put on. */
public final class MovableClock extends Clock {
    private final Clock real = Clock.systemDefaultZone();
    private final AtomicReference<Duration> ahead = new AtomicReference<>(Duration.ZERO);

    /** It is this time of today, and goes on from there. */
    public void putOnTo(LocalTime time) {
        Instant then = LocalDate.now(real).atTime(time).atZone(getZone()).toInstant();
        ahead.set(Duration.between(real.instant(), then));
    }

    /** So much later than it is. */
    public void putOnBy(Duration more) {
        ahead.updateAndGet(now -> now.plus(more));
    }

    public void rightAgain() {
        ahead.set(Duration.ZERO);
    }

    @Override
    public ZoneId getZone() {
        return real.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        throw new UnsupportedOperationException("the house has one zone");
    }

    @Override
    public Instant instant() {
        return real.instant().plus(ahead.get());
    }
}

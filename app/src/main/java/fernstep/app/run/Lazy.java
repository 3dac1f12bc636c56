package fernstep.app.run;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** Made when it is first asked for, and once. */
final class Lazy<T> implements Supplier<T> {
    private final Supplier<T> maker;
    private @Nullable T made;

    private Lazy(Supplier<T> maker) {
        this.maker = maker;
    }

    static <T> Lazy<T> of(Supplier<T> maker) {
        return new Lazy<>(maker);
    }

    @Override
    public T get() {
        T now = made;
        if (now == null) {
            now = maker.get();
            made = now;
        }
        return now;
    }
}

package fernstep.core;

import java.util.Random;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** A small seeded generator: the same cases on every machine, and the seed in the name of the one that fails. */
public final class Seeded {
    private Seeded() {}

    public static <T> Stream<T> cases(int count, Function<Random, T> make) {
        return IntStream.range(0, count).mapToObj(seed -> make.apply(new Random(seed)));
    }
}

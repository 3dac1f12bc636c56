package fernstep.core.findings;

import fernstep.core.measure.Side;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The battery before somebody runs again, in its order, with what is enough of each on each side (after Goom, Donnelly &amp;
 * Brockwell 2019, expert consensus). Each but the last shows a rung of the way back to impact.
 */
public enum ImpactTest {
    /** Minutes. */
    WALK(30, 1),
    /** Seconds on one leg. */
    BALANCE(10, 2),
    HEEL_RAISES(20, 2),
    SQUATS(10, 3),
    LANDINGS(20, 4),
    BOUNDS(10, 5),
    HOPS(10, 6);

    private final int enough;
    private final int rung;

    ImpactTest(int enough, int rung) {
        this.enough = enough;
        this.rung = rung;
    }

    /** Minutes, seconds or repetitions. */
    public int enough() {
        return enough;
    }

    /** Which rung of the strand it shows, from 1. */
    public int rung() {
        return rung;
    }

    /** What she felt in the last of the tests that were done. */
    public enum Felt {
        FELT_NOTHING,
        FELT_LEAK,
        FELT_HEAVY,
        FELT_PAIN
    }

    /**
     * What was reached.
     *
     * @param reached minutes, seconds or repetitions by test and side; both sides alike where a test has none
     * @param felt in the last test done; null where she was not asked: then nothing is shown
     */
    public record Battery(
            Map<ImpactTest, Map<Side, Integer>> reached,
            @Nullable Felt felt) {
        static final Battery NOT_DONE = new Battery(Map.of(), null);

        public Battery {
            Map<ImpactTest, Map<Side, Integer>> copy = new EnumMap<>(ImpactTest.class);
            reached.forEach((test, sides) -> copy.put(test, Map.copyOf(sides)));
            reached = copy;
        }

        public boolean done() {
            return reached.values().stream().anyMatch(sides -> !sides.isEmpty());
        }

        /** She leaked, pressed down or hurt: nothing with impact until it was done again without. */
        public boolean symptomFelt() {
            return felt != null && felt != Felt.FELT_NOTHING;
        }

        /** What the pelvic floor told of itself. */
        public boolean floorFelt() {
            return felt == Felt.FELT_LEAK || felt == Felt.FELT_HEAVY;
        }

        private Optional<ImpactTest> last() {
            return reached.entrySet().stream()
                    .filter(entry -> !entry.getValue().isEmpty())
                    .map(Map.Entry::getKey)
                    .reduce((earlier, later) -> later);
        }

        /** Enough on that side, and nothing felt in it. */
        public boolean passed(ImpactTest test, Side side) {
            Integer got = reached.getOrDefault(test, Map.of()).get(side);
            boolean feltInIt =
                    felt != Felt.FELT_NOTHING && last().filter(test::equals).isPresent();
            return felt != null && got != null && got >= test.enough && !feltInIt;
        }

        /** All tests of a rung. */
        public boolean shows(int rung, Side side) {
            for (ImpactTest test : ImpactTest.values()) {
                if (test.rung == rung && !passed(test, side)) {
                    return false;
                }
            }
            return true;
        }

        /** The first test that is not passed on both sides; empty when all are. */
        public Optional<ImpactTest> heldBackBy() {
            for (ImpactTest test : ImpactTest.values()) {
                if (!passed(test, Side.LEFT) || !passed(test, Side.RIGHT)) {
                    return Optional.of(test);
                }
            }
            return Optional.empty();
        }
    }
}

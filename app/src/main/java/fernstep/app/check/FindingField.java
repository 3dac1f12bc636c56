package fernstep.app.check;

import fernstep.core.findings.Findings;
import fernstep.core.findings.FloatTest;
import fernstep.core.measure.Range;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Every finding that can be recorded: as one of some codes, or as a number in a range; per side or not. */
public enum FindingField {
    COUGH(Findings.Cough.class, false),
    DOMING(Findings.Doming.class, false),
    SET_GRADE(Range.SET_GRADE, true),
    TOLERANCE_BREATHS(Range.BREATHS, false),
    BREATH_PATTERN(Findings.BreathPattern.class, false),
    LUMBAR_GAP(Findings.LumbarGap.class, false),
    RIBS(Findings.RibsOverPelvis.class, false),
    FLOAT_F1(FloatTest.Try.class, true),
    FLOAT_F2(FloatTest.Try.class, true),
    FLOAT_F3(FloatTest.Try.class, true),
    FLOAT_F4(FloatTest.Try.class, true),
    FLOAT_F5(FloatTest.Try.class, true);

    private final List<String> codes;
    private final @Nullable Range range;
    private final boolean perSide;

    FindingField(Class<? extends Enum<?>> codes, boolean perSide) {
        this.codes = Arrays.stream(codes.getEnumConstants()).map(Enum::name).toList();
        this.range = null;
        this.perSide = perSide;
    }

    FindingField(Range range, boolean perSide) {
        this.codes = List.of();
        this.range = range;
        this.perSide = perSide;
    }

    public List<String> codes() {
        return codes;
    }

    public boolean perSide() {
        return perSide;
    }

    public boolean number() {
        return range != null;
    }

    static List<FindingField> floatTries() {
        return List.of(FLOAT_F1, FLOAT_F2, FLOAT_F3, FLOAT_F4, FLOAT_F5);
    }

    /** What is wrong with a value, in words, or nothing. */
    Optional<String> problem(String value) {
        if (range == null) {
            return codes.contains(value) ? Optional.empty() : Optional.of("One of " + String.join(", ", codes) + ".");
        }
        try {
            range.check(Integer.parseInt(value));
            return Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.of(range.label() + " must be a whole number " + range.allowed() + ".");
        }
    }
}

package fernstep.app.check;

import fernstep.core.findings.Findings;
import fernstep.core.findings.FloatTest;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Range;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** Every finding that can be recorded: one of some codes, a number in a range, or points on a picture. */
public enum FindingField {
    DOMING(Findings.Doming.class, false),
    DOME_WHEN(Observed.DomeWhen.class, false),
    DOME_EXTENT_CM(Range.DOME_EXTENT_CM, false),
    COUGH(Findings.Cough.class, false),
    COUGH_FLOOR(Findings.FloorOnCough.class, false),
    SET_GRADE(Range.SET_GRADE, true),
    SET_HOLD_S(Range.HOLD_S, true),
    SET_EFFORT_PCT(Range.EFFORT_PCT, false),
    PF_LIFT(Observed.FloorLift.class, false),
    PF_LET_GO(Observed.LetGo.class, false),
    PF_OVER(Observed.YesNo.class, false),
    PF_HOLD_S(Range.FLOOR_HOLD_S, false),
    PF_QUICK(Range.QUICK_LIFTS, false),
    /** Internal examination: therapists only. */
    PF_INTERNAL(Range.SET_GRADE, false),
    BREATH_PATTERN(Findings.BreathPattern.class, false),
    RIB_IN_CM(Range.GIRTH_CM, false),
    RIB_OUT_CM(Range.GIRTH_CM, false),
    LUMBAR_GAP(Findings.LumbarGap.class, false),
    RIB_FLARE(Observed.YesNo.class, false),
    FLARE_SETTLES(Observed.YesNo.class, false),
    RIBS(Findings.RibsOverPelvis.class, false),
    ALIGNMENT_POINTS(Landmarks.ALIGNMENT_POINTS),
    DOME_POINTS(Landmarks.DOME_POINTS),
    TOLERANCE_BREATHS(Range.BREATHS, false),
    STRAW(Observed.Straw.class, false),
    FLOAT_F1(FloatTest.Try.class, true),
    FLOAT_F2(FloatTest.Try.class, true),
    FLOAT_F3(FloatTest.Try.class, true),
    FLOAT_F4(FloatTest.Try.class, true),
    FLOAT_F5(FloatTest.Try.class, true),
    SCOOP(Findings.Scoop.class, false),
    SCOOP_MM(Range.DEPTH_MM, false),
    ROD_ARM(Observed.RodContact.class, true),
    ROD_LEG(Observed.RodContact.class, true),
    BELLY_DROP(Observed.YesNo.class, false),
    HIP_DROP(Observed.YesNo.class, true),
    HOVER_S(Range.HOLD_S, false);

    /** Digits with at most one comma or point. */
    private static final String DECIMAL = "-?[0-9]{1,6}([.,][0-9]{1,3})?";

    private final List<String> codes;
    private final @Nullable Range range;
    private final boolean perSide;
    private final int points;

    FindingField(Class<? extends Enum<?>> codes, boolean perSide) {
        this.codes = Arrays.stream(codes.getEnumConstants()).map(Enum::name).toList();
        this.range = null;
        this.perSide = perSide;
        this.points = 0;
    }

    FindingField(Range range, boolean perSide) {
        this.codes = List.of();
        this.range = range;
        this.perSide = perSide;
        this.points = 0;
    }

    FindingField(int points) {
        this.codes = List.of();
        this.range = null;
        this.perSide = false;
        this.points = points;
    }

    /** What can be chosen with one tap: the codes, or the few numbers. */
    public List<String> choices() {
        return oneTap() && range != null
                ? IntStream.rangeClosed((int) range.min(), (int) range.max())
                        .mapToObj(String::valueOf)
                        .toList()
                : codes;
    }

    public @Nullable Range range() {
        return range;
    }

    public boolean perSide() {
        return perSide;
    }

    /** A small whole number is one tap; a larger one has a stepper. */
    public boolean oneTap() {
        return range != null && range.max() <= 5;
    }

    public boolean stepper() {
        return range != null && !oneTap();
    }

    /** How far one press of the stepper goes: half a centimetre for girths, else one. */
    public double step() {
        return range == Range.GIRTH_CM ? 0.5 : 1;
    }

    /** Only a licensed clinician may record it. */
    public boolean therapistOnly() {
        return this == PF_INTERNAL;
    }

    static List<FindingField> floatTries() {
        return List.of(FLOAT_F1, FLOAT_F2, FLOAT_F3, FLOAT_F4, FLOAT_F5);
    }

    /** A value as typed: its one stored form, or what is wrong with it in words. */
    record Typed(@Nullable String canonical, @Nullable String problem) {
        static Typed kept(String canonical) {
            return new Typed(canonical, null);
        }

        static Typed refused(String problem) {
            return new Typed(null, problem);
        }
    }

    /** Builds the value first: what cannot be built is refused, the rest is stored in one form only. */
    Typed typed(String text) {
        String value = text.strip();
        if (this == ALIGNMENT_POINTS) {
            return Landmarks.typed(value, points, l -> l.alignment());
        }
        if (this == DOME_POINTS) {
            return Landmarks.typed(value, points, l -> l.profile());
        }
        if (range == null) {
            return codes.contains(value)
                    ? Typed.kept(value)
                    : Typed.refused("One of " + String.join(", ", codes) + ".");
        }
        if (!value.matches(DECIMAL)) {
            return Typed.refused(refusal());
        }
        double number = Double.parseDouble(value.replace(',', '.'));
        boolean halves = range == Range.GIRTH_CM || range == Range.DOME_EXTENT_CM;
        if (!range.holds(number) || (!halves && number != Math.rint(number))) {
            return Typed.refused(refusal());
        }
        return Typed.kept(Numbers.plain(number));
    }

    /** The stored form of a value, or nothing for one that cannot be built. */
    Optional<String> canonical(String text) {
        return Optional.ofNullable(typed(text).canonical());
    }

    private String refusal() {
        return range == null
                ? ""
                : range.label() + " must be a " + (oneTap() || range == Range.BREATHS ? "whole number " : "number ")
                        + range.allowed() + ".";
    }
}

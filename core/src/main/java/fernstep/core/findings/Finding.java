package fernstep.core.findings;

import fernstep.core.measure.Numbers;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Every finding that can be recorded, declared once: what values it takes, whether it has sides, who may record it and
 * what it is called in a case file. The check page, the case reader, the change report, the plan and the tables that go
 * out read this table; its words are under {@code field.} and its codes' under {@code finding.}.
 */
public enum Finding {
    DOMING(Observed.Doming.class, "doming"),
    DOME_WHEN(Observed.DomeWhen.class, null),
    DOME_EXTENT_CM(Range.DOME_EXTENT_CM, Sides.NONE, null),
    COUGH(Observed.Cough.class, "cough"),
    COUGH_FLOOR(Observed.FloorOnCough.class, "coughFloor"),
    SET_GRADE(Range.SET_GRADE, Sides.EACH, "setGrade"),
    SET_HOLD_S(Range.HOLD_S, Sides.EACH, "longestHoldS"),
    SET_EFFORT_PCT(Range.EFFORT_PCT, Sides.NONE, null),
    PF_LIFT(Observed.FloorLift.class, "floorLift"),
    PF_LET_GO(Observed.LetGo.class, "letGo"),
    PF_OVER(Observed.YesNo.class, null),
    PF_HOLD_S(Range.FLOOR_HOLD_S, Sides.NONE, null),
    PF_QUICK(Range.QUICK_LIFTS, Sides.NONE, null),
    /** Internal examination: therapists only. */
    PF_INTERNAL(Range.SET_GRADE, Sides.NONE, null),
    BREATH_PATTERN(Observed.BreathPattern.class, "breathPattern"),
    RIB_IN_CM(Range.GIRTH_CM, Sides.NONE, null),
    RIB_OUT_CM(Range.GIRTH_CM, Sides.NONE, null),
    LUMBAR_GAP(Observed.LumbarGap.class, "lumbarGap"),
    RIB_FLARE(Observed.YesNo.class, "ribFlare"),
    FLARE_SETTLES(Observed.YesNo.class, null),
    RIBS(Observed.RibsOverPelvis.class, "ribs"),
    ALIGNMENT_POINTS(Landmarks.ALIGNMENT_POINTS),
    DOME_POINTS(Landmarks.DOME_POINTS),
    TOLERANCE_BREATHS(Range.BREATHS, Sides.NONE, "toleranceBreaths"),
    STRAW(Observed.Straw.class, null),
    FLOAT_F1(FloatTest.Try.class, Sides.EACH, null),
    FLOAT_F2(FloatTest.Try.class, Sides.EACH, null),
    FLOAT_F3(FloatTest.Try.class, Sides.EACH, null),
    FLOAT_F4(FloatTest.Try.class, Sides.EACH, null),
    FLOAT_F5(FloatTest.Try.class, Sides.EACH, null),
    SCOOP(Observed.Scoop.class, "scoop"),
    SCOOP_MM(Range.DEPTH_MM, Sides.NONE, null),
    ROD_ARM(Observed.RodContact.class, Sides.EACH, null),
    ROD_LEG(Observed.RodContact.class, Sides.EACH, null),
    BELLY_DROP(Observed.YesNo.class, "bellyDrops"),
    HIP_DROP(Observed.YesNo.class, Sides.EACH, null),
    HOVER_S(Range.HOLD_S, Sides.NONE, "hoverS");

    /** Whether left and right are recorded apart. */
    private enum Sides {
        NONE,
        EACH
    }

    /** Digits with at most one comma or point. */
    private static final String DECIMAL = "-?[0-9]{1,6}([.,][0-9]{1,3})?";

    private static final int MOST_FOR_ONE_TAP = 5;
    private static final double HALF = 0.5;

    private final @Nullable Class<? extends Enum<?>> codes;
    private final @Nullable Range range;
    private final Sides sides;
    private final int points;
    private final @Nullable String caseField;

    Finding(Class<? extends Enum<?>> codes, @Nullable String caseField) {
        this(codes, null, Sides.NONE, 0, caseField);
    }

    Finding(Class<? extends Enum<?>> codes, Sides sides, @Nullable String caseField) {
        this(codes, null, sides, 0, caseField);
    }

    Finding(Range range, Sides sides, @Nullable String caseField) {
        this(null, range, sides, 0, caseField);
    }

    Finding(int points) {
        this(null, null, Sides.NONE, points, null);
    }

    Finding(
            @Nullable Class<? extends Enum<?>> codes,
            @Nullable Range range,
            Sides sides,
            int points,
            @Nullable String caseField) {
        this.codes = codes;
        this.range = range;
        this.sides = sides;
        this.points = points;
        this.caseField = caseField;
    }

    /** The five tries of the float test, easiest first; together they are one score. */
    public static List<Finding> floatTries() {
        return List.of(FLOAT_F1, FLOAT_F2, FLOAT_F3, FLOAT_F4, FLOAT_F5);
    }

    /** What it is called in a case file; empty where a case file does not hold it as such. */
    public Optional<String> caseField() {
        return Optional.ofNullable(caseField);
    }

    /** Its codes in order; none where it is a number or points. */
    public List<String> codes() {
        return codes == null
                ? List.of()
                : Arrays.stream(codes.getEnumConstants()).map(Enum::name).toList();
    }

    /** Seen or not seen. */
    public boolean flag() {
        return codes == Observed.YesNo.class;
    }

    /** What can be chosen with one tap: the codes, or the few numbers. */
    public List<String> choices() {
        return oneTap() && range != null
                ? IntStream.rangeClosed((int) range.min(), (int) range.max())
                        .mapToObj(String::valueOf)
                        .toList()
                : codes();
    }

    public @Nullable Range range() {
        return range;
    }

    public boolean perSide() {
        return sides == Sides.EACH;
    }

    /** A small whole number is one tap; a larger one has a stepper. */
    public boolean oneTap() {
        return range != null && range.max() <= MOST_FOR_ONE_TAP;
    }

    public boolean stepper() {
        return range != null && !oneTap();
    }

    /** How far one press of the stepper goes: half a centimetre for girths, else one. */
    public double step() {
        return range == Range.GIRTH_CM ? HALF : 1;
    }

    /** Only a licensed clinician may record it, and nobody else sees it, wherever it stands. */
    public boolean therapistOnly() {
        return this == PF_INTERNAL;
    }

    /** Whether a text names a finding that only a licensed clinician may record, and that others do not see. */
    public static boolean namesTherapistOnly(String text) {
        return Arrays.stream(values())
                .filter(Finding::therapistOnly)
                .anyMatch(f -> text.matches("(?s)(.*\\W)?" + f.name() + "(\\W.*)?"));
    }

    /** A value as typed: its one stored form, or what is wrong with it. */
    public record Typed(
            @Nullable String canonical, @Nullable Reason problem) {
        static Typed kept(String canonical) {
            return new Typed(canonical, null);
        }

        static Typed refused(Reason problem) {
            return new Typed(null, problem);
        }
    }

    /** Builds the value first: what cannot be built is refused, the rest is stored in one form only. */
    public Typed typed(String text) {
        String value = text.strip();
        if (this == ALIGNMENT_POINTS) {
            return Landmarks.typed(value, points, Landmarks::alignment);
        }
        if (this == DOME_POINTS) {
            return Landmarks.typed(value, points, Landmarks::profile);
        }
        return range == null ? code(value) : number(value, range);
    }

    private Typed code(String value) {
        return codes().contains(value)
                ? Typed.kept(value)
                : Typed.refused(Reason.of("refused.code", String.join(", ", codes())));
    }

    private Typed number(String value, Range allowed) {
        Double number = value.matches(DECIMAL) ? Double.valueOf(value.replace(',', '.')) : null;
        boolean halves = allowed == Range.GIRTH_CM || allowed == Range.DOME_EXTENT_CM;
        if (number == null || !allowed.holds(number) || (!halves && number != Math.rint(number))) {
            boolean whole = oneTap() || allowed == Range.BREATHS;
            return Typed.refused(
                    whole
                            ? Reason.of("refused.whole", allowed, allowed.span())
                            : Reason.of("refused.number", allowed, allowed.span()));
        }
        return Typed.kept(Numbers.plain(number));
    }

    /** The stored form of a value, or nothing for one that cannot be built. */
    public Optional<String> canonical(String text) {
        return Optional.ofNullable(typed(text).canonical());
    }
}

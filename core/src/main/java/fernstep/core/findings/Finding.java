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
 * Every finding that can be recorded, declared once: in which part of the check it is recorded, what values it takes, whether it
 * has sides, who may record it and what it is called in a case file. The check page, the case reader, the change report, the plan and the tables that go
 * out read this table; its words are under {@code field.} and its codes' under {@code finding.}.
 */
public enum Finding {
    DOMING(CheckSection.RIDGE, When.ALWAYS, Observed.Doming.class, "doming"),
    DOME_WHEN(CheckSection.RIDGE, When.RARELY, Observed.DomeWhen.class, null),
    DOME_EXTENT_CM(CheckSection.RIDGE, When.RARELY, Range.DOME_EXTENT_CM, Sides.NONE, null),
    COUGH(CheckSection.COUGH, When.ALWAYS, Observed.Cough.class, "cough"),
    COUGH_FLOOR(CheckSection.COUGH, When.ALWAYS, Observed.FloorOnCough.class, "coughFloor"),
    SET_GRADE(CheckSection.DEEP_CORE, When.ALWAYS, Range.SET_GRADE, Sides.EACH, "setGrade"),
    SET_HOLD_S(CheckSection.DEEP_CORE, When.ALWAYS, Range.HOLD_S, Sides.EACH, "longestHoldS"),
    SET_EFFORT_PCT(CheckSection.DEEP_CORE, When.RARELY, Range.EFFORT_PCT, Sides.NONE, null),
    PF_LIFT(CheckSection.PELVIC_FLOOR, When.ALWAYS, Observed.FloorLift.class, "floorLift"),
    PF_LET_GO(CheckSection.PELVIC_FLOOR, When.ALWAYS, Observed.LetGo.class, "letGo"),
    PF_OVER(CheckSection.PELVIC_FLOOR, When.RARELY, Observed.YesNo.class, null),
    PF_HOLD_S(CheckSection.PELVIC_FLOOR, When.RARELY, Range.FLOOR_HOLD_S, Sides.NONE, null),
    PF_QUICK(CheckSection.PELVIC_FLOOR, When.RARELY, Range.QUICK_LIFTS, Sides.NONE, null),
    /** Internal examination: therapists only. */
    PF_INTERNAL(CheckSection.PELVIC_FLOOR, When.RARELY, Range.SET_GRADE, Sides.NONE, null),
    BREATH_PATTERN(CheckSection.BREATH, When.ALWAYS, Observed.BreathPattern.class, "breathPattern"),
    RIB_IN_CM(CheckSection.BREATH, When.RARELY, Range.GIRTH_CM, Sides.NONE, null),
    RIB_OUT_CM(CheckSection.BREATH, When.RARELY, Range.GIRTH_CM, Sides.NONE, null),
    LUMBAR_GAP(CheckSection.LOW_BACK, When.ALWAYS, Observed.LumbarGap.class, "lumbarGap"),
    RIB_FLARE(CheckSection.LOW_BACK, When.ALWAYS, Observed.YesNo.class, "ribFlare"),
    FLARE_SETTLES(CheckSection.LOW_BACK, When.RARELY, Observed.YesNo.class, null),
    RIBS(CheckSection.ALIGNMENT, When.ALWAYS, Observed.RibsOverPelvis.class, "ribs"),
    ALIGNMENT_POINTS(CheckSection.ALIGNMENT, When.ALWAYS, Landmarks.ALIGNMENT_POINTS),
    DOME_POINTS(CheckSection.DOME_PROFILE, When.ALWAYS, Landmarks.DOME_POINTS),
    TOLERANCE_BREATHS(CheckSection.TOLERANCE, When.ALWAYS, Range.BREATHS, Sides.NONE, "toleranceBreaths"),
    STRAW(CheckSection.STRAW, When.ALWAYS, Observed.Straw.class, null),
    FLOAT_F1(CheckSection.FLOAT, When.ALWAYS, FloatTest.Try.class, Sides.EACH, null),
    FLOAT_F2(CheckSection.FLOAT, When.ALWAYS, FloatTest.Try.class, Sides.EACH, null),
    FLOAT_F3(CheckSection.FLOAT, When.ALWAYS, FloatTest.Try.class, Sides.EACH, null),
    FLOAT_F4(CheckSection.FLOAT, When.ALWAYS, FloatTest.Try.class, Sides.EACH, null),
    FLOAT_F5(CheckSection.FLOAT, When.ALWAYS, FloatTest.Try.class, Sides.EACH, null),
    SCOOP(CheckSection.SCOOP, When.ALWAYS, Observed.Scoop.class, "scoop"),
    SCOOP_MM(CheckSection.SCOOP, When.RARELY, Range.DEPTH_MM, Sides.NONE, null),
    ROD_ARM(CheckSection.ROD, When.ALWAYS, Observed.RodContact.class, Sides.EACH, null),
    ROD_LEG(CheckSection.ROD, When.ALWAYS, Observed.RodContact.class, Sides.EACH, null),
    BELLY_DROP(CheckSection.ROD, When.ALWAYS, Observed.YesNo.class, "bellyDrops"),
    HIP_DROP(CheckSection.ROD, When.ALWAYS, Observed.YesNo.class, Sides.EACH, null),
    HOVER_S(CheckSection.HOVER, When.ALWAYS, Range.HOLD_S, Sides.NONE, "hoverS"),
    IMPACT_WALK(CheckSection.IMPACT, When.ALWAYS, Range.WALK_MIN, Sides.NONE, null),
    IMPACT_BALANCE(CheckSection.IMPACT, When.ALWAYS, Range.BALANCE_S, Sides.EACH, null),
    IMPACT_HEEL_RAISES(CheckSection.IMPACT, When.ALWAYS, Range.TIMES, Sides.EACH, null),
    IMPACT_SQUATS(CheckSection.IMPACT, When.ALWAYS, Range.TIMES, Sides.EACH, null),
    IMPACT_LANDINGS(CheckSection.IMPACT, When.ALWAYS, Range.TIMES, Sides.NONE, null),
    IMPACT_BOUNDS(CheckSection.IMPACT, When.ALWAYS, Range.TIMES, Sides.EACH, null),
    IMPACT_HOPS(CheckSection.IMPACT, When.ALWAYS, Range.TIMES, Sides.EACH, null),
    IMPACT_FELT(CheckSection.IMPACT, When.ALWAYS, ImpactTest.Felt.class, null);

    /** Whether it stands open in its part of the check or is folded until it is asked for. */
    private enum When {
        ALWAYS,
        RARELY
    }

    /** Whether left and right are recorded apart. */
    private enum Sides {
        NONE,
        EACH
    }

    /** Digits with at most one comma or point. */
    private static final String DECIMAL = "-?[0-9]{1,6}([.,][0-9]{1,3})?";

    private static final int MOST_FOR_ONE_TAP = 5;
    private static final double HALF = 0.5;

    private final CheckSection section;
    private final When when;
    private final @Nullable Class<? extends Enum<?>> codes;
    private final @Nullable Range range;
    private final Sides sides;
    private final int points;
    private final @Nullable String caseField;

    Finding(CheckSection section, When when, Class<? extends Enum<?>> codes, @Nullable String caseField) {
        this(section, when, codes, null, Sides.NONE, 0, caseField);
    }

    Finding(CheckSection section, When when, Class<? extends Enum<?>> codes, Sides sides, @Nullable String caseField) {
        this(section, when, codes, null, sides, 0, caseField);
    }

    Finding(CheckSection section, When when, Range range, Sides sides, @Nullable String caseField) {
        this(section, when, null, range, sides, 0, caseField);
    }

    Finding(CheckSection section, When when, int points) {
        this(section, when, null, null, Sides.NONE, points, null);
    }

    Finding(
            CheckSection section,
            When when,
            @Nullable Class<? extends Enum<?>> codes,
            @Nullable Range range,
            Sides sides,
            int points,
            @Nullable String caseField) {
        this.section = section;
        this.when = when;
        this.codes = codes;
        this.range = range;
        this.sides = sides;
        this.points = points;
        this.caseField = caseField;
    }

    /** The part of the check in which it is recorded. */
    public CheckSection section() {
        return section;
    }

    /** Folded, where the check fills the screen, until it is asked for. */
    public boolean rarely() {
        return when == When.RARELY;
    }

    /** Marks that are dragged on a picture: neither chosen nor typed. */
    public boolean dragged() {
        return points > 0;
    }

    private static final String IMPACT = "IMPACT_";

    /** Which test of the battery it is the result of; empty for all else. */
    public Optional<ImpactTest> impactTest() {
        return Arrays.stream(ImpactTest.values())
                .filter(test -> name().equals(IMPACT + test.name()))
                .findFirst();
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
                .anyMatch(finding -> text.matches("(?s)(.*\\W)?" + finding.name() + "(\\W.*)?"));
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

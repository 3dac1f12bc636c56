package fernstep.core.findings;

import fernstep.core.measure.Side;
import fernstep.core.separation.DomingProfile;
import java.util.Collection;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Findings as recorded, each in its one stored form, and what they add up to. What is not here was not taken. */
public final class Recorded {
    public static final Recorded NOTHING = new Recorded(Map.of());

    /** A finding, and its side where it has sides. */
    public record Key(Finding finding, @Nullable Side side) {}

    private final Map<Key, String> values;

    private Recorded(Map<Key, String> values) {
        this.values = Map.copyOf(values);
    }

    /** Takes what can be built and passes over the rest: one bad value must not hide the others. */
    public static Recorded of(Map<Key, String> stored) {
        Map<Key, String> readable = new HashMap<>();
        stored.forEach((key, value) -> key.finding().canonical(value).ifPresent(text -> readable.put(key, text)));
        return new Recorded(readable);
    }

    /** What was taken of these findings alone. */
    public Recorded only(Collection<Finding> findings) {
        Map<Key, String> part = new HashMap<>(values);
        part.keySet().removeIf(key -> !findings.contains(key.finding()));
        return new Recorded(part);
    }

    public boolean isEmpty() {
        return values.isEmpty();
    }

    public Optional<String> value(Finding finding, @Nullable Side side) {
        return Optional.ofNullable(values.get(new Key(finding, side)));
    }

    /** Taken on some side, or at all where it has none. */
    public boolean taken(Finding finding) {
        return values.keySet().stream().anyMatch(key -> key.finding() == finding);
    }

    /** In the finding's unit. */
    public Optional<Double> number(Finding finding, @Nullable Side side) {
        return value(finding, side).map(Double::valueOf);
    }

    /** By side, for the sides on which it was taken. */
    public Map<Side, Double> bySide(Finding finding) {
        Map<Side, Double> all = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            number(finding, side).ifPresent(value -> all.put(side, value));
        }
        return all;
    }

    private <E extends Enum<E>> @Nullable E code(Finding finding, Class<E> type) {
        return value(finding, null).map(text -> Enum.valueOf(type, text)).orElse(null);
    }

    private @Nullable Boolean flag(Finding finding) {
        Observed.YesNo seen = code(finding, Observed.YesNo.class);
        return seen == null ? null : Boolean.valueOf(seen == Observed.YesNo.YES);
    }

    private @Nullable Integer whole(Finding finding) {
        return number(finding, null).map(value -> (int) Math.floor(value)).orElse(null);
    }

    public FloatTest floatTest(Side side) {
        Map<Integer, FloatTest.Try> tries = new HashMap<>();
        for (Finding each : Finding.floatTries()) {
            value(each, side)
                    .ifPresent(text -> tries.put(Finding.floatTries().indexOf(each) + 1, FloatTest.Try.valueOf(text)));
        }
        return new FloatTest(tries);
    }

    /** From the dragged landmarks. */
    public Optional<Alignment> alignment() {
        return value(Finding.ALIGNMENT_POINTS, null)
                .map(text -> Landmarks.of(text).alignment());
    }

    /** From the dragged ridge. */
    public Optional<DomingProfile> domingProfile() {
        return value(Finding.DOME_POINTS, null).map(text -> Landmarks.of(text).profile());
    }

    /** Tape round the lowest ribs, full breath in less full breath out, cm. */
    public Optional<Double> ribExcursionCm() {
        return number(Finding.RIB_IN_CM, null)
                .flatMap(in -> number(Finding.RIB_OUT_CM, null).map(out -> in - out));
    }

    public boolean firmRidge() {
        return code(Finding.DOMING, Observed.Doming.class) == Observed.Doming.FIRM;
    }

    /** What decides the start. */
    public Findings findings() {
        Map<Side, Integer> grades = new EnumMap<>(Side.class);
        Map<Side, Integer> scores = new EnumMap<>(Side.class);
        bySide(Finding.SET_GRADE).forEach((side, value) -> grades.put(side, value.intValue()));
        for (Side side : Side.values()) {
            FloatTest test = floatTest(side);
            if (test.tried()) {
                scores.put(side, test.score());
            }
        }
        return Findings.NONE
                .with(new Findings.Pressure(
                        code(Finding.COUGH, Observed.Cough.class),
                        code(Finding.COUGH_FLOOR, Observed.FloorOnCough.class),
                        code(Finding.DOMING, Observed.Doming.class)))
                .with(new Findings.AtRest(
                        code(Finding.BREATH_PATTERN, Observed.BreathPattern.class),
                        code(Finding.LUMBAR_GAP, Observed.LumbarGap.class),
                        ribs()))
                .with(new Findings.DeepCore(grades, whole(Finding.TOLERANCE_BREATHS), scores))
                .with(new Findings.HandsAndKnees(
                        code(Finding.SCOOP, Observed.Scoop.class),
                        kept(Finding.ROD_ARM),
                        kept(Finding.ROD_LEG),
                        contactLost(),
                        whole(Finding.HOVER_S)))
                .with(shown())
                .with(impact());
    }

    private ImpactTest.Battery impact() {
        Map<ImpactTest, Map<Side, Integer>> reached = new EnumMap<>(ImpactTest.class);
        for (Finding finding : Finding.values()) {
            finding.impactTest().ifPresent(test -> {
                Map<Side, Integer> sides = new EnumMap<>(Side.class);
                for (Side side : Side.values()) {
                    number(finding, finding.perSide() ? side : null)
                            .ifPresent(value -> sides.put(side, (int) Math.floor(value)));
                }
                reached.put(test, sides);
            });
        }
        return new ImpactTest.Battery(reached, code(Finding.IMPACT_FELT, ImpactTest.Felt.class));
    }

    private Findings.Shown shown() {
        return new Findings.Shown(
                bySide(Finding.SET_HOLD_S),
                alignment().map(Alignment::tiltDeg).orElse(null),
                flag(Finding.RIB_FLARE),
                code(Finding.PF_LIFT, Observed.FloorLift.class),
                code(Finding.PF_LET_GO, Observed.LetGo.class),
                flag(Finding.BELLY_DROP));
    }

    /** By eye where it was said, else from the dragged landmarks. */
    private Observed.@Nullable RibsOverPelvis ribs() {
        Observed.RibsOverPelvis byEye = code(Finding.RIBS, Observed.RibsOverPelvis.class);
        return byEye != null ? byEye : alignment().map(Alignment::ribs).orElse(null);
    }

    /** The sides on which the rod kept its three contacts. */
    private Set<Side> kept(Finding finding) {
        Set<Side> kept = EnumSet.noneOf(Side.class);
        contacts(finding).forEach((side, contact) -> {
            if (contact == Observed.RodContact.KEPT) {
                kept.add(side);
            }
        });
        return kept;
    }

    /** The sides on which it left its place somewhere, whatever else was kept. */
    private Set<Side> contactLost() {
        Set<Side> lost = EnumSet.noneOf(Side.class);
        for (Finding reach : List.of(Finding.ROD_ARM, Finding.ROD_LEG)) {
            contacts(reach).forEach((side, contact) -> {
                if (contact != Observed.RodContact.KEPT) {
                    lost.add(side);
                }
            });
        }
        return lost;
    }

    private Map<Side, Observed.RodContact> contacts(Finding finding) {
        Map<Side, Observed.RodContact> contacts = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            value(finding, side).ifPresent(text -> contacts.put(side, Observed.RodContact.valueOf(text)));
        }
        return contacts;
    }

    /** What was seen and told beside. */
    public Observed observed() {
        return new Observed(
                number(Finding.SET_EFFORT_PCT, null).orElse(null),
                code(Finding.PF_LIFT, Observed.FloorLift.class),
                code(Finding.PF_LET_GO, Observed.LetGo.class),
                code(Finding.PF_OVER, Observed.YesNo.class),
                code(Finding.RIB_FLARE, Observed.YesNo.class),
                code(Finding.FLARE_SETTLES, Observed.YesNo.class),
                code(Finding.STRAW, Observed.Straw.class),
                contacts(Finding.ROD_ARM),
                contacts(Finding.ROD_LEG),
                code(Finding.BELLY_DROP, Observed.YesNo.class),
                number(Finding.HOVER_S, null).orElse(null));
    }
}

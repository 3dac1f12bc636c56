package fernstep.app.check;

import fernstep.core.findings.Alignment;
import fernstep.core.findings.CheckSection;
import fernstep.core.findings.Finding;
import fernstep.core.findings.FloatTest;
import fernstep.core.findings.ImpactTest;
import fernstep.core.findings.Meanings;
import fernstep.core.findings.Recorded;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.measure.Symmetry;
import fernstep.core.plan.FindingLine;
import fernstep.core.separation.Condition;
import fernstep.core.separation.DomingProfile;
import fernstep.core.separation.Separation;
import fernstep.core.separation.SiteResult;
import fernstep.core.separation.Verdict;
import fernstep.core.separation.Width;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * One visit's checks as the page shows them.
 *
 * @param recorded today's findings
 * @param earlier the newest findings before today
 */
public record CheckSheet(
        List<ReadingRow> now,
        List<ReadingRow> before,
        Separation separation,
        @Nullable Separation previous,
        Recorded recorded,
        Recorded earlier,
        List<SkipRow> skips) {

    public static final List<Double> SITES_CM = List.of(5.0, 2.0, 0.0, -2.0, -5.0);
    private static final double ODD_DIFFERENCE_MM = 20;

    /** How the tag of a verdict looks. */
    public String tone(Verdict verdict) {
        return switch (verdict.code()) {
            case USUAL -> "tag-open";
            case BASELINE_ONLY -> "";
            default -> "tag-warn";
        };
    }

    public Map<Side, FloatTest> floatTests() {
        Map<Side, FloatTest> tests = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            tests.put(side, recorded.floatTest(side));
        }
        return tests;
    }

    public List<Double> sites() {
        return SITES_CM;
    }

    public Condition[] conditions() {
        return Condition.values();
    }

    /** The value typed today, "" where there is none. */
    public String typed(double site, Condition condition) {
        return text(now, site, condition);
    }

    public String last(double site, Condition condition) {
        return text(before, site, condition);
    }

    private static String text(List<ReadingRow> rows, double site, Condition condition) {
        return rows.stream()
                .filter(row -> row.siteCm() == site && row.conditionCode() == condition)
                .findFirst()
                .map(row -> ReadingRow.values(row.readingValues()).stream()
                        .map(Numbers::plain)
                        .collect(Collectors.joining(" ")))
                .orElse("");
    }

    public @Nullable Width width(double site, Condition condition) {
        return separation.widths().stream()
                .filter(width ->
                        width.reading().siteCm() == site && width.reading().condition() == condition)
                .findFirst()
                .orElse(null);
    }

    public @Nullable SiteResult site(double site) {
        return separation.sites().stream()
                .filter(result -> result.siteCm() == site)
                .findFirst()
                .orElse(null);
    }

    /** Today's value; "" where it was not taken. */
    public String value(String finding, String side) {
        return value(recorded, finding, side);
    }

    public String earlierValue(String finding, String side) {
        return value(earlier, finding, side);
    }

    private static String value(Recorded all, String finding, String side) {
        return all.value(Finding.valueOf(finding), side.isEmpty() ? null : Side.valueOf(side))
                .orElse("");
    }

    /** Null with fewer than two sites. */
    public @Nullable Double areaMm2(Condition condition) {
        return Optional.ofNullable(separation.profiles().get(condition))
                .flatMap(profile -> profile.areaMm2())
                .orElse(null);
    }

    public boolean floatTried() {
        return floatTests().values().stream().anyMatch(FloatTest::tried);
    }

    /** Sites where the rest width is so much narrower than the lift that it may be a slip. */
    public List<Double> oddSites() {
        return SITES_CM.stream()
                .filter(site -> {
                    Width rest = width(site, Condition.REST);
                    Width lift = width(site, Condition.HEAD_LIFT);
                    return rest != null && lift != null && lift.mm() - rest.mm() > ODD_DIFFERENCE_MM;
                })
                .toList();
    }

    /** Sections a plan needs that were neither done now nor before nor skipped. */
    public List<CheckSection> missingForPlan() {
        return Arrays.stream(CheckSection.values())
                .filter(CheckSection::neededForPlan)
                .filter(section -> !known(section) && skip(section).isEmpty())
                .toList();
    }

    private boolean known(CheckSection section) {
        return anyOf(recorded, section) || anyOf(earlier, section);
    }

    public boolean done(CheckSection section) {
        return switch (section) {
            case SEPARATION ->
                SITES_CM.stream()
                        .allMatch(value -> !typed(value, Condition.REST).isEmpty()
                                && !typed(value, Condition.HEAD_LIFT).isEmpty());
            default -> anyOf(recorded, section);
        };
    }

    /** The first check that is due and was neither done nor left out today; the first of all when there is none. */
    public CheckSection firstOpen() {
        return Arrays.stream(CheckSection.values())
                .filter(section ->
                        due(section) && !done(section) && skip(section).isEmpty())
                .findFirst()
                .orElse(CheckSection.SEPARATION);
    }

    /** Where one goes on from a check. */
    public Optional<CheckSection> after(CheckSection section) {
        return Arrays.stream(CheckSection.values())
                .filter(checkSection -> checkSection.compareTo(section) > 0 && due(checkSection))
                .findFirst();
    }

    /** A first check goes through all; a re-check through what was checked before and what a plan needs. */
    private boolean due(CheckSection section) {
        boolean recheck = !earlier.isEmpty() || !before.isEmpty();
        return (!recheck && !section.onlyIfWanted())
                || section == CheckSection.SEPARATION
                || section.neededForPlan()
                || anyOf(earlier, section)
                || anyOf(recorded, section);
    }

    private static boolean anyOf(Recorded taken, CheckSection section) {
        return Arrays.stream(Finding.values())
                .filter(finding -> finding.section() == section)
                .anyMatch(taken::taken);
    }

    public boolean anyTaken(List<Finding> fields) {
        return fields.stream().anyMatch(recorded::taken);
    }

    /** Whether the check was done before and nothing of it was entered today: one press says it is as it was. */
    public boolean canBeAsLastTime(CheckSection section) {
        return section.fields().stream().anyMatch(earlier::taken) && !anyTaken(section.fields());
    }

    /** Why a section was left out; empty when it was not. */
    public String skip(CheckSection section) {
        return skips.stream()
                .filter(row -> row.section() == section)
                .findFirst()
                .map(SkipRow::reason)
                .orElse("");
    }

    public @Nullable Alignment alignment() {
        return recorded.alignment().orElse(null);
    }

    public @Nullable DomingProfile domingProfile() {
        return recorded.domingProfile().orElse(null);
    }

    /** Tape round the lowest ribs, full breath in less full breath out, cm; null without both. */
    public @Nullable Double ribExcursionCm() {
        return recorded.ribExcursionCm().orElse(null);
    }

    /** A real widening at rest against the check before: nothing rises while it stands. */
    public boolean widenedAtRest() {
        return separation.widenedAtRest();
    }

    /** What today's findings mean for what may follow. */
    public List<Reason> meanings() {
        return meanings(null);
    }

    /** @param only what the findings of this check alone mean; null for all */
    public List<Reason> meanings(@Nullable CheckSection only) {
        Recorded part = only == null ? recorded : recorded.only(only.fields());
        List<Reason> all = new ArrayList<>(Meanings.of(part.findings()));
        all.addAll(Meanings.of(part.observed()));
        ImpactTest.Battery battery = part.findings().impact();
        if (battery.done()) {
            all.add(
                    battery.felt() == null
                            ? Reason.of("meaning.impact.notAsked")
                            : battery.heldBackBy()
                                    .map(test -> Reason.of(
                                            "meaning.impact.heldBack",
                                            Reason.of("field.IMPACT_" + test),
                                            test.enough(),
                                            Reason.of("finding." + battery.felt())))
                                    .orElseGet(() -> Reason.of("meaning.impact.ready")));
        }
        FindingLine.of(part.findings()).stream()
                .map(line ->
                        Reason.of("meaning.inPlan." + line.serves(), Reason.of("strand." + line.strand()), line.why()))
                .forEach(all::add);
        return all;
    }

    /** What is compared side by side, with its words; only where both sides were taken today. */
    public List<SideBySide> symmetries() {
        return symmetries(null);
    }

    /** @param only the comparisons of this check alone; null for all */
    public List<SideBySide> symmetries(@Nullable CheckSection only) {
        List<SideBySide> all = new ArrayList<>();
        if (only == null || only == CheckSection.DEEP_CORE) {
            sideBySide("field.SET_GRADE", Finding.SET_GRADE).ifPresent(all::add);
            sideBySide("field.SET_HOLD_S", Finding.SET_HOLD_S).ifPresent(all::add);
        }
        Map<Side, FloatTest> tests = floatTests();
        if ((only == null || only == CheckSection.FLOAT)
                && tests.values().stream().allMatch(FloatTest::tried)) {
            int left = Objects.requireNonNull(tests.get(Side.LEFT)).score();
            int right = Objects.requireNonNull(tests.get(Side.RIGHT)).score();
            all.add(new SideBySide("section.FLOAT", new Symmetry(left, right), Math.abs(left - right) >= 1));
        }
        return all;
    }

    /** A comparison; {@code changesPlan} from 20 % or one whole rung on. */
    public record SideBySide(String nameKey, Symmetry symmetry, boolean changesPlan) {
        private static final int HALF = 99;

        /** Bars from the middle of a 200-wide picture; the larger side is full. */
        public double leftWidth() {
            return width(symmetry.left());
        }

        public double rightWidth() {
            return width(symmetry.right());
        }

        public double leftX() {
            return HALF - leftWidth();
        }

        private double width(double value) {
            double larger = Math.max(symmetry.left(), symmetry.right());
            return larger == 0 ? 0 : HALF * value / larger;
        }
    }

    private Optional<SideBySide> sideBySide(String nameKey, Finding field) {
        return recorded.number(field, Side.LEFT)
                .flatMap(left -> recorded.number(field, Side.RIGHT).map(right -> new Symmetry(left, right)))
                .map(symmetry -> new SideBySide(nameKey, symmetry, symmetry.asymmetric()));
    }

    public MidlineDrawing drawing() {
        return MidlineDrawing.of(separation, previous);
    }

    public boolean allCalibrated() {
        return separation.widths().stream().allMatch(Width::calibrated);
    }
}

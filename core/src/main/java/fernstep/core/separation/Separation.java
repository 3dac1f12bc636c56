package fernstep.core.separation;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.measure.MeasurementError;
import fernstep.core.screening.Stage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/** The separation check, worked out. {@link #of} is the one entry. */
public record Separation(
        List<Width> widths,
        List<SiteResult> sites,
        Map<Condition, Profile> profiles,
        Map<Condition, AreaChange> areaChanges) {
    private static final List<Condition> OF_THE_HEADLINE = List.of(Condition.REST, Condition.HEAD_LIFT);

    public List<Width> widthsAtRest() {
        return widths.stream()
                .filter(width -> width.reading().condition() == Condition.REST)
                .toList();
    }

    /** The readings of one visit and whose hands took them. */
    public record Check(List<Reading> readings, Examiner examiner) {
        /** @throws IllegalArgumentException if a site, condition and method stand twice: repeats belong together */
        public Check {
            readings = List.copyOf(readings);
            for (int i = 0; i < readings.size(); i++) {
                for (Reading earlier : readings.subList(0, i)) {
                    if (earlier.sameSpot(readings.get(i))
                            && earlier.method() == readings.get(i).method()) {
                        throw new IllegalArgumentException("site " + earlier.siteCm() + " cm, " + earlier.condition()
                                + " stands twice; give repeats as values of one reading");
                    }
                }
            }
        }
    }

    /** No ridge looked at. */
    public static Separation of(Check now, @Nullable Check previous, GapReading stance, Stage.ForWidth stage) {
        return of(now, previous, stance, stage, false);
    }

    /** @param firmRidge a firm ridge showed on the head lift */
    public static Separation of(
            Check now, @Nullable Check previous, GapReading stance, Stage.ForWidth stage, boolean firmRidge) {
        List<Width> before = previous == null
                ? List.of()
                : previous.readings().stream()
                        .map(reading -> Width.of(reading, previous.examiner()))
                        .toList();
        Examiner then = previous == null ? Examiner.UNKNOWN : previous.examiner();
        List<Width> widths = confirmed(now.readings().stream()
                .map(reading -> Width.of(reading, now.examiner()))
                .map(width -> before(width, before)
                        .map(each -> width.comparedWith(each, now.examiner(), then))
                        .orElse(width))
                .toList());
        Map<Condition, Profile> profiles = new EnumMap<>(Condition.class);
        for (Condition condition : Condition.values()) {
            Profile profile = Profile.of(widths, condition);
            if (!profile.isEmpty()) {
                profiles.put(condition, profile);
            }
        }
        Map<Condition, AreaChange.Compared> areas = new EnumMap<>(Condition.class);
        for (Condition condition : OF_THE_HEADLINE) {
            AreaChange.of(widths, now.examiner(), before, then, condition)
                    .ifPresent(compared -> areas.put(condition, compared));
        }
        return new Separation(
                widths, sites(widths, now.examiner(), stance, stage, firmRidge), profiles, AreaChange.together(areas));
    }

    /** The headline: the gap at rest has truly widened. */
    public boolean widenedAtRest() {
        AreaChange rest = areaChanges.get(Condition.REST);
        return rest != null
                ? rest.kind() == Width.Kind.WIDER
                : widths.stream()
                        .filter(width -> width.reading().condition() == Condition.REST)
                        .anyMatch(width -> width.change() != null
                                && width.change().confirmed()
                                && width.change().kind() == Width.Kind.WIDER);
    }

    /** Ten cells at 95 % each would find a change by chance in four visits of ten: they are judged together. */
    private static List<Width> confirmed(List<Width> widths) {
        List<Width> compared =
                widths.stream().filter(width -> width.change() != null).toList();
        boolean[] stands = MeasurementError.standTogether(compared.stream()
                .mapToDouble(width -> Objects.requireNonNull(width.change()).chance())
                .toArray());
        return widths.stream()
                .map(width -> width.change() == null
                        ? width
                        : width.with(width.change().confirmedIf(stands[compared.indexOf(width)])))
                .toList();
    }

    /** The same site and condition on the previous visit, by the same method where there is a choice. */
    private static Optional<Width> before(Width now, List<Width> before) {
        return before.stream()
                .filter(width -> width.reading().sameSpot(now.reading()))
                .min(Comparator.comparing((Width width) ->
                                width.reading().method() != now.reading().method())
                        .thenComparing(Width::errorMm));
    }

    private static List<SiteResult> sites(
            List<Width> widths, Examiner examiner, GapReading stance, Stage.ForWidth stage, boolean firmRidge) {
        TreeSet<Double> sites = new TreeSet<>(Comparator.reverseOrder());
        widths.forEach(width -> sites.add(width.reading().siteCm()));
        List<SiteResult> results = new ArrayList<>();
        for (double site : sites) {
            Width rest = at(widths, site, Condition.REST);
            Width lift = at(widths, site, Condition.HEAD_LIFT);
            Width liftSet = at(widths, site, Condition.HEAD_LIFT_SET);
            Double closure =
                    rest == null || lift == null || rest.mm() == 0 ? null : 100 * (rest.mm() - lift.mm()) / rest.mm();
            Double setEffect = lift == null || liftSet == null ? null : lift.mm() - liftSet.mm();
            Width judged = rest != null ? rest : lift;
            Verdict verdict = judged == null
                    ? null
                    : VerdictRules.judge(
                            stance,
                            stage,
                            examiner,
                            judged,
                            new VerdictRules.Function(closure != null, opens(rest, lift), firmRidge));
            results.add(new SiteResult(site, closure, setEffect, verdict));
        }
        return List.copyOf(results);
    }

    /** Wider on the lift than at rest, beyond the error of both. */
    private static boolean opens(@Nullable Width rest, @Nullable Width lift) {
        return rest != null
                && lift != null
                && lift.mm() - rest.mm() > MeasurementError.smallestRealChange(rest.errorMm(), lift.errorMm());
    }

    private static @Nullable Width at(List<Width> widths, double site, Condition condition) {
        return widths.stream()
                .filter(width ->
                        width.reading().siteCm() == site && width.reading().condition() == condition)
                .min(Comparator.comparing(Width::errorMm))
                .orElse(null);
    }
}

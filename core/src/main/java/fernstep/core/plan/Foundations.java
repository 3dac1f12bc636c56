package fernstep.core.plan;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.findings.SignCode;
import fernstep.core.findings.Tolerance;
import fernstep.core.measure.Side;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Strand;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Which foundations are settled: no finding asks for them, and what they teach is shown, here or by something harder. */
final class Foundations {
    /** In the order in which they are learnt. */
    static final List<Strand> ORDER =
            List.of(Strand.BREATH, Strand.DEEP_CORE, Strand.PELVIC_FLOOR, Strand.PELVIC_CONTROL);

    private static final int TWELVE_WEEKS_DAYS = 84;
    private static final Set<Strand> TAUGHT_BY_LOAD = Set.of(Strand.DEEP_CORE, Strand.PELVIC_CONTROL);

    private final Plan.Question q;
    private final RungGates.Known known;

    Foundations(Plan.Question question) {
        this.q = question;
        this.known = question.knownWithoutSettled();
    }

    /** Those settled; none before loaded work may begin. */
    Set<Strand> settled() {
        Set<Strand> settled = new HashSet<>();
        if (!q.her().screening().open(GateCode.FIRST_LOADED)) {
            return settled;
        }
        Set<Strand> asked = FindingLine.of(q).stream()
                .filter(line -> line.serves() == FindingLine.Serves.MUST)
                .map(FindingLine::strand)
                .collect(Collectors.toSet());
        ORDER.stream()
                .filter(strand -> !asked.contains(strand))
                .filter(this::settled)
                .forEach(settled::add);
        return settled;
    }

    private boolean settled(Strand strand) {
        boolean harder = TAUGHT_BY_LOAD.contains(strand) && harderHeldClean();
        return switch (strand) {
            case BREATH -> breath();
            case DEEP_CORE -> f().engagementFirm() || (harder && !f().engagementWeak());
            case PELVIC_FLOOR -> pelvicFloor();
            default -> pelvicControl(harder);
        };
    }

    private Findings f() {
        return q.her().findings();
    }

    private boolean harderHeldClean() {
        return q.catalogue().marked(Waymark.SHOWS_FOUNDATIONS).stream()
                .map(Rung::code)
                .anyMatch(code -> held(code, Side.LEFT) && held(code, Side.RIGHT));
    }

    private boolean held(String code, Side side) {
        return known.isDone(code, side) || q.training().heldClean(code, side);
    }

    private boolean breath() {
        if (f().coughReversed() || f().breathPatternOff() || f().breathComesFirst()) {
            return false;
        }
        boolean toTheTop = q.wishes().stances().dose() == Stances.DoseStance.MINUTES_DAILY;
        if (toTheTop) {
            return done(Waymark.BREATHS_MANY);
        }
        return f().tolerance().map(Tolerance::isKept).orElse(false) || done(Waymark.BREATHS_KEPT);
    }

    /**
     * Lifts, lets go, no symptom in four weeks, twelve weeks after a birth. Where nobody asked whether it lifts, a firm
     * engagement on both sides shows it: the floor is part of that contraction.
     */
    private boolean pelvicFloor() {
        Integer days = q.her().screening().stage().daysSinceEvent();
        boolean tooSoon = q.her().pregnant() || (days != null && days < TWELVE_WEEKS_DAYS);
        if (tooSoon || q.training().floorSymptoms() || f().floorOnCough() == Observed.FloorOnCough.DESCENDS) {
            return false;
        }
        Observed.FloorLift lift = f().shown().lift();
        boolean lifts = lift == Observed.FloorLift.LIFTS
                || (lift == null && (f().floorOnCough() == Observed.FloorOnCough.LIFTS || f().engagementFirm()));
        Observed.LetGo letGo = f().shown().letGo();
        boolean letsGo = letGo == null || letGo == Observed.LetGo.FULLY;
        return letsGo && (lifts || done(Waymark.FLOOR_LEARNT));
    }

    private boolean pelvicControl(boolean harder) {
        if (q.training().seenClearlyOfLate(SignCode.BACK_ARCHES) || !f().tiltNeutral()) {
            return false;
        }
        return f().holdsCurve() || harder;
    }

    /** Rungs that count as done because their strand is settled. */
    static Set<RungGates.Done> taughtBy(Set<Strand> settled, RungGates.Known known) {
        Set<RungGates.Done> done = new HashSet<>(known.done());
        for (Rung top : known.catalogue().marked(Waymark.SETTLED_TEACHES)) {
            if (settled.contains(top.strand())) {
                Optional<Rung> at = Optional.of(top);
                while (at.isPresent()) {
                    done.add(new RungGates.Done(at.get().code(), null));
                    at = known.catalogue().previous(at.get());
                }
            }
        }
        return done;
    }

    static boolean upper(Rung rung) {
        return rung.means().contains(Waymark.CARRY_OVER_UPPER);
    }

    /** Where carry-over of a settled strand begins; empty for one that has none. */
    static Optional<Rung> firstUpper(Catalogue catalogue, Strand strand) {
        return catalogue.marked(Waymark.CARRY_OVER_UPPER).stream()
                .filter(rung -> rung.strand() == strand)
                .min(Comparator.comparingInt(Rung::order));
    }

    private boolean done(Waymark waymark) {
        return known.isDone(q.catalogue().at(waymark).code(), null);
    }
}

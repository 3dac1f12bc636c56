package fernstep.core.plan;

import fernstep.core.approach.Stances.Doming;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.findings.DeepCoreGrade;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.plan.Waiting.Until.What;
import fernstep.core.screening.Strand;
import java.util.EnumSet;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * How far a finding lets her go, whatever her places say: a weak engagement carries no load, a breath that comes first
 * carries the first float only, a ridge on the head lift caps what pulls at the midline.
 */
final class Ceilings {
    /** Where the load goes through the front wall. */
    private static final Set<Strand> FRONT =
            EnumSet.of(Strand.LEG_FLOAT, Strand.HEEL_SLIDE, Strand.ARM_LEG, Strand.HOVER_PLANK, Strand.CURL);

    private static final Waymark FIRST_FLOAT = Waymark.FLOAT_1;
    private static final Waymark FIRM_RIDGE_FLOAT = Waymark.FLOAT_2;
    private static final Waymark FIRM_RIDGE_SLIDE = Waymark.HEEL_SLIDE_FIRST;
    private static final Waymark FIRM_RIDGE_KNEES = Waymark.NEUTRAL_KEPT;
    private static final Waymark SOFT_RIDGE_FLOAT = Waymark.FLOAT_3;

    private Ceilings() {}

    /** Why a rung lies above what her findings allow; empty where it does not. */
    static Optional<Waiting> over(Rung rung, RungGates.Known known) {
        if (rung.loaded() && known.findings().shown().lift() == Observed.FloorLift.BEARS_DOWN) {
            return waiting(What.FLOOR_NOT_BEARING_DOWN);
        }
        Findings f = known.findings();
        boolean scoopMissing = f.scoop() == Observed.Scoop.NO
                && rung.strand() == Strand.HANDS_KNEES
                && above(rung, FIRM_RIDGE_KNEES, known.catalogue());
        if (scoopMissing) {
            return waiting(What.SCOOP);
        }
        if (!rung.loaded()) {
            return Optional.empty();
        }
        if (f.engagementWeak()) {
            return Optional.of(new Waiting.SetGrade(DeepCoreGrade.MOST_WEAK + 1));
        }
        if (f.breathComesFirst() && !rung.means().contains(FIRST_FLOAT)) {
            return waiting(What.BREATH_CONTROL);
        }
        if (f.doming() == Observed.Doming.FIRM && overFirmRidge(rung, known.catalogue())) {
            return waiting(What.NO_FIRM_RIDGE);
        }
        return softRidgeCaps(known) && overSoftRidge(rung, known.catalogue())
                ? waiting(What.NO_SOFT_RIDGE)
                : Optional.empty();
    }

    private static Optional<Waiting> waiting(What what) {
        return Optional.of(new Waiting.Until(what));
    }

    /** In pregnancy any ridge counts as not allowed. */
    private static boolean softRidgeCaps(RungGates.Known known) {
        boolean tolerated = known.doming() == Doming.SOFT_TOLERATED && !Boolean.TRUE.equals(known.pregnant());
        return known.findings().doming() == Observed.Doming.SOFT && known.doming() != null && !tolerated;
    }

    private static boolean overFirmRidge(Rung rung, Catalogue catalogue) {
        return switch (rung.strand()) {
            case CURL, HOVER_PLANK -> true;
            case LEG_FLOAT -> above(rung, FIRM_RIDGE_FLOAT, catalogue);
            case HEEL_SLIDE -> above(rung, FIRM_RIDGE_SLIDE, catalogue);
            case HANDS_KNEES -> above(rung, FIRM_RIDGE_KNEES, catalogue);
            default -> heavierAtTheFront(rung, FIRM_RIDGE_FLOAT, catalogue);
        };
    }

    private static boolean overSoftRidge(Rung rung, Catalogue catalogue) {
        if (!FRONT.contains(rung.strand())) {
            return false;
        }
        return rung.strand() == Strand.LEG_FLOAT
                ? above(rung, SOFT_RIDGE_FLOAT, catalogue)
                : rung.strand() == Strand.CURL || heavierAtTheFront(rung, SOFT_RIDGE_FLOAT, catalogue);
    }

    private static boolean above(Rung rung, Waymark cap, Catalogue catalogue) {
        Rung highest = catalogue.at(cap);
        String onTheLine =
                rung.branchOf() == null || rung.code().equals(highest.code()) ? rung.code() : rung.branchOf();
        return catalogue.rung(onTheLine).order() > highest.order()
                || (rung.branchOf() != null && !rung.code().equals(highest.code()) && onTheLine.equals(highest.code()));
    }

    /** Even at its easiest it asks more of the front wall than that rung in full. */
    private static boolean heavierAtTheFront(Rung rung, Waymark cap, Catalogue catalogue) {
        return catalogue.frontIndex(rung, 0) > catalogue.frontIndex(catalogue.at(cap), 1);
    }

    /** The load a front rung may reach while a ridge caps it; empty where none does. */
    static OptionalDouble index(Rung rung, RungGates.Known known, Body body) {
        boolean firm = known.findings().doming() == Observed.Doming.FIRM;
        if (!FRONT.contains(rung.strand()) || !rung.loaded() || !(firm || softRidgeCaps(known))) {
            return OptionalDouble.empty();
        }
        Rung cap = known.catalogue().at(firm ? FIRM_RIDGE_FLOAT : SOFT_RIDGE_FLOAT);
        return OptionalDouble.of(cap.indexAt(1, body));
    }
}

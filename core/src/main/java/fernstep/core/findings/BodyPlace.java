package fernstep.core.findings;

import fernstep.core.client.Restriction;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * A place on the body chart where pain is felt. Pain in two sessions is the same pain where place and side are the same.
 * What loads a place is our choice on the careful side: where it is not clear, everything that loads the trunk does.
 */
public enum BodyPlace {
    BELLY(false, everyLoad()),
    SCAR(false, everyLoad()),
    PUBIS(false, pelvis()),
    GROIN(true, pelvis()),
    HIP(true, pelvis()),
    BUTTOCK(true, pelvis()),
    LOW_BACK(false, everyLoad()),
    SACROILIAC(true, pelvis()),
    RIBS(true, everyLoad()),
    NECK(false, EnumSet.of(Strand.CURL, Strand.BACK_LINE, Strand.HOVER_PLANK, Strand.HANDS_KNEES)),
    SHOULDER(
            true,
            EnumSet.of(Strand.ARM_LEG, Strand.HANDS_KNEES, Strand.HOVER_PLANK, Strand.SIDE_SUPPORT, Strand.BACK_LINE)),
    WRIST(true, EnumSet.noneOf(Strand.class), Restriction.NO_WRIST_LOAD),
    KNEE(true, EnumSet.of(Strand.UPRIGHT), Restriction.NO_KNEELING),
    CALF(true, everyLoad()),
    PERINEUM(false, everyLoad()),
    BREAST(true, EnumSet.noneOf(Strand.class), Restriction.NO_PRONE),
    OTHER(false, everyLoad());

    private final boolean sided;
    private final Set<Strand> loadedBy;
    private final Set<Restriction> closedPositions;

    BodyPlace(boolean sided, Set<Strand> loadedBy, Restriction... closedPositions) {
        this.sided = sided;
        this.loadedBy = loadedBy;
        this.closedPositions = Set.of(closedPositions);
    }

    private static Set<Strand> everyLoad() {
        return EnumSet.complementOf(
                EnumSet.of(Strand.BREATH, Strand.DEEP_CORE, Strand.PELVIC_FLOOR, Strand.PELVIC_CONTROL));
    }

    private static Set<Strand> pelvis() {
        Set<Strand> all = everyLoad();
        all.remove(Strand.BACK_LINE);
        all.remove(Strand.CURL);
        return all;
    }

    /** Which of today's questions asks about pain there; empty where none does. */
    public Optional<Answer> askedAs() {
        return Optional.ofNullable(
                switch (this) {
                    case PUBIS, GROIN, HIP, BUTTOCK, SACROILIAC -> Answer.GIRDLE_PAIN;
                    case LOW_BACK -> Answer.BACK_PAIN;
                    case SCAR -> Answer.SCAR_TENDER;
                    case WRIST -> Answer.WRIST_PAIN;
                    case KNEE -> Answer.KNEE_PAIN;
                    case BREAST -> Answer.BREAST_DISCOMFORT;
                    case CALF -> Answer.CALF;
                    case BELLY -> Answer.ABDOMINAL_PAIN;
                    case RIBS, NECK, SHOULDER, PERINEUM, OTHER -> null;
                });
    }

    /** Whether it is asked on which side. */
    public boolean sided() {
        return sided;
    }

    /** Families of exercise that load it. */
    public Set<Strand> loadedBy() {
        return EnumSet.copyOf(loadedBy.isEmpty() ? EnumSet.noneOf(Strand.class) : loadedBy);
    }

    /** Positions that load it, whatever the exercise. */
    public Set<Restriction> closedPositions() {
        return closedPositions;
    }
}

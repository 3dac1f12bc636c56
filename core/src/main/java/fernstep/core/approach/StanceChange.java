package fernstep.core.approach;

import fernstep.core.approach.Stances.Activation;
import fernstep.core.approach.Stances.Breath;
import fernstep.core.approach.Stances.Doming;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.approach.Stances.Flexion;
import fernstep.core.approach.Stances.GapReading;
import fernstep.core.approach.Stances.Garment;
import fernstep.core.approach.Stances.Size;
import fernstep.core.approach.Stances.Spine;
import fernstep.core.approach.Stances.Start;
import java.util.Arrays;
import java.util.List;

/** One stance that can be changed on the spot, by its name and its options. */
public enum StanceChange {
    ACTIVATION(Activation.class),
    SPINE(Spine.class),
    BREATH(Breath.class),
    EFFORT_TIMING(EffortTiming.class),
    DOMING(Doming.class),
    GAP_READING(GapReading.class),
    START(Start.class),
    DOSE(DoseStance.class),
    FLEXION(Flexion.class),
    GARMENT(Garment.class),
    SIZE(Size.class);

    private final Class<? extends Enum<?>> type;

    StanceChange(Class<? extends Enum<?>> type) {
        this.type = type;
    }

    public List<String> options() {
        return Arrays.stream(type.getEnumConstants()).map(Enum::name).toList();
    }

    public String of(Stances stances) {
        return switch (this) {
            case ACTIVATION -> stances.activation().name();
            case SPINE -> stances.spine().name();
            case BREATH -> stances.breath().name();
            case EFFORT_TIMING -> stances.effortTiming().name();
            case DOMING -> stances.doming().name();
            case GAP_READING -> stances.gapReading().name();
            case START -> stances.start().name();
            case DOSE -> stances.dose().name();
            case FLEXION -> stances.flexion().name();
            case GARMENT -> stances.garment().name();
            case SIZE -> stances.size().name();
        };
    }

    /** @throws IllegalArgumentException for an option this stance does not have */
    public Stances in(Stances stances, String option) {
        if (!options().contains(option)) {
            throw new IllegalArgumentException(this + " is one of " + String.join(", ", options()));
        }
        return new Stances(
                this == ACTIVATION ? Activation.valueOf(option) : stances.activation(),
                this == SPINE ? Spine.valueOf(option) : stances.spine(),
                this == BREATH ? Breath.valueOf(option) : stances.breath(),
                this == EFFORT_TIMING ? EffortTiming.valueOf(option) : stances.effortTiming(),
                this == DOMING ? Doming.valueOf(option) : stances.doming(),
                this == GAP_READING ? GapReading.valueOf(option) : stances.gapReading(),
                this == START ? Start.valueOf(option) : stances.start(),
                this == DOSE ? DoseStance.valueOf(option) : stances.dose(),
                this == FLEXION ? Flexion.valueOf(option) : stances.flexion(),
                this == GARMENT ? Garment.valueOf(option) : stances.garment(),
                this == SIZE ? Size.valueOf(option) : stances.size());
    }

    /** Those in which two sets of stances differ. */
    public static List<StanceChange> between(Stances stances, Stances other) {
        return Arrays.stream(values())
                .filter(change -> !change.of(stances).equals(change.of(other)))
                .toList();
    }
}

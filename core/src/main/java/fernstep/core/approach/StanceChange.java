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

    public String of(Stances s) {
        return switch (this) {
            case ACTIVATION -> s.activation().name();
            case SPINE -> s.spine().name();
            case BREATH -> s.breath().name();
            case EFFORT_TIMING -> s.effortTiming().name();
            case DOMING -> s.doming().name();
            case GAP_READING -> s.gapReading().name();
            case START -> s.start().name();
            case DOSE -> s.dose().name();
            case FLEXION -> s.flexion().name();
            case GARMENT -> s.garment().name();
            case SIZE -> s.size().name();
        };
    }

    /** @throws IllegalArgumentException for an option this stance does not have */
    public Stances in(Stances s, String option) {
        if (!options().contains(option)) {
            throw new IllegalArgumentException(this + " is one of " + String.join(", ", options()));
        }
        return new Stances(
                this == ACTIVATION ? Activation.valueOf(option) : s.activation(),
                this == SPINE ? Spine.valueOf(option) : s.spine(),
                this == BREATH ? Breath.valueOf(option) : s.breath(),
                this == EFFORT_TIMING ? EffortTiming.valueOf(option) : s.effortTiming(),
                this == DOMING ? Doming.valueOf(option) : s.doming(),
                this == GAP_READING ? GapReading.valueOf(option) : s.gapReading(),
                this == START ? Start.valueOf(option) : s.start(),
                this == DOSE ? DoseStance.valueOf(option) : s.dose(),
                this == FLEXION ? Flexion.valueOf(option) : s.flexion(),
                this == GARMENT ? Garment.valueOf(option) : s.garment(),
                this == SIZE ? Size.valueOf(option) : s.size());
    }

    /** Those in which two sets of stances differ. */
    public static List<StanceChange> between(Stances a, Stances b) {
        return Arrays.stream(values()).filter(c -> !c.of(a).equals(c.of(b))).toList();
    }
}

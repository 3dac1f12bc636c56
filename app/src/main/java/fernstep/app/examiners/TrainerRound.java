package fernstep.app.examiners;

import fernstep.core.separation.Feel;
import java.io.Serializable;
import java.util.Random;

/**
 * A simulated abdomen with a width nobody has told: measured twice, the second time a little elsewhere.
 *
 * @param widthMm hidden width
 * @param firstFeltMm the width as it feels the first time: tissue is never the same twice
 * @param firstOffsetMm where its middle lies on the first picture, mm from the picture's middle
 */
public record TrainerRound(
        String id,
        double widthMm,
        Feel feel,
        double firstOffsetMm,
        double secondOffsetMm,
        double firstFeltMm,
        double secondFeltMm)
        implements Serializable {
    private static final double NARROWEST_MM = 12;
    private static final double WIDEST_MM = 56;
    private static final double OFFSET_MM = 12;
    /** Living tissue never feels the same twice. */
    private static final double NOISE_MM = 1.5;

    static TrainerRound random(String id, Random random) {
        double width = NARROWEST_MM + random.nextDouble() * (WIDEST_MM - NARROWEST_MM);
        return new TrainerRound(
                id,
                width,
                Feel.values()[random.nextInt(Feel.values().length)],
                (random.nextDouble() - 0.5) * 2 * OFFSET_MM,
                (random.nextDouble() - 0.5) * 2 * OFFSET_MM,
                width + random.nextGaussian() * NOISE_MM,
                width + random.nextGaussian() * NOISE_MM);
    }

    /** How far the skin gives under the finger where no muscle is, mm. */
    public double givesMm() {
        return switch (feel) {
            case SOFT -> 26;
            case SPRINGY -> 18;
            case TAUT -> 10;
        };
    }
}

package fernstep.app.figure;

import org.jspecify.annotations.Nullable;

/**
 * How she is drawn where she sees herself. Chosen, never guessed.
 *
 * @param skin null for the neutral one
 * @param hair null for the neutral one
 */
public record Look(@Nullable Skin skin, @Nullable Hair hair) {
    public static final Look NEUTRAL = new Look(null, null);

    /** From light to dark. */
    public enum Skin {
        TONE_1,
        TONE_2,
        TONE_3,
        TONE_4,
        TONE_5,
        TONE_6
    }

    /** What is seen of it. */
    public enum Hair {
        DARK,
        BROWN,
        FAIR,
        GREY,
        COVERED
    }

    /** As the style sheet knows it; empty for the neutral look. */
    public String classes() {
        String ofSkin = skin == null ? "" : "skin-" + skin;
        String ofHair = hair == null ? "" : "hair-" + hair;
        return (ofSkin + " " + ofHair).strip();
    }
}

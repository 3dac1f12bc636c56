package fernstep.core.catalogue;

import org.jspecify.annotations.Nullable;

/**
 * How a figure is best seen: what works in front, nothing hiding what is judged.
 *
 * @param yawDeg turned toward her feet where she lies, toward her front where she is upright, -90 to 90; null as is usual in
 *     her position
 * @param pitchDeg from above, 0 to 60; null the same
 * @param hands where hands rest that bear nothing
 */
public record Sight(@Nullable Integer yawDeg, @Nullable Integer pitchDeg, HandsAt hands) {
    public static final Sight USUAL = new Sight(null, null, HandsAt.POSE);

    private static final int ALONG_HER_DEG = 45;

    /** In another position the usual camera sees more. */
    Sight elsewhere() {
        return new Sight(null, null, hands);
    }

    /** Rather along her than across: what goes sideways shows, and a profile does not. */
    public boolean alongHer() {
        return yawDeg != null && Math.abs(yawDeg) > ALONG_HER_DEG;
    }

    static Sight read(YamlPart own, YamlPart usual) {
        YamlPart part = (own.has("sight") ? own : usual).part("sight");
        Sight sight = new Sight(
                part.has("yaw") ? Integer.valueOf(part.whole("yaw")) : null,
                part.has("pitch") ? Integer.valueOf(part.whole("pitch")) : null,
                part.has("hands") ? part.code("hands", HandsAt.class) : HandsAt.POSE);
        part.nothingElse();
        return sight;
    }
}

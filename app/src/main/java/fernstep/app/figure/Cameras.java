package fernstep.app.figure;

import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;

/** From where each position is best seen. */
final class Cameras {
    private Cameras() {}

    static Camera of(Rung rung) {
        Camera usual = usual(rung.position());
        Integer yaw = rung.sight().yawDeg();
        Integer pitch = rung.sight().pitchDeg();
        return new Camera(yaw == null ? usual.yawDeg() : yaw, pitch == null ? usual.pitchDeg() : pitch);
    }

    private static Camera usual(Position position) {
        return switch (position) {
            case SUPINE, INCLINED, PRONE -> new Camera(20, 15);
            case SIDE -> new Camera(16, 32);
            case HANDS_KNEES -> new Camera(24, 12);
            case KNEELING, SEATED, STANDING, WALL -> new Camera(28, 8);
        };
    }
}

package fernstep.app.run;

import fernstep.core.findings.SignCode;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.stream.Collectors;

/** The key that presses a sign: the same one in every exercise. The ten that matter most have digits. */
public final class SignKeys {
    static final Map<SignCode, String> BY_SIGN = keys();

    private SignKeys() {}

    public static Map<String, String> byName() {
        return BY_SIGN.entrySet().stream()
                .collect(Collectors.toMap(entry -> entry.getKey().name(), Map.Entry::getValue));
    }

    private static Map<SignCode, String> keys() {
        Map<SignCode, String> keys = new EnumMap<>(SignCode.class);
        keys.put(SignCode.BREATH_HELD, "1");
        keys.put(SignCode.BEARS_DOWN, "2");
        keys.put(SignCode.RIBS_FLARE, "3");
        keys.put(SignCode.DOME_SOFT, "4");
        keys.put(SignCode.DOME_FIRM, "5");
        keys.put(SignCode.WALL_BULGE, "6");
        keys.put(SignCode.BACK_ARCHES, "7");
        keys.put(SignCode.PELVIS_ROCKS, "8");
        keys.put(SignCode.TIRED, "9");
        keys.put(SignCode.PAIN, "0");
        keys.put(SignCode.BELLY_DROPS, "d");
        keys.put(SignCode.SET_LOST, "l");
        keys.put(SignCode.BACK_PRESSED, "f");
        keys.put(SignCode.CONTACT_LOST, "k");
        keys.put(SignCode.HIP_GRIP, "h");
        keys.put(SignCode.NECK_SHOULDERS, "n");
        keys.put(SignCode.RUSHED, "r");
        keys.put(SignCode.NO_LET_GO, "g");
        keys.put(SignCode.HEAVY, "v");
        keys.put(SignCode.LEAK, "w");
        return Collections.unmodifiableMap(keys);
    }
}

package fernstep.exchange.casefile;

import fernstep.core.findings.BodyPlace;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A place of pain read from writing: a code of the body chart, or words of earlier records such as "left hip" and "Hip
 * left", which are the same place. What is not understood is {@link BodyPlace#OTHER}, which loads everything.
 *
 * @param side null where none was named, or for a place without sides
 */
public record PainPlace(BodyPlace place, @Nullable Side side) {
    private static final Map<String, BodyPlace> WORDS = Map.ofEntries(
            Map.entry("sacro", BodyPlace.SACROILIAC),
            Map.entry("low back", BodyPlace.LOW_BACK),
            Map.entry("lower back", BodyPlace.LOW_BACK),
            Map.entry("back of the pelvis", BodyPlace.SACROILIAC),
            Map.entry("back", BodyPlace.LOW_BACK),
            Map.entry("pubi", BodyPlace.PUBIS),
            Map.entry("symphysis", BodyPlace.PUBIS),
            Map.entry("belly", BodyPlace.BELLY),
            Map.entry("abdom", BodyPlace.BELLY),
            Map.entry("scar", BodyPlace.SCAR),
            Map.entry("groin", BodyPlace.GROIN),
            Map.entry("hip", BodyPlace.HIP),
            Map.entry("buttock", BodyPlace.BUTTOCK),
            Map.entry("rib", BodyPlace.RIBS),
            Map.entry("neck", BodyPlace.NECK),
            Map.entry("shoulder", BodyPlace.SHOULDER),
            Map.entry("wrist", BodyPlace.WRIST),
            Map.entry("knee", BodyPlace.KNEE),
            Map.entry("calf", BodyPlace.CALF),
            Map.entry("perineum", BodyPlace.PERINEUM),
            Map.entry("breast", BodyPlace.BREAST));

    /** The longest words first, so that the back of the pelvis is not the back. */
    private static final List<String> LONGEST_FIRST = longestFirst();

    private static List<String> longestFirst() {
        List<String> words = new ArrayList<>(WORDS.keySet());
        words.sort((one, other) -> other.length() - one.length());
        return List.copyOf(words);
    }

    /** What a writing says; never fails. */
    public static PainPlace read(String said) {
        String words = said.trim().toLowerCase(Locale.ROOT);
        BodyPlace place = code(said.trim())
                .orElseGet(() -> LONGEST_FIRST.stream()
                        .filter(words::contains)
                        .map(WORDS::get)
                        .findFirst()
                        .orElse(BodyPlace.OTHER));
        Side right = words.contains("right") ? Side.RIGHT : null;
        Side side = words.contains("left") ? Side.LEFT : right;
        return new PainPlace(place, place.sided() ? side : null);
    }

    private static Optional<BodyPlace> code(String said) {
        for (BodyPlace place : BodyPlace.values()) {
            if (place.name().equals(said)) {
                return Optional.of(place);
            }
        }
        return Optional.empty();
    }
}

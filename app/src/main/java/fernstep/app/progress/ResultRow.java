package fernstep.app.progress;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.progress.SessionResult;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** How one rung and side went in a session; next-day codes and signs with commas, pain as PAIN:level where its level was told. */
public record ResultRow(
        String sessionId,
        String rung,
        String side,
        long clientId,
        LocalDate heldOn,
        SessionResult.Kind result,
        @Nullable Integer effort,
        @Nullable String nextDay,
        String signs,
        double rangeFraction) {

    public SessionResult asResult() {
        return new SessionResult(heldOn, result, effort, nextDay == null ? null : symptoms(nextDay));
    }

    private static List<SessionResult.Symptom> symptoms(String text) {
        return codes(text).stream()
                .map(part -> part.split(":", 2))
                .map(p ->
                        new SessionResult.Symptom(SignCode.valueOf(p[0]), p.length > 1 ? Integer.valueOf(p[1]) : null))
                .toList();
    }

    public @Nullable Side sideOrNull() {
        return side.isEmpty() ? null : Side.valueOf(side);
    }

    /** Leaking or heaviness, in the session or the day after. */
    boolean floorSymptom() {
        boolean told = nextDay != null && symptoms(nextDay).stream().anyMatch(s -> ofTheFloor(s.code()));
        return told || signList().stream().anyMatch(ResultRow::ofTheFloor);
    }

    /** What holds everything: told the day after, or heaviness and leaking in the session itself. */
    boolean holdsEverything() {
        boolean dayAfter =
                nextDay != null && symptoms(nextDay).stream().anyMatch(SessionResult.Symptom::holdsEverything);
        return dayAfter || signList().stream().anyMatch(ResultRow::ofTheFloor);
    }

    /** 1 to 10 where pain was told with the session, else null. */
    public @Nullable Integer painLevel() {
        return symptoms(signs).stream()
                .filter(s -> s.code() == SignCode.PAIN)
                .map(SessionResult.Symptom::level)
                .findFirst()
                .orElse(null);
    }

    private static boolean ofTheFloor(SignCode code) {
        return code == SignCode.HEAVY || code == SignCode.LEAK;
    }

    public List<SignCode> signList() {
        return symptoms(signs).stream().map(SessionResult.Symptom::code).toList();
    }

    private static List<String> codes(String text) {
        return Arrays.stream(text.split(",")).filter(s -> !s.isBlank()).toList();
    }
}

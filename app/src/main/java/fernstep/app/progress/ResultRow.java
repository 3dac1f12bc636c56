package fernstep.app.progress;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Training;
import fernstep.core.progress.Amount;
import fernstep.core.progress.SessionResult;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
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
        double rangeFraction,
        @Nullable Integer setsDone,
        @Nullable Integer timesDone,
        @Nullable Integer holdS) {

    /** How much was done is not on record. */
    public ResultRow(
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
        this(sessionId, rung, side, clientId, heldOn, result, effort, nextDay, signs, rangeFraction, null, null, null);
    }

    /** The same with how much was done; null where that is not known. */
    public ResultRow withAmount(@Nullable Amount amount) {
        return amount == null
                ? this
                : new ResultRow(
                        sessionId,
                        rung,
                        side,
                        clientId,
                        heldOn,
                        result,
                        effort,
                        nextDay,
                        signs,
                        rangeFraction,
                        amount.sets(),
                        amount.times(),
                        amount.holdS());
    }

    /** As it is told in her log: stopped, eased, or done. */
    public String told() {
        return switch (result) {
            case STOPPED, EASED -> result.name();
            case CLEAN, HELPED, STEPPED_BACK -> "DONE";
        };
    }

    /** What was done of a dose; all of it where that is not on record. */
    Dose doneOf(Dose dose) {
        Amount amount = amount();
        if (amount == null) {
            return dose;
        }
        Dose done = dose.withSets(amount.sets()).withTimes(amount.times());
        return amount.holdS() == null ? done : done.withHoldS(amount.holdS());
    }

    /** How much was done; null where that is not on record. */
    public @Nullable Amount amount() {
        return setsDone == null || timesDone == null || !Range.SETS.holds(setsDone)
                ? null
                : new Amount(setsDone, timesDone, holdS);
    }

    /** An effort that no scale has is passed over. */
    public SessionResult asResult() {
        return asResult(null);
    }

    /** @param cleanAt what it could be done clean at; null where it was not made easier */
    SessionResult asResult(@Nullable CleanSetting cleanAt) {
        Integer told = effort != null && Range.EFFORT.holds(effort) ? effort : null;
        return new SessionResult(heldOn, result, told, nextDay == null ? null : symptoms(nextDay), cleanAt, amount());
    }

    /** As the plan reads it; empty for a rung that the catalogue no longer has. */
    Optional<Training.Trained> asTrained(Catalogue catalogue) {
        return catalogue
                .find(rung)
                .map(each -> new Training.Trained(
                        each.strand(),
                        rung,
                        sideOrNull(),
                        heldOn,
                        result == SessionResult.Kind.CLEAN,
                        EnumSet.copyOf(signList().isEmpty() ? EnumSet.noneOf(SignCode.class) : signList())));
    }

    private static List<SessionResult.Symptom> symptoms(String text) {
        // most sessions have none, and years of them are read at once
        return text.isEmpty()
                ? List.of()
                : codes(text).stream()
                        .map(part -> part.split(":", 2))
                        .map(texts -> new SessionResult.Symptom(
                                SignCode.valueOf(texts[0]), texts.length > 1 ? Integer.valueOf(texts[1]) : null))
                        .toList();
    }

    public @Nullable Side sideOrNull() {
        return side.isEmpty() ? null : Side.valueOf(side);
    }

    /** Leaking or heaviness, in the session or the day after. */
    boolean floorSymptom() {
        boolean told = nextDay != null && symptoms(nextDay).stream().anyMatch(symptom -> ofTheFloor(symptom.code()));
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
                .filter(symptom -> symptom.code() == SignCode.PAIN)
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
        return Arrays.stream(text.split(",")).filter(part -> !part.isBlank()).toList();
    }
}

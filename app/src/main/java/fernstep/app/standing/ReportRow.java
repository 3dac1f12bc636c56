package fernstep.app.standing;

import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.standing.Concern;
import fernstep.core.standing.SafetyReport;
import java.time.LocalDateTime;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A report as stored; what its kind has no use for is empty.
 *
 * @param id 0 before it is stored
 * @param code an answer or a sign
 * @param amount the level of a pain, or how many wrong PINs
 * @param heardBy who took it down; null where she told it on her own page
 * @param heardByName the same by name
 */
record ReportRow(
        long id,
        long clientId,
        Kind kind,
        String code,
        String rung,
        @Nullable Integer amount,
        boolean more,
        boolean sharp,
        @Nullable BodyPlace place,
        String side,
        SafetyReport.Way way,
        LocalDateTime reportedAt,
        @Nullable Long heardBy,
        @Nullable String heardByName,
        @Nullable Long visitId,
        @Nullable String sessionId) {

    /** What a report is about, as stored. */
    enum Kind {
        EMERGENCY,
        ASK_FIRST,
        ADAPTS,
        PELVIC_FLOOR,
        LEAKING,
        PAIN,
        PAIN_AFTERWARDS,
        PAGE_LOCKED
    }

    static ReportRow of(long clientId, Concern concern, Heard heard) {
        return concern.read(new Concern.Reader<>() {
            private ReportRow row(
                    Kind kind,
                    String code,
                    String rung,
                    @Nullable Integer amount,
                    boolean more,
                    boolean sharp,
                    @Nullable BodyPlace place,
                    @Nullable Side side) {
                return new ReportRow(
                        0,
                        clientId,
                        kind,
                        code,
                        rung,
                        amount,
                        more,
                        sharp,
                        place,
                        side == null ? "" : side.name(),
                        heard.way(),
                        heard.at(),
                        heard.by(),
                        null,
                        heard.visitId(),
                        heard.sessionId());
            }

            @Override
            public ReportRow emergency(Answer answer) {
                return row(Kind.EMERGENCY, answer.name(), "", null, false, false, null, null);
            }

            @Override
            public ReportRow askFirst(Answer answer) {
                return row(Kind.ASK_FIRST, answer.name(), "", null, false, false, null, null);
            }

            @Override
            public ReportRow adapts(Answer answer) {
                return row(Kind.ADAPTS, answer.name(), "", null, false, false, null, null);
            }

            @Override
            public ReportRow pelvicFloor(Concern.PelvicFloor floor) {
                return row(Kind.PELVIC_FLOOR, floor.sign().name(), floor.rung(), null, false, false, null, null);
            }

            @Override
            public ReportRow leaking(Concern.Leaking leaking) {
                return row(Kind.LEAKING, "", leaking.rung(), null, leaking.more(), false, null, null);
            }

            @Override
            public ReportRow pain(Concern.Pain pain) {
                return row(
                        Kind.PAIN, "", pain.rung(), pain.painLevel(), false, pain.sharp(), pain.place(), pain.side());
            }

            @Override
            public ReportRow painAfterwards(int painLevel) {
                return row(Kind.PAIN_AFTERWARDS, "", "", painLevel, false, false, null, null);
            }

            @Override
            public ReportRow pageLocked(int wrongPins) {
                return row(Kind.PAGE_LOCKED, "", "", wrongPins, false, false, null, null);
            }
        });
    }

    private Concern concern() {
        return switch (kind) {
            case EMERGENCY -> new Concern.Emergency(Answer.valueOf(code));
            case ASK_FIRST -> new Concern.AskFirst(Answer.valueOf(code));
            case ADAPTS -> new Concern.Adapts(Answer.valueOf(code));
            case PELVIC_FLOOR -> new Concern.PelvicFloor(SignCode.valueOf(code), rung);
            case LEAKING -> new Concern.Leaking(more, rung);
            case PAIN ->
                new Concern.Pain(
                        Objects.requireNonNullElse(amount, Concern.PAIN_HOLDS_FROM),
                        sharp,
                        place,
                        side.isEmpty() ? null : Side.valueOf(side),
                        rung);
            case PAIN_AFTERWARDS ->
                new Concern.PainAfterwards(Objects.requireNonNullElse(amount, Concern.PAIN_AFTERWARDS_COUNTS_FROM));
            case PAGE_LOCKED -> new Concern.PageLocked(Objects.requireNonNullElse(amount, 1));
        };
    }

    SafetyReport asReport() {
        return new SafetyReport(id, concern(), way, reportedAt, heardByName == null ? "" : heardByName);
    }
}

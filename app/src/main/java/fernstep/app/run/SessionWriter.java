package fernstep.app.run;

import fernstep.app.progress.CleanSettingRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.run.Runner.Held;
import fernstep.app.support.Audit;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.Overridden;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Writes what happens in a session, and when it is over what came of it; writing it again writes the same. */
@Component
class SessionWriter {
    private final SessionMapper mapper;
    private final SessionLog log;
    private final Results results;
    private final Referrals referrals;
    private final Audit audit;

    SessionWriter(SessionMapper mapper, SessionLog log, Results results, Referrals referrals, Audit audit) {
        this.mapper = mapper;
        this.log = log;
        this.results = results;
        this.referrals = referrals;
        this.audit = audit;
    }

    /**
     * Stores what happened.
     *
     * @throws Refused where its id was used for something else
     */
    void store(Held before, Report report, SessionEvent event) {
        SessionRow row = before.row();
        StoredEvent stored = StoredEvent.of(row.id(), event);
        if (mapper.insertEvent(stored) == 0) {
            // told at the same moment from another tab, or an id that is taken
            refuseOther(row.id(), report);
            return;
        }
        log.wrote(stored);
        if (event instanceof Overridden chosen) {
            auditOverride(row, before.session(), chosen);
        }
    }

    /** It was left open: what was done in it counts as it was left. */
    void close(SessionRow row, Session left) {
        finish(row, left);
    }

    /** The row of a session says whether it is over. */
    void settle(SessionRow row, Session after) {
        if (after.ended()) {
            finish(row, after);
        } else if (row.finishedAt() != null) {
            mapper.reopen(row.id());
            results.remove(row.id());
        }
    }

    /** @throws Refused where an id that is taken stands for something else */
    void refuseOther(String sessionId, Report report) {
        boolean same = mapper.event(report.id())
                .filter(event -> event.sessionId().equals(sessionId))
                .map(event -> StoredEvent.read(List.of(event)).stream().allMatch(report::tells))
                .orElse(false);
        if (!same) {
            throw new Refused(Refused.Code.ID_REUSED);
        }
    }

    private void auditOverride(SessionRow session, Session before, Overridden chosen) {
        before.answered()
                .ifPresent(answered -> audit.record(
                        chosen.madeBy().value(),
                        session.clientId(),
                        "ADVICE_OVERRIDDEN",
                        answered.advice().rule() + " " + answered.advice().move() + " → " + chosen.move() + ": "
                                + chosen.reason()));
    }

    /** One result per rung and side that was worked on; writing it again writes the same. */
    private void finish(SessionRow session, Session held) {
        mapper.finish(session.id());
        held.results()
                .forEach(result -> results.put(new ResultRow(
                                session.id(),
                                result.rung(),
                                result.side() == null ? "" : result.side().name(),
                                session.clientId(),
                                session.heldOn(),
                                result.kind(),
                                result.effort(),
                                null,
                                result.signs().stream().map(Enum::name).collect(Collectors.joining(",")),
                                result.range())
                        .withAmount(result.amount())));
        referrals.report(session, held);
        results.putEased(
                session.id(),
                held.results().stream()
                        .flatMap(result ->
                                CleanSettingRow.of(session.id(), session.clientId(), session.heldOn(), result).stream())
                        .toList());
    }
}

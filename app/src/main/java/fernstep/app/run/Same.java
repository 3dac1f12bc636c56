package fernstep.app.run;

import fernstep.core.decision.Seen;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.ExerciseAdded;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Noted;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SetRepeated;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import fernstep.core.session.SkipReason;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.util.Objects;

/** Whether an event on record is what a report tells. */
record Same(Report report) implements SessionEvent.Kinds<Boolean> {
    private boolean is(Kind kind) {
        return report.kind() == kind;
    }

    @Override
    public Boolean repDone(RepDone event) {
        return is(Kind.REP);
    }

    @Override
    public Boolean setBegun(SetBegun event) {
        return is(Kind.NEXT_SET);
    }

    @Override
    public Boolean signSeen(SignSeen event) {
        Report.Sign told = report.sign();
        Seen seen = event.seen();
        return is(Kind.SIGN)
                && told != null
                && told.code().equals(seen.sign().name())
                && (told.severity() == null || told.severity() == seen.severity())
                && Objects.equals(told.painLevel(), seen.painLevel())
                && told.place() == seen.place()
                && Boolean.TRUE.equals(told.sharp()) == seen.sharp()
                && Objects.equals(told.recoverable(), seen.recoverable());
    }

    @Override
    public Boolean emergencyCalled(EmergencyCalled event) {
        return report.emergency().map(answer -> answer == event.answer()).orElse(false);
    }

    @Override
    public Boolean overridden(Overridden event) {
        Report.Chosen chosen = report.chosen();
        return is(Kind.OVERRIDE)
                && chosen != null
                && chosen.refersTo().equals(event.signId())
                && chosen.move() == event.move();
    }

    @Override
    public Boolean effortTold(EffortTold event) {
        return is(Kind.EFFORT) && Objects.equals(report.value(), event.effort());
    }

    @Override
    public Boolean skipped(Skipped event) {
        SkipReason reason = report.skip();
        return is(Kind.SKIP) && (reason == null || reason == event.reason());
    }

    @Override
    public Boolean undone(Undone event) {
        return is(Kind.UNDO);
    }

    @Override
    public Boolean finished(Finished event) {
        return is(Kind.FINISH);
    }

    @Override
    public Boolean setRepeated(SetRepeated event) {
        return is(Kind.REPEAT_SET);
    }

    @Override
    public Boolean exerciseAdded(ExerciseAdded event) {
        Report.Added added = report.added();
        return is(Kind.ADD)
                && added != null
                && added.rung().equals(event.exercise().rung())
                && added.side() == event.exercise().side();
    }

    @Override
    public Boolean noted(Noted event) {
        return is(Kind.NOTE)
                && event.text()
                        .equals(report.text() == null ? "" : report.text().strip());
    }
}

package fernstep.exchange.wording;

import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.body.Dial;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Aim;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Pacer;
import fernstep.core.catalogue.Prop;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Licence;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.decision.Considered;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.findings.Alignment;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.FloatTest;
import fernstep.core.findings.Observed;
import fernstep.core.findings.SignCode;
import fernstep.core.findings.SignGroup;
import fernstep.core.forecast.Forecast;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Role;
import fernstep.core.plan.StandIns;
import fernstep.core.progress.ChangeReport;
import fernstep.core.progress.HomeReport;
import fernstep.core.progress.LeafState;
import fernstep.core.progress.Measure;
import fernstep.core.progress.Progress;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import fernstep.core.screening.EmergencyCall;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Strand;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import fernstep.core.separation.Verdict;
import fernstep.core.separation.Width;
import fernstep.core.session.SkipReason;
import fernstep.core.spotting.Score;
import fernstep.core.standing.Lift;
import fernstep.core.trace.Channel;
import java.time.DayOfWeek;
import java.util.Map;
import java.util.Set;

/** Where the words of each kind of code stand: the start of the key, behind which comes the code. */
public final class CodeWords {
    private static final Map<Class<?>, String> PREFIX = Map.ofEntries(
            Map.entry(Answer.class, "answer."),
            Map.entry(Outcome.class, "outcome."),
            Map.entry(GateCode.class, "gate."),
            Map.entry(Clearance.Scope.class, "scope."),
            Map.entry(Restriction.class, "restriction."),
            Map.entry(Verdict.Code.class, "verdict."),
            Map.entry(Width.Kind.class, "change."),
            Map.entry(Move.class, "move."),
            Map.entry(Lever.class, "lever."),
            Map.entry(Helper.class, "helper."),
            Map.entry(Position.class, "position."),
            Map.entry(LoadFamily.class, "family."),
            Map.entry(Stances.Spine.class, "spine."),
            Map.entry(Stances.DoseStance.class, "dose."),
            Map.entry(Approach.class, "approach."),
            Map.entry(SignCode.class, "sign."),
            Map.entry(RuleId.class, "rule."),
            Map.entry(SignGroup.class, "signGroup."),
            Map.entry(SkipReason.class, "skip."),
            Map.entry(Score.Choice.class, "choice."),
            Map.entry(Considered.Outcome.class, "considered."),
            Map.entry(Goal.class, "goal."),
            Map.entry(Channel.class, "channel."),
            Map.entry(Strand.class, "strand."),
            Map.entry(Side.class, "side."),
            Map.entry(BirthMode.class, "birth."),
            Map.entry(Status.class, "status."),
            Map.entry(SessionResult.Kind.class, "result."),
            Map.entry(Progress.Change.class, "progress.change."),
            Map.entry(Role.class, "role."),
            Map.entry(Condition.class, "condition."),
            Map.entry(Depth.class, "depth."),
            Map.entry(StandIns.Kind.class, "standIn."),
            Map.entry(Method.class, "method."),
            Map.entry(Feel.class, "feel."),
            Map.entry(Licence.class, "licence."),
            Map.entry(Aim.class, "aim."),
            Map.entry(Prop.class, "prop."),
            Map.entry(Measure.class, "measure."),
            Map.entry(ChangeReport.Direction.class, "direction."),
            Map.entry(LeafState.class, "leaf."),
            Map.entry(Alignment.Tilt.class, "tilt."),
            Map.entry(Forecast.Change.class, "whatIf."),
            Map.entry(Dial.class, "dial."),
            Map.entry(Dial.Unit.class, "unit."),
            Map.entry(StanceChange.class, "stanceName."),
            Map.entry(Pacer.Part.class, "pacer."),
            Map.entry(Seen.Severity.class, "severity."),
            Map.entry(HomeReport.Told.class, "told."),
            Map.entry(Observed.Cough.class, "finding."),
            Map.entry(Observed.FloorOnCough.class, "finding."),
            Map.entry(Observed.Scoop.class, "finding."),
            Map.entry(Observed.BreathPattern.class, "finding."),
            Map.entry(Observed.LumbarGap.class, "finding."),
            Map.entry(Observed.RibsOverPelvis.class, "finding."),
            Map.entry(Observed.Doming.class, "finding."),
            Map.entry(FloatTest.Try.class, "finding."),
            Map.entry(Observed.YesNo.class, "finding."),
            Map.entry(Observed.DomeWhen.class, "finding."),
            Map.entry(Observed.FloorLift.class, "finding."),
            Map.entry(Observed.LetGo.class, "finding."),
            Map.entry(Observed.Straw.class, "finding."),
            Map.entry(Observed.RodContact.class, "finding."),
            Map.entry(BodyPlace.class, "place."),
            Map.entry(EmergencyCall.class, "emergencyCall."),
            Map.entry(Lift.May.class, "may."),
            Map.entry(Range.class, "quantity."),
            Map.entry(DayOfWeek.class, "weekday."));

    private CodeWords() {}

    /** Every kind of code that people get to read. */
    public static Set<Class<?>> kinds() {
        return PREFIX.keySet();
    }

    static boolean known(Enum<?> code) {
        return PREFIX.containsKey(code.getDeclaringClass());
    }

    /** @throws IllegalArgumentException for a code that people do not get to read */
    static String key(Enum<?> code) {
        String prefix = PREFIX.get(code.getDeclaringClass());
        if (prefix == null) {
            throw new IllegalArgumentException("no words are kept for " + code.getDeclaringClass());
        }
        return prefix + code.name();
    }
}

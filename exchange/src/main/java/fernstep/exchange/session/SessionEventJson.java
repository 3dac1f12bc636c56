package fernstep.exchange.session;

import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.screening.Answer;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.ExerciseAdded;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Noted;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SetRepeated;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import fernstep.core.session.SkipReason;
import fernstep.core.session.StaffId;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.casefile.PainPlace;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** An event's kind and what it says, as they are stored and sent. Its id and who made it stand beside it. */
public final class SessionEventJson {
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final JsonNodeFactory NODES = JSON.getNodeFactory();

    /** The kinds as they are written. */
    public enum Kind {
        REP,
        NEXT_SET,
        SIGN,
        EMERGENCY,
        OVERRIDE,
        EFFORT,
        SKIP,
        UNDO,
        FINISH,
        REPEAT_SET,
        ADD,
        NOTE
    }

    /**
     * One event in writing.
     *
     * @param detail a JSON object
     */
    public record Written(Kind kind, String detail) {}

    private SessionEventJson() {}

    public static Written write(SessionEvent event) {
        return event.read(new Writer());
    }

    /** @throws IllegalArgumentException where the detail is not what this kind says, a bad JSON text included */
    public static SessionEvent read(Kind kind, String id, StaffId by, String detail) {
        try {
            return event(kind, id, by, parsed(detail));
        } catch (CaseProblem e) {
            throw new IllegalArgumentException(e.getMessage(), e);
        }
    }

    private static SessionEvent event(Kind kind, String id, StaffId by, JsonNode node) {
        CaseObject o = CaseObject.root(node);
        return switch (kind) {
            case REP -> new RepDone(id, by);
            case NEXT_SET -> new SetBegun(id, by);
            case SIGN -> new SignSeen(id, by, place(o), seen(o), AdviceJson.read(node.path("advice")));
            case EMERGENCY ->
                new EmergencyCalled(
                        id, by, place(o), o.code("answer", Answer.class), AdviceJson.read(node.path("advice")));
            case OVERRIDE -> new Overridden(id, by, o.text("signId"), o.code("move", Move.class), o.text("reason"));
            case EFFORT -> new EffortTold(id, by, o.whole("effort", Range.EFFORT));
            case SKIP ->
                new Skipped(id, by, o.optionalCode("reason", SkipReason.class).orElse(SkipReason.NOT_SAID));
            case UNDO -> new Undone(id, by, o.text("eventId"));
            case FINISH -> new Finished(id, by);
            case REPEAT_SET -> new SetRepeated(id, by);
            case ADD -> new ExerciseAdded(id, by, planned(o));
            case NOTE -> new Noted(id, by, o.text("text"));
        };
    }

    private static JsonNode parsed(String detail) {
        try {
            return JSON.readTree(detail);
        } catch (tools.jackson.core.JacksonException e) {
            throw new IllegalArgumentException("not JSON: " + e.getOriginalMessage(), e);
        }
    }

    private static PlannedExercise planned(CaseObject object) {
        return new PlannedExercise(
                object.text("rung"),
                object.optionalCode("form", RungForm.class).orElse(RungForm.PLAIN),
                object.optionalCode("side", Side.class).orElse(null),
                new Dose(
                        object.whole("sets", Range.SETS),
                        object.optionalWhole("reps", Range.REPS).orElse(null),
                        object.optionalWhole("holdS", Range.DOSE_HOLD_S).orElse(null),
                        object.optionalWhole("breaths", Range.DOSE_BREATHS).orElse(null),
                        object.whole("perDay", Range.PER_DAY),
                        object.whole("daysPerWeek", Range.DAYS_PER_WEEK)),
                object.optionalNumber("range", Range.RANGE_FRACTION).orElse(1.0));
    }

    private static Place place(CaseObject object) {
        return new Place(object.text("rung"), object.whole("set", Range.SETS));
    }

    private static Seen seen(CaseObject object) {
        Optional<PainPlace> place = object.optionalText("place").map(PainPlace::read);
        return new Seen(
                object.code("sign", SignCode.class),
                object.code("severity", Seen.Severity.class),
                side(object.optionalCode("side", Side.class).orElse(null), place),
                object.optionalWhole("rep", Range.REP).orElse(null),
                object.optionalNumber("second", Range.SECOND).orElse(null),
                object.optionalWhole("painLevel", Range.PAIN_LEVEL).orElse(null),
                place.map(PainPlace::place).orElse(null),
                object.optionalFlag("sharp").orElse(false),
                object.optionalFlag("recoverable").orElse(null));
    }

    /** As it was told, else as the words of the place name it. */
    private static @Nullable Side side(@Nullable Side told, Optional<PainPlace> place) {
        return told != null ? told : place.map(PainPlace::side).orElse(null);
    }

    /** Writes what each kind says. */
    private static final class Writer implements SessionEvent.Kinds<Written> {
        @Override
        public Written repDone(RepDone event) {
            return written(Kind.REP, NODES.objectNode());
        }

        @Override
        public Written setBegun(SetBegun event) {
            return written(Kind.NEXT_SET, NODES.objectNode());
        }

        @Override
        public Written signSeen(SignSeen event) {
            Seen s = event.seen();
            ObjectNode node = placed(event.place())
                    .put("sign", s.sign().name())
                    .put("severity", s.severity().name())
                    .put("side", s.side() == null ? null : s.side().name())
                    .put("rep", s.rep())
                    .put("second", s.second())
                    .put("painLevel", s.painLevel())
                    .put("place", s.place() == null ? null : s.place().name())
                    .put("sharp", s.sharp())
                    .put("recoverable", s.recoverable());
            node.set("advice", AdviceJson.write(event.advice()));
            return written(Kind.SIGN, node);
        }

        @Override
        public Written emergencyCalled(EmergencyCalled event) {
            ObjectNode node = placed(event.place()).put("answer", event.answer().name());
            node.set("advice", AdviceJson.write(event.advice()));
            return written(Kind.EMERGENCY, node);
        }

        @Override
        public Written overridden(Overridden event) {
            return written(
                    Kind.OVERRIDE,
                    NODES.objectNode()
                            .put("signId", event.signId())
                            .put("move", event.move().name())
                            .put("reason", event.reason()));
        }

        @Override
        public Written effortTold(EffortTold event) {
            return written(Kind.EFFORT, NODES.objectNode().put("effort", event.effort()));
        }

        @Override
        public Written skipped(Skipped event) {
            return written(
                    Kind.SKIP, NODES.objectNode().put("reason", event.reason().name()));
        }

        @Override
        public Written undone(Undone event) {
            return written(Kind.UNDO, NODES.objectNode().put("eventId", event.eventId()));
        }

        @Override
        public Written finished(Finished event) {
            return written(Kind.FINISH, NODES.objectNode());
        }

        @Override
        public Written setRepeated(SetRepeated event) {
            return written(Kind.REPEAT_SET, NODES.objectNode());
        }

        @Override
        public Written exerciseAdded(ExerciseAdded event) {
            PlannedExercise p = event.exercise();
            Side side = p.side();
            Dose d = p.dose();
            return written(
                    Kind.ADD,
                    NODES.objectNode()
                            .put("rung", p.rung())
                            .put("form", p.form().name())
                            .put("side", side == null ? null : side.name())
                            .put("sets", d.sets())
                            .put("reps", d.reps())
                            .put("holdS", d.holdS())
                            .put("breaths", d.breaths())
                            .put("perDay", d.perDay())
                            .put("daysPerWeek", d.daysPerWeek())
                            .put("range", p.range()));
        }

        @Override
        public Written noted(Noted event) {
            return written(Kind.NOTE, NODES.objectNode().put("text", event.text()));
        }

        private static Written written(Kind kind, ObjectNode node) {
            return new Written(kind, node.toString());
        }

        private static ObjectNode placed(Place place) {
            return NODES.objectNode().put("rung", place.rung()).put("set", place.set());
        }
    }
}

package fernstep.app.run;

import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.progress.Ladders;
import fernstep.app.progress.Standing;
import fernstep.app.run.Runner.Held;
import fernstep.app.support.Words;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.measure.Side;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.Answered;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SetDone;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What is on record of a session that is over. */
@Service
public class SessionRecords {
    private final SessionMapper mapper;
    private final Ladders ladders;
    private final Visits visits;
    private final Words words;

    SessionRecords(SessionMapper mapper, Ladders ladders, Visits visits, Words words) {
        this.mapper = mapper;
        this.ladders = ladders;
        this.visits = visits;
        this.words = words;
    }

    /**
     * As a page shows it.
     *
     * @param notDone exercises of the plan in which nothing was done
     * @param next what changes next, in sentences
     * @param canReopen it can go on; an emergency stays
     */
    public record View(List<Line> done, List<String> notDone, List<String> next, String note, boolean canReopen) {}

    /**
     * One exercise that was worked on.
     *
     * @param sets each as "8 of 8, 6 clean"
     * @param signs what was seen and answered
     */
    public record Line(
            String rung,
            String name,
            String side,
            String planned,
            List<String> sets,
            @Nullable Integer effort,
            String went,
            List<Sign> signs) {}

    /** A sign and its answer. */
    public record Sign(
            String when,
            String sign,
            String answer,
            @Nullable String overridden) {}

    View of(Held held) {
        Session session = held.session();
        List<Line> done = new ArrayList<>();
        List<String> notDone = new ArrayList<>();
        for (Exercise e : session.exercises()) {
            if (e.sets().isEmpty() && e.answered().isEmpty()) {
                notDone.add(words.text(
                        "record.notDone", named(e.plannedRung(), e.side()), words.text("record.state." + e.state())));
            } else {
                done.add(line(e, session, held));
            }
        }
        return new View(
                done,
                notDone,
                next(held.client()),
                session.note(),
                session.lastUndoable().isPresent() && !held.locked());
    }

    private String named(String rung, @Nullable Side side) {
        return side == null ? words.rung(rung) : words.rung(rung) + ", " + words.code(side);
    }

    private Line line(Exercise e, Session session, Held held) {
        String went = e.result().map(r -> words.code(r.kind())).orElse(words.text("record.brokenOff"));
        String planned = words.dose(held.planned().stream()
                .filter(p -> p.rung().equals(e.plannedRung()) && p.side() == e.side())
                .map(p -> p.dose())
                .findFirst()
                .orElse(e.dose()));
        return new Line(
                e.plannedRung(),
                words.rung(e.plannedRung()),
                e.side() == null ? "" : words.code(e.side()),
                planned,
                e.sets().stream().map(this::set).toList(),
                e.effort(),
                went,
                e.answered().stream().map(a -> sign(a, session)).toList());
    }

    private String set(SetDone s) {
        return words.text("record.set", s.done(), s.target(), s.clean());
    }

    private Sign sign(Answered a, Session session) {
        Optional<Overridden> other = session.overrideOf(a);
        Move move = other.map(Overridden::move).orElse(a.advice().move());
        boolean slight = a instanceof SignSeen s && !s.seen().clearly();
        Integer rep = a instanceof SignSeen s ? s.seen().rep() : null;
        String strength =
                words.code(slight ? Seen.Severity.SLIGHT : Seen.Severity.CLEAR).toLowerCase(words.locale());
        return new Sign(
                rep == null ? "" : words.text("record.rep", a.place().set(), rep),
                words.code(a.code()) + ", " + strength,
                words.code(move),
                other.map(o -> words.text("run.overridden", a.advice().move(), o.reason()))
                        .orElse(null));
    }

    /** What waits to be confirmed on her strands now that the session counts. */
    private List<String> next(ClientFile client) {
        return ladders.overview(client, visits.screeningToday(client)).standings().stream()
                .filter(Standing::canMove)
                .map(s -> words.text(
                        "record.next",
                        named(s.step().rung(), s.step().sideOrNull()),
                        words.code(s.progress().change()),
                        words.of(s.progress().reason())))
                .toList();
    }

    /** Her latest sessions beside the mat, newest first. */
    public List<SessionRow> latest(long clientId, int atMost) {
        return mapper.besideTheMat(clientId, atMost);
    }
}

package fernstep.app.run;

import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.progress.Ladders;
import fernstep.app.progress.Standing;
import fernstep.app.run.Runner.Held;
import fernstep.app.support.Words;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.Answered;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SetDone;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What is on record of a session that is over. */
@Service
public class SessionRecords {
    /** Sessions looked through for the last time an exercise was done. */
    private static final int LOOKS_BACK = 12;

    private final SessionMapper mapper;
    private final Ladders ladders;
    private final Visits visits;
    private final Words words;
    private final SessionLog log;
    private final Map<String, String> keys = SignKeys.byName();

    SessionRecords(SessionMapper mapper, SessionLog log, Ladders ladders, Visits visits, Words words) {
        this.mapper = mapper;
        this.log = log;
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
     * @param sets each as "8 of 8, 6 clean", with its repetitions in a row
     * @param underLoad how long and how much, against the last time beside the mat; empty for what is no load
     * @param signs what was seen and answered
     */
    public record Line(
            String rung,
            String name,
            String side,
            String planned,
            List<Set> sets,
            String underLoad,
            @Nullable Integer effort,
            String went,
            List<Sign> signs) {}

    /** A set in words and repetition by repetition. */
    public record Set(String text, List<Rep> reps) {}

    /**
     * One repetition.
     *
     * @param look "clean", "slack" after the first sign, or "seen" with signs of its own
     * @param keys of the signs seen in it
     */
    public record Rep(int number, String look, String keys, String alt) {}

    /** A sign and its answer. */
    public record Sign(
            String when,
            String key,
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
                session.lastUndoable().isPresent() && held.lock() == RunLock.OPEN && !held.locked());
    }

    private String named(String rung, @Nullable Side side) {
        return side == null ? words.rung(rung) : words.rung(rung) + ", " + words.code(side);
    }

    private Line line(Exercise exercise, Session session, Held held) {
        String went = exercise.result().map(result -> words.code(result.kind())).orElse(words.text("record.brokenOff"));
        String planned = words.dose(held.planned().stream()
                .filter(plannedExercise -> plannedExercise.rung().equals(exercise.plannedRung())
                        && plannedExercise.side() == exercise.side())
                .map(plannedExercise -> plannedExercise.dose())
                .findFirst()
                .orElse(exercise.dose()));
        List<Set> sets =
                exercise.sets().stream().map(done -> set(done, exercise)).toList();
        return new Line(
                exercise.plannedRung(),
                words.rung(exercise.plannedRung()),
                exercise.side() == null ? "" : words.code(exercise.side()),
                planned,
                sets,
                underLoad(exercise, held),
                exercise.effort(),
                went,
                exercise.answered().stream()
                        .map(answered -> sign(answered, session))
                        .toList());
    }

    private Set set(SetDone done, Exercise exercise) {
        List<Rep> reps = new ArrayList<>();
        int last = done.first() + done.done() - 1;
        List<SignSeen> signs = exercise.answered().stream()
                .filter(SignSeen.class::isInstance)
                .map(SignSeen.class::cast)
                .filter(seen -> seen.place().set() == done.set()
                        && seen.place().rung().equals(done.rung().code()))
                .toList();
        int lastSeen = signs.stream().mapToInt(SessionRecords::rep).max().orElse(0);
        for (int rep = done.first(); rep <= Math.max(last, lastSeen); rep++) {
            int number = rep;
            List<SignSeen> here =
                    signs.stream().filter(seen -> rep(seen) == number).toList();
            String unseen = rep < done.first() + done.clean() ? "clean" : "slack";
            String look = here.isEmpty() ? unseen : "seen";
            String names = here.stream().map(seen -> words.code(seen.code())).collect(Collectors.joining(", "));
            reps.add(new Rep(
                    rep,
                    look,
                    here.stream()
                            .map(seen -> keys.getOrDefault(seen.code().name(), ""))
                            .collect(Collectors.joining(" ")),
                    words.text("record.repLook." + look, rep, names)));
        }
        return new Set(words.text("record.set", done.done(), done.target(), done.clean()), reps);
    }

    private static int rep(SignSeen sign) {
        Integer rep = sign.seen().rep();
        return rep == null ? 1 : rep;
    }

    /** Seconds and load against the last session beside the mat in which she did it. */
    private String underLoad(Exercise exercise, Held held) {
        int seconds = exercise.secondsUnderLoad();
        if (seconds == 0) {
            return "";
        }
        Optional<Exercise> before = lastTime(exercise, held);
        if (before.isEmpty()) {
            return words.text("record.underLoad", seconds);
        }
        double was = before.get().loadIndex(held.client().body());
        double is = exercise.loadIndex(held.client().body());
        String time = words.text("record.underLoadBefore", seconds, before.get().secondsUnderLoad());
        return was <= 0 || is <= 0
                ? time
                : time + "; " + words.text("record.loadBefore", signed(Math.round(100 * (is - was) / was)));
    }

    private static String signed(long pct) {
        String sign =
                switch (Long.signum(pct)) {
                    case -1 -> "−";
                    case 1 -> "+";
                    default -> "±";
                };
        return sign + Math.abs(pct);
    }

    private Optional<Exercise> lastTime(Exercise exercise, Held held) {
        SessionRow row = held.row();
        return mapper.besideTheMat(row.clientId(), LOOKS_BACK).stream()
                .filter(sessionRow -> !sessionRow.id().equals(row.id())
                        && !sessionRow.heldOn().isAfter(row.heldOn()))
                .flatMap(sessionRow -> log.replay(sessionRow.id(), held.catalogue()).exercises().stream())
                .filter(each -> each.plannedRung().equals(exercise.plannedRung())
                        && each.side() == exercise.side()
                        && each.secondsUnderLoad() > 0)
                .findFirst();
    }

    private Sign sign(Answered answered, Session session) {
        Optional<Overridden> other = session.overrideOf(answered);
        Move move = other.map(Overridden::move).orElse(answered.advice().move());
        boolean slight = answered instanceof SignSeen s && !s.seen().clearly();
        Integer rep = answered instanceof SignSeen s ? s.seen().rep() : null;
        String strength = words.amid(slight ? Seen.Severity.SLIGHT : Seen.Severity.CLEAR);
        return new Sign(
                rep == null ? "" : words.text("record.rep", answered.place().set(), rep),
                keys.getOrDefault(answered.code().name(), ""),
                answered instanceof SignSeen s && s.seen().painLevel() != null
                        ? pain(s.seen(), s.seen().painLevel())
                        : words.code(answered.code()) + ", " + strength,
                words.code(move),
                other.map(overridden ->
                                words.text("run.overridden", answered.advice().move(), overridden.reason()))
                        .orElse(null));
    }

    /** Its word follows the number; then where, and whether it was sharp. */
    private String pain(Seen seen, int level) {
        String said = words.text(
                "pain.said",
                words.code(SignCode.PAIN),
                words.text("pain." + Seen.PainWord.of(level)) + (seen.sharp() ? ", " + words.text("pain.sharp") : ""),
                level);
        BodyPlace place = seen.place();
        if (place == null) {
            return said;
        }
        Side side = seen.side();
        String where =
                place.sided() && side != null ? words.text("pain.place", words.code(place), side) : words.code(place);
        return said + ", " + where;
    }

    /** What waits to be confirmed on her strands now that the session counts. */
    private List<String> next(ClientFile client) {
        return ladders.overview(client, visits.screeningToday(client)).standings().stream()
                .filter(Standing::canMove)
                .map(standing -> words.text(
                        "record.next",
                        named(standing.step().rung(), standing.step().sideOrNull()),
                        words.code(standing.progress().change()),
                        words.of(standing.progress().reason())))
                .toList();
    }

    /** Her latest sessions beside the mat, newest first. */
    public List<SessionRow> latest(long clientId, int atMost) {
        return mapper.besideTheMat(clientId, atMost);
    }
}

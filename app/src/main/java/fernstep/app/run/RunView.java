package fernstep.app.run;

import fernstep.app.client.ClientFile;
import fernstep.app.run.Runner.Held;
import fernstep.app.support.Words;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Pacer;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.session.EarlierSessions;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.Answered;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Turns a replayed session into what the runner page shows. */
@Component
class RunView {
    private static final int LIKELIEST = 5;
    /** Seen only where the belly hangs and the rod lies on the back. */
    private static final List<SignCode> ON_HANDS_AND_KNEES = List.of(SignCode.BELLY_DROPS, SignCode.CONTACT_LOST);

    private final Words words;
    private final AdviceWords advice;
    private final EarlierLog earlier;

    RunView(Words words, AdviceWords advice, EarlierLog earlier) {
        this.words = words;
        this.advice = advice;
        this.earlier = earlier;
    }

    RunState state(Held held) {
        return state(held, earlier.before(held.row()));
    }

    RunState state(Held held, EarlierSessions before) {
        Session session = held.session();
        List<Exercise> exercises = session.exercises();
        List<RunState.Item> items = new ArrayList<>();
        for (int i = 0; i < exercises.size(); i++) {
            items.add(item(i, exercises.get(i), held.client(), before));
        }
        @Nullable Exercise now = session.current().orElse(null);
        return new RunState(
                held.version() + held.lock().mark(),
                now == null ? "" : AnswersKey.of(exercises.indexOf(now), now),
                phase(held),
                Runner.place(session),
                items,
                now == null ? List.of() : seen(now),
                session.answered().map(e -> advice(e, session, held.client())).orElse(null),
                session.lastUndoable().isPresent() && held.lock() == RunLock.OPEN && !held.locked(),
                now != null && now.mayRepeat());
    }

    private static String phase(Held held) {
        Session session = held.session();
        if (held.locked()) {
            return "LOCKED";
        }
        if (session.ended() || held.lock() == RunLock.EARLIER_DAY) {
            return "FINISHED";
        }
        if (held.lock() == RunLock.SPEAK_FIRST) {
            return "WAITS";
        }
        Exercise e = session.current().orElseThrow();
        return e.asksEffort() ? "EFFORT" : e.setDone() ? "REST" : "WORK";
    }

    private RunState.Item item(int at, Exercise e, ClientFile client, EarlierSessions before) {
        Rung rung = e.rung();
        return new RunState.Item(
                rung.code(),
                rung.name(),
                side(e),
                e.side(),
                words.dose(e.dose()),
                words.code(e.asDone(client.body()).position()),
                rung.howTo(),
                rung.cues().getOrDefault(client.stances().activation().name(), ""),
                rung.caution(),
                e.set(),
                e.dose().sets(),
                e.repsDone(),
                e.target(),
                e.dose().reps() == null && e.dose().breaths() != null,
                e.dose().holdS(),
                (int) Math.round(100 * e.range()),
                rung.hasRange() ? advice.where(rung, e.range(), client) : null,
                eased(e),
                Pacer.phases(rung, client.stances().effortTiming(), e.dose().holdS()).stream()
                        .map(p -> new RunState.Phase(
                                p.part().name(),
                                words.code(p.part()),
                                p.breath().name(),
                                p.seconds()))
                        .toList(),
                rung.watch().stream().limit(LIKELIEST).map(Enum::name).toList(),
                before.signsOn(rung.code()).stream().map(Enum::name).toList(),
                e.asDone(client.body()).position() == Position.HANDS_KNEES
                        ? List.of()
                        : ON_HANDS_AND_KNEES.stream().map(Enum::name).toList(),
                e.state().name().toLowerCase(Locale.ROOT),
                figure(e, client),
                AnswersKey.unseen(at, e));
    }

    /** In her form, eased as it is now. */
    private static String figure(Exercise e, ClientFile client) {
        StringBuilder url = new StringBuilder("/figures/" + e.rung().code() + "?client=" + client.id());
        if (e.side() != null) {
            url.append("&side=").append(e.side());
        }
        url.append("&range=").append(e.range());
        boolean easier = e.otherLevers().contains(Lever.EASIER_POSITION);
        RungForm form = easier ? RungForm.EASIER : e.form();
        if (form != RungForm.PLAIN) {
            url.append("&form=").append(form);
        }
        if (e.kneesBentDeg() > 0) {
            url.append("&kneesBent=").append(e.kneesBentDeg());
        }
        if (e.otherLevers().contains(Lever.ONE_LIMB)) {
            url.append("&oneLimb=true");
        }
        if (!e.helpers().isEmpty()) {
            url.append("&help=").append(e.helpers().stream().map(Enum::name).collect(Collectors.joining(",")));
        }
        return url.toString();
    }

    private String side(Exercise e) {
        return e.side() == null ? "" : words.code(e.side());
    }

    private List<String> eased(Exercise e) {
        List<String> eased = new ArrayList<>();
        if (e.steppedBack()) {
            eased.add(words.text("run.steppedBack", words.rung(e.plannedRung())));
        }
        e.helpers().forEach(h -> eased.add(words.code(h)));
        e.otherLevers().forEach(l -> eased.add(words.code(l)));
        return eased;
    }

    private static List<RunState.Seen> seen(Exercise e) {
        return e.soFar().stream()
                .filter(r -> r.rep() == e.repInHand())
                .flatMap(r -> r.signs().stream())
                .map(s -> new RunState.Seen(s.sign().name(), s.severity().name()))
                .toList();
    }

    private RunState.AdviceView advice(Answered event, Session session, ClientFile client) {
        String exercise = session.exercises().stream()
                .filter(e -> e.answered().contains(event))
                .filter(e -> session.current().filter(now -> now == e).isEmpty())
                .findFirst()
                .map(e -> (e.rung().name() + " " + side(e)).strip())
                .orElse(null);
        boolean open = session.overrideOf(event).isEmpty() && event.advice().move() != Move.REFER_NOW;
        return advice.view(event, session.overrideOf(event), client, exercise, open);
    }
}

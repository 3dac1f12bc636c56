package fernstep.app.run;

import fernstep.app.client.ClientFile;
import fernstep.app.support.Words;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Pacer;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.Answered;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Turns a replayed session into what the runner page shows. */
@Component
class RunView {
    private static final List<SignCode> ALWAYS =
            List.of(SignCode.TIRED, SignCode.PAIN, SignCode.HEAVY, SignCode.LEAK, SignCode.SET_LOST);
    private static final int DIGITS = 9;

    private final Words words;
    private final AdviceWords advice;

    RunView(Words words, AdviceWords advice) {
        this.words = words;
        this.advice = advice;
    }

    RunState state(String sessionId, ClientFile client, Session session) {
        List<RunState.Item> items =
                session.exercises().stream().map(e -> item(e, client)).toList();
        int at = session.current().map(e -> session.exercises().indexOf(e)).orElse(items.size());
        return new RunState(
                sessionId,
                items,
                at,
                phase(session),
                session.answered().map(e -> advice(e, session, client)).orElse(null),
                session.locked(),
                session.lastUndoable().isPresent() && !session.locked());
    }

    private static String phase(Session session) {
        if (session.locked()) {
            return "LOCKED";
        }
        if (session.ended()) {
            return "FINISHED";
        }
        Exercise e = session.current().orElseThrow();
        return e.asksEffort() ? "EFFORT" : e.setDone() ? "REST" : "WORK";
    }

    private RunState.Item item(Exercise e, ClientFile client) {
        Rung rung = e.rung();
        return new RunState.Item(
                rung.code(),
                rung.name(),
                e.side() == null ? "" : words.code(e.side()),
                words.dose(e.dose()),
                words.code(rung.position()),
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
                signs(e),
                e.state().name().toLowerCase(Locale.ROOT),
                "/figures/" + rung.code() + "?client=" + client.id() + (e.side() == null ? "" : "&side=" + e.side())
                        + "&range=" + e.range());
    }

    private List<String> eased(Exercise e) {
        List<String> eased = new ArrayList<>();
        if (e.steppedBack()) {
            eased.add(words.text("run.steppedBack", e.plannedRung()));
        }
        e.helpers().forEach(h -> eased.add(words.code(h)));
        e.otherLevers().forEach(l -> eased.add(words.code(l)));
        return eased;
    }

    /** The rung's own watch-signs on the first digits, then what can always happen, then the rest. */
    private List<RunState.Sign> signs(Exercise e) {
        Set<SignCode> order = new LinkedHashSet<>(e.rung().watch());
        order.addAll(ALWAYS);
        order.addAll(List.of(SignCode.values()));
        if (e.rung().position() != Position.HANDS_KNEES) {
            order.remove(SignCode.BELLY_DROPS);
            order.remove(SignCode.CONTACT_LOST);
        }
        List<RunState.Sign> signs = new ArrayList<>();
        int rep = e.repsDone() + 1;
        for (SignCode code : order) {
            String key = signs.size() < DIGITS ? String.valueOf(signs.size() + 1) : "";
            boolean now = e.soFar().stream()
                    .anyMatch(r -> r.rep() == rep && r.signs().stream().anyMatch(s -> s.sign() == code));
            signs.add(new RunState.Sign(code.name(), words.code(code), key, now));
        }
        return signs;
    }

    private RunState.AdviceView advice(Answered event, Session session, ClientFile client) {
        return advice.view(event, session.overrideOf(event), client);
    }
}

package fernstep.app.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.client.ClientFile;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Words;
import fernstep.core.body.Body;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.Advice;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.session.SessionEvent.Answered;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.SignSeen;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The next safe move in words, made when it is shown. */
@Component
class AdviceWords {
    private static final int POINTS_KEPT_PER_RUNG = 500;

    private final Words words;
    private final Catalogues catalogues;
    /** Worked out from the whole movement, and asked for with every event; by the rung itself, not its code. */
    private final Cache<Rung, Map<Where, RangePoint>> points =
            Caffeine.newBuilder().weakKeys().build();

    private record Where(double range, Body body) {}

    AdviceWords(Words words, Catalogues catalogues) {
        this.words = words;
        this.catalogues = catalogues;
    }

    RunState.AdviceView view(
            Answered event, Optional<Overridden> override, ClientFile client, @Nullable String exercise, boolean open) {
        Advice advice = event.advice();
        Move move = override.map(Overridden::move).orElse(advice.move());
        SignCode sign = event instanceof SignSeen seen ? seen.seen().sign() : null;
        boolean chosen = override.isPresent();
        return new RunState.AdviceView(
                event.id(),
                event.code().name(),
                event instanceof SignSeen told ? told.seen().severity().name() : Seen.Severity.CLEAR.name(),
                words.code(event.code()),
                exercise,
                move.name(),
                words.code(move),
                chosen ? null : lever(event, client),
                sign != null && move == Move.CUE && !chosen ? words.cue(sign) : because(event),
                advice.rule().name(),
                next(event, move, chosen),
                chosen ? null : runnerUp(advice.runnerUp()),
                override.map(overridden -> words.text("run.overridden", advice.move(), overridden.reason()))
                        .orElse(null),
                advice.easierInstead()
                        .map(change -> words.text("run.easierBy", words.of(change.inWords())))
                        .orElse(null),
                open);
    }

    /** What was seen and when, and what is expected of the move. */
    private String because(Answered event) {
        Reason whole = event.advice().reason();
        boolean namesLever = whole.key().equals("advice.withLever");
        String reason = words.of(namesLever && whole.facts().get(1) instanceof Reason inner ? inner : whole);
        if (!(event instanceof SignSeen seen) || seen.seen().rep() == null) {
            return reason;
        }
        Object rep = event.id().equals(RunAnswers.AHEAD)
                ? RunAnswers.REP_THEN
                : seen.seen().rep();
        return words.text("advice.because", seen.seen().sign(), rep, reason);
    }

    /** What comes next and what to look for; with a cue, first why it is only a cue. */
    private String next(Answered event, Move move, boolean chosen) {
        SignCode watch = event.advice().watchNext();
        String next = watch == null || chosen
                ? words.text("advice.next." + move)
                : words.text("advice.nextWatch." + move, watch);
        return move == Move.CUE && !chosen ? because(event) + " " + next : next;
    }

    /** "Smaller range: 100 % → 67 %, load −24 %". */
    private @Nullable String lever(Answered event, ClientFile client) {
        Advice advice = event.advice();
        LeverChange change = advice.change();
        String load = load(advice.loadChangePct());
        if (change == null) {
            return advice.stepBackTo() == null ? null : words.text("run.toRung", advice.stepBackTo()) + load;
        }
        Rung rung = catalogues.get().find(event.place().rung()).orElse(null);
        String first = words.code(change.lever()) + amount(change, client, rung);
        LeverChange second = change.with();
        String both = second == null
                ? first
                : words.text("use.both", first, words.amid(second.lever()) + amount(second, client, rung));
        return both + load;
    }

    private String amount(LeverChange change, ClientFile client, @Nullable Rung rung) {
        Object to = change.to();
        if (to == null) {
            return "";
        }
        return switch (change.lever()) {
            case RAISE_RANGE -> ": " + range(number(change.from()), number(to), client, rung);
            case SHORTEN_HOLD -> ": " + plain(change.from()) + " → " + plain(to) + " s";
            case FEWER_REPS -> ": " + plain(change.from()) + " → " + plain(to);
            case ADD_HELPER, SUPPORT, EASIER_POSITION -> to instanceof Enum<?> code ? ": " + words.code(code) : "";
            default -> "";
        };
    }

    /** Where the limb goes; a share where it stays in its place and only bears more. */
    private String range(@Nullable Double from, @Nullable Double to, ClientFile client, @Nullable Rung rung) {
        if (rung != null && from != null && to != null) {
            String before = where(rung, from, client);
            String after = where(rung, to, client);
            if (!before.equals(after)) {
                return before + " → " + after;
            }
        }
        return percent(from) + " → " + percent(to);
    }

    /** "hip 41°, heel 44 cm": where the limb is at a range. */
    String where(Rung rung, double range, ClientFile client) {
        Where where = new Where(range, client.body());
        Map<Where, RangePoint> known = points.get(rung, each -> new ConcurrentHashMap<>());
        if (known.size() > POINTS_KEPT_PER_RUNG) {
            known.clear();
        }
        RangePoint point = known.computeIfAbsent(where, key -> rung.movement().point(key.body(), key.range()));
        return words.range(rung.movement().dial(), point);
    }

    /** "Go back one step: An easier level comes before a step back." */
    private @Nullable String runnerUp(Advice.@Nullable RunnerUp next) {
        if (next == null) {
            return null;
        }
        if (next.reason().key().equals(Reason.VERBATIM)) {
            return words.of(next.reason());
        }
        LeverChange change = next.change();
        String what =
                change == null ? words.code(next.move()) : words.code(next.move()) + ", " + words.amid(change.lever());
        return what + ": " + words.of(next.reason());
    }

    private static @Nullable Double number(@Nullable Object value) {
        return value instanceof Number n ? Double.valueOf(n.doubleValue()) : null;
    }

    private static String percent(@Nullable Double share) {
        return share == null ? "" : Math.round(100 * share) + " %";
    }

    private static String plain(@Nullable Object value) {
        return value instanceof Number n ? Numbers.plain(n.doubleValue()) : "";
    }

    private String load(@Nullable Double pct) {
        if (pct == null) {
            return "";
        }
        return ": " + words.text(pct <= 0 ? "advice.lessLoad" : "advice.moreLoad", Math.round(Math.abs(pct)));
    }
}

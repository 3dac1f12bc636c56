package fernstep.app.run;

import fernstep.app.client.ClientFile;
import fernstep.app.support.Words;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Pacer;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import fernstep.exchange.wording.Wording;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Turns a replayed session into what the runner page shows. */
@Component
class RunView {
    private static final List<SignCode> ALWAYS =
            List.of(SignCode.TIRED, SignCode.PAIN, SignCode.HEAVY, SignCode.LEAK, SignCode.SET_LOST);
    private static final int DIGITS = 9;

    private final Wording wording;
    private final Words words;

    RunView(Wording wording, Words words) {
        this.wording = wording;
        this.words = words;
    }

    RunState state(String sessionId, ClientFile client, RunLog log) {
        List<RunState.Item> items =
                log.items().stream().map(i -> item(i, client)).toList();
        int at = log.current()
                .map(c -> log.items().indexOf(c))
                .orElse(log.items().size());
        return new RunState(
                sessionId,
                items,
                at,
                phase(log),
                log.advice().map(e -> advice(e, log, client)).orElse(null),
                log.locked(),
                log.lastUndoable().isPresent() && !log.locked());
    }

    private static String phase(RunLog log) {
        if (log.locked()) {
            return "LOCKED";
        }
        if (log.ended()) {
            return "FINISHED";
        }
        RunItem item = log.current().orElseThrow();
        return item.askEffort ? "EFFORT" : item.setDone ? "REST" : "WORK";
    }

    private RunState.Item item(RunItem i, ClientFile client) {
        Rung rung = i.rung;
        return new RunState.Item(
                rung.code(),
                rung.name(),
                i.side == null ? "" : wording.of(i.side),
                words.dose(i.dose),
                wording.of(rung.position()),
                rung.howTo(),
                rung.cues().getOrDefault(client.stances().activation().name(), ""),
                rung.caution(),
                i.set,
                i.dose.sets(),
                i.repsDone,
                i.target(),
                i.dose.reps() == null && i.dose.breaths() != null,
                i.dose.holdS(),
                (int) Math.round(100 * i.range),
                rung.hasRange() ? where(rung, i.range, client) : null,
                eased(i),
                Pacer.phases(rung, client.stances().effortTiming(), i.dose.holdS()).stream()
                        .map(p -> new RunState.Phase(
                                p.part().name(),
                                words.text("pacer." + p.part()),
                                p.breath().name(),
                                p.seconds()))
                        .toList(),
                signs(i),
                i.closed ? "closed" : i.skipped ? "skipped" : i.done ? "done" : "open",
                "/figures/" + rung.code() + "?client=" + client.id() + (i.side == null ? "" : "&side=" + i.side)
                        + "&range=" + i.range);
    }

    /** "hip 41°, heel 44 cm": where the limb is at a range. */
    private String where(Rung rung, double range, ClientFile client) {
        return words.range(rung.movement().dial(), rung.movement().point(client.body(), range));
    }

    private List<String> eased(RunItem i) {
        List<String> eased = new ArrayList<>();
        if (!i.rung.code().equals(i.plannedRung)) {
            eased.add(words.text("run.steppedBack", i.plannedRung));
        }
        i.helpers.forEach(h -> eased.add(wording.of(h)));
        i.otherLevers.forEach(l -> eased.add(wording.of(l)));
        return eased;
    }

    /** The rung's own watch-signs on the first digits, then what can always happen, then the rest. */
    private List<RunState.Sign> signs(RunItem i) {
        Set<SignCode> order = new LinkedHashSet<>(i.rung.watch());
        order.addAll(ALWAYS);
        order.addAll(List.of(SignCode.values()));
        if (i.rung.position() != Position.HANDS_KNEES) {
            order.remove(SignCode.BELLY_DROPS);
            order.remove(SignCode.CONTACT_LOST);
        }
        List<RunState.Sign> signs = new ArrayList<>();
        int rep = i.repsDone + 1;
        for (SignCode code : order) {
            String key = signs.size() < DIGITS ? String.valueOf(signs.size() + 1) : "";
            boolean now = i.soFar.stream()
                    .anyMatch(r -> r.rep() == rep && r.signs().stream().anyMatch(s -> s.sign() == code));
            signs.add(new RunState.Sign(code.name(), wording.of(code), key, now));
        }
        return signs;
    }

    private RunState.AdviceView advice(EventRow e, RunLog log, ClientFile client) {
        EventRow override = log.overrideOf(e).orElse(null);
        Move move = Objects.requireNonNullElse(override == null ? e.move() : override.move(), Move.CARRY_ON);
        SignCode code = RunLog.code(e.sign());
        return new RunState.AdviceView(
                e.id(),
                code == null ? words.text("answer." + e.sign()) : wording.of(code),
                String.valueOf(move),
                wording.of(move),
                override == null ? lever(e, client, rungOf(e, log)) : null,
                override == null && move == Move.CUE && code != null ? wording.cue(code) : String.valueOf(e.reason()),
                String.valueOf(e.ruleId()),
                move == Move.CUE ? e.reason() : null,
                override == null ? e.runnerUp() : null,
                override == null
                        ? null
                        : words.text(
                                "run.overridden",
                                Objects.requireNonNullElse(e.move(), Move.CARRY_ON),
                                String.valueOf(override.reason())));
    }

    /** "Smaller range: 100 % → 67 %, load −24 %". */
    private @Nullable String lever(EventRow e, ClientFile client, @Nullable Rung rung) {
        if (e.lever() == null) {
            return e.leverTo() == null ? null : words.text("run.toRung", e.leverTo()) + load(e);
        }
        return wording.of(e.lever()) + amount(e, client, rung) + load(e);
    }

    /** The rung the sign was seen on, as it was moved then. */
    private static @Nullable Rung rungOf(EventRow e, RunLog log) {
        return e.rung() == null ? null : log.rung(e.rung());
    }

    private String amount(EventRow e, ClientFile client, @Nullable Rung rung) {
        Lever lever = e.lever();
        if (e.leverTo() == null || lever == null) {
            return "";
        }
        return switch (lever) {
            case RAISE_RANGE -> ": " + range(e.leverFrom(), e.leverTo(), client, rung);
            case SHORTEN_HOLD -> ": " + whole(e.leverFrom()) + " → " + whole(e.leverTo()) + " s";
            case FEWER_REPS -> ": " + whole(e.leverFrom()) + " → " + whole(e.leverTo());
            case ADD_HELPER, SUPPORT -> ": " + wording.of(Helper.valueOf(e.leverTo()));
            case EASIER_POSITION -> ": " + wording.of(Position.valueOf(e.leverTo()));
            default -> "";
        };
    }

    /** Where the limb goes; a share where it stays in its place and only bears more. */
    private String range(@Nullable String from, String to, ClientFile client, @Nullable Rung rung) {
        if (rung != null && from != null) {
            String before = where(rung, Double.parseDouble(from), client);
            String after = where(rung, Double.parseDouble(to), client);
            if (!before.equals(after)) {
                return before + " → " + after;
            }
        }
        return percent(from) + " → " + percent(to);
    }

    private static String percent(@Nullable String fraction) {
        return fraction == null ? "" : Math.round(100 * Double.parseDouble(fraction)) + " %";
    }

    private static String whole(@Nullable String number) {
        return number == null ? "" : Numbers.plain(Double.parseDouble(number));
    }

    private static String load(EventRow e) {
        return e.loadChangePct() == null
                ? ""
                : ", estimated load " + (e.loadChangePct() < 0 ? "−" : "+") + Math.round(Math.abs(e.loadChangePct()))
                        + " %";
    }
}

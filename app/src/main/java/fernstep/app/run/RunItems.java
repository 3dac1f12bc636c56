package fernstep.app.run;

import fernstep.app.client.ClientFile;
import fernstep.app.support.Words;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Pacer;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.findings.SignCode;
import fernstep.core.session.EarlierSessions;
import fernstep.core.session.Exercise;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/**
 * The exercises of one session as the page shows them. Hardly any changes from one state to the next: each is made once as
 * long as this is kept.
 */
final class RunItems {
    private static final int LIKELIEST = 5;
    /** Seen only where the belly hangs and the rod lies on the back. */
    private static final List<SignCode> ON_HANDS_AND_KNEES = List.of(SignCode.BELLY_DROPS, SignCode.CONTACT_LOST);

    /** Of one session; beyond it they are made anew. */
    private static final int MOST_KEPT = 400;

    private final Words words;
    private final AdviceWords advice;
    private final ClientFile client;
    private final EarlierSessions before;
    private final Locale locale;
    private final Map<Shown, RunState.Item> known = new ConcurrentHashMap<>();

    RunItems(Words words, AdviceWords advice, ClientFile client, EarlierSessions before) {
        this.words = words;
        this.advice = advice;
        this.client = client;
        this.before = before;
        this.locale = words.locale();
    }

    /** Whether they would be made alike now. */
    boolean madeOf(ClientFile other, EarlierSessions earlier) {
        return before.equals(earlier)
                && known.size() < MOST_KEPT
                && locale.equals(words.locale())
                && client.equals(other);
    }

    /** All that an exercise's showing depends on. */
    private record Shown(int at, Progress progress, Manner manner) {
        static Shown of(int at, Exercise e) {
            return new Shown(
                    at,
                    new Progress(e.state(), e.set(), e.repsDone(), e.target()),
                    new Manner(
                            e.rung().code(),
                            e.form(),
                            e.range(),
                            e.dose().toString(),
                            e.kneesBentDeg(),
                            e.helpers(),
                            e.otherLevers()));
        }
    }

    private record Progress(Exercise.State state, int set, int repsDone, int target) {}

    private record Manner(
            String rung,
            RungForm form,
            double range,
            String dose,
            int kneesBentDeg,
            Set<Helper> helpers,
            List<Lever> levers) {}

    RunState.Item item(int at, Exercise e) {
        return known.computeIfAbsent(Shown.of(at, e), shown -> made(at, e));
    }

    private RunState.Item made(int at, Exercise e) {
        Rung rung = e.rung();
        return new RunState.Item(
                rung.code(),
                words.name(rung),
                side(e),
                e.side(),
                words.dose(e.dose()),
                words.code(e.asDone(client.body()).position()),
                words.howTo(rung),
                rung.cues().getOrDefault(client.stances().activation().name(), ""),
                words.mind(rung),
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
                figure(e),
                AnswersKey.unseen(at, e));
    }

    /** In her form, eased as it is now. */
    private String figure(Exercise e) {
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
}

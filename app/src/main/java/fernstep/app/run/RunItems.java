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
        static Shown of(int at, Exercise exercise) {
            return new Shown(
                    at,
                    new Progress(exercise.state(), exercise.set(), exercise.repsDone(), exercise.target()),
                    new Manner(
                            exercise.rung().code(),
                            exercise.form(),
                            exercise.range(),
                            exercise.dose().toString(),
                            exercise.kneesBentDeg(),
                            exercise.helpers(),
                            exercise.otherLevers()));
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

    RunState.Item item(int at, Exercise exercise) {
        return known.computeIfAbsent(Shown.of(at, exercise), shown -> made(at, exercise));
    }

    private RunState.Item made(int at, Exercise exercise) {
        Rung rung = exercise.rung();
        return new RunState.Item(
                rung.code(),
                words.name(rung),
                side(exercise),
                exercise.side(),
                words.dose(exercise.dose()),
                words.code(exercise.asDone(client.body()).position()),
                words.howTo(rung),
                rung.cues().getOrDefault(client.stances().activation().name(), ""),
                words.mind(rung),
                exercise.set(),
                exercise.dose().sets(),
                exercise.repsDone(),
                exercise.target(),
                exercise.dose().reps() == null && exercise.dose().breaths() != null,
                exercise.dose().holdS(),
                (int) Math.round(100 * exercise.range()),
                rung.hasRange() ? advice.where(rung, exercise.range(), client) : null,
                eased(exercise),
                Pacer.phases(
                                rung,
                                client.stances().effortTiming(),
                                exercise.dose().holdS())
                        .stream()
                        .map(phase -> new RunState.Phase(
                                phase.part().name(),
                                words.code(phase.part()),
                                phase.breath().name(),
                                phase.seconds()))
                        .toList(),
                rung.watch().stream().limit(LIKELIEST).map(Enum::name).toList(),
                before.signsOn(rung.code()).stream().map(Enum::name).toList(),
                exercise.asDone(client.body()).position() == Position.HANDS_KNEES
                        ? List.of()
                        : ON_HANDS_AND_KNEES.stream().map(Enum::name).toList(),
                exercise.state().name().toLowerCase(Locale.ROOT),
                figure(exercise),
                AnswersKey.unseen(at, exercise));
    }

    /** In her form, eased as it is now. */
    private String figure(Exercise exercise) {
        StringBuilder url = new StringBuilder("/figures/" + exercise.rung().code() + "?client=" + client.id());
        if (exercise.side() != null) {
            url.append("&side=").append(exercise.side());
        }
        url.append("&range=").append(exercise.range());
        boolean easier = exercise.otherLevers().contains(Lever.EASIER_POSITION);
        RungForm form = easier ? RungForm.EASIER : exercise.form();
        if (form != RungForm.PLAIN) {
            url.append("&form=").append(form);
        }
        if (exercise.kneesBentDeg() > 0) {
            url.append("&kneesBent=").append(exercise.kneesBentDeg());
        }
        if (exercise.otherLevers().contains(Lever.ONE_LIMB)) {
            url.append("&oneLimb=true");
        }
        if (!exercise.helpers().isEmpty()) {
            url.append("&help=")
                    .append(exercise.helpers().stream().map(Enum::name).collect(Collectors.joining(",")));
        }
        return url.toString();
    }

    private String side(Exercise exercise) {
        return exercise.side() == null ? "" : words.code(exercise.side());
    }

    private List<String> eased(Exercise exercise) {
        List<String> eased = new ArrayList<>();
        if (exercise.steppedBack()) {
            eased.add(words.text("run.steppedBack", words.rung(exercise.plannedRung())));
        }
        exercise.helpers().forEach(helper -> eased.add(words.code(helper)));
        exercise.otherLevers().forEach(lever -> eased.add(words.code(lever)));
        return eased;
    }
}

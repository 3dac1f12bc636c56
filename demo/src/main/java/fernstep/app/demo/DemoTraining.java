package fernstep.app.demo;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.progress.LadderMapper;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.run.SessionMapper;
import fernstep.app.run.SessionRow;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.body.Capacity;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.Plan;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.Progress;
import fernstep.core.progress.RangeGrowth;
import fernstep.core.progress.SessionResult;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.progress.TrainingWeeks;
import fernstep.core.schedule.TrainingDays;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Months of training for invented clients: days are played forward, each result drawn, and every move is the one the
 * rules give, confirmed on the next day of training. Seeded: the same every time.
 */
@Component
class DemoTraining {
    private static final List<Kind> NOT_CLEAN =
            List.of(Kind.HELPED, Kind.HELPED, Kind.EASED, Kind.EASED, Kind.STEPPED_BACK);

    private static final int AT_ONCE = 500;
    /** The others are at home. */
    private static final int STUDIO_EVERY = 8;

    private final Clients clients;
    private final LadderMapper ladders;
    private final SessionMapper sessions;
    private final Catalogues catalogues;
    private final Today today;

    DemoTraining(Clients clients, LadderMapper ladders, SessionMapper sessions, Catalogues catalogues, Today today) {
        this.clients = clients;
        this.ladders = ladders;
        this.sessions = sessions;
        this.catalogues = catalogues;
        this.today = today;
    }

    /** Where somebody begins. */
    record Start(Strand strand, @Nullable Side side, String rung, double range) {
        static Start of(Strand strand, String rung) {
            return new Start(strand, null, rung, 1);
        }
    }

    /**
     * How somebody trains.
     *
     * @param adherence share of planned days on which she trains
     * @param clean share of results that are clean
     * @param awayFrom days ago on which a gap begins, 0 for none
     * @param awayDays how long it lasts
     */
    record Habits(int beganDaysAgo, double adherence, double clean, int awayFrom, int awayDays, long seed) {}

    /** One place as it stands. */
    private static final class Standing {
        private LadderRow step;
        private final List<SessionResult> log = new ArrayList<>();
        private @Nullable Progress waiting;

        private Standing(LadderRow step) {
            this.step = step;
        }
    }

    void play(long clientId, long staff, Habits habits, Findings findings, List<Start> starts) {
        ClientFile client = clients.file(clientId);
        Catalogue catalogue = catalogues.get();
        DoseStance stance = client.stances().dose();
        Random random = new Random(habits.seed());
        LocalDate day = today.date().minusDays(habits.beganDaysAgo());
        List<Standing> all = new ArrayList<>();
        for (Start s : starts) {
            Rung rung = catalogue.rung(s.rung());
            Dose dose = Plan.firstDose(rung, stance, findings, s.side());
            all.add(new Standing(insert(
                    LadderRow.of(clientId, s.strand(), s.side(), s.rung(), dose, day, "START", staff, 0, s.range()))));
        }
        Set<DayOfWeek> days = TrainingDays.of(all.get(0).step.daysPerWeek(), Set.of());
        List<Capacity.Clean> held = new ArrayList<>();
        List<ResultRow> results = new ArrayList<>();
        List<SessionResult> history = new ArrayList<>();
        int trained = 0;
        for (; day.isBefore(today.date()); day = day.plusDays(1)) {
            long ago = java.time.temporal.ChronoUnit.DAYS.between(day, today.date());
            boolean away = ago <= habits.awayFrom() && ago > habits.awayFrom() - habits.awayDays();
            if (away || !days.contains(day.getDayOfWeek()) || random.nextDouble() >= habits.adherence()) {
                continue;
            }
            String session = UUID.nameUUIDFromBytes(("demo " + clientId + " " + day).getBytes(StandardCharsets.UTF_8))
                    .toString();
            sessions.insert(new SessionRow(session, clientId, day, staff, null));
            sessions.finish(session);
            if (++trained % STUDIO_EVERY != 0) {
                sessions.markAtHome(session);
            }
            for (Standing s : all) {
                confirm(s, clientId, staff, day);
                results.add(train(s, client, session, day, habits, random, held));
                history.add(s.log.get(s.log.size() - 1));
                decide(s, all, client, findings, day, held, history);
            }
        }
        for (int from = 0; from < results.size(); from += AT_ONCE) {
            ladders.putResults(results.subList(from, Math.min(results.size(), from + AT_ONCE)));
        }
    }

    private void confirm(Standing standing, long clientId, long staff, LocalDate day) {
        Progress p = standing.waiting;
        if (p == null || standing.step.id() == null) {
            return;
        }
        standing.step = insert(LadderRow.of(
                clientId,
                standing.step.strand(),
                standing.step.sideOrNull(),
                p.rung(),
                p.dose(),
                day.minusDays(1),
                p.change().name(),
                staff,
                standing.step.id(),
                p.range()));
        standing.log.clear();
        standing.waiting = null;
    }

    private ResultRow train(
            Standing standing,
            ClientFile client,
            String session,
            LocalDate day,
            Habits habits,
            Random random,
            List<Capacity.Clean> held) {
        Kind kind = random.nextDouble() < habits.clean() ? Kind.CLEAN : NOT_CLEAN.get(random.nextInt(NOT_CLEAN.size()));
        int effort = kind == Kind.CLEAN ? 2 + random.nextInt(3) : 4 + random.nextInt(3);
        standing.log.add(new SessionResult(day, kind, effort, List.of()));
        ResultRow result = new ResultRow(
                session,
                standing.step.rung(),
                standing.step.side(),
                client.id(),
                day,
                kind,
                effort,
                "",
                "",
                standing.step.rangeFraction());
        Rung rung = catalogues.get().rung(standing.step.rung());
        if (kind == Kind.CLEAN && rung.family() != null) {
            rung.loadAt(standing.step.rangeFraction(), client.body())
                    .ifPresent(load -> held.add(new Capacity.Clean(
                            day,
                            Objects.requireNonNull(rung.family()),
                            standing.step.sideOrNull(),
                            load.loadIndex(),
                            null)));
        }
        return result;
    }

    private void decide(
            Standing standing,
            List<Standing> all,
            ClientFile client,
            Findings findings,
            LocalDate day,
            List<Capacity.Clean> held,
            List<SessionResult> history) {
        Catalogue catalogue = catalogues.get();
        Rung rung = catalogue.rung(standing.step.rung());
        DoseStance stance = client.stances().dose();
        Window window = DoseRules.window(rung.window(), stance);
        Screening screening = Screening.of(Screening.Question.of(client.facts(), List.of(), client.stances(), day));
        Set<RungGates.Done> done = Plan.done(
                catalogue,
                findings,
                all.stream().map(each -> each.step.asPlace()).toList());
        int cleanWeeks = TrainingWeeks.clean(history, DoseRules.daysPerWeek(stance), day);
        RungGates.Known known = new RungGates.Known(
                catalogue,
                screening,
                client.facts().pregnant(),
                findings,
                client.stances(),
                done,
                new RungGates.History(cleanWeeks, Map.of()));
        int other = all.stream()
                .filter(each -> each != standing
                        && each.step.strand() == standing.step.strand()
                        && !each.step.side().isEmpty())
                .mapToInt(each -> catalogue.rung(each.step.rung()).order())
                .findFirst()
                .orElse(0);
        Progress p = Progress.of(new Progress.Question(
                catalogue,
                new Progress.Place(
                        rung,
                        standing.step.sideOrNull(),
                        standing.step.dose(),
                        window,
                        RangeGrowth.of(
                                catalogue,
                                rung,
                                standing.step.sideOrNull(),
                                standing.step.rangeFraction(),
                                client.body(),
                                held,
                                Capacity.USUAL_STEP,
                                client.settings().growFirst(),
                                day),
                        other,
                        false),
                stance,
                standing.log,
                Progress.Day.of(day),
                known));
        boolean moves = p.change().moves();
        standing.waiting = moves ? p : null;
    }

    private LadderRow insert(LadderRow step) {
        ladders.insert(step);
        return ladders.current(step.clientId()).stream()
                .filter(row -> row.strand() == step.strand() && row.side().equals(step.side()))
                .findFirst()
                .orElseThrow();
    }
}

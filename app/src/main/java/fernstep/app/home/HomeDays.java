package fernstep.app.home;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.figure.FigureDrawing;
import fernstep.app.house.House;
import fernstep.app.plan.Plans;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.core.catalogue.Pacer;
import fernstep.core.catalogue.Rung;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.schedule.DailyLife;
import fernstep.core.schedule.GarmentSchedule;
import fernstep.core.schedule.SessionCalendar;
import fernstep.core.schedule.TrainingDays;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Puts together what a client finds on her home page: the plan as it stands, of what her practitioner began with her. */
@Service
class HomeDays {
    private static final int AHEAD_DAYS = 14;
    private static final int MORNING_LOOKS_BACK_DAYS = 4;
    private static final JsonMapper JSON = JsonMapper.shared();

    private final Clients clients;
    private final Plans plans;
    private final Results results;
    private final HomeLogMapper log;
    private final HomeEntries entries;
    private final Catalogues catalogues;
    private final House house;
    private final Words words;
    private final Today today;

    HomeDays(
            Clients clients,
            Plans plans,
            Results results,
            HomeLogMapper log,
            HomeEntries entries,
            Catalogues catalogues,
            House house,
            Words words,
            Today today) {
        this.clients = clients;
        this.plans = plans;
        this.results = results;
        this.log = log;
        this.entries = entries;
        this.catalogues = catalogues;
        this.house = house;
        this.words = words;
        this.today = today;
    }

    /** One part of a repetition for the page's script: what it says, what the breath does, for how long. */
    private record Phase(String text, String breath, int seconds) {}

    HomeDay of(long clientId) {
        ClientFile client = clients.file(clientId);
        LocalDate day = today.date();
        Plans.Desk desk = plans.desk(client);
        Plan plan = desk.plan();
        Screening screening = desk.question().screening();
        List<LadderRow> steps = results.steps(clientId);
        Set<DayOfWeek> training =
                TrainingDays.of(plan.daysPerWeek().orElse(1), client.settings().blocked());
        boolean open = !screening.outcome().closesGates() && !steps.isEmpty();
        List<PlanItem> items = open ? begun(plans.session(client, plan, day, null), steps) : List.of();
        GarmentSchedule garment = desk.garment().orElse(null);
        return new HomeDay(
                client,
                day,
                screening.outcome(),
                plan.days().size() < 2 || items.isEmpty() ? null : named(plan, client, day),
                exercises(client, items, day),
                training.contains(day.getDayOfWeek()),
                leaveOut(desk, items),
                questions(client),
                morning(clientId, day),
                new HomeDay.Life(DailyLife.on(day, garment), garment, entries.minded(clientId, day)),
                SessionCalendar.of(
                                plan,
                                client.settings().blocked(),
                                screening,
                                client.facts().clearances(),
                                day,
                                day.plusDays(AHEAD_DAYS - 1))
                        .days(),
                steps.stream().map(this::place).toList(),
                house.facts());
    }

    /** Nothing new is begun alone: only strands and sides that were begun beside the mat. */
    private static List<PlanItem> begun(List<PlanItem> items, List<LadderRow> steps) {
        Set<String> begun = steps.stream().map(s -> s.strand() + s.side()).collect(Collectors.toSet());
        return items.stream()
                .filter(i -> begun.contains(i.strand().name() + side(i)))
                .toList();
    }

    private static String side(PlanItem item) {
        return item.side() == null ? "" : item.side().name();
    }

    private @Nullable String named(Plan plan, ClientFile client, LocalDate day) {
        List<PlanItem> items = plans.session(client, plan, day, null);
        return plan.days().stream()
                .filter(d -> d.items().equals(items))
                .map(Plan.Day::name)
                .findFirst()
                .orElse(null);
    }

    private List<HomeDay.Exercise> exercises(ClientFile client, List<PlanItem> items, LocalDate day) {
        Map<String, ResultRow> told = results.since(client.id(), day).stream()
                .filter(r -> r.sessionId().equals(HomeEntries.sessionId(client.id(), day)))
                .collect(Collectors.toMap(r -> r.rung() + r.side(), r -> r, (a, b) -> b));
        return items.stream()
                .map(i -> {
                    ResultRow done = told.get(i.rung().code() + side(i));
                    return new HomeDay.Exercise(
                            key(i),
                            i,
                            FigureDrawing.of(i.rung(), client.body(), i.side(), i.range()),
                            phases(client, i),
                            target(i.dose()),
                            i.point() == null || !i.rung().hasRange()
                                    ? ""
                                    : words.range(i.rung().movement().dial(), i.point()),
                            done == null ? null : done.result().name());
                })
                .toList();
    }

    private static String key(PlanItem item) {
        return item.rung().code() + ":" + side(item);
    }

    private static int target(Dose dose) {
        return dose.reps() != null ? dose.reps() : dose.breaths() != null ? dose.breaths() : 1;
    }

    private String phases(ClientFile client, PlanItem item) {
        return JSON.writeValueAsString(
                Pacer.phases(
                                item.rung(),
                                client.stances().effortTiming(),
                                item.dose().holdS())
                        .stream()
                        .map(p -> new Phase(words.code(p.part()), p.breath().name(), p.seconds()))
                        .toList());
    }

    /** What an answer that only adapts takes out of today, worked out ahead so that it holds without a connection. */
    private Map<Answer, List<String>> leaveOut(Plans.Desk desk, List<PlanItem> items) {
        Map<Answer, List<String>> out = new EnumMap<>(Answer.class);
        for (Answer answer : asked(desk.client(), a -> a.leadsTo() == Outcome.ADAPT)) {
            List<String> gone = plans.ifTold(desk, answer)
                    .map(then -> items.stream()
                            .filter(i -> then.items().stream().noneMatch(t -> alike(i, t)))
                            .map(HomeDays::key)
                            .toList())
                    .orElse(List.of());
            if (!gone.isEmpty()) {
                out.put(answer, gone);
            }
        }
        return out;
    }

    /** Done in the same way and as much: what would be adapted waits until the page has been read anew. */
    private static boolean alike(PlanItem one, PlanItem other) {
        return key(one).equals(key(other))
                && one.rung().equals(other.rung())
                && one.dose().equals(other.dose())
                && one.range() == other.range();
    }

    private static HomeDay.Questions questions(ClientFile client) {
        return new HomeDay.Questions(
                asked(client, Answer::emergency),
                asked(client, a -> a.leadsTo() == Outcome.ASK_FIRST),
                asked(client, a -> a.leadsTo() == Outcome.ADAPT));
    }

    private static List<Answer> asked(ClientFile client, Predicate<Answer> which) {
        return Arrays.stream(Answer.values())
                .filter(which)
                .filter(a -> a.mayApplyTo(client.facts()))
                .toList();
    }

    /** Of the last days, the newest on which she trained and whose morning was not told. */
    private @Nullable LocalDate morning(long clientId, LocalDate day) {
        return log.days(clientId, day.minusDays(MORNING_LOOKS_BACK_DAYS)).stream()
                .filter(d -> d.heldOn().isBefore(day))
                .findFirst()
                .filter(d -> d.nextDay() == null)
                .map(HomeLogMapper.Day::heldOn)
                .orElse(null);
    }

    private HomeDay.Place place(LadderRow step) {
        Rung rung = catalogues.get().rung(step.rung());
        List<Rung> ladder = catalogues.get().strand(rung.strand()).orElseThrow().rungs();
        return new HomeDay.Place(rung, step.side(), ladder.indexOf(rung) + 1, ladder.size());
    }
}

package fernstep.app.home;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.figure.DoneSo;
import fernstep.app.figure.Figures;
import fernstep.app.house.EmergencyNumbers;
import fernstep.app.house.House;
import fernstep.app.plan.Plans;
import fernstep.app.plan.Prescriptions;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Pacer;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.plan.Dose;
import fernstep.core.plan.PlanItem;
import fernstep.core.schedule.DailyLife;
import fernstep.core.schedule.GarmentSchedule;
import fernstep.core.schedule.Prescription;
import fernstep.core.screening.Answer;
import fernstep.core.screening.EmergencyCall;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Puts together what a client finds on her home page: the plan as it stands, of what her practitioner began with her. */
@Service
class HomeDays {
    private static final int AHEAD_DAYS = 14;
    private static final JsonMapper JSON = JsonMapper.shared();

    private final Clients clients;
    private final Plans plans;
    private final Results results;
    private final Prescriptions prescriptions;
    private final Mornings mornings;
    private final HomeEntries entries;
    private final Catalogues catalogues;
    private final House house;
    private final Words words;
    private final Today today;

    HomeDays(
            Clients clients,
            Plans plans,
            Results results,
            Prescriptions prescriptions,
            Mornings mornings,
            HomeEntries entries,
            Catalogues catalogues,
            House house,
            Words words,
            Today today) {
        this.clients = clients;
        this.plans = plans;
        this.results = results;
        this.prescriptions = prescriptions;
        this.mornings = mornings;
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
        Prescription prescription = prescriptions.of(desk);
        Screening screening = desk.question().screening();
        List<LadderRow> steps = results.steps(clientId);
        boolean open = !screening.outcome().closesGates() && !steps.isEmpty();
        List<PlanItem> items = open ? prescription.session(day, null) : List.of();
        GarmentSchedule garment = desk.garment().orElse(null);
        return new HomeDay(
                client,
                day,
                screening.outcome(),
                items.isEmpty() ? null : prescription.name(day),
                exercises(client, items, day),
                prescription.trainingDays().contains(day.getDayOfWeek()),
                leaveOut(desk, items),
                questions(client),
                mornings.notSaid(clientId, day).orElse(null),
                new HomeDay.Life(DailyLife.on(day, garment), garment, entries.minded(clientId, day)),
                prescription
                        .calendar(screening, client.facts().clearances(), day, day, day.plusDays(AHEAD_DAYS - 1))
                        .days(),
                steps.stream().map(this::place).toList(),
                house.facts(),
                safety(client, prescription, screening, day));
    }

    private HomeDay.Safety safety(ClientFile client, Prescription prescription, Screening screening, LocalDate day) {
        EmergencyNumbers numbers = house.facts().numbers();
        Map<EmergencyCall, List<Answer>> byCall = asked(client, Answer::emergency).stream()
                .collect(Collectors.groupingBy(
                        answer -> answer.call(client.facts()),
                        () -> new EnumMap<>(EmergencyCall.class),
                        Collectors.toList()));
        byCall.putIfAbsent(EmergencyCall.EMERGENCY_NOW, List.of());
        return new HomeDay.Safety(
                prescription.mayTrain(),
                prescription.since(),
                prescription.withheld().stream()
                        .map(Prescription.Withheld::item)
                        .toList(),
                byCall.entrySet().stream()
                        .map(kind -> new HomeDay.Safety.Call(
                                kind.getKey(), numbers.linesFor(kind.getKey(), client.facts(), day), kind.getValue()))
                        .toList(),
                screening.reasons().stream()
                        .map(Screening.Finding::answer)
                        .filter(Answer::emergency)
                        .map(answer -> answer.call(client.facts()).name())
                        .distinct()
                        .collect(Collectors.joining(",")));
    }

    private static String side(PlanItem item) {
        return item.side() == null ? "" : item.side().name();
    }

    private List<HomeDay.Exercise> exercises(ClientFile client, List<PlanItem> items, LocalDate day) {
        Map<String, ResultRow> told = results.since(client.id(), day).stream()
                .filter(row -> row.sessionId().equals(HomeEntries.sessionId(client.id(), day)))
                .collect(Collectors.toMap(row -> row.rung() + row.side(), row -> row, (one, other) -> other));
        return items.stream()
                .map(item -> {
                    ResultRow done = told.get(item.rung().code() + side(item));
                    return new HomeDay.Exercise(
                            key(item),
                            item,
                            Figures.movingAlone(item.asDone(client.body()), client.body(), item.side(), item.range()),
                            so(item),
                            phases(client, item),
                            target(item.dose()),
                            item.point() == null || !item.rung().hasRange()
                                    ? ""
                                    : words.range(item.rung().movement().dial(), item.point()),
                            done == null ? null : done.result().name());
                })
                .toList();
    }

    private static String key(PlanItem item) {
        return item.rung().code() + ":" + side(item);
    }

    /** In the form it stands in, eased as her plan has it. */
    private DoneSo so(PlanItem item) {
        Easing easing =
                item.eased() == null ? Easing.NONE : item.eased().setting().easing();
        boolean easier = easing.levers().contains(Lever.EASIER_POSITION);
        Rung plain = catalogues.get().find(item.rung().code()).orElse(item.rung());
        return new DoneSo(
                easier ? RungForm.EASIER : RungForm.of(item.rung(), plain),
                easing.kneesBentDeg(),
                easing.levers().contains(Lever.ONE_LIMB),
                easing.helpers());
    }

    private static int target(Dose dose) {
        if (dose.reps() != null) {
            return dose.reps();
        }
        return dose.breaths() != null ? dose.breaths() : 1;
    }

    private String phases(ClientFile client, PlanItem item) {
        return JSON.writeValueAsString(
                Pacer.phases(
                                item.rung(),
                                client.stances().effortTiming(),
                                item.dose().holdS())
                        .stream()
                        .map(phase -> new Phase(
                                words.code(phase.part()), phase.breath().name(), phase.seconds()))
                        .toList());
    }

    /** What an answer that only adapts takes out of today, worked out ahead so that it holds without a connection. */
    private Map<Answer, List<String>> leaveOut(Plans.Desk desk, List<PlanItem> items) {
        Map<Answer, List<String>> out = new EnumMap<>(Answer.class);
        for (Answer answer : asked(desk.client(), each -> each.leadsTo() == Outcome.ADAPT)) {
            List<PlanItem> then = plans.ifTold(desk, answer)
                    .map(told -> prescriptions.of(told).plan().items())
                    .orElse(items);
            List<String> gone = items.stream()
                    .filter(item -> then.stream().noneMatch(other -> key(other).equals(key(item))))
                    .map(HomeDays::key)
                    .toList();
            if (!gone.isEmpty()) {
                out.put(answer, gone);
            }
        }
        return out;
    }

    private static HomeDay.Questions questions(ClientFile client) {
        return new HomeDay.Questions(
                asked(client, Answer::emergency),
                asked(client, answer -> answer.leadsTo() == Outcome.ASK_FIRST),
                asked(client, answer -> answer.leadsTo() == Outcome.ADAPT));
    }

    private static List<Answer> asked(ClientFile client, Predicate<Answer> which) {
        return Arrays.stream(Answer.values())
                .filter(which)
                .filter(answer -> answer.mayApplyTo(client.facts()))
                .toList();
    }

    private HomeDay.Place place(LadderRow step) {
        Rung rung = catalogues.get().rung(step.rung());
        List<Rung> ladder = catalogues.get().strand(rung.strand()).orElseThrow().rungs();
        return new HomeDay.Place(rung, step.side(), ladder.indexOf(rung) + 1, ladder.size());
    }
}

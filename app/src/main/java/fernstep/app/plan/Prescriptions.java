package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.app.client.ClientFile;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.Results;
import fernstep.app.rungs.Catalogues;
import fernstep.app.standing.Standings;
import fernstep.app.support.Tokens;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Role;
import fernstep.core.plan.SessionTime;
import fernstep.core.progress.Progress;
import fernstep.core.schedule.Prescription;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps plans as they were signed, and says what of them is to be done: for every page, paper, file and phone alike. */
@Service
public class Prescriptions {
    /** How she came to a place by a progression that was confirmed: it counts without a new plan. */
    private static final Set<String> CONFIRMED =
            Arrays.stream(Progress.Change.values()).map(Enum::name).collect(Collectors.toUnmodifiableSet());

    private final PrescriptionMapper mapper;
    private final Plans plans;
    private final Results results;
    private final Standings standings;
    private final Catalogues catalogues;
    private final Clock clock;

    Prescriptions(
            PrescriptionMapper mapper,
            Plans plans,
            Results results,
            Standings standings,
            Catalogues catalogues,
            Clock clock) {
        this.mapper = mapper;
        this.plans = plans;
        this.results = results;
        this.standings = standings;
        this.catalogues = catalogues;
        this.clock = clock;
    }

    /** The plan of a visit is used from now on: what was a draft becomes what she is to do. */
    @Transactional
    public void adopt(Visit visit, long staffId) {
        Plans.Desk desk = plans.desk(visit);
        if (unchanged(desk)) {
            return;
        }
        Plan plan = desk.plan();
        plans.settle(visit, plan, staffId);
        store(
                visit.client().id(),
                plan,
                digest(plans.plan(visit), visit.client().id()),
                staffId);
    }

    /** The plan to show: the one in use while nothing has changed since, else what is proposed now. */
    public Plan shown(Plans.Desk desk) {
        Plan proposed = desk.plan();
        return mapper.ofClient(desk.client().id())
                .filter(row ->
                        row.proposedThen().equals(digest(proposed, desk.client().id())))
                .map(row -> signed(row, desk).beside(proposed))
                .orElse(proposed);
    }

    private boolean unchanged(Plans.Desk desk) {
        return mapper.ofClient(desk.client().id())
                .filter(row -> row.proposedThen()
                        .equals(digest(desk.plan(), desk.client().id())))
                .isPresent();
    }

    private String digest(Plan plan, long clientId) {
        return Tokens.digest(mapper.foundInHer(clientId) + "|"
                + plan.days().stream()
                        .map(day -> day.name()
                                + day.perWeek()
                                + day.items().stream()
                                        .map(item -> item.rung().code()
                                                + item.side()
                                                + item.position()
                                                + item.dose()
                                                + item.range())
                                        .collect(Collectors.joining(";")))
                        .collect(Collectors.joining("|")));
    }

    private void store(long clientId, Plan plan, String proposedThen, long staffId) {
        PrescriptionMapper.Fresh fresh = new PrescriptionMapper.Fresh(new PrescriptionRow(
                0,
                clientId,
                LocalDateTime.now(clock).withNano(0),
                staffId,
                plan.secondsAvailable(),
                lastStep(clientId),
                proposedThen));
        mapper.insert(fresh);
        int ordinal = 0;
        for (Plan.Day day : plan.days()) {
            for (PlanItem item : day.items()) {
                mapper.insertItem(PrescriptionItemRow.of(
                        fresh.getId(), ordinal++, day.name(), day.perWeek(), item, catalogues.get()));
            }
        }
    }

    private long lastStep(long clientId) {
        return results.steps(clientId).stream()
                .mapToLong(Prescriptions::id)
                .max()
                .orElse(0);
    }

    private static long id(LadderRow step) {
        Long id = step.id();
        return id == null ? 0 : id;
    }

    /** What she is to do, today's answers and everything reported of her taken into account. */
    public Prescription of(ClientFile client) {
        return of(plans.desk(client));
    }

    public Prescription of(Plans.Desk desk) {
        ClientFile client = desk.client();
        @Nullable PrescriptionRow row = mapper.ofClient(client.id()).orElse(null);
        Plan adopted = row == null ? proposed(desk) : signed(row, desk);
        return Prescription.of(
                adopted,
                row == null ? null : row.adoptedAt(),
                client.settings().blocked(),
                new Prescription.Today(
                        desk.question().known(),
                        desk.question().screening(),
                        standings.of(client.id()),
                        client.body(),
                        desk.day()));
    }

    /** Where nobody has signed one yet: what is proposed, and of it only what was begun with her where anything was. */
    private Plan proposed(Plans.Desk desk) {
        Plan plan = desk.plan();
        Set<String> begun = results.steps(desk.client().id()).stream()
                .map(step -> step.strand() + step.side())
                .collect(Collectors.toSet());
        return begun.isEmpty()
                ? plan
                : plan.keeping(item -> begun.contains(item.strand().name()
                        + (item.side() == null ? "" : item.side().name())));
    }

    private Plan signed(PrescriptionRow row, Plans.Desk desk) {
        Catalogue catalogue = catalogues.get();
        List<LadderRow> since = results.steps(row.clientId()).stream()
                .filter(step -> id(step) > row.lastStep() && CONFIRMED.contains(step.changeCode()))
                .toList();
        Map<String, List<PlanItem>> byDay = new LinkedHashMap<>();
        Map<String, Integer> perWeek = new LinkedHashMap<>();
        for (PrescriptionItemRow stored : mapper.items(row.id())) {
            if (stored.known(catalogue)) {
                PlanItem item = stored.item(catalogue, desk.client().body());
                byDay.computeIfAbsent(stored.dayName(), name -> new ArrayList<>())
                        .add(eased(moved(item, since, desk), desk));
                perWeek.put(stored.dayName(), stored.perWeek());
            }
        }
        List<Plan.Day> days = new ArrayList<>();
        byDay.forEach((name, items) -> days.add(new Plan.Day(name, perWeek.getOrDefault(name, 1), items)));
        if (days.isEmpty()) {
            days.add(new Plan.Day("A", 1, List.of()));
        }
        return new Plan(
                byDay.values().stream().flatMap(List::stream).distinct().toList(),
                days,
                List.of(),
                List.of(),
                desk.plan().habits(),
                row.secondsAvailable());
    }

    /** What was made easier in a session begins so, whatever was signed before it. */
    private static PlanItem eased(PlanItem item, Plans.Desk desk) {
        return !onOwnPlace(item)
                ? item
                : desk.question().training().places().stream()
                        .filter(place -> place.strand() == item.strand() && place.side() == item.side())
                        .flatMap(place -> Stream.ofNullable(place.eased()))
                        .findFirst()
                        .map(still -> item.easedTo(still, desk.client().body()))
                        .orElse(item);
    }

    private static boolean onOwnPlace(PlanItem item) {
        return item.role() != Role.SETTLE_IN && item.rung().strand() == item.strand();
    }

    /** Where a progression was confirmed since, the exercise, dose and range she was moved to. */
    private static PlanItem moved(PlanItem item, List<LadderRow> since, Plans.Desk desk) {
        if (!onOwnPlace(item)) {
            return item;
        }
        return since.stream()
                .filter(step -> step.strand() == item.strand() && step.sideOrNull() == item.side())
                .findFirst()
                .map(step -> moved(item, step, desk))
                .orElse(item);
    }

    private static PlanItem moved(PlanItem item, LadderRow step, Plans.Desk desk) {
        var rung = desk.question().catalogue().rung(step.rung());
        int extra = item.dose().sets() - item.baseDose().sets();
        Dose base = step.dose();
        Dose dose = base.withSets(Math.max(1, base.sets() + extra));
        return new PlanItem(
                item.strand(),
                item.role(),
                rung,
                item.side(),
                null,
                null,
                base,
                dose,
                step.rangeFraction(),
                rung.family() == null
                        ? null
                        : rung.movement().point(desk.client().body(), step.rangeFraction()),
                SessionTime.seconds(rung, dose),
                SessionTime.loadSeconds(rung, dose),
                item.why(),
                item.whyNotNext(),
                null,
                item.support(),
                item.eased());
    }
}

package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.check.Checks;
import fernstep.app.client.ClientFile;
import fernstep.app.progress.LadderLog;
import fernstep.app.progress.LadderMoves;
import fernstep.app.progress.Ladders;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.core.catalogue.Span;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Adaptations;
import fernstep.core.plan.Choice;
import fernstep.core.plan.FindingLine;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.PlanWarnings;
import fernstep.core.plan.Proposal;
import fernstep.core.plan.Role;
import fernstep.core.plan.Wishes;
import fernstep.core.schedule.GarmentSchedule;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Puts the question for a plan together from what is on file. */
@Service
public class Plans {
    private static final Set<Answer> FLOOR = EnumSet.of(Answer.LEAK_EFFORT, Answer.HEAVINESS);

    private final Catalogues catalogues;
    private final Checks checks;
    private final Ladders ladders;
    private final LadderMoves moves;
    private final Visits visits;
    private final PlanMapper mapper;
    private final Today today;

    public Plans(
            Catalogues catalogues,
            Checks checks,
            Ladders ladders,
            LadderMoves moves,
            Visits visits,
            PlanMapper mapper,
            Today today) {
        this.catalogues = catalogues;
        this.checks = checks;
        this.ladders = ladders;
        this.moves = moves;
        this.visits = visits;
        this.mapper = mapper;
        this.today = today;
    }

    /**
     * Everything the plan screen stands on, read once.
     *
     * @param order strands as the practitioner wants them; empty for the computed order
     */
    public record Desk(
            ClientFile client,
            Plan.Question question,
            List<Strand> order,
            LadderLog log,
            @Nullable Proposal proposal,
            LocalDate day) {

        public Plan plan() {
            return plan(question.wishes().choices(), order);
        }

        Plan plan(List<Choice> choices, List<Strand> inOrder) {
            Plan plan = Plan.of(question.with(choices));
            return inOrder.isEmpty() ? plan : plan.inOrder(inOrder);
        }

        /** Empty where none is worn nor to come. */
        public Optional<GarmentSchedule> garment() {
            return GarmentSchedule.of(client.facts(), client.stances(), question.screening())
                    .filter(schedule -> schedule.concerns(day));
        }

        public List<Reason> warnings(Plan plan) {
            List<Reason> all = new ArrayList<>(PlanWarnings.ofHer(question.screening(), log.symptomDays(day), day));
            Integer against = againstBestWeekPct(plan);
            if (against != null) {
                PlanWarnings.ofLoadAgainstBestWeek(against).ifPresent(all::add);
            }
            all.addAll(PlanWarnings.of(plan, question.wishes(), log.heldClean(), day));
            return all;
        }

        /**
         * A week of this plan against the best of her last four, estimated from loads, seconds and doses. Null before the
         * fourth week of her log.
         */
        @Nullable
        Integer againstBestWeekPct(Plan plan) {
            OptionalDouble best = question.training().loads().bestWeek(day);
            double planned = plan.days().stream()
                    .mapToDouble(day -> day.perWeek() * day.exposure())
                    .sum();
            return best.isEmpty() ? null : (int) Math.round(100 * (planned / best.getAsDouble() - 1));
        }

        /** What was found and this plan has no place for. */
        public List<FindingLine> unserved(Plan plan) {
            return FindingLine.unserved(plan, question);
        }

        /** Days a week she may have: hers, as far as the blocked days leave them. */
        Span days() {
            return new Span(1, question.wishes().daysAtMost());
        }

        /** Anything that is not as computed. */
        public boolean byHand() {
            return !question.wishes().choices().isEmpty() || !order.isEmpty();
        }
    }

    /** The desk as it would be today if she told this as well; empty where nothing opens, closes or changes by it. */
    public Optional<Desk> ifTold(Desk desk, Answer also) {
        Plan.Question q = desk.question();
        Screening then = visits.ifTold(desk.client(), also);
        boolean changesAlike = Adaptations.of(then).equals(Adaptations.of(q.screening()));
        if (then.opensAlike(q.screening()) && changesAlike) {
            return Optional.empty();
        }
        Plan.Question question = new Plan.Question(
                q.catalogue(),
                new Plan.Her(
                        then, q.her().pregnant(), q.her().findings(), q.her().body()),
                desk.log().training(q.catalogue(), desk.day(), FLOOR.contains(also)),
                q.wishes());
        return Optional.of(new Desk(desk.client(), question, desk.order(), desk.log(), desk.proposal(), desk.day()));
    }

    public Plan plan(Visit visit) {
        return desk(visit).plan();
    }

    public Desk desk(Visit visit) {
        return desk(
                visit.client(), visit.screening(), visit.answers(), visit.row().heldOn());
    }

    /** By what is known of her today, for days without a visit. */
    public Desk desk(ClientFile client) {
        return visits.today(client.id())
                .map(this::desk)
                .orElseGet(
                        () -> desk(client, visits.screeningToday(client), EnumSet.noneOf(Answer.class), today.date()));
    }

    private Desk desk(ClientFile client, Screening screening, Set<Answer> answers, LocalDate day) {
        Findings findings = checks.findings(client.id(), day);
        LadderLog log = ladders.log(client);
        boolean told = answers.stream().anyMatch(FLOOR::contains);
        Plan.Question question = new Plan.Question(
                catalogues.get(),
                new Plan.Her(screening, client.facts().pregnant(), findings, client.body()),
                log.training(catalogues.get(), day, told),
                new Wishes(
                        client.stances(),
                        client.row().minutesPerDay(),
                        client.row().daysPerWeek(),
                        client.settings().blocked(),
                        client.settings().exercisesAtMost(),
                        client.settings().goal(),
                        choices(client.id())));
        Proposal proposal = Proposal.of(
                        client.facts(), findings, client.facts().mayExercise(day), screening.outcome(), day)
                .orElse(null);
        return new Desk(client, question, order(client.id()), log, proposal, day);
    }

    /** What was set by hand; a rung that the catalogue no longer has is passed over. */
    private List<Choice> choices(long clientId) {
        return mapper.choices(clientId).stream()
                .map(ChoiceRow::asChoice)
                .filter(choice -> choice.rung() == null
                        || catalogues.get().find(choice.rung()).isPresent())
                .toList();
    }

    private List<Strand> order(long clientId) {
        return mapper.order(clientId).stream()
                .flatMap(text -> Arrays.stream(text.split(",")))
                .filter(text -> !text.isBlank())
                .map(Strand::valueOf)
                .toList();
    }

    /** The plan is used: what was chosen by hand becomes where she stands. */
    public void settle(Visit visit, Plan plan, long staffId) {
        ClientFile client = visit.client();
        moves.start(client, plan.items(), staffId, visit.row().heldOn());
        List<Choice> choices = desk(visit).question().wishes().choices();
        for (PlanItem item : plan.items()) {
            boolean chosen = choices.stream()
                    .anyMatch(choice -> choice.strand() == item.strand()
                            && (choice.side() == null || choice.side() == item.side())
                            && (choice.rung() != null || choice.dose() != null || choice.range() != null));
            boolean ownStrand = item.rung().strand() == item.strand() && item.role() != Role.SETTLE_IN;
            if (chosen && ownStrand) {
                moves.placeByHand(client, item, staffId);
            }
        }
        mapper.clear(client.id());
        choices.stream()
                .filter(choice -> choice.locked() || choice.leftOut() || standsIn(choice))
                .map(choice -> standsIn(choice)
                        ? choice
                        : new Choice(
                                choice.strand(), choice.side(), null, null, null, choice.locked(), choice.leftOut()))
                .forEach(choice -> mapper.put(ChoiceRow.of(client.id(), choice)));
    }

    /** A rung of another strand has no place on this one: it stays a choice. */
    private boolean standsIn(Choice choice) {
        return choice.rung() != null && catalogues.get().rung(choice.rung()).strand() != choice.strand();
    }
}

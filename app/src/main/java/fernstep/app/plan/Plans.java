package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.catalogue.Catalogues;
import fernstep.app.check.Checks;
import fernstep.app.client.ClientFile;
import fernstep.app.progress.Ladders;
import fernstep.app.support.Today;
import fernstep.core.catalogue.Span;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Choice;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.PlanWarnings;
import fernstep.core.plan.Proposal;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;

/** Puts the question for a plan together from what is on file. */
@Service
public class Plans {
    private static final Set<Answer> FLOOR = EnumSet.of(Answer.LEAK_EFFORT, Answer.HEAVINESS);

    private final Catalogues catalogues;
    private final Checks checks;
    private final Ladders ladders;
    private final Visits visits;
    private final PlanMapper mapper;
    private final Today today;

    public Plans(Catalogues catalogues, Checks checks, Ladders ladders, Visits visits, PlanMapper mapper, Today today) {
        this.catalogues = catalogues;
        this.checks = checks;
        this.ladders = ladders;
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
            Ladders.Log log,
            Proposal proposal,
            LocalDate day) {

        public Plan plan() {
            return plan(question.choices(), order);
        }

        Plan plan(List<Choice> choices, List<Strand> inOrder) {
            Plan plan = Plan.of(question.with(choices));
            return inOrder.isEmpty() ? plan : plan.inOrder(inOrder);
        }

        public List<Reason> warnings(Plan plan) {
            List<Reason> all = new ArrayList<>(PlanWarnings.ofHer(question.screening(), log.symptomDays(day), day));
            all.addAll(PlanWarnings.of(plan, log.heldClean(), day));
            return all;
        }

        /** Days a week she may have: hers, as far as the blocked days leave them. */
        Span days() {
            return new Span(1, Math.max(1, Math.min(question.daysPerWeek(), question.freeDays())));
        }

        /** Anything that is not as computed. */
        public boolean byHand() {
            return !question.choices().isEmpty() || !order.isEmpty();
        }
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
        Ladders.Log log = ladders.log(client);
        int freeDays = DayOfWeek.values().length - client.settings().blocked().size();
        boolean told = answers.stream().anyMatch(FLOOR::contains);
        Plan.Question question = new Plan.Question(
                catalogues.get(),
                screening,
                client.facts().pregnant(),
                client.stances(),
                findings,
                client.body(),
                log.places(),
                client.row().minutesPerDay(),
                client.row().daysPerWeek(),
                Math.max(1, freeDays),
                told || log.floorSymptoms(day),
                log.history(),
                mapper.choices(client.id()).stream().map(ChoiceRow::asChoice).toList());
        Proposal proposal = Proposal.of(client.facts(), findings, client.facts().mayExercise(day), day);
        return new Desk(client, question, order(client.id()), log, proposal, day);
    }

    private List<Strand> order(long clientId) {
        return mapper.order(clientId).stream()
                .flatMap(text -> Arrays.stream(text.split(",")))
                .filter(s -> !s.isBlank())
                .map(Strand::valueOf)
                .toList();
    }

    /** The plan is used: what was chosen by hand becomes where she stands. */
    public void settle(Visit visit, Plan plan, long staffId) {
        ClientFile client = visit.client();
        ladders.start(client, plan.items(), staffId, visit.row().heldOn());
        List<Choice> choices = desk(visit).question().choices();
        for (PlanItem item : plan.items()) {
            boolean chosen = choices.stream()
                    .anyMatch(c -> c.strand() == item.strand()
                            && (c.side() == null || c.side() == item.side())
                            && (c.rung() != null || c.dose() != null || c.range() != null));
            boolean ownStrand = item.rung().strand() == item.strand();
            if (chosen && ownStrand) {
                ladders.placeByHand(client, item, staffId);
            }
        }
        mapper.clear(client.id());
        choices.stream()
                .filter(c -> c.locked() || c.leftOut() || standsIn(c))
                .map(c -> standsIn(c) ? c : new Choice(c.strand(), c.side(), null, null, null, c.locked(), c.leftOut()))
                .forEach(c -> mapper.put(ChoiceRow.of(client.id(), c)));
    }

    /** A rung of another strand has no place on this one: it stays a choice. */
    private boolean standsIn(Choice c) {
        return c.rung() != null && catalogues.get().rung(c.rung()).strand() != c.strand();
    }
}

package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.support.RecordLog;
import fernstep.app.support.Words;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.Choice;
import fernstep.core.plan.Dose;
import fernstep.core.plan.LeftOut;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Swaps;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Changes a plan by hand, inside windows, gates and minutes. */
@Service
class PlanEdits {
    private static final int FINEST = 100;

    private final Plans plans;
    private final Clients clients;
    private final PlanMapper mapper;
    private final RecordLog log;
    private final Words words;

    PlanEdits(Plans plans, Clients clients, PlanMapper mapper, RecordLog log, Words words) {
        this.log = log;
        this.clients = clients;
        this.plans = plans;
        this.mapper = mapper;
        this.words = words;
    }

    /** @return why it was not taken; empty when it was */
    @Transactional
    Optional<String> take(Visit visit, PlanChange change, long staffId) {
        return take(plans.desk(visit), change, staffId);
    }

    /** How far a rung of her plan goes, set on its dial. */
    @Transactional
    Optional<String> range(ClientFile client, String rung, @Nullable Side side, String range, long staffId) {
        Plans.Desk desk = plans.desk(client);
        return desk.plan().items().stream()
                .filter(item -> item.rung().code().equals(rung) && item.side() == side)
                .findFirst()
                .map(item -> take(desk, new PlanChange(PlanChange.Kind.RANGE, item.strand(), side, range), staffId))
                .orElse(Optional.of(words.text("told.notInHerPlan", rung)));
    }

    private Optional<String> take(Plans.Desk desk, PlanChange change, long staffId) {
        long client = desk.client().id();
        if (change.kind() == PlanChange.Kind.RESET) {
            desk.question()
                    .wishes()
                    .choices()
                    .forEach(choice -> changed(client, choice, ChoiceRow.written(choice), null, staffId));
            changed(client, "planOrder", mapper.order(client).orElse(null), null, staffId);
            mapper.clear(client);
            mapper.clearOrder(client);
            return Optional.empty();
        }
        if (change.kind() == PlanChange.Kind.ORDER) {
            return order(desk, client, String.valueOf(change.value()), staffId);
        }
        if (change.kind() == PlanChange.Kind.SIZE) {
            return size(client, String.valueOf(change.value()), staffId);
        }
        Strand strand = change.strand();
        if (strand == null) {
            return Optional.of(words.text("told.nothingWasNamedToChange"));
        }
        Attempt attempt = attempt(desk, strand, change);
        if (attempt.refused() != null) {
            return Optional.of(attempt.refused());
        }
        return keep(desk, client, Objects.requireNonNull(attempt.choice()), change.kind(), staffId);
    }

    private void changed(long client, Choice about, @Nullable String before, @Nullable String after, long staffId) {
        String side = about.side() == null ? "" : ":" + about.side();
        changed(client, "plan:" + about.strand() + side, before, after, staffId);
    }

    private void changed(long client, String part, @Nullable String before, @Nullable String after, long staffId) {
        log.changed(new RecordLog.Change(client, null, part, before, after, "", staffId));
    }

    private Optional<String> size(long client, String value, long staffId) {
        if (!value.matches("[0-9]{1,2}") || !Range.SIZE.holds(Integer.parseInt(value))) {
            return Optional.of(words.text("told.exercisesInASession", Range.SIZE.allowed()));
        }
        clients.size(client, Integer.parseInt(value), staffId);
        return Optional.empty();
    }

    private record Attempt(
            @Nullable Choice choice, @Nullable String refused) {}

    private Attempt attempt(Plans.Desk desk, Strand strand, PlanChange change) {
        Side side = change.side();
        Choice now = choice(desk, strand, side);
        Optional<PlanItem> item = desk.plan().items().stream()
                .filter(planItem -> planItem.strand() == strand && planItem.side() == side)
                .findFirst();
        return switch (change.kind()) {
            case LOCK -> taken(new Choice(strand, side, now.rung(), now.dose(), now.range(), true, false));
            case UNLOCK, PUT_IN -> {
                boolean in = change.kind() == PlanChange.Kind.PUT_IN;
                yield taken(new Choice(strand, side, now.rung(), now.dose(), now.range(), in, false));
            }
            case LEAVE_OUT -> taken(new Choice(strand, side, now.rung(), now.dose(), now.range(), false, true));
            case RUNG -> rung(desk, now, item, String.valueOf(change.value()));
            case RANGE -> range(now, item, String.valueOf(change.value()));
            default ->
                item.map(planItem -> dose(desk, now, planItem, change))
                        .orElseGet(() -> refused(words.text("told.itIsNotInThe")));
        };
    }

    private static Attempt taken(Choice choice) {
        return new Attempt(choice, null);
    }

    private static Attempt refused(String why) {
        return new Attempt(null, why);
    }

    private static Choice choice(Plans.Desk desk, Strand strand, @Nullable Side side) {
        return desk.question().wishes().choices().stream()
                .filter(choice -> choice.strand() == strand && choice.side() == side)
                .findFirst()
                .orElse(new Choice(strand, side, null, null, null, false, false));
    }

    private Attempt rung(Plans.Desk desk, Choice now, Optional<PlanItem> item, String code) {
        if (item.isEmpty()) {
            return refused(words.text("told.itIsNotInThe"));
        }
        Optional<Rung> open = Swaps.of(desk.question(), desk.plan(), item.get()).stream()
                .filter(rung -> rung.code().equals(code))
                .findFirst();
        // What comes from another strand may need a position of its own: it is wanted, whatever the packing would say.
        boolean fromElsewhere = open.isPresent() && open.get().strand() != now.strand();
        return open.isEmpty()
                ? refused(words.text("told.notOpenHere", code))
                : taken(new Choice(now.strand(), now.side(), code, null, null, now.locked() || fromElsewhere, false));
    }

    private Attempt range(Choice now, Optional<PlanItem> item, String value) {
        if (item.isEmpty() || !item.get().rung().hasRange()) {
            return refused(words.text("told.thisHasNoRangeTo"));
        }
        try {
            double asked = Double.parseDouble(value);
            double within = Math.round(FINEST * Math.max(0, Math.min(1, asked))) / (double) FINEST;
            return taken(new Choice(
                    now.strand(),
                    now.side(),
                    now.rung(),
                    now.dose() == null ? item.get().baseDose() : now.dose(),
                    within,
                    now.locked(),
                    false));
        } catch (NumberFormatException e) {
            return refused(words.text("told.aRangeIsANumber"));
        }
    }

    private Attempt dose(Plans.Desk desk, Choice now, PlanItem item, PlanChange change) {
        int by = "-1".equals(change.value()) ? -1 : 1;
        Dose d = item.baseDose();
        Window w = item.rung().window();
        Dose to =
                switch (change.kind()) {
                    case SETS -> inside(w.sets(), d.sets() + by) ? d.withSets(d.sets() + by) : d;
                    case REPS ->
                        d.reps() != null && w.reps() != null && inside(w.reps(), d.reps() + by)
                                ? d.withReps(d.reps() + by)
                                : d;
                    case HOLD_S ->
                        d.holdS() != null && w.holdS() != null && inside(w.holdS(), d.holdS() + by)
                                ? d.withHoldS(d.holdS() + by)
                                : d;
                    case BREATHS ->
                        d.breaths() != null && w.breaths() != null && inside(w.breaths(), d.breaths() + by)
                                ? d.withBreaths(d.breaths() + by)
                                : d;
                    default -> desk.days().holds(d.daysPerWeek() + by) ? d.withDays(d.daysPerWeek() + by) : d;
                };
        return to.equals(d)
                ? refused(words.text("told.window", item.rung().code(), words.window(w)))
                : taken(new Choice(now.strand(), now.side(), now.rung(), to, item.range(), now.locked(), false));
    }

    private static boolean inside(Span span, int value) {
        return span.holds(value);
    }

    private Optional<String> order(Plans.Desk desk, long client, String value, long staffId) {
        List<Strand> asked = Arrays.stream(value.split(","))
                .filter(name -> Arrays.stream(Strand.values())
                        .anyMatch(strand -> strand.name().equals(name)))
                .map(Strand::valueOf)
                .toList();
        Optional<String> over = overflows(desk, desk.question().wishes().choices(), asked);
        if (over.isEmpty()) {
            String order = asked.stream().map(Enum::name).collect(Collectors.joining(","));
            changed(client, "planOrder", mapper.order(client).orElse(null), order, staffId);
            mapper.putOrder(client, order);
        }
        return over;
    }

    private Optional<String> keep(Plans.Desk desk, long client, Choice choice, PlanChange.Kind kind, long staffId) {
        List<Choice> choices = new ArrayList<>(desk.question().wishes().choices());
        choices.removeIf(each -> each.strand() == choice.strand() && each.side() == choice.side());
        // What is about one side is read before what is about both.
        choices.add(choice.side() == null ? choices.size() : 0, choice);
        if (kind != PlanChange.Kind.LEAVE_OUT && kind != PlanChange.Kind.UNLOCK) {
            Optional<String> over = overflows(desk, choices, desk.order());
            if (over.isPresent()) {
                return over;
            }
        }
        String before = desk.question().wishes().choices().stream()
                .filter(each -> each.strand() == choice.strand() && each.side() == choice.side())
                .findFirst()
                .map(ChoiceRow::written)
                .orElse(null);
        changed(client, choice, before, ChoiceRow.written(choice), staffId);
        mapper.put(ChoiceRow.of(client, choice));
        return Optional.empty();
    }

    /**
     * A plan that fits is never made to overflow; nor is one pushed out silently to make room, unless it was only in to
     * fill a slot that nothing calls for.
     */
    private Optional<String> overflows(Plans.Desk desk, List<Choice> choices, List<Strand> order) {
        Plan before = desk.plan();
        Plan after = desk.plan(choices, order);
        if (!after.fits() && after.secondsPerDay() > before.secondsPerDay()) {
            return Optional.of(
                    words.text("told.wouldTake", words.time(after.secondsPerDay()), after.minutesAvailable()));
        }
        List<String> pushed = before.items().stream()
                .map(PlanItem::strand)
                .distinct()
                .filter(strand -> after.items().stream().noneMatch(item -> item.strand() == strand))
                .filter(strand -> after.leftOut().stream()
                        .noneMatch(out ->
                                out.strand() == strand && out.because() == LeftOut.Because.Decided.NOTHING_CALLS))
                .map(words::code)
                .toList();
        return pushed.isEmpty()
                ? Optional.empty()
                : Optional.of(words.text("told.noRoomBeside", String.join(", ", pushed)));
    }
}

package fernstep.core.forecast;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Clearance;
import fernstep.core.measure.Side;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Place;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Role;
import fernstep.core.plan.RungGates;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * When each rung is likely to open, and a goal to come within reach. The rules of progress are played forward day by day
 * over A and B days; how often she trains, how often it is clean and how often a week is clean are beliefs updated by her
 * log and drawn once a run, so that the bands are honest about not knowing. Neither clean weeks nor re-checks nor
 * clearances are taken for granted.
 *
 * @param routes rungs ahead, in strand order
 * @param goalChance share of runs in which the goal was reached by its date; null without a goal
 * @param goal when; null without a goal
 * @param awaits the check that has to find something better before the goal can come; its chance and dates are then given as
 *     if it did; null where no check holds it
 * @param bottleneck what the goal waits for longest; null without a goal, or where nothing is left to wait for
 */
public record Forecast(
        List<Route> routes,
        @Nullable Double goalChance,
        @Nullable Quantiles goal,
        @Nullable Awaits awaits,
        @Nullable Bottleneck bottleneck) {
    private static final int WORTH_DAYS = 7;

    /**
     * A check may find better what holds the goal; nobody can say whether it will.
     *
     * @param gate what it waits for
     * @param by the next check
     */
    public record Awaits(String gate, LocalDate by) {}

    /** Dates by which it had happened in 10, 50 and 90 of 100 runs; null where it had not by the end. */
    public record Quantiles(
            @Nullable LocalDate p10,
            @Nullable LocalDate p50,
            @Nullable LocalDate p90) {}

    /** One rung ahead. */
    public record Route(Rung rung, @Nullable Side side, Quantiles opens) {}

    /**
     * What the goal waits for longest.
     *
     * @param gate a missing clearance's gate, a dated gate or a finding that holds it; null where training alone decides
     * @param gateOpens the day its date rule allows
     * @param needs the clearance that is missing; null where none is
     */
    public record Bottleneck(
            Strand strand,
            String rung,
            @Nullable String gate,
            @Nullable LocalDate gateOpens,
            Clearance.@Nullable Scope needs) {}

    /**
     * How often in the past.
     *
     * @param yes from 0
     * @param no from 0
     */
    public record Counts(int yes, int no) {
        public static final Counts NONE = new Counts(0, 0);

        public Counts plus(int moreYes) {
            return new Counts(yes + moreYes, no);
        }

        public Counts plus(Counts other) {
            return new Counts(yes + other.yes, no + other.no);
        }
    }

    /**
     * Where she starts from.
     *
     * @param places where she stands, one for each strand and side in training
     * @param known gates and findings today
     * @param sessions the strands of each session of the week: one, or A and B
     * @param size exercises in a session
     * @param trainingDays weekdays on which she trains, rest days left out
     * @param recheckDue the day the separation re-check is due, or null
     */
    public record Start(
            List<Place> places,
            RungGates.Known known,
            List<Set<Strand>> sessions,
            int size,
            Set<DayOfWeek> trainingDays,
            @Nullable LocalDate recheckDue) {

        /** From a plan and the question it answers. */
        public static Start of(Plan.Question question, Plan plan, Set<DayOfWeek> trainingDays) {
            return new Start(
                    plan.places(question.training().places()),
                    question.known(),
                    plan.days().stream().map(Start::strands).toList(),
                    question.wishes().size(),
                    trainingDays,
                    question.screening().recheckDue());
        }

        private static Set<Strand> strands(Plan.Day day) {
            Set<Strand> strands = EnumSet.noneOf(Strand.class);
            day.items().stream()
                    .filter(item -> item.role() != Role.SETTLE_IN)
                    .map(PlanItem::strand)
                    .forEach(strands::add);
            return strands;
        }
    }

    /**
     * What is known of how she trains.
     *
     * @param sessions done and missed
     * @param clean clean and unclean, by strand
     * @param weeks clean and not
     */
    public record TrackRecord(Counts sessions, Map<Strand, Counts> clean, Counts weeks) {
        public static final TrackRecord NONE = new TrackRecord(Counts.NONE, Map.of(), Counts.NONE);
    }

    /**
     * How far and how often to look.
     *
     * @param weeks 1 to 104
     * @param runs 1 to 20,000
     * @param seed of the random draws: the same seed gives the same forecast
     */
    public record Horizon(LocalDate today, int weeks, int runs, long seed) {}

    /** The question. */
    public record Question(
            Catalogue catalogue,
            fernstep.core.approach.Stances.DoseStance stance,
            Start start,
            TrackRecord record,
            Horizon horizon,
            @Nullable Goal goal,
            @Nullable LocalDate goalDate,
            Set<Change> changes) {

        public Question(
                Catalogue catalogue,
                fernstep.core.approach.Stances.DoseStance stance,
                Start start,
                TrackRecord record,
                Horizon horizon,
                @Nullable Goal goal,
                @Nullable LocalDate goalDate) {
            this(catalogue, stance, start, record, horizon, goal, goalDate, Set.of());
        }

        /** The same with something otherwise. */
        public Question with(Set<Change> others) {
            return new Question(catalogue, stance, start, record, horizon, goal, goalDate, others);
        }

        Question and(Change another) {
            Set<Change> all = EnumSet.of(another);
            all.addAll(changes);
            return with(all);
        }

        /** When findings are looked at again: the re-check still to come, or in six weeks. */
        LocalDate nextCheck() {
            LocalDate due = start.recheckDue();
            LocalDate usual = horizon.today().plusDays(Screening.RECHECK_DAYS);
            return due == null || !due.isAfter(horizon.today()) ? usual : due;
        }

        /** A day more where one is free. */
        Set<DayOfWeek> trainingDays() {
            Set<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
            days.addAll(start.trainingDays());
            if (changes.contains(Change.ONE_MORE_DAY)) {
                Arrays.stream(DayOfWeek.values())
                        .filter(day -> !days.contains(day))
                        .findFirst()
                        .ifPresent(days::add);
            }
            return days;
        }

        /** Two weeks of clean sessions more behind her. */
        Map<Strand, Counts> clean() {
            Map<Strand, Counts> clean = new EnumMap<>(Strand.class);
            clean.putAll(record.clean());
            if (changes.contains(Change.TWO_CLEAN_WEEKS)) {
                int more = 2 * start.trainingDays().size();
                start.places().stream()
                        .map(Place::strand)
                        .distinct()
                        .forEach(strand -> clean.merge(strand, new Counts(more, 0), Counts::plus));
            }
            return clean;
        }

        int cleanWeeksBehind() {
            return start.known().history().cleanWeeks() + (changes.contains(Change.TWO_CLEAN_WEEKS) ? 2 : 0);
        }
    }

    /** A goal that a finding holds is told under the condition that its next check finds better, never as a bare nought. */
    public static Forecast of(Question question) {
        Forecast asItIs = new Simulation(question).run();
        Optional<Awaits> awaits = awaits(question);
        if (awaits.isEmpty() || question.changes().contains(Change.CHECKS_BETTER)) {
            return asItIs;
        }
        Forecast better = new Simulation(question.and(Change.CHECKS_BETTER)).run();
        return new Forecast(asItIs.routes(), better.goalChance(), better.goal(), awaits.get(), asItIs.bottleneck());
    }

    private static Optional<Awaits> awaits(Question question) {
        return new Bottlenecks(question)
                .awaitedCheck()
                .map(waiting -> new Awaits(waiting.code(), question.nextCheck()));
    }

    /**
     * What one change would bring to the goal's middle date.
     *
     * @param givenBy with a clearance: the day by which it is taken as given; with a check: the day of it
     * @param goalChance share of runs, 0 to 1; null without a goal
     */
    public record WhatIf(
            Change change,
            @Nullable LocalDate p50,
            @Nullable Double goalChance,
            @Nullable LocalDate givenBy) {}

    /** What could be otherwise. */
    public enum Change {
        ONE_MORE_DAY,
        TWO_CLEAN_WEEKS,
        CLEARANCE_GIVEN,
        /** What a check may improve is found better at the next one. */
        CHECKS_BETTER
    }

    /** Each change alone; one that cannot be made is left out. */
    public static List<WhatIf> whatIf(Question question) {
        return Arrays.stream(Change.values())
                .filter(change -> possible(change, question))
                .map(change -> whatIf(change, question.with(Set.of(change))))
                .toList();
    }

    /**
     * None of the changes brings the goal nearer by a week or more.
     *
     * @param goal its middle date as things are; null where half of the runs do not reach it
     */
    public static boolean noneHelps(@Nullable LocalDate goal, List<WhatIf> changes) {
        return changes.stream()
                .map(WhatIf::p50)
                .allMatch(then -> then == null || (goal != null && then.isAfter(goal.minusDays(WORTH_DAYS))));
    }

    /** Every day taken leaves no day more; nothing missing leaves nothing to be given. */
    public static boolean possible(Change change, Question question) {
        return switch (change) {
            case ONE_MORE_DAY -> question.start().trainingDays().size() < DayOfWeek.values().length;
            case TWO_CLEAN_WEEKS -> true;
            case CLEARANCE_GIVEN -> Bottlenecks.clearanceMissing(question).isPresent();
            case CHECKS_BETTER -> awaits(question).isPresent();
        };
    }

    private static WhatIf whatIf(Change change, Question question) {
        Forecast f = of(question);
        LocalDate given =
                switch (change) {
                    case CLEARANCE_GIVEN -> Bottlenecks.givenBy(question).orElse(null);
                    case CHECKS_BETTER -> question.nextCheck();
                    default -> null;
                };
        return new WhatIf(change, f.goal() == null ? null : f.goal().p50(), f.goalChance(), given);
    }
}

package fernstep.core.forecast;

import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.client.ClientFacts;
import fernstep.core.measure.Side;
import fernstep.core.plan.Place;
import fernstep.core.plan.RungGates;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * When each rung is likely to open, and a goal to come within reach. The rules of progress are played forward day by day;
 * how often she trains and how often it is clean come from Beta(2,2) beliefs updated by her log.
 *
 * @param routes rungs ahead, in strand order
 * @param goalChance share of runs in which the goal was reached by its date; null without a goal
 * @param goal when; null without a goal, or where it was reached in fewer than one run of ten
 * @param bottleneck the rung of the goal that comes last, and what holds it
 */
public record Forecast(
        List<Route> routes,
        @Nullable Double goalChance,
        @Nullable Quantiles goal,
        @Nullable Bottleneck bottleneck) {

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
     * @param gate a dated gate or a finding that holds it in most runs; null where training alone decides
     */
    public record Bottleneck(
            Strand strand,
            String rung,
            @Nullable String gate,
            @Nullable LocalDate gateOpens) {}

    /** How often in the past. */
    public record Counts(int yes, int no) {
        public static final Counts NONE = new Counts(0, 0);

        public Counts plus(int moreYes) {
            return new Counts(yes + moreYes, no);
        }
    }

    /**
     * The question.
     *
     * @param places where she stands, one for each strand and side in training
     * @param known gates and findings today
     * @param trainingDays weekdays on which she trains, rest days left out
     * @param sessions done and missed
     * @param clean clean and unclean, by strand
     * @param weeks 1 to 104
     * @param runs 1 to 20,000
     */
    public record Question(
            Catalogue catalogue,
            DoseStance stance,
            List<Place> places,
            RungGates.Known known,
            @Nullable ClientFacts facts,
            Set<DayOfWeek> trainingDays,
            Counts sessions,
            Map<Strand, Counts> clean,
            LocalDate today,
            int weeks,
            int runs,
            long seed,
            @Nullable Goal goal,
            @Nullable LocalDate goalDate) {

        /** The same with something otherwise: a day more where one is free, two weeks of clean sessions behind her. */
        public Question with(Set<Change> changes) {
            Set<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
            days.addAll(trainingDays);
            if (changes.contains(Change.ONE_MORE_DAY)) {
                Arrays.stream(DayOfWeek.values())
                        .filter(d -> !trainingDays.contains(d))
                        .findFirst()
                        .ifPresent(days::add);
            }
            Map<Strand, Counts> cleaner = new HashMap<>(clean);
            if (changes.contains(Change.TWO_CLEAN_WEEKS)) {
                int more = 2 * trainingDays.size();
                places.stream()
                        .map(Place::strand)
                        .distinct()
                        .forEach(s -> cleaner.put(
                                s, clean.getOrDefault(s, Counts.NONE).plus(more)));
            }
            return new Question(
                    catalogue, stance, places, known, facts, days, sessions, cleaner, today, weeks, runs, seed, goal,
                    goalDate);
        }
    }

    public static Forecast of(Question q) {
        return new Simulation(q).run();
    }

    /** What one change would bring to the goal's middle date. */
    public record WhatIf(
            String change,
            @Nullable LocalDate p50,
            @Nullable Double goalChance) {}

    /** What could be otherwise. */
    public enum Change {
        ONE_MORE_DAY,
        TWO_CLEAN_WEEKS
    }

    /** Each change alone; one that cannot be made is left out. */
    public static List<WhatIf> whatIf(Question q) {
        return Arrays.stream(Change.values())
                .filter(c -> possible(c, q))
                .map(c -> whatIf(c, q.with(Set.of(c))))
                .toList();
    }

    /** Every day taken leaves no day more. */
    public static boolean possible(Change change, Question q) {
        return change != Change.ONE_MORE_DAY || q.trainingDays().size() < DayOfWeek.values().length;
    }

    private static WhatIf whatIf(Change change, Question q) {
        Forecast f = of(q);
        return new WhatIf(change.name(), f.goal() == null ? null : f.goal().p50(), f.goalChance());
    }

    private static final class Simulation {
        private static final int BELIEF = 2;
        private static final int NEVER = Integer.MAX_VALUE;

        private final Question q;
        private final int days;
        private final List<Ladder> ladders = new ArrayList<>();
        /** The rungs of each ladder in order. */
        private final List<List<Rung>> lines = new ArrayList<>();

        private final Map<String, Integer> ladderOf = new HashMap<>();
        /** Day on which a rung of a ladder may open at the earliest, by its dated gates; NEVER where a gate has no day. */
        private final int[][] gateDay;
        /** For each ladder and rung: the other ladders and rungs that must be at their top first. */
        private final int[][][] needs;

        private final int[][][] opened;
        private final int[] goalDay;
        private final List<GoalRung> goalRungs = new ArrayList<>();

        Simulation(Question q) {
            this.q = q;
            this.days = 7 * q.weeks();
            for (Place p : q.places()) {
                ladderOf.put(key(p.strand(), p.side()), ladders.size());
                ladders.add(new Ladder(q.catalogue(), p.strand(), p.side(), p.rung(), p.dose(), q.stance()));
            }
            ladders.forEach(l ->
                    lines.add(l.steps.stream().map(Ladder.Step::rung).distinct().toList()));
            this.gateDay = new int[ladders.size()][];
            this.needs = new int[ladders.size()][][];
            this.opened = new int[ladders.size()][][];
            this.goalDay = new int[q.runs()];
            for (int l = 0; l < ladders.size(); l++) {
                List<Rung> line = lines.get(l);
                gateDay[l] = line.stream().mapToInt(this::gateDay).toArray();
                int of = l;
                needs[l] = line.stream().map(r -> needs(ladders.get(of), r)).toArray(int[][]::new);
                opened[l] = new int[line.size()][q.runs()];
            }
            if (q.goal() != null) {
                q.goal().rungs().forEach(code -> goalRungs.add(goalRung(code)));
            }
        }

        private static String key(Strand strand, @Nullable Side side) {
            return strand + "/" + side;
        }

        private int gateDay(Rung rung) {
            int day = 0;
            List<GateCode> codes = new ArrayList<>();
            rung.strand().opensWith().ifPresent(codes::add);
            for (RungGate g : rung.gates()) {
                if (g instanceof RungGate.Opened opened) {
                    codes.add(opened.code());
                } else if (g instanceof RungGate.CleanWeeks weeks) {
                    day = Math.max(day, 7 * (weeks.weeks() - q.known().history().cleanWeeks()));
                } else if (g instanceof RungGate.TopHeldWeeks held) {
                    int so = q.known().history().weeksAtTop().getOrDefault(held.rung(), 0);
                    day = Math.max(day, 7 * (held.weeks() - so));
                } else if (closedByItself(g, rung)) {
                    return NEVER;
                }
            }
            for (GateCode code : codes) {
                day = Math.max(day, gateDay(code));
            }
            return day;
        }

        /** A finding or a state that training does not change here: set grade, scoop, a firm midline, pregnancy. */
        private boolean closedByItself(RungGate gate, Rung rung) {
            boolean byTraining = gate instanceof RungGate.CleanRung || gate instanceof RungGate.AnySide;
            return !byTraining && RungGates.holds(gate, rung, q.known());
        }

        private int gateDay(GateCode code) {
            Screening screening = q.known().screening();
            Gate gate = screening == null ? null : screening.gates().get(code);
            if (gate == null || gate.open()) {
                return 0;
            }
            return gate.opensOn() == null || !gate.needs().isEmpty()
                    ? NEVER
                    : (int) Math.max(0, gate.opensOn().toEpochDay() - q.today().toEpochDay());
        }

        /** Pairs of ladder and rung; a rung that no ladder here climbs counts only if it is done already. */
        private int[] needs(Ladder ladder, Rung rung) {
            List<Integer> pairs = new ArrayList<>();
            for (RungGate gate : rung.gates()) {
                if (gate instanceof RungGate.CleanRung clean) {
                    sides(clean, ladder).forEach(side -> need(clean.rung(), side, pairs));
                }
            }
            return pairs.stream().mapToInt(Integer::intValue).toArray();
        }

        private List<Side> sides(RungGate.CleanRung gate, Ladder ladder) {
            boolean perSide = q.catalogue().rung(gate.rung()).perSide();
            if (!perSide) {
                return List.of(Side.LEFT);
            }
            return gate.bothSides() || ladder.side == null ? List.of(Side.values()) : List.of(ladder.side);
        }

        private void need(String code, Side side, List<Integer> pairs) {
            Rung rung = q.catalogue().rung(code);
            boolean done = q.known().done().stream()
                    .anyMatch(d -> d.rung().equals(code) && (d.side() == null || d.side() == side));
            if (done) {
                return;
            }
            Integer ladder = ladderOf.get(key(rung.strand(), rung.perSide() ? side : null));
            Integer sided = ladder == null ? ladderOf.get(key(rung.strand(), side)) : ladder;
            Integer any = sided == null ? ladderOf.get(key(rung.strand(), null)) : sided;
            int at = any == null ? -1 : lines.get(any).indexOf(rung);
            pairs.add(at < 0 ? -1 : any);
            pairs.add(at);
        }

        Forecast run() {
            boolean[] trains = trainingDays();
            for (int run = 0; run < q.runs(); run++) {
                play(run, trains);
            }
            return report();
        }

        private boolean[] trainingDays() {
            boolean[] trains = new boolean[days];
            for (int day = 0; day < days; day++) {
                trains[day] =
                        q.trainingDays().contains(q.today().plusDays(day + 1).getDayOfWeek());
            }
            return trains;
        }

        private void play(int run, boolean[] trains) {
            Dice dice = new Dice(q.seed() * 1_000_003 + run);
            double adherence =
                    dice.beta(BELIEF + q.sessions().yes(), BELIEF + q.sessions().no());
            int n = ladders.size();
            double[] clean = new double[n];
            int[] step = new int[n];
            int[] state = new int[n];
            for (int l = 0; l < n; l++) {
                Counts c = q.clean().getOrDefault(ladders.get(l).strand, Counts.NONE);
                clean[l] = dice.beta(BELIEF + c.yes(), BELIEF + c.no());
                step[l] = ladders.get(l).startsAt;
                for (int[] rung : opened[l]) {
                    rung[run] = NEVER;
                }
            }
            goalDay[run] = NEVER;
            for (int day = 0; day < days; day++) {
                if (!trains[day] || !dice.happens(adherence)) {
                    continue;
                }
                for (int l = 0; l < n; l++) {
                    session(run, day, l, dice.happens(clean[l]), step, state);
                }
            }
            goal(run);
        }

        private void session(int run, int day, int l, boolean clean, int[] step, int[] state) {
            Ladder ladder = ladders.get(l);
            Ladder.Step from = ladder.steps.get(step[l]);
            int packed = ladder.after(step[l], state[l], clean);
            int to = Ladder.step(packed);
            Ladder.Step target = ladder.steps.get(to);
            boolean rises = target.rungAt() > from.rungAt();
            if (rises && !mayOpen(l, target.rungAt(), day, step)) {
                return;
            }
            if (rises && opened[l][target.rungAt()][run] == NEVER) {
                opened[l][target.rungAt()][run] = day + 1;
            }
            step[l] = to;
            state[l] = Ladder.state(packed);
        }

        private boolean mayOpen(int l, int rungAt, int day, int[] step) {
            if (gateDay[l][rungAt] > day + 1 || leadsTooFar(l, rungAt, step)) {
                return false;
            }
            int[] pairs = needs[l][rungAt];
            for (int i = 0; i < pairs.length; i += 2) {
                boolean own = pairs[i] == l;
                if (pairs[i] < 0 || (!own && !passed(pairs[i], pairs[i + 1], step))) {
                    return false;
                }
            }
            return true;
        }

        private boolean passed(int l, int rungAt, int[] step) {
            Ladder.Step at = ladders.get(l).steps.get(step[l]);
            return at.rungAt() > rungAt || (at.rungAt() == rungAt && at.top());
        }

        /** The stronger side may lead by one rung. */
        private boolean leadsTooFar(int l, int rungAt, int[] step) {
            Ladder ladder = ladders.get(l);
            Integer other = ladder.side == null ? null : ladderOf.get(key(ladder.strand, ladder.side.other()));
            return other != null
                    && rungAt > ladders.get(other).steps.get(step[other]).rungAt() + 1;
        }

        /** A goal is reached when the last of its rungs opens on every side. */
        private void goal(int run) {
            if (q.goal() == null) {
                return;
            }
            int last = 0;
            for (GoalRung rung : goalRungs) {
                last = Math.max(last, opensOn(rung, run));
            }
            goalDay[run] = last;
        }

        /**
         * A rung of the goal and where it is climbed: pairs of ladder and place on it.
         *
         * @param otherwise the day where no ladder climbs it: 0 when it is done, else never
         */
        private record GoalRung(String code, int[] pairs, int otherwise) {}

        private GoalRung goalRung(String code) {
            Rung rung = q.catalogue().rung(code);
            List<Integer> pairs = new ArrayList<>();
            for (int l = 0; l < ladders.size(); l++) {
                int at = ladders.get(l).strand == rung.strand() ? lines.get(l).indexOf(rung) : -1;
                if (at >= 0) {
                    pairs.add(l);
                    pairs.add(at);
                }
            }
            boolean done = q.known().done().stream().anyMatch(d -> d.rung().equals(code));
            return new GoalRung(code, pairs.stream().mapToInt(Integer::intValue).toArray(), done ? 0 : NEVER);
        }

        private int opensOn(GoalRung rung, int run) {
            int[] pairs = rung.pairs();
            int last = pairs.length == 0 ? rung.otherwise() : 0;
            for (int i = 0; i < pairs.length; i += 2) {
                Ladder ladder = ladders.get(pairs[i]);
                boolean there = ladder.steps.get(ladder.startsAt).rungAt() >= pairs[i + 1];
                last = Math.max(last, there ? 0 : opened[pairs[i]][pairs[i + 1]][run]);
            }
            return last;
        }

        private Forecast report() {
            List<Route> routes = new ArrayList<>();
            for (int l = 0; l < ladders.size(); l++) {
                Ladder ladder = ladders.get(l);
                List<Rung> line = lines.get(l);
                int from = ladder.steps.get(ladder.startsAt).rungAt();
                for (int at = from + 1; at < line.size(); at++) {
                    routes.add(new Route(line.get(at), ladder.side, quantiles(opened[l][at])));
                }
            }
            if (q.goal() == null) {
                return new Forecast(List.copyOf(routes), null, null, null);
            }
            int by = q.goalDate() == null
                    ? days
                    : (int) (q.goalDate().toEpochDay() - q.today().toEpochDay());
            long reached = Arrays.stream(goalDay).filter(d -> d <= by).count();
            return new Forecast(List.copyOf(routes), (double) reached / q.runs(), quantiles(goalDay), bottleneck());
        }

        private Quantiles quantiles(int[] byRun) {
            int[] sorted = byRun.clone();
            Arrays.sort(sorted);
            return new Quantiles(quantile(sorted, 0.1), quantile(sorted, 0.5), quantile(sorted, 0.9));
        }

        /** The smallest day by which at least this share of the runs had it. */
        private @Nullable LocalDate quantile(int[] sorted, double share) {
            int at = (int) Math.ceil(share * sorted.length) - 1;
            int day = sorted[Math.max(0, at)];
            return day == NEVER ? null : q.today().plusDays(day);
        }

        private @Nullable Bottleneck bottleneck() {
            String last = null;
            long lastMiddle = -1;
            for (GoalRung rung : goalRungs) {
                int[] byRun = new int[q.runs()];
                for (int run = 0; run < q.runs(); run++) {
                    byRun[run] = opensOn(rung, run);
                }
                Arrays.sort(byRun);
                long middle = byRun[byRun.length / 2];
                if (middle > lastMiddle) {
                    lastMiddle = middle;
                    last = rung.code();
                }
            }
            if (last == null || lastMiddle == 0) {
                return null;
            }
            Rung held = firstHeld(q.catalogue().rung(last), 0);
            Optional<GateCode> gate = closedGate(held);
            Screening screening = q.known().screening();
            return new Bottleneck(
                    held.strand(),
                    held.code(),
                    gate.map(Enum::name).orElse(null),
                    gate.isEmpty() || screening == null
                            ? null
                            : screening.gates().get(gate.get()).opensOn());
        }

        private static final int DEEPEST = 40;

        /** Down through what it needs to the rung that itself waits for a gate, or that training has to bring. */
        private Rung firstHeld(Rung rung, int depth) {
            if (depth > DEEPEST || closedGate(rung).isPresent()) {
                return rung;
            }
            for (RungGate gate : rung.gates()) {
                if (gate instanceof RungGate.CleanRung clean) {
                    boolean done =
                            q.known().done().stream().anyMatch(d -> d.rung().equals(clean.rung()));
                    if (!done) {
                        return firstHeld(q.catalogue().rung(clean.rung()), depth + 1);
                    }
                }
            }
            return rung;
        }

        private Optional<GateCode> closedGate(Rung rung) {
            return rung.gates().stream()
                    .filter(RungGate.Opened.class::isInstance)
                    .map(g -> ((RungGate.Opened) g).code())
                    .filter(code -> gateDay(code) > 0)
                    .findFirst();
        }
    }
}

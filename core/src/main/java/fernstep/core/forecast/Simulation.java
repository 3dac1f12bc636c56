package fernstep.core.forecast;

import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.forecast.Forecast.Question;
import fernstep.core.forecast.Tracks.Track;
import fernstep.core.schedule.SessionCalendar;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Plays the rules forward, run by run. */
final class Simulation {
    /** Priors: sessions done, clean sessions of a strand, clean weeks; yes and no. */
    private static final Counts ADHERENCE = new Counts(6, 3);

    /** Worth four sessions: what she shows herself soon outweighs it. */
    private static final Counts CLEAN = new Counts(3, 1);

    /**
     * Odds of a clean session go up or down by this from one week to the next: she learns, or has a bad phase. Our choice,
     * so that the band between 10 and 90 of 100 holds about 80 of 100 outcomes of invented women who do (brief 17.7).
     */
    private static final double DRIFT_OF_A_WEEK = 1.4;

    private static final Counts CLEAN_WEEK = new Counts(7, 3);
    private static final int WEEK = Tracks.WEEK;
    private static final int RECHECK_GRACE_DAYS = 14;
    private static final int NEVER = Tracks.NEVER;

    private final Question q;
    private final int days;
    private final Tracks tracks;
    private final List<Track> all;
    private final Ladder[] ladders;
    private final int n;
    private final int[] otherSide;
    private final int[][] firstOpen;
    /** By track and step: the place of its rung, and whether it is the top of its window. */
    private final int[][] rungOfStep;

    private final boolean[][] topOfStep;
    private final int[][][] needs;
    private final int[][] asksCleanWeeks;
    private final int[][] asksTopWeeks;
    /** By track and rung: weeks already spent at its top. */
    private final int[][] weeksAtTopBefore;

    private final Openings openings;
    private final boolean[] trains;
    private final int[] turn;
    private final Rotation rotation;

    Simulation(Question question) {
        this.q = question;
        this.days = WEEK * question.horizon().weeks();
        this.tracks = new Tracks(question);
        this.all = tracks.all();
        this.n = all.size();
        this.ladders = all.stream().map(Track::ladder).toArray(Ladder[]::new);
        this.otherSide = all.stream().mapToInt(tracks::otherSide).toArray();
        this.firstOpen = new int[n][];
        this.rungOfStep = new int[n][];
        this.topOfStep = new boolean[n][];
        this.needs = new int[n][][];
        this.asksCleanWeeks = new int[n][];
        this.asksTopWeeks = new int[n][];
        this.weeksAtTopBefore = new int[n][];
        Map<String, Integer> weeksAtTop = question.start().known().history().weeksAtTop();
        this.openings = new Openings(question, all);
        for (int t = 0; t < n; t++) {
            Track track = all.get(t);
            firstOpen[t] = track.gateDay();
            rungOfStep[t] = track.ladder().rungsOfSteps();
            topOfStep[t] = track.ladder().tops();
            needs[t] = track.needs();
            asksCleanWeeks[t] = track.cleanWeeks();
            asksTopWeeks[t] = track.topWeeks();
            weeksAtTopBefore[t] = track.rungs().stream()
                    .mapToInt(rung -> weeksAtTop.getOrDefault(rung.code(), 0))
                    .toArray();
        }
        this.trains = new boolean[days];
        this.turn = new int[days];
        Set<java.time.DayOfWeek> training = question.trainingDays();
        for (int day = 0; day < days; day++) {
            LocalDate date = question.horizon().today().plusDays(day + 1L);
            trains[day] = training.contains(date.getDayOfWeek());
            turn[day] = SessionCalendar.turn(date, training);
        }
        Set<Strand> towardGoal = new HashSet<>();
        openings.goal().forEach(rung -> {
            towardGoal.add(rung.strand());
            question.catalogue().leading(rung).forEach(each -> towardGoal.add(each.strand()));
        });
        this.rotation = new Rotation(all, question.start(), towardGoal);
    }

    Forecast run() {
        for (int run = 0; run < q.horizon().runs(); run++) {
            new Run(run).play();
        }
        return openings.report();
    }

    /** One life of hers. */
    private final class Run {
        private final int run;
        private final Dice dice;
        private final double adherence;
        private final double cleanWeek;
        private final double[] clean = new double[n];
        private final int[] step = new int[n];
        private final int[] state = new int[n];
        private final int[] topSince = new int[n];
        private final Rotation.Days inSession;
        private int cleanWeeks = q.cleanWeeksBehind();
        private int doneThisWeek;
        private int recheckDue;

        Run(int run) {
            this.run = run;
            this.dice = new Dice(q.horizon().seed() * 1_000_003 + run);
            this.adherence = drawn(ADHERENCE, q.record().sessions());
            this.cleanWeek = drawn(CLEAN_WEEK, q.record().weeks());
            Map<Strand, Counts> counts = q.clean();
            for (int t = 0; t < n; t++) {
                Track track = all.get(t);
                clean[t] = drawn(CLEAN, counts.getOrDefault(track.strand(), Counts.NONE));
                step[t] = track.startsAt();
                topSince[t] = step[t] >= 0 && topOfStep[t][step[t]] ? 0 : NEVER;
            }
            LocalDate due = q.start().recheckDue();
            this.recheckDue = due == null
                    ? NEVER
                    : (int) (due.toEpochDay() - q.horizon().today().toEpochDay());
            this.inSession = rotation.begin();
        }

        private double drawn(Counts prior, Counts seen) {
            return dice.beta(prior.yes() + seen.yes(), prior.no() + seen.no());
        }

        void play() {
            for (int day = 0; day < days; day++) {
                if (day % WEEK == 0) {
                    week(day);
                }
                begin(day);
                if (trains[day] && dice.happens(adherence)) {
                    doneThisWeek++;
                    int session = turn[day];
                    for (int t : inSession.in(session)) {
                        if (step[t] >= 0 && inSession.holds(t, session)) {
                            session(day, t, dice.happens(clean[t]));
                        }
                    }
                }
            }
            openings.close(run);
        }

        /** A week ends: clean or not; a re-check that is due is done, or not yet. */
        private void week(int day) {
            if (day > 0) {
                boolean half = 2 * doneThisWeek >= q.trainingDays().size();
                cleanWeeks += half && dice.happens(cleanWeek) ? 1 : 0;
                doneThisWeek = 0;
                drift(dice.happens(0.5) ? DRIFT_OF_A_WEEK : 1 / DRIFT_OF_A_WEEK);
            }
            if (recheckDue <= day && dice.happens(adherence)) {
                recheckDue = day + Screening.RECHECK_DAYS;
            }
        }

        private void drift(double factor) {
            for (int t = 0; t < n; t++) {
                double odds = factor * clean[t] / (1 - clean[t]);
                clean[t] = Double.isInfinite(odds) ? 1 : odds / (1 + odds);
            }
        }

        /** Strands not begun whose first rung opens today are taken in where there is room or the goal asks for them. */
        private void begin(int day) {
            for (int t = 0; t < n; t++) {
                if (step[t] == Tracks.NOT_BEGUN && mayOpen(t, 0, day) && inSession.takes(t, step)) {
                    step[t] = 0;
                    openings.set(t, 0, run, day + 1);
                }
            }
        }

        private void session(int day, int t, boolean isClean) {
            int packed = ladders[t].after(step[t], state[t], isClean);
            int target = Ladder.step(packed);
            int rung = rungOfStep[t][target];
            boolean rises = rung > rungOfStep[t][step[t]];
            if (rises && !mayOpen(t, rung, day)) {
                addSet(t);
                return;
            }
            if (rises && openings.never(t, rung, run)) {
                openings.set(t, rung, run, day + 1);
            }
            step[t] = target;
            state[t] = Ladder.state(packed);
            if (!topOfStep[t][target]) {
                topSince[t] = NEVER;
            } else if (topSince[t] == NEVER || rises) {
                topSince[t] = day + 1;
            }
            if (rises) {
                inSession.remake(step);
            }
        }

        /** While the next rung waits for something else. */
        private void addSet(int t) {
            int more = step[t] + 1;
            if (more < rungOfStep[t].length && rungOfStep[t][more] == rungOfStep[t][step[t]]) {
                step[t] = more;
                state[t] = 0;
            }
        }

        private boolean mayOpen(int t, int rungAt, int day) {
            if (firstOpen[t][rungAt] > day + 1 || leadsTooFar(t, rungAt) || recheckOverdue(day)) {
                return false;
            }
            if (asksCleanWeeks[t][rungAt] > cleanWeeks || !topHeld(t, asksTopWeeks[t][rungAt], day)) {
                return false;
            }
            int[] pairs = needs[t][rungAt];
            for (int i = 0; i < pairs.length; i += 2) {
                boolean own = pairs[i] == t;
                if (pairs[i] < 0 || (!own && !passed(pairs[i], pairs[i + 1]))) {
                    return false;
                }
            }
            return true;
        }

        private boolean recheckOverdue(int day) {
            return recheckDue != NEVER && day > recheckDue + RECHECK_GRACE_DAYS;
        }

        private boolean topHeld(int t, int weeks, int day) {
            if (weeks == 0) {
                return true;
            }
            int before = weeksAtTopBefore[t][rungOfStep[t][Math.max(0, step[t])]];
            int since = topSince[t] == NEVER ? 0 : (day + 1 - topSince[t]) / WEEK + (topSince[t] == 0 ? before : 0);
            return since >= weeks;
        }

        private boolean passed(int t, int rungAt) {
            if (step[t] < 0) {
                return false;
            }
            int at = rungOfStep[t][step[t]];
            return at > rungAt || (at == rungAt && topOfStep[t][step[t]]);
        }

        /** The stronger side may lead by one rung. */
        private boolean leadsTooFar(int t, int rungAt) {
            int other = otherSide[t];
            if (other < 0 || rungAt == 0) {
                return false;
            }
            return step[other] < 0 || rungAt > rungOfStep[other][step[other]] + 1;
        }
    }
}

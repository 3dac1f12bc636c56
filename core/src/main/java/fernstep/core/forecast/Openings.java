package fernstep.core.forecast;

import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.forecast.Forecast.Quantiles;
import fernstep.core.forecast.Forecast.Question;
import fernstep.core.forecast.Forecast.Route;
import fernstep.core.forecast.Tracks.Track;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.StandIns;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** On which day each rung opened in each run, and what that says of her routes and her goal. */
final class Openings {
    private static final int NEVER = Tracks.NEVER;

    private final Question q;
    private final List<Track> all;
    /** By track, rung of the track and run: days from today, {@link Tracks#NEVER} for not within the horizon. */
    private final int[][][] opened;

    private final int[] goalDay;
    private final List<GoalRung> goalRungs = new ArrayList<>();

    Openings(Question question, List<Track> all) {
        this.q = question;
        this.all = all;
        this.goalDay = new int[question.horizon().runs()];
        this.opened = new int[all.size()][][];
        for (int t = 0; t < opened.length; t++) {
            opened[t] = new int[all.get(t).rungs().size()][goalDay.length];
            for (int[] byRun : opened[t]) {
                Arrays.fill(byRun, NEVER);
            }
        }
        if (question.goal() != null) {
            question.goal().rungs(question.catalogue()).forEach(code -> goalRungs.add(goalRung(code)));
        }
    }

    List<Rung> goal() {
        return goalRungs.stream().map(GoalRung::rung).toList();
    }

    boolean never(int track, int rungAt, int run) {
        return opened[track][rungAt][run] == NEVER;
    }

    void set(int track, int rungAt, int run, int day) {
        opened[track][rungAt][run] = day;
    }

    /** The run is over: a goal is reached when the last of its rungs opens on every side. */
    void close(int run) {
        int last = q.goal() == null ? NEVER : 0;
        for (GoalRung rung : goalRungs) {
            last = Math.max(last, opensOn(rung, run));
        }
        goalDay[run] = last;
    }

    /**
     * A rung of the goal and where it is climbed: pairs of track and place on it.
     *
     * @param otherwise the day where no track climbs it: 0 when it is done, else never
     */
    private record GoalRung(Rung rung, int[] pairs, int otherwise) {}

    private GoalRung goalRung(String code) {
        List<Integer> pairs = new ArrayList<>();
        for (int t = 0; t < all.size(); t++) {
            List<String> codes = all.get(t).rungs().stream().map(Rung::code).toList();
            if (codes.contains(code)) {
                pairs.add(t);
                pairs.add(codes.indexOf(code));
            }
        }
        boolean done =
                q.start().known().done().stream().map(RungGates.Done::rung).anyMatch(code::equals);
        return new GoalRung(
                q.catalogue().rung(code),
                pairs.stream().mapToInt(Integer::intValue).toArray(),
                done ? 0 : NEVER);
    }

    private int opensOn(GoalRung rung, int run) {
        int[] pairs = rung.pairs();
        int last = pairs.length == 0 ? rung.otherwise() : 0;
        for (int i = 0; i < pairs.length; i += 2) {
            Track track = all.get(pairs[i]);
            boolean there =
                    track.startsAt() >= 0 && track.ladder().at(track.startsAt()).rungAt() >= pairs[i + 1];
            last = Math.max(last, there ? 0 : opened[pairs[i]][pairs[i + 1]][run]);
        }
        return last;
    }

    Forecast report() {
        List<Route> routes = new ArrayList<>();
        Screening screening = q.start().known().screening();
        Set<Restriction> closed = screening == null ? Set.of() : screening.closed();
        for (int t = 0; t < all.size(); t++) {
            Track track = all.get(t);
            int from = track.startsAt() < 0
                    ? 0
                    : track.ladder().at(track.startsAt()).rungAt() + 1;
            for (int at = from; at < track.rungs().size(); at++) {
                Rung rung = track.rungs().get(at);
                if (!StandIns.doneInSomeForm(rung, closed)) {
                    // what stands in for it is played; that it opens would promise what she is not given
                    continue;
                }
                routes.add(new Route(rung, rung.perSide() ? track.side() : null, quantiles(opened[t][at])));
            }
        }
        if (q.goal() == null) {
            return new Forecast(List.copyOf(routes), null, null, null, null);
        }
        int by = q.goalDate() == null
                ? Tracks.WEEK * q.horizon().weeks()
                : (int) (q.goalDate().toEpochDay() - q.horizon().today().toEpochDay());
        long reached = Arrays.stream(goalDay).filter(number -> number <= by).count();
        return new Forecast(
                List.copyOf(routes), (double) reached / goalDay.length, quantiles(goalDay), null, bottleneck());
    }

    private Forecast.@Nullable Bottleneck bottleneck() {
        Rung last = null;
        long lastMiddle = -1;
        for (GoalRung rung : goalRungs) {
            int[] byRun = new int[goalDay.length];
            for (int run = 0; run < byRun.length; run++) {
                byRun[run] = opensOn(rung, run);
            }
            Arrays.sort(byRun);
            if (byRun[byRun.length / 2] > lastMiddle) {
                lastMiddle = byRun[byRun.length / 2];
                last = rung.rung();
            }
        }
        return last == null || lastMiddle == 0
                ? null
                : new Bottlenecks(q).of(last).orElse(null);
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
        return day == NEVER ? null : q.horizon().today().plusDays(day);
    }
}

package fernstep.core.forecast;

import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import fernstep.core.forecast.Forecast.Question;
import fernstep.core.measure.Side;
import fernstep.core.plan.Place;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Every strand and side as a ladder, begun or not, with what each of its rungs waits for, worked out once. */
final class Tracks {
    static final int NEVER = Integer.MAX_VALUE;
    static final int WEEK = 7;
    static final int NOT_BEGUN = -1;

    /**
     * One strand and side.
     *
     * @param startsAt its step today, or NOT_BEGUN
     * @param rungs the main line
     * @param gateDay for each rung the day on which its dates allow it; NEVER where a finding or a clearance holds it
     * @param needs for each rung pairs of track and rung that must be at their top first; −1 for what nothing climbs
     * @param cleanWeeks for each rung how many clean weeks it asks for
     * @param topWeeks for each rung how many weeks the one before must have been at its top
     */
    record Track(
            Strand strand,
            @Nullable Side side,
            Ladder ladder,
            int startsAt,
            List<Rung> rungs,
            int[] gateDay,
            int[][] needs,
            int[] cleanWeeks,
            int[] topWeeks) {}

    private final Question q;
    private final RungGates.Known known;
    private final List<Track> tracks = new ArrayList<>();
    private final Map<String, Integer> at = new HashMap<>();
    private final Map<Integer, Place> placeOf = new HashMap<>();

    Tracks(Question question) {
        this.q = question;
        this.known = question.start().known();
        List<Ladder> ladders = new ArrayList<>();
        List<Strand> strands = new ArrayList<>();
        List<Side> sides = new ArrayList<>();
        for (CatalogueStrand strand : question.catalogue().strands()) {
            boolean sided = strand.mainLine().stream().anyMatch(Rung::perSide);
            List<Place> places = question.start().places().stream()
                    .filter(each -> each.strand() == strand.code())
                    .toList();
            boolean asOne = !places.isEmpty() && places.stream().allMatch(each -> each.side() == null);
            for (@Nullable Side side : sided && !asOne ? new Side[] {Side.LEFT, Side.RIGHT} : new Side[] {null}) {
                Place place = places.stream()
                        .filter(each -> each.side() == side || each.side() == null)
                        .findFirst()
                        .orElse(null);
                int index = ladders.size();
                at.put(key(strand.code(), side), index);
                ladders.add(Ladder.of(
                        question.catalogue(), strand.code(), place == null ? null : place.rung(), question.stance()));
                strands.add(strand.code());
                sides.add(side);
                if (place != null) {
                    placeOf.put(index, place);
                }
            }
        }
        for (int i = 0; i < ladders.size(); i++) {
            tracks.add(track(strands.get(i), sides.get(i), ladders.get(i), placeOf.get(i)));
        }
    }

    private static String key(Strand strand, @Nullable Side side) {
        return strand + "/" + side;
    }

    List<Track> all() {
        return tracks;
    }

    /** The other side's track; −1 where there is none. */
    int otherSide(Track track) {
        return track.side() == null
                ? -1
                : at.getOrDefault(key(track.strand(), track.side().other()), -1);
    }

    private Track track(Strand strand, @Nullable Side side, Ladder ladder, @Nullable Place place) {
        List<Rung> rungs = ladder.rungs();
        int startsAt = place == null ? NOT_BEGUN : ladder.place(place.rung(), place.dose());
        return new Track(
                strand,
                side,
                ladder,
                startsAt,
                rungs,
                rungs.stream().mapToInt(this::gateDay).toArray(),
                rungs.stream().map(rung -> asked(rung, side).needs()).toArray(int[][]::new),
                rungs.stream().mapToInt(rung -> asked(rung, side).cleanWeeks()).toArray(),
                rungs.stream().mapToInt(rung -> asked(rung, side).topWeeks()).toArray());
    }

    private int gateDay(Rung rung) {
        boolean held = closedByItself(rung, known).isPresent();
        boolean better = q.changes().contains(Forecast.Change.CHECKS_BETTER);
        if (held && !(better && checkMayOpen(rung, known))) {
            return NEVER;
        }
        int day = Math.max(
                dated(rung),
                held ? (int) (q.nextCheck().toEpochDay() - q.horizon().today().toEpochDay()) : 0);
        for (Rung before : q.catalogue().leading(rung)) {
            day = Math.max(day, dated(before));
        }
        return day;
    }

    private int dated(Rung rung) {
        return asked(rung, null).day();
    }

    private Asked asked(Rung rung, @Nullable Side side) {
        return Asked.of(rung, side, known, this);
    }

    /** What no training and no day changes here: a grade, a scoop, a ridge, a pregnancy; on it or on what leads to it. */
    static Optional<Waiting> closedByItself(Rung rung, RungGates.Known known) {
        return RungGates.waiting(rung, null, everythingTrained(known)).stream()
                .filter(waiting -> !played(waiting.liftedBy()))
                .findFirst();
    }

    /** With the best of findings nothing would hold it: a check may open it. */
    static boolean checkMayOpen(Rung rung, RungGates.Known known) {
        return closedByItself(rung, known.with(Ladder.IDEAL)).isEmpty();
    }

    private static boolean played(Waiting.Lift lift) {
        return switch (lift) {
            case DAYS, TRAINING -> true;
            case ANOTHER_DAY, CHECK, OTHER_CHOICE -> false;
        };
    }

    private static RungGates.Known everythingTrained(RungGates.Known known) {
        return known.withDone(Ladder.all(known.catalogue()));
    }

    int gateDay(GateCode code) {
        Screening screening = known.screening();
        Gate gate = screening == null ? null : screening.gates().get(code);
        if (gate == null || gate.open()) {
            return screening == null || gate != null ? 0 : NEVER;
        }
        boolean given = q.changes().contains(Forecast.Change.CLEARANCE_GIVEN);
        if (!gate.needs().isEmpty() && !given) {
            return NEVER;
        }
        if (gate.opensOn() == null) {
            return gate.needs().isEmpty() ? NEVER : 0;
        }
        return (int)
                Math.max(0, gate.opensOn().toEpochDay() - q.horizon().today().toEpochDay());
    }

    /** Of two rungs that do the same, the one she has fewer before her to. */
    Rung nearer(Rung one, Rung other) {
        return toGo(other) < toGo(one) ? other : one;
    }

    private int toGo(Rung rung) {
        int all = 0;
        for (Side side : Side.values()) {
            boolean done = known.done().stream()
                    .anyMatch(each -> each.rung().equals(rung.code()) && (each.side() == null || each.side() == side));
            all += done ? 0 : Math.max(1, q.catalogue().placeOnLine(rung) + 1 - place(rung.strand(), side));
        }
        return all;
    }

    /** Where either side will do, the one that is further on will do first. */
    Side ahead(Strand strand) {
        return place(strand, Side.RIGHT) > place(strand, Side.LEFT) ? Side.RIGHT : Side.LEFT;
    }

    /** 0 where she does not stand on it. */
    private int place(Strand strand, Side side) {
        return q.start().places().stream()
                .filter(place -> place.strand() == strand && place.side() == side)
                .mapToInt(place -> q.catalogue().placeOnLine(q.catalogue().rung(place.rung())))
                .findFirst()
                .orElse(0);
    }

    void need(Rung rung, Side side, List<Integer> pairs) {
        boolean done = known.done().stream()
                .anyMatch(each -> each.rung().equals(rung.code()) && (each.side() == null || each.side() == side));
        if (done) {
            return;
        }
        Integer own = at.get(key(rung.strand(), rung.perSide() ? side : null));
        Integer sided = own == null ? at.get(key(rung.strand(), side)) : own;
        Integer any = sided == null ? at.get(key(rung.strand(), null)) : sided;
        if (any == null) {
            pairs.add(-1);
            pairs.add(-1);
            return;
        }
        int place = q.catalogue().strand(rung.strand()).orElseThrow().mainLine().stream()
                .map(Rung::code)
                .toList()
                .indexOf(rung.code());
        pairs.add(place < 0 ? -1 : any);
        pairs.add(place);
    }
}

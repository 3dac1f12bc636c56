package fernstep.core.forecast;

import fernstep.core.forecast.Tracks.Track;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * Which strands are trained on which session, made anew after every move: her plan's sessions as they are, a strand at its
 * end making room for one that her goal asks for or that has just opened.
 */
final class Rotation {
    private final List<Track> tracks;
    private final List<Set<Strand>> sessions;
    private final int size;
    private final Set<Strand> towardGoal;

    private static final int STRANDS = Strand.values().length;
    private final int[] strandOf;
    private final int[] lastStep;

    Rotation(List<Track> tracks, Forecast.Start start, Set<Strand> towardGoal) {
        this.tracks = tracks;
        this.strandOf =
                tracks.stream().mapToInt(track -> track.strand().ordinal()).toArray();
        this.lastStep =
                tracks.stream().mapToInt(track -> track.ladder().lastStep()).toArray();
        this.sessions = start.sessions().isEmpty() ? List.of(Set.of()) : start.sessions();
        this.size = start.size();
        this.towardGoal = towardGoal;
    }

    Days begin() {
        return new Days();
    }

    /** The sessions of one run. */
    final class Days {
        private final List<Set<Strand>> now = new ArrayList<>();
        private final boolean[][] holds = new boolean[sessions.size()][tracks.size()];
        private final int[][] held = new int[sessions.size()][];
        /** No room as the sessions are; asked again only when they change. */
        private final boolean[] refused = new boolean[tracks.size()];

        Days() {
            sessions.forEach(strands -> {
                Set<Strand> copy = EnumSet.noneOf(Strand.class);
                copy.addAll(strands);
                now.add(copy);
            });
            fill();
        }

        /** The tracks of a session, as it is now. */
        int[] in(int turn) {
            return held[turn % held.length];
        }

        boolean holds(int track, int turn) {
            return holds[turn % holds.length][track];
        }

        /** A strand that opens is taken in where a session has room, or where the goal asks for it and another can rest. */
        boolean takes(int track, int[] step) {
            if (refused[track]) {
                return false;
            }
            boolean taken = roomFor(track, step);
            refused[track] = !taken;
            return taken;
        }

        private boolean roomFor(int track, int[] step) {
            Strand strand = tracks.get(track).strand();
            if (now.stream().anyMatch(strands -> strands.contains(strand))) {
                return true;
            }
            for (Set<Strand> session : now) {
                if (session.size() < size) {
                    session.add(strand);
                    fill();
                    return true;
                }
            }
            return towardGoal.contains(strand) && replace(strand, step);
        }

        private boolean replace(Strand strand, int[] step) {
            boolean[] atEnd = atEnd(step);
            for (Set<Strand> session : now) {
                Strand rests = session.stream()
                        .filter(each -> !towardGoal.contains(each))
                        .max((one, other) -> Boolean.compare(atEnd[one.ordinal()], atEnd[other.ordinal()]))
                        .orElse(null);
                if (rests != null) {
                    session.remove(rests);
                    session.add(strand);
                    fill();
                    return true;
                }
            }
            return false;
        }

        /** After a move: what has come to its end and no goal asks for makes room. */
        void remake(int[] step) {
            boolean full = false;
            for (Set<Strand> session : now) {
                full |= session.size() >= size;
            }
            if (!full) {
                return;
            }
            boolean[] atEnd = atEnd(step);
            boolean changed = false;
            for (Set<Strand> session : now) {
                changed |= session.size() >= size
                        && session.removeIf(strand -> !towardGoal.contains(strand) && atEnd[strand.ordinal()]);
            }
            if (changed) {
                fill();
            }
        }

        /** By strand: whether all its sides have come to the end. */
        private boolean[] atEnd(int[] step) {
            boolean[] atEnd = new boolean[STRANDS];
            Arrays.fill(atEnd, true);
            for (int t = 0; t < step.length; t++) {
                atEnd[strandOf[t]] &= step[t] == lastStep[t];
            }
            return atEnd;
        }

        private void fill() {
            Arrays.fill(refused, false);
            for (int session = 0; session < now.size(); session++) {
                int[] in = new int[tracks.size()];
                int count = 0;
                for (int t = 0; t < in.length; t++) {
                    holds[session][t] = now.get(session).contains(tracks.get(t).strand());
                    if (holds[session][t]) {
                        in[count++] = t;
                    }
                }
                held[session] = Arrays.copyOf(in, count);
            }
        }
    }
}

package fernstep.core.plan;

import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Which gates of a rung still hold it closed. */
public final class RungGates {
    private static final int TOLERANCE_FAIR_BREATHS = 3;

    private RungGates() {}

    /** A rung done clean at its window's top; side is null for a rung without sides. */
    public record Done(String rung, @Nullable Side side) {}

    /**
     * What the log says over weeks.
     *
     * @param cleanWeeks weeks in a row, up to now, in which she trained and nothing was stopped or stepped back
     * @param weeksAtTop for how many weeks she has stood at the top of a rung's window
     */
    public record History(int cleanWeeks, Map<String, Integer> weeksAtTop) {
        public static final History NONE = new History(0, Map.of());

        public History {
            weeksAtTop = Map.copyOf(weeksAtTop);
        }
    }

    /**
     * What is known about her.
     *
     * @param screening today's, or null when only the catalogue's own gates are to be read
     * @param pregnant from her facts, or null when they are not known
     */
    public record Known(
            @Nullable Screening screening,
            @Nullable Boolean pregnant,
            Findings findings,
            Set<Done> done,
            History history) {
        public Known {
            done = Set.copyOf(done);
        }

        /** Without a log. */
        public Known(@Nullable Screening screening, @Nullable Boolean pregnant, Findings findings, Set<Done> done) {
            this(screening, pregnant, findings, done, History.NONE);
        }

        public Known withDone(Set<Done> more) {
            return new Known(screening, pregnant, findings, more, history);
        }
    }

    public static List<Waiting> waiting(Rung rung, @Nullable Side side, Known known) {
        List<Waiting> waiting = new ArrayList<>();
        EnumSet<GateCode> dated = EnumSet.noneOf(GateCode.class);
        rung.strand().opensWith().ifPresent(dated::add);
        for (RungGate gate : rung.gates()) {
            if (gate instanceof RungGate.Opened opened) {
                dated.add(opened.code());
            } else {
                own(gate, side, known).ifPresent(waiting::add);
            }
        }
        dated.forEach(code -> opened(code, known).ifPresent(waiting::add));
        return List.copyOf(waiting);
    }

    /** Whether one gate of a rung still holds it, on some side. */
    public static boolean holds(RungGate gate, Rung rung, Known known) {
        return own(gate, null, known).isPresent();
    }

    /** A position or load of hers that closes it: something may stand in. */
    static List<Waiting> closedPosition(Rung rung, Known known) {
        Set<Restriction> closed =
                known.screening() == null ? Set.of() : known.screening().closed();
        List<Waiting> waiting = new ArrayList<>();
        rung.closedBy(closed)
                .ifPresent(r -> waiting.add(new Waiting(r.name(), null, Reason.of("waiting.restriction", r))));
        rung.gates().stream()
                .filter(g -> g instanceof RungGate.Without w && closed.contains(w.restriction()))
                .map(g -> ((RungGate.Without) g).restriction())
                .forEach(r -> waiting.add(new Waiting(r.name(), null, Reason.of("waiting.restriction", r))));
        return List.copyOf(waiting);
    }

    private static Optional<Waiting> opened(GateCode code, Known known) {
        if (known.screening() == null) {
            return Optional.empty();
        }
        Gate gate = known.screening().gates().get(code);
        return gate == null || gate.open()
                ? Optional.empty()
                : Optional.of(new Waiting(code.name(), gate.opensOn(), gate.reason()));
    }

    private static Optional<Waiting> own(RungGate gate, @Nullable Side side, Known known) {
        if (gate instanceof RungGate.CleanRung clean) {
            return done(clean, side, known)
                    ? Optional.empty()
                    : Optional.of(new Waiting(
                            clean.rung(),
                            null,
                            Reason.of(clean.bothSides() ? "waiting.rungBothSides" : "waiting.rung", clean.rung())));
        }
        if (gate instanceof RungGate.SetGrade grade) {
            boolean holds = known.findings().weakerSetGrade().orElse(0) >= grade.atLeast();
            return holds
                    ? Optional.empty()
                    : Optional.of(new Waiting("SET_GRADE", null, Reason.of("waiting.setGrade", grade.atLeast())));
        }
        if (gate instanceof RungGate.BreathControl) {
            Integer tolerance = known.findings().toleranceBreaths();
            boolean holds =
                    (known.findings().cough() != null && !known.findings().coughReversed())
                            || (tolerance != null && tolerance >= TOLERANCE_FAIR_BREATHS);
            return holds
                    ? Optional.empty()
                    : Optional.of(new Waiting("BREATH_CONTROL", null, Reason.of("waiting.breathControl")));
        }
        if (gate instanceof RungGate.AnySide any) {
            boolean either = isDone(any.rung(), Side.LEFT, known) || isDone(any.rung(), Side.RIGHT, known);
            return either
                    ? Optional.empty()
                    : Optional.of(new Waiting(any.rung(), null, Reason.of("waiting.rungAnySide", any.rung())));
        }
        if (gate instanceof RungGate.CleanWeeks clean) {
            return known.history().cleanWeeks() >= clean.weeks()
                    ? Optional.empty()
                    : Optional.of(new Waiting(
                            "CLEAN_WEEKS",
                            null,
                            Reason.of(
                                    "waiting.cleanWeeks",
                                    clean.weeks(),
                                    known.history().cleanWeeks())));
        }
        if (gate instanceof RungGate.TopHeldWeeks held) {
            int weeks = known.history().weeksAtTop().getOrDefault(held.rung(), 0);
            return weeks >= held.weeks()
                    ? Optional.empty()
                    : Optional.of(new Waiting(
                            "TOP_HELD", null, Reason.of("waiting.topHeld", held.rung(), held.weeks(), weeks)));
        }
        if (gate instanceof RungGate.Scoop) {
            return known.findings().scoop() == Findings.Scoop.YES
                    ? Optional.empty()
                    : Optional.of(new Waiting("SCOOP", null, Reason.of("waiting.scoop")));
        }
        if (gate instanceof RungGate.FirmMidline) {
            return known.findings().doming() == Findings.Doming.NONE
                    ? Optional.empty()
                    : Optional.of(new Waiting("FIRM_MIDLINE", null, Reason.of("waiting.firmMidline")));
        }
        if (gate instanceof RungGate.PregnantToWeek limit) {
            return pregnantBeyond(limit.week(), known)
                    ? Optional.of(new Waiting("BIRTH", null, Reason.of("waiting.pregnantToWeek", limit.week())))
                    : Optional.empty();
        }
        if (gate instanceof RungGate.NotPregnant) {
            return Boolean.TRUE.equals(known.pregnant())
                    ? Optional.of(new Waiting("BIRTH", null, Reason.of("waiting.birth")))
                    : Optional.empty();
        }
        if (gate instanceof RungGate.Without without) {
            Set<Restriction> closed =
                    known.screening() == null ? Set.of() : known.screening().closed();
            return closed.contains(without.restriction())
                    ? Optional.of(new Waiting(
                            without.restriction().name(),
                            null,
                            Reason.of("waiting.restriction", without.restriction())))
                    : Optional.empty();
        }
        return Optional.empty();
    }

    /** A pregnancy whose week is not known counts as beyond. */
    private static boolean pregnantBeyond(int week, Known known) {
        if (!Boolean.TRUE.equals(known.pregnant())) {
            return false;
        }
        Integer days =
                known.screening() == null ? null : known.screening().stage().gestationDays();
        return days == null || days > 7 * week;
    }

    private static boolean done(RungGate.CleanRung gate, @Nullable Side side, Known known) {
        boolean left = isDone(gate.rung(), Side.LEFT, known);
        boolean right = isDone(gate.rung(), Side.RIGHT, known);
        if (gate.bothSides()) {
            return left && right;
        }
        return side == null ? left && right : isDone(gate.rung(), side, known);
    }

    private static boolean isDone(String rung, Side side, Known known) {
        return known.done().stream().anyMatch(d -> d.rung().equals(rung) && (d.side() == null || d.side() == side));
    }
}

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
     * What is known about her.
     *
     * @param screening today's, or null when only the catalogue's own gates are to be read
     * @param pregnant from her facts, or null when they are not known
     */
    public record Known(
            @Nullable Screening screening, @Nullable Boolean pregnant, Findings findings, Set<Done> done) {
        public Known {
            done = Set.copyOf(done);
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

package fernstep.core.forecast;

import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.forecast.Forecast.Bottleneck;
import fernstep.core.forecast.Forecast.Question;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What a goal waits for longest: a missing clearance before any date, a finding, a date, else training. */
final class Bottlenecks {
    private final Question q;

    Bottlenecks(Question question) {
        this.q = question;
    }

    /** The gate of a goal's chain that waits for a clearance nobody has given. */
    static Optional<Gate> clearanceMissing(Question question) {
        return new Bottlenecks(question)
                .closedGates()
                .filter(gate -> !gate.needs().isEmpty())
                .max(Comparator.comparing(Gate::code));
    }

    /** The day from which that clearance would count: its date rule's, or today. */
    static Optional<LocalDate> givenBy(Question question) {
        return clearanceMissing(question)
                .map(gate -> gate.opensOn() != null
                                && gate.opensOn().isAfter(question.horizon().today())
                        ? gate.opensOn()
                        : question.horizon().today());
    }

    /** @param last the rung of the goal that comes last */
    Optional<Bottleneck> of(Rung last) {
        if (q.start().known().screening() != null) {
            Optional<Gate> missing = clearanceMissing(q);
            if (missing.isPresent() && !q.changes().contains(Forecast.Change.CLEARANCE_GIVEN)) {
                Gate gate = missing.get();
                return Optional.of(new Bottleneck(
                        last.strand(),
                        last.code(),
                        gate.code().name(),
                        gate.opensOn(),
                        gate.needs().get(0)));
            }
        }
        return finding(last).or(() -> dated(last)).or(() -> Optional.of(training(last)));
    }

    private Stream<Rung> chain() {
        if (q.goal() == null) {
            return Stream.empty();
        }
        return q.goal().rungs(q.catalogue()).stream().map(q.catalogue()::rung).flatMap(this::chainOf);
    }

    private Stream<Rung> chainOf(Rung rung) {
        return Stream.concat(Stream.of(rung), q.catalogue().leading(rung).stream());
    }

    private Stream<Gate> closedGates() {
        Screening screening = q.start().known().screening();
        if (screening == null) {
            return Stream.empty();
        }
        return chain().flatMap(rung -> gates(rung))
                .distinct()
                .map(code -> screening.gates().get(code))
                .filter(gate -> gate != null && !gate.open());
    }

    private static Stream<GateCode> gates(Rung rung) {
        return rung.gates().stream()
                .filter(RungGate.Opened.class::isInstance)
                .map(gate -> ((RungGate.Opened) gate).code());
    }

    /** A finding, a pregnancy or a ridge that no training here changes. */
    private Optional<Bottleneck> finding(Rung last) {
        List<Rung> chain = new ArrayList<>(chainOf(last).toList());
        for (Rung rung : chain) {
            Optional<Waiting> waiting = Tracks.closedByItself(rung, q.start().known());
            if (waiting.isPresent()) {
                return Optional.of(
                        new Bottleneck(rung.strand(), rung.code(), waiting.get().code(), null, null));
            }
        }
        return Optional.empty();
    }

    /** What a check has to find better before the goal can come; empty where none holds it, or none could help. */
    Optional<Waiting> awaitedCheck() {
        List<Rung> held = chain().distinct()
                .filter(rung -> Tracks.closedByItself(rung, q.start().known()).isPresent())
                .toList();
        boolean helps = held.stream()
                .allMatch(rung -> Tracks.checkMayOpen(rung, q.start().known()));
        return helps
                ? held.stream()
                        .findFirst()
                        .flatMap(rung -> Tracks.closedByItself(rung, q.start().known()))
                : Optional.empty();
    }

    private Optional<Bottleneck> dated(Rung last) {
        Screening screening = q.start().known().screening();
        if (screening == null) {
            return Optional.empty();
        }
        return chainOf(last)
                .flatMap(rung -> gates(rung)
                        .map(screening.gates()::get)
                        .filter(gate -> gate != null && !gate.open())
                        .map(gate -> new Bottleneck(
                                rung.strand(), rung.code(), gate.code().name(), gate.opensOn(), null)))
                .max(Comparator.comparing(Bottleneck::gateOpens, Comparator.nullsLast(Comparator.naturalOrder())));
    }

    /** Down through what it needs to the rung that training has to bring first. */
    private Bottleneck training(Rung last) {
        Rung held = last;
        for (int depth = 0; depth < q.catalogue().rungs().size(); depth++) {
            Optional<Rung> before = q.catalogue().leadingAtOnce(held).stream()
                    .filter(rung -> !done(rung.code()))
                    .findFirst();
            if (before.isEmpty()) {
                break;
            }
            held = before.get();
        }
        return new Bottleneck(held.strand(), held.code(), null, null, null);
    }

    private boolean done(String code) {
        return q.start().known().done().stream().map(RungGates.Done::rung).anyMatch(code::equals);
    }
}

package fernstep.core.caseload;

import fernstep.core.approach.Stances;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.measure.Reason;
import fernstep.core.progress.Progress;
import fernstep.core.schedule.GarmentSchedule;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One thing that waits about a client, by urgency.
 *
 * @param reason in words, with its day or number
 */
public record Attention(Kind kind, Reason reason) {
    private static final int STALLED_AFTER_DAYS = 21;
    private static final int MISSED_LOOKS_BACK_DAYS = 7;
    private static final int CLEARANCE_ENDS_WITHIN_DAYS = 14;
    private static final int GATE_OPENS_WITHIN_DAYS = 14;
    private static final int GARMENT_NOTICE_DAYS = 7;
    private static final int GARMENT_LATEST_DAYS = 21;
    private static final int WEEK = 7;

    /** From the most urgent. */
    public enum Kind {
        EMERGENCY,
        ASK_FIRST,
        /** Something she reported waits for somebody to have spoken with her. */
        HELD,
        REFER,
        NEXT_DAY,
        RECHECK_DUE,
        RECHECK_FIRST,
        CLEARANCE_ENDING,
        READY,
        MISSED,
        STALLED,
        GARMENT_ENDING,
        GATE_SOON
    }

    /**
     * What is known of one client.
     *
     * @param moves what the rules make of each place she stands on
     * @param lastRise the newest day on which she went up anywhere, or the day she began; null before that
     * @param lastSession null where she has not trained yet
     * @param sessionDaysThisWeek days trained in the past seven
     * @param daysPerWeek as planned
     */
    public record Question(
            Screening screening,
            ClientFacts facts,
            Stances stances,
            List<Progress> moves,
            @Nullable LocalDate lastRise,
            @Nullable LocalDate lastSession,
            int sessionDaysThisWeek,
            int daysPerWeek,
            LocalDate today) {}

    /** Most urgent first; empty where nothing waits. */
    public static List<Attention> of(Question q) {
        List<Attention> all = new ArrayList<>();
        outcome(q).ifPresent(all::add);
        moves(q, all);
        recheck(q).ifPresent(all::add);
        clearance(q).ifPresent(all::add);
        training(q, all);
        garment(q).ifPresent(all::add);
        gate(q).ifPresent(all::add);
        all.sort(Comparator.comparing(Attention::kind));
        return List.copyOf(all);
    }

    private static Optional<Attention> outcome(Question q) {
        Screening s = q.screening();
        Kind kind = s.outcome() == Outcome.REFER_NOW
                ? Kind.EMERGENCY
                : s.outcome() == Outcome.ASK_FIRST ? Kind.ASK_FIRST : null;
        return kind == null
                ? Optional.empty()
                : Optional.of(new Attention(
                        kind,
                        Reason.of("board." + s.outcome(), s.reasons().get(0).answer())));
    }

    private static void moves(Question q, List<Attention> all) {
        long refer = count(q, Progress.Change.REFER);
        if (refer > 0) {
            all.add(new Attention(Kind.REFER, Reason.of("board.refer")));
        }
        boolean nextDay = q.moves().stream().anyMatch(m -> m.reason().key().equals("progress.nextDay"));
        if (nextDay && refer == 0) {
            all.add(new Attention(Kind.NEXT_DAY, Reason.of("board.nextDay")));
        }
        if (count(q, Progress.Change.RECHECK_FIRST) > 0 && q.lastSession() != null) {
            all.add(new Attention(
                    Kind.RECHECK_FIRST,
                    Reason.of("board.recheckFirst", ChronoUnit.DAYS.between(q.lastSession(), q.today()))));
        }
        long ready = count(q, Progress.Change.NOTCH_UP) + count(q, Progress.Change.NEXT_RUNG);
        if (ready > 0) {
            all.add(new Attention(Kind.READY, Reason.of(ready == 1 ? "board.ready" : "board.readyMany", ready)));
        }
    }

    private static long count(Question q, Progress.Change change) {
        return q.moves().stream().filter(m -> m.change() == change).count();
    }

    private static Optional<Attention> recheck(Question q) {
        LocalDate due = q.screening().recheckDue();
        return due == null || due.isAfter(q.today())
                ? Optional.empty()
                : Optional.of(new Attention(Kind.RECHECK_DUE, Reason.of("board.recheck", due)));
    }

    private static Optional<Attention> clearance(Question q) {
        return q.facts().clearances().stream()
                .filter(c -> c.expiry() != null
                        && !c.expiry().isBefore(q.today())
                        && !c.expiry().isAfter(q.today().plusDays(CLEARANCE_ENDS_WITHIN_DAYS)))
                .filter(c -> q.facts().clearances().stream().noneMatch(other -> outlasts(other, c)))
                .findFirst()
                .map(c -> new Attention(
                        Kind.CLEARANCE_ENDING,
                        Reason.of("board.clearanceEnding", c.scope(), Objects.requireNonNull(c.expiry()))));
    }

    /** Another one covers the same and runs longer. */
    private static boolean outlasts(Clearance other, Clearance c) {
        boolean longer =
                other.expiry() == null || (c.expiry() != null && other.expiry().isAfter(c.expiry()));
        return !other.equals(c) && longer && other.scope().includes(c.scope());
    }

    private static void training(Question q, List<Attention> all) {
        if (q.moves().isEmpty() || q.lastSession() == null) {
            return;
        }
        long idle = ChronoUnit.DAYS.between(q.lastSession(), q.today());
        boolean missed = 2 * q.sessionDaysThisWeek() < q.daysPerWeek() && idle >= MISSED_LOOKS_BACK_DAYS / 2;
        if (missed) {
            all.add(new Attention(
                    Kind.MISSED,
                    q.sessionDaysThisWeek() == 0
                            ? Reason.of("board.missedAll", idle)
                            : Reason.of("board.missed", q.sessionDaysThisWeek(), q.daysPerWeek())));
        }
        boolean stands = q.lastRise() != null
                && ChronoUnit.DAYS.between(q.lastRise(), q.today()) >= STALLED_AFTER_DAYS
                && idle < STALLED_AFTER_DAYS;
        boolean nothingToConfirm = all.stream().noneMatch(a -> a.kind() == Kind.READY);
        if (stands && nothingToConfirm) {
            all.add(new Attention(
                    Kind.STALLED, Reason.of("board.stalled", ChronoUnit.DAYS.between(q.lastRise(), q.today()) / WEEK)));
        }
    }

    private static Optional<Attention> garment(Question q) {
        if (q.stances().garment() != Stances.Garment.SUGGEST || q.facts().pregnant()) {
            return Optional.empty();
        }
        return q.facts().latestBirth().flatMap(birth -> {
            LocalDate ends = GarmentSchedule.until(birth);
            boolean near = !q.today().isBefore(ends.minusDays(GARMENT_NOTICE_DAYS))
                    && !q.today().isAfter(ends.plusDays(GARMENT_LATEST_DAYS));
            return near
                    ? Optional.of(new Attention(Kind.GARMENT_ENDING, Reason.of("board.garment", ends)))
                    : Optional.empty();
        });
    }

    private static Optional<Attention> gate(Question q) {
        if (q.screening().outcome().closesGates()) {
            return Optional.empty();
        }
        return q.screening().gates().values().stream()
                .filter(g -> !g.open() && g.code() != GateCode.CURL)
                .filter(g -> opensBy(g, q.today().plusDays(GATE_OPENS_WITHIN_DAYS)))
                .min(Comparator.comparing(Gate::opensOn))
                .map(g -> new Attention(Kind.GATE_SOON, Reason.of("board.gate", g.code(), g.reason())));
    }

    private static boolean opensBy(Gate gate, LocalDate last) {
        LocalDate opensOn = gate.opensOn();
        return opensOn != null && !opensOn.isAfter(last);
    }
}

package fernstep.core.caseload;

import fernstep.core.approach.Stances;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.measure.Reason;
import fernstep.core.progress.Progress;
import fernstep.core.schedule.GarmentSchedule;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
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
    public static List<Attention> of(Question question) {
        List<Attention> all = new ArrayList<>();
        outcome(question).ifPresent(all::add);
        moves(question, all);
        recheck(question).ifPresent(all::add);
        clearance(question).ifPresent(all::add);
        training(question, all);
        garment(question).ifPresent(all::add);
        gate(question).ifPresent(all::add);
        all.sort(Comparator.comparing(Attention::kind));
        return List.copyOf(all);
    }

    private static Optional<Attention> outcome(Question question) {
        Screening s = question.screening();
        Kind kind =
                switch (s.outcome()) {
                    case REFER_NOW -> Kind.EMERGENCY;
                    case ASK_FIRST -> Kind.ASK_FIRST;
                    case ADAPT, GO -> null;
                };
        return kind == null
                ? Optional.empty()
                : Optional.of(new Attention(
                        kind,
                        Reason.of("board." + s.outcome(), s.reasons().get(0).answer())));
    }

    private static void moves(Question question, List<Attention> all) {
        long refer = count(question, Progress.Change.REFER);
        if (refer > 0) {
            all.add(new Attention(Kind.REFER, Reason.of("board.refer")));
        }
        boolean nextDay = question.moves().stream()
                .anyMatch(progress -> progress.reason().key().equals("progress.nextDay"));
        if (nextDay && refer == 0) {
            all.add(new Attention(Kind.NEXT_DAY, Reason.of("board.nextDay")));
        }
        if (count(question, Progress.Change.RECHECK_FIRST) > 0 && question.lastSession() != null) {
            all.add(new Attention(
                    Kind.RECHECK_FIRST,
                    Reason.of(
                            "board.recheckFirst", ChronoUnit.DAYS.between(question.lastSession(), question.today()))));
        }
        long ready = count(question, Progress.Change.NOTCH_UP) + count(question, Progress.Change.NEXT_RUNG);
        if (ready > 0) {
            all.add(new Attention(Kind.READY, Reason.of(ready == 1 ? "board.ready" : "board.readyMany", ready)));
        }
    }

    private static long count(Question question, Progress.Change change) {
        return question.moves().stream()
                .filter(progress -> progress.change() == change)
                .count();
    }

    private static Optional<Attention> recheck(Question question) {
        LocalDate due = question.screening().recheckDue();
        return due == null || due.isAfter(question.today())
                ? Optional.empty()
                : Optional.of(new Attention(Kind.RECHECK_DUE, Reason.of("board.recheck", due)));
    }

    private static Optional<Attention> clearance(Question question) {
        return question.facts().clearances().stream()
                .filter(clearance -> clearance.expiry() != null
                        && !clearance.expiry().isBefore(question.today())
                        && !clearance.expiry().isAfter(question.today().plusDays(CLEARANCE_ENDS_WITHIN_DAYS)))
                .filter(clearance ->
                        question.facts().clearances().stream().noneMatch(other -> outlasts(other, clearance)))
                .findFirst()
                .map(clearance -> new Attention(
                        Kind.CLEARANCE_ENDING,
                        Reason.of(
                                "board.clearanceEnding",
                                clearance.scope(),
                                Objects.requireNonNull(clearance.expiry()))));
    }

    /** Another one covers the same and runs longer. */
    private static boolean outlasts(Clearance other, Clearance clearance) {
        boolean longer = other.expiry() == null
                || (clearance.expiry() != null && other.expiry().isAfter(clearance.expiry()));
        return !other.equals(clearance) && longer && other.scope().includes(clearance.scope());
    }

    private static void training(Question question, List<Attention> all) {
        if (question.moves().isEmpty() || question.lastSession() == null) {
            return;
        }
        long idle = ChronoUnit.DAYS.between(question.lastSession(), question.today());
        boolean missed =
                2 * question.sessionDaysThisWeek() < question.daysPerWeek() && idle >= MISSED_LOOKS_BACK_DAYS / 2;
        if (missed) {
            all.add(new Attention(
                    Kind.MISSED,
                    question.sessionDaysThisWeek() == 0
                            ? Reason.of("board.missedAll", idle)
                            : Reason.of("board.missed", question.sessionDaysThisWeek(), question.daysPerWeek())));
        }
        boolean stands = question.lastRise() != null
                && ChronoUnit.DAYS.between(question.lastRise(), question.today()) >= STALLED_AFTER_DAYS
                && idle < STALLED_AFTER_DAYS;
        boolean nothingToConfirm = all.stream().noneMatch(attention -> attention.kind() == Kind.READY);
        if (stands && nothingToConfirm) {
            all.add(new Attention(
                    Kind.STALLED,
                    Reason.of("board.stalled", ChronoUnit.DAYS.between(question.lastRise(), question.today()) / WEEK)));
        }
    }

    private static Optional<Attention> garment(Question question) {
        if (question.stances().garment() != Stances.Garment.SUGGEST
                || question.facts().pregnant()) {
            return Optional.empty();
        }
        return question.facts().latestBirth().flatMap(birth -> {
            LocalDate ends = GarmentSchedule.until(birth);
            boolean near = !question.today().isBefore(ends.minusDays(GARMENT_NOTICE_DAYS))
                    && !question.today().isAfter(ends.plusDays(GARMENT_LATEST_DAYS));
            return near
                    ? Optional.of(new Attention(Kind.GARMENT_ENDING, Reason.of("board.garment", ends)))
                    : Optional.empty();
        });
    }

    private static Optional<Attention> gate(Question question) {
        if (question.screening().outcome().closesGates()) {
            return Optional.empty();
        }
        return question.screening().gates().values().stream()
                .filter(gate -> !gate.open() && gate.code() != GateCode.CURL)
                .filter(gate -> opensBy(gate, question.today().plusDays(GATE_OPENS_WITHIN_DAYS)))
                .min(Comparator.comparing(Gate::opensOn))
                .map(gate -> new Attention(Kind.GATE_SOON, Reason.of("board.gate", gate.code(), gate.reason())));
    }

    private static boolean opensBy(Gate gate, LocalDate last) {
        LocalDate opensOn = gate.opensOn();
        return opensOn != null && !opensOn.isAfter(last);
    }
}

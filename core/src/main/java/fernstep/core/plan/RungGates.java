package fernstep.core.plan;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.client.Restriction;
import fernstep.core.findings.DeepCoreGrade;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Waiting.Until.What;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What still holds a rung closed: its own gates, those of every rung that leads to it (skipped, tested or trained, they
 * bind all the same), and what today's findings cap.
 */
public final class RungGates {

    private static final int DAYS_IN_A_WEEK = 7;

    private RungGates() {}

    /** A rung done clean at its window's top; side is null for a rung without sides. */
    public record Done(String rung, @Nullable Side side) {}

    /**
     * What the log says over weeks.
     *
     * @param cleanWeeks clean weeks since the log began
     * @param weeksAtTop for how many weeks she has stood at the top of a rung's window
     * @param floorSymptoms leaking or heaviness in the past four weeks
     */
    public record History(int cleanWeeks, Map<String, Integer> weeksAtTop, boolean floorSymptoms) {
        public static final History NONE = new History(0, Map.of());

        public History(int cleanWeeks, Map<String, Integer> weeksAtTop) {
            this(cleanWeeks, weeksAtTop, false);
        }

        History withFloorSymptoms(boolean told) {
            return told == floorSymptoms ? this : new History(cleanWeeks, weeksAtTop, told);
        }

        public History {
            weeksAtTop = Map.copyOf(weeksAtTop);
        }
    }

    /**
     * What is known about her.
     *
     * @param screening today's, or null when only the catalogue's own gates are to be read
     * @param pregnant from her facts, or null when they are not known
     * @param stances the approach she is led by, or null where none is asked
     */
    public record Known(
            Catalogue catalogue,
            @Nullable Screening screening,
            @Nullable Boolean pregnant,
            Findings findings,
            @Nullable Stances stances,
            Set<Done> done,
            History history) {
        public Known {
            done = Set.copyOf(done);
        }

        /** Of a rung by itself: neither her facts nor findings nor a log. */
        public static Known nothing(Catalogue catalogue) {
            return new Known(catalogue, null, null, Findings.NONE, null, Set.of(), History.NONE);
        }

        public Known withDone(Set<Done> more) {
            return new Known(catalogue, screening, pregnant, findings, stances, more, history);
        }

        /** The same with other findings. */
        public Known with(Findings other) {
            return new Known(catalogue, screening, pregnant, other, stances, done, history);
        }

        public Known with(History other) {
            return new Known(catalogue, screening, pregnant, findings, stances, done, other);
        }

        /** Whether a soft ridge may stay, or null where no stance is asked. */
        Stances.@Nullable Doming doming() {
            return stances == null ? null : stances.doming();
        }

        /** Whether how she is led leaves this rung out. */
        public boolean leavesOut(Rung rung) {
            return stances != null && rung.isAgainst(stances.spine());
        }

        /** Positions and loads closed for her. */
        Set<Restriction> closed() {
            return screening == null ? Set.of() : screening.closed();
        }

        boolean isDone(String rung, @Nullable Side side) {
            return done.contains(new Done(rung, null)) || (side != null && done.contains(new Done(rung, side)));
        }
    }

    /** Empty where it is open. The last of several dates and clearances stands for those before it. */
    public static List<Waiting> waiting(Rung rung, @Nullable Side side, Known known) {
        Reader reader = new Reader(rung, known);
        if (known.screening() != null && known.screening().nothingAllowed()) {
            return List.of(new Waiting.Until(What.ANOTHER_OUTCOME));
        }
        reader.walk(rung, side, true);
        List<Waiting> all = new ArrayList<>(reader.found);
        reader.dated().ifPresent(all::add);
        Ceilings.over(rung, known).ifPresent(all::add);
        Adaptations.of(known.screening()).closes(rung).ifPresent(all::add);
        if (known.leavesOut(rung)) {
            all.add(new Waiting.Until(What.LED_OTHERWISE));
        }
        return all.stream().distinct().toList();
    }

    public static boolean open(Rung rung, @Nullable Side side, Known known) {
        return waiting(rung, side, known).isEmpty();
    }

    /** Dates, clearances, pregnancy and today's answers that close it, findings and other rungs left aside. */
    public static List<Waiting> closedToday(Rung rung, @Nullable Side side, Known known) {
        return waiting(rung, side, known).stream()
                .filter(waiting -> waiting.liftedBy().ofToday())
                .toList();
    }

    /** A position or load of hers that closes it: something may stand in. */
    static Optional<Waiting> closedPosition(Rung rung, Known known) {
        return rung.closedBy(known.closed()).map(Waiting.ClosedPosition::new);
    }

    /** One gate by itself, where no other rung is asked for; empty while it holds nothing closed. */
    public static Optional<Waiting> own(RungGate gate, Rung rung, Known known) {
        Reader reader = new Reader(rung, known);
        reader.side = null;
        Optional<Waiting> waiting = gate.read(reader);
        return waiting.isPresent() ? waiting : reader.dated();
    }

    /** Reads gates of every kind; dates are gathered, so that only the last is told. */
    private static final class Reader implements RungGate.Kinds<Optional<Waiting>> {
        private final Rung asked;
        private final Known known;
        private final List<Waiting> found = new ArrayList<>();
        private final Set<String> seen = new HashSet<>();
        private @Nullable GateCode lastDate;
        private @Nullable Side side;

        Reader(Rung asked, Known known) {
            this.asked = asked;
            this.known = known;
        }

        /** @param told whether a rung that must come first is named: not below one that is itself still to be done */
        void walk(Rung rung, @Nullable Side on, boolean told) {
            if (!seen.add(rung.code() + on + told)) {
                return;
            }
            side = on;
            for (RungGate gate : rung.gates()) {
                Optional<Waiting> waiting = gate.read(this);
                if (told || gate.rungAskedFor().isEmpty()) {
                    waiting.ifPresent(found::add);
                }
            }
            for (Rung before : known.catalogue().leadingAtOnce(rung)) {
                walk(before, on, told && done(before, on));
            }
        }

        private boolean done(Rung rung, @Nullable Side on) {
            return met(rung.code(), Side.LEFT.equals(on) || on == null ? Side.LEFT : on);
        }

        Optional<Waiting> dated() {
            if (lastDate == null || known.screening() == null) {
                return Optional.empty();
            }
            Gate gate = known.screening().gates().get(lastDate);
            return gate == null
                    ? Optional.of(new Waiting.Dated(lastDate, null, Reason.of("waiting.unknownGate")))
                    : Optional.of(new Waiting.Dated(lastDate, gate.opensOn(), gate.reason()));
        }

        @Override
        public Optional<Waiting> opened(RungGate.Opened gate) {
            boolean closed = known.screening() != null && !known.screening().open(gate.code());
            if (closed && (lastDate == null || lastDate.compareTo(gate.code()) < 0)) {
                lastDate = gate.code();
            }
            return Optional.empty();
        }

        @Override
        public Optional<Waiting> cleanRung(RungGate.CleanRung gate) {
            boolean left = met(gate.rung(), Side.LEFT);
            boolean right = met(gate.rung(), Side.RIGHT);
            boolean both = gate.bothSides() || side == null;
            boolean own = side == Side.LEFT ? left : right;
            boolean done = both ? left && right : own;
            return unless(
                    done,
                    new Waiting.RungFirst(
                            rung(gate.rung()),
                            gate.bothSides() ? Waiting.RungFirst.On.BOTH_SIDES : Waiting.RungFirst.On.ITS_SIDE));
        }

        @Override
        public Optional<Waiting> anySide(RungGate.AnySide gate) {
            boolean either = met(gate.rung(), Side.LEFT) || met(gate.rung(), Side.RIGHT);
            return unless(either, new Waiting.RungFirst(rung(gate.rung()), Waiting.RungFirst.On.ANY_SIDE));
        }

        private Rung rung(String code) {
            return known.catalogue().rung(code);
        }

        /**
         * Clean; or, where its position is closed to her, what stands in for it is: she is not asked for what she cannot
         * do. The rung that stands in needs nothing from the one it replaces. A rung that her approach leaves out is asked
         * of nobody: what leads through it leads past it.
         */
        private boolean met(String code, Side on) {
            Rung rung = known.catalogue().rung(code);
            if (known.isDone(code, on) || known.leavesOut(rung)) {
                return true;
            }
            if (closedPosition(rung, known).isEmpty()) {
                return false;
            }
            return StandIns.replacing(known.catalogue(), rung, known.closed())
                    .anyMatch(each -> each.code().equals(asked.code()) || known.isDone(each.code(), on));
        }

        @Override
        public Optional<Waiting> setGrade(RungGate.SetGrade gate) {
            boolean holds =
                    known.findings().weakerGrade().map(DeepCoreGrade::value).orElse(0) >= gate.atLeast();
            return unless(holds, new Waiting.SetGrade(gate.atLeast()));
        }

        @Override
        public Optional<Waiting> breathControl(RungGate.BreathControl gate) {
            boolean keeps = known.findings()
                    .tolerance()
                    .map(tolerance -> !tolerance.isPoor())
                    .orElse(false);
            boolean holds = keeps
                    || (known.findings().cough() != null && !known.findings().coughReversed());
            return unless(holds, new Waiting.Until(What.BREATH_CONTROL));
        }

        @Override
        public Optional<Waiting> cleanWeeks(RungGate.CleanWeeks gate) {
            int weeks = known.history().cleanWeeks();
            return unless(weeks >= gate.weeks(), new Waiting.CleanWeeks(gate.weeks(), weeks));
        }

        @Override
        public Optional<Waiting> topHeldWeeks(RungGate.TopHeldWeeks gate) {
            int weeks = known.history().weeksAtTop().getOrDefault(gate.rung(), 0);
            return unless(weeks >= gate.weeks(), new Waiting.TopHeld(rung(gate.rung()), gate.weeks(), weeks));
        }

        @Override
        public Optional<Waiting> scoop(RungGate.Scoop gate) {
            return unless(known.findings().scoop() == Observed.Scoop.YES, new Waiting.Until(What.SCOOP));
        }

        @Override
        public Optional<Waiting> firmMidline(RungGate.FirmMidline gate) {
            return unless(known.findings().doming() == Observed.Doming.NONE, new Waiting.Until(What.FIRM_MIDLINE));
        }

        @Override
        public Optional<Waiting> pregnantToWeek(RungGate.PregnantToWeek gate) {
            return unless(!pregnantBeyond(gate.week()), new Waiting.Birth(gate.week()));
        }

        @Override
        public Optional<Waiting> notPregnant(RungGate.NotPregnant gate) {
            return unless(!Boolean.TRUE.equals(known.pregnant()), new Waiting.Birth(null));
        }

        @Override
        public Optional<Waiting> weeksAfterBirth(RungGate.WeeksAfterBirth gate) {
            Integer days =
                    known.screening() == null ? null : known.screening().stage().daysSinceBirth();
            return unless(days == null || days >= DAYS_IN_A_WEEK * gate.weeks(), new Waiting.AfterBirth(gate.weeks()));
        }

        @Override
        public Optional<Waiting> floorQuiet(RungGate.FloorQuiet gate) {
            if (known.findings().impact().symptomFelt()) {
                return Optional.of(new Waiting.Until(What.NOTHING_FELT_IN_IMPACT));
            }
            return unless(!known.history().floorSymptoms(), new Waiting.Until(What.FOUR_QUIET_WEEKS));
        }

        @Override
        public Optional<Waiting> floorReady(RungGate.FloorReady gate) {
            Findings.Shown shown = known.findings().shown();
            return unless(
                    shown.lift() == Observed.FloorLift.LIFTS && shown.letGo() == Observed.LetGo.FULLY,
                    new Waiting.Until(What.FLOOR_READY));
        }

        @Override
        public Optional<Waiting> eitherRung(RungGate.EitherRung gate) {
            return unless(
                    onBothSides(gate.rung()) || onBothSides(gate.or()),
                    new Waiting.EitherRung(rung(gate.rung()), rung(gate.or())));
        }

        private boolean onBothSides(String code) {
            return met(code, Side.LEFT) && met(code, Side.RIGHT);
        }

        /** A pregnancy whose week is not known counts as beyond. */
        private boolean pregnantBeyond(int week) {
            if (!Boolean.TRUE.equals(known.pregnant())) {
                return false;
            }
            Integer days =
                    known.screening() == null ? null : known.screening().stage().gestationDays();
            return days == null || days > 7 * week;
        }

        private static Optional<Waiting> unless(boolean holds, Waiting waiting) {
            return holds ? Optional.empty() : Optional.of(waiting);
        }
    }
}

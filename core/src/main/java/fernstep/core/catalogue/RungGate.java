package fernstep.core.catalogue;

import fernstep.core.screening.GateCode;
import java.util.Optional;

/**
 * A condition on a rung. Whoever reads gates answers every kind: a kind that nobody handles does not compile, and none can
 * fall through to open.
 */
public sealed interface RungGate {
    <R> R read(Kinds<R> kinds);

    /** The rung that must be clean before, where this gate asks for one. */
    default Optional<String> rungAskedFor() {
        return Optional.empty();
    }

    /** An answer for every kind of gate. */
    interface Kinds<R> {
        R opened(Opened gate);

        R cleanRung(CleanRung gate);

        R setGrade(SetGrade gate);

        R breathControl(BreathControl gate);

        R notPregnant(NotPregnant gate);

        R anySide(AnySide gate);

        R pregnantToWeek(PregnantToWeek gate);

        R cleanWeeks(CleanWeeks gate);

        R topHeldWeeks(TopHeldWeeks gate);

        R scoop(Scoop gate);

        R firmMidline(FirmMidline gate);

        R weeksAfterBirth(WeeksAfterBirth gate);

        R floorQuiet(FloorQuiet gate);

        R floorReady(FloorReady gate);

        R eitherRung(EitherRung gate);
    }

    /** A dated gate or clearance of brief screening. */
    record Opened(GateCode code) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.opened(this);
        }
    }

    /** Another rung at its window's top; on both sides where it has sides and {@code bothSides}. */
    record CleanRung(String rung, boolean bothSides) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.cleanRung(this);
        }

        @Override
        public Optional<String> rungAskedFor() {
            return Optional.of(rung);
        }
    }

    /**
     * Deep-core set graded at least so, on the weaker side.
     *
     * @param atLeast grade 0 to 5
     */
    record SetGrade(int atLeast) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.setGrade(this);
        }
    }

    /** Cough not reversed, or breath tolerance of three or more. */
    record BreathControl() implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.breathControl(this);
        }
    }

    /** Closed throughout a pregnancy. */
    record NotPregnant() implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.notPregnant(this);
        }
    }

    /** Another rung clean on at least one side. */
    record AnySide(String rung) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.anySide(this);
        }

        @Override
        public Optional<String> rungAskedFor() {
            return Optional.of(rung);
        }
    }

    /**
     * Open in pregnancy up to and with this week only.
     *
     * @param week of gestation, 1 to 42, up to which it stays open
     */
    record PregnantToWeek(int week) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.pregnantToWeek(this);
        }
    }

    /**
     * So many weeks of clean foundation work.
     *
     * @param weeks from 1, counted over the whole training
     */
    record CleanWeeks(int weeks) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.cleanWeeks(this);
        }
    }

    /**
     * Another rung kept at its top for so many weeks.
     *
     * @param weeks from 1
     */
    record TopHeldWeeks(String rung, int weeks) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.topHeldWeeks(this);
        }

        @Override
        public Optional<String> rungAskedFor() {
            return Optional.of(rung);
        }
    }

    /** On hands and knees the belly rises on the out-breath. */
    record Scoop() implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.scoop(this);
        }
    }

    /** No ridge on the head lift. */
    record FirmMidline() implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.firmMidline(this);
        }
    }

    /**
     * So long after the latest birth; open for who has not given birth.
     *
     * @param weeks from 1
     */
    record WeeksAfterBirth(int weeks) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.weeksAfterBirth(this);
        }
    }

    /** No leaking and no heaviness in the past four weeks. */
    record FloorQuiet() implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.floorQuiet(this);
        }
    }

    /** The pelvic floor was found to lift and to let go. */
    record FloorReady() implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.floorReady(this);
        }
    }

    /** One of two rungs clean on both sides, whichever. */
    record EitherRung(String rung, String or) implements RungGate {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.eitherRung(this);
        }
    }
}

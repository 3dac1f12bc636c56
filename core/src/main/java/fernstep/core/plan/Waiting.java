package fernstep.core.plan;

import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.core.screening.GateCode;
import java.time.LocalDate;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What a rung still waits for. Every kind says what would lift it; the sentence is made from its facts. */
public sealed interface Waiting {
    /** As the open formats carry it: a gate code, a rung code, or the name of a finding. */
    String code();

    Lift liftedBy();

    Reason reason();

    /** The day, where a date is known. */
    default @Nullable LocalDate opensOn() {
        return null;
    }

    /** The rung that must be clean before, where it waits for one. */
    default Optional<Rung> rungAskedFor() {
        return Optional.empty();
    }

    /** What would lift it. */
    enum Lift {
        /** A date, a clearance: it comes if nothing new is told. */
        DAYS,
        /** Another answer on another day, or the birth. */
        ANOTHER_DAY,
        /** Sessions, week by week. */
        TRAINING,
        /** A check that finds better. */
        CHECK,
        /** Neither time nor training: her closed positions, or how she is led. */
        OTHER_CHOICE;

        /** Dates, clearances, pregnancy and today's answers, findings and other rungs left aside. */
        public boolean ofToday() {
            return this == DAYS || this == ANOTHER_DAY;
        }
    }

    /** A dated gate or a clearance of the screening. */
    record Dated(GateCode gate, @Nullable LocalDate opensOn, Reason reason) implements Waiting {
        @Override
        public String code() {
            return gate.name();
        }

        @Override
        public Lift liftedBy() {
            return Lift.DAYS;
        }
    }

    /** What she answered today. */
    record Told(Answer answer, Reason reason) implements Waiting {
        @Override
        public String code() {
            return answer.name();
        }

        @Override
        public Lift liftedBy() {
            return Lift.ANOTHER_DAY;
        }
    }

    /** A position or a load that is closed to her. */
    record ClosedPosition(Restriction closed) implements Waiting {
        @Override
        public String code() {
            return closed.name();
        }

        @Override
        public Lift liftedBy() {
            return Lift.OTHER_CHOICE;
        }

        @Override
        public Reason reason() {
            return Reason.of("waiting.restriction", closed);
        }
    }

    /** Nothing was chosen on its strand, and why. */
    record NoneChosen(Reason reason) implements Waiting {
        @Override
        public String code() {
            return "FINDING";
        }

        @Override
        public Lift liftedBy() {
            return Lift.CHECK;
        }
    }

    /** Another rung clean before. */
    record RungFirst(Rung rung, On on) implements Waiting {
        /** Where it has to be clean. */
        public enum On {
            ITS_SIDE("waiting.rung"),
            BOTH_SIDES("waiting.rungBothSides"),
            ANY_SIDE("waiting.rungAnySide");

            private final String key;

            On(String key) {
                this.key = key;
            }
        }

        @Override
        public String code() {
            return rung.code();
        }

        @Override
        public Lift liftedBy() {
            return Lift.TRAINING;
        }

        @Override
        public Optional<Rung> rungAskedFor() {
            return Optional.of(rung);
        }

        @Override
        public Reason reason() {
            return Reason.of(on.key, named(rung));
        }
    }

    /** One of two rungs clean before, on both sides. */
    record EitherRung(Rung rung, Rung or) implements Waiting {
        @Override
        public String code() {
            return rung.code();
        }

        @Override
        public Lift liftedBy() {
            return Lift.TRAINING;
        }

        @Override
        public Optional<Rung> rungAskedFor() {
            return Optional.of(rung);
        }

        @Override
        public Reason reason() {
            return Reason.of("waiting.oneOf", named(rung), named(or));
        }
    }

    /**
     * So many clean weeks, of which some lie behind her.
     *
     * @param asked weeks, from 1
     * @param behind weeks, fewer than asked
     */
    record CleanWeeks(int asked, int behind) implements Waiting {
        @Override
        public String code() {
            return "CLEAN_WEEKS";
        }

        @Override
        public Lift liftedBy() {
            return Lift.TRAINING;
        }

        @Override
        public Reason reason() {
            return Reason.of("waiting.cleanWeeks", asked, behind);
        }
    }

    /**
     * So many weeks at the top of another rung, of which some lie behind her.
     *
     * @param weeks from 1
     * @param behind weeks, fewer than asked
     */
    record TopHeld(Rung rung, int weeks, int behind) implements Waiting {
        @Override
        public String code() {
            return "TOP_HELD";
        }

        @Override
        public Lift liftedBy() {
            return Lift.TRAINING;
        }

        @Override
        public Reason reason() {
            return Reason.of("waiting.topHeld", named(rung), weeks, behind);
        }
    }

    /**
     * Weeks since the birth.
     *
     * @param weeks from 1
     */
    record AfterBirth(int weeks) implements Waiting {
        @Override
        public String code() {
            return "AFTER_BIRTH";
        }

        @Override
        public Lift liftedBy() {
            return Lift.DAYS;
        }

        @Override
        public Reason reason() {
            return Reason.of("waiting.afterBirth", weeks);
        }
    }

    /**
     * The birth itself.
     *
     * @param toWeek the last week of pregnancy in which it is done; null for none
     */
    record Birth(@Nullable Integer toWeek) implements Waiting {
        @Override
        public String code() {
            return "BIRTH";
        }

        @Override
        public Lift liftedBy() {
            return Lift.ANOTHER_DAY;
        }

        @Override
        public Reason reason() {
            return toWeek == null ? Reason.of("waiting.birth") : Reason.of("waiting.pregnantToWeek", toWeek);
        }
    }

    /**
     * The deep-core set so strong on the weaker side.
     *
     * @param atLeast grade, 0 to 5
     */
    record SetGrade(int atLeast) implements Waiting {
        @Override
        public String code() {
            return "SET_GRADE";
        }

        @Override
        public Lift liftedBy() {
            return Lift.CHECK;
        }

        @Override
        public Reason reason() {
            return Reason.of("waiting.setGrade", atLeast);
        }
    }

    /** What has to be otherwise, without more to say of it. */
    record Until(What what) implements Waiting {
        /** What it is. */
        public enum What {
            ANOTHER_OUTCOME(Lift.ANOTHER_DAY, "OUTCOME", "waiting.nothingToday"),
            LED_OTHERWISE(Lift.OTHER_CHOICE, "SPINE", "waiting.spine"),
            FOUR_QUIET_WEEKS(Lift.DAYS, "FLOOR_QUIET", "waiting.floorQuiet"),
            NOTHING_FELT_IN_IMPACT(Lift.ANOTHER_DAY, "IMPACT_FELT", "waiting.impactFelt"),
            BREATH_CONTROL(Lift.CHECK, "BREATH_CONTROL", "waiting.breathControl"),
            SCOOP(Lift.CHECK, "SCOOP", "waiting.scoop"),
            FIRM_MIDLINE(Lift.CHECK, "FIRM_MIDLINE", "waiting.firmMidline"),
            FLOOR_READY(Lift.CHECK, "FLOOR_READY", "waiting.floorReady"),
            FLOOR_NOT_BEARING_DOWN(Lift.CHECK, "FLOOR_LIFT", "waiting.floorBearsDown"),
            NO_FIRM_RIDGE(Lift.CHECK, "RIDGE", "waiting.firmRidge"),
            NO_SOFT_RIDGE(Lift.CHECK, "RIDGE", "waiting.softRidge");

            private final Lift lift;
            private final String code;
            private final String key;

            What(Lift lift, String code, String key) {
                this.lift = lift;
                this.code = code;
                this.key = key;
            }
        }

        @Override
        public Lift liftedBy() {
            return what.lift;
        }

        @Override
        public String code() {
            return what.code;
        }

        @Override
        public Reason reason() {
            return Reason.of(what.key);
        }
    }

    /** What holds every rise of hers, whatever the rung. */
    record Held(By by, @Nullable LocalDate due) implements Waiting {
        /** What holds it. */
        public enum By {
            OTHER_SIDE(Lift.TRAINING, "waiting.otherSide"),
            BREATH_SESSION(Lift.TRAINING, "waiting.breathSession"),
            RECHECK(Lift.CHECK, "waiting.recheck"),
            WIDENING(Lift.CHECK, "waiting.widening"),
            ASK_FIRST(Lift.ANOTHER_DAY, "waiting.askFirst"),
            HELD(Lift.OTHER_CHOICE, "waiting.held");

            private final Lift lift;
            private final String key;

            By(Lift lift, String key) {
                this.lift = lift;
                this.key = key;
            }
        }

        public Held(By by) {
            this(by, null);
        }

        @Override
        public String code() {
            return by.name();
        }

        @Override
        public @Nullable LocalDate opensOn() {
            return due;
        }

        @Override
        public Lift liftedBy() {
            return by.lift;
        }

        @Override
        public Reason reason() {
            return due == null ? Reason.of(by.key) : Reason.of(by.key, due);
        }
    }

    private static Reason named(Rung rung) {
        return Reason.of("rung.name", rung.name(), rung.code());
    }
}

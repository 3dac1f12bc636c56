package fernstep.core.catalogue;

import fernstep.core.client.Restriction;
import fernstep.core.screening.GateCode;

/** A condition on a rung beyond its strand's own gate. */
public sealed interface RungGate {
    /** A dated gate or clearance of brief screening. */
    record Opened(GateCode code) implements RungGate {}

    /** Another rung at its window's top; on both sides where it has sides and {@code bothSides}. */
    record CleanRung(String rung, boolean bothSides) implements RungGate {}

    /** Deep-core set graded at least so, on the weaker side. */
    record SetGrade(int atLeast) implements RungGate {}

    /** Cough not reversed, or breath tolerance of three or more. */
    record BreathControl() implements RungGate {}

    record NotPregnant() implements RungGate {}

    /** A position or load that must not be closed for her. */
    record Without(Restriction restriction) implements RungGate {}

    /** Another rung clean on at least one side. */
    record AnySide(String rung) implements RungGate {}

    /** Open in pregnancy up to and with this week only. */
    record PregnantToWeek(int week) implements RungGate {}

    /** So many weeks of clean foundation work. */
    record CleanWeeks(int weeks) implements RungGate {}

    /** Another rung kept at its top for so many weeks. */
    record TopHeldWeeks(String rung, int weeks) implements RungGate {}

    /** On hands and knees the belly rises on the out-breath. */
    record Scoop() implements RungGate {}

    /** No ridge on the head lift. */
    record FirmMidline() implements RungGate {}
}

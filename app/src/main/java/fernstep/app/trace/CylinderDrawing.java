package fernstep.app.trace;

import fernstep.core.trace.PressureCylinder;

/** Arrows of the pressure cylinder, in units of its drawing. */
public record CylinderDrawing(PressureCylinder pressure) {
    private static final double LONGEST_ARROW = 34;
    /** The cuff moves by this much where the arrow is as long as it gets, mmHg. */
    private static final double LARGE_MMHG = 20;

    public double frontArrow() {
        return pressure.front() == null ? 0 : LONGEST_ARROW * Math.min(1, pressure.front());
    }

    /** The back gives where it lifts off or is pressed flat. */
    public double backArrow() {
        return pressure.back() == null ? 0 : LONGEST_ARROW * Math.min(1, Math.abs(pressure.back()) / LARGE_MMHG);
    }

    public double topArrow() {
        return LONGEST_ARROW * pressure.held();
    }
}

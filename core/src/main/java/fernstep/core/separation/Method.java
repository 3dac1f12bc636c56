package fernstep.core.separation;

/** How the width was taken, with the typical error used until the examiner has her own. */
public enum Method {
    FINGERS(4.0),
    CALIPER(2.0),
    TAPE(3.0),
    ULTRASOUND(1.5);

    private final double usualSemMm;

    Method(double usualSemMm) {
        this.usualSemMm = usualSemMm;
    }

    /** SEM of one reading, mm. */
    public double usualSemMm() {
        return usualSemMm;
    }
}

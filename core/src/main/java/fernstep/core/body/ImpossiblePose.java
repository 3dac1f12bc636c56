package fernstep.core.body;

/** A pose that no body can take, or that nothing holds up. */
public final class ImpossiblePose extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final String field;
    private final String allowed;

    /**
     * @param field what is wrong, in the words of the case format: hip, knee, contacts …
     * @param allowed what it may be
     */
    public ImpossiblePose(String field, String message, String allowed) {
        super(message + ", " + allowed);
        this.field = field;
        this.allowed = allowed;
    }

    static double angle(String field, double deg, double min, double max) {
        if (!(deg >= min && deg <= max)) {
            throw new ImpossiblePose(
                    field, field + " was " + deg + " deg", "from " + (int) min + " to " + (int) max + " deg");
        }
        return deg;
    }

    public String field() {
        return field;
    }

    public String allowed() {
        return allowed;
    }

    @Override
    public String getMessage() {
        return String.valueOf(super.getMessage());
    }
}

package fernstep.core.measure;

/** The possible values of each measured quantity, both ends included. A value outside is refused, never clipped. */
public enum Range {
    WIDTH_MM("Width", 0, 200, "mm"),
    SITE_CM("Site", -20, 20, "cm"),
    FINGERS("Finger-widths", 0, 10, "fingers"),
    FINGER_TABLE_MM("Finger width", 5, 200, "mm"),
    DEPTH_MM("Depth", 0, 60, "mm"),
    SEM_MM("Typical error", 0.1, 20, "mm"),
    /** Of the variance of a reading: nothing to all of it. */
    SHARE("Share of the visit", 0, 1, ""),
    MASS_KG("Body mass", 25, 250, "kg"),
    GESTATION_WEEKS("Weeks of pregnancy", 0, 43, "weeks"),
    HAND_WEIGHT_KG("Hand weight", 0, 20, "kg"),
    ANGLE_DEG("Angle", -90, 190, "deg"),
    LOAD_INDEX("Load index", 0.1, 1000, ""),
    BELLY_KG("Pregnancy mass", 0, 20, "kg"),
    HEIGHT_CM("Height", 120, 220, "cm"),
    AGE_YEARS("Age", 12, 100, "years"),
    TEAR_DEGREE("Tear degree", 0, 4, ""),
    HOLD_S("Hold", 0, 600, "s"),
    /** Of a dose: a hold of nothing is no hold. */
    DOSE_HOLD_S("Hold", 1, 600, "s"),
    WALK_MIN("Walk", 0, 60, "min"),
    BALANCE_S("On one leg", 0, 60, "s"),
    TIMES("Repetitions", 0, 60, ""),
    TILT_DEG("Pelvic tilt", -45, 45, "deg"),
    SURFACE_CM("Surface", 0, 120, "cm"),
    REPS("Repetitions", 1, 100, ""),
    SETS("Sets", 1, 10, ""),
    SIZE("Exercises in a session", 2, 10, ""),
    BREATHS("Breaths", 0, 100, ""),
    DOSE_BREATHS("Breaths", 1, 100, ""),
    PER_DAY("Sessions a day", 1, 6, ""),
    DAYS_PER_WEEK("Days a week", 1, 7, ""),
    MINUTES_PER_DAY("Minutes a day", 3, 90, "min"),
    RANGE_FRACTION("Range", 0, 1, ""),
    SET_GRADE("Engagement grade", 0, 5, ""),
    FLOAT_SCORE("Float score", 0, 5, ""),
    EFFORT_PCT("Effort used", 0, 100, "%"),
    FLOOR_HOLD_S("Slow hold", 0, 20, "s"),
    QUICK_LIFTS("Quick lifts", 0, 30, ""),
    GIRTH_CM("Girth", 40, 180, "cm"),
    DOME_EXTENT_CM("Extent", 0, 30, "cm"),
    EFFORT("Effort", 0, 10, ""),
    PAIN_LEVEL("Pain", 0, 10, ""),
    SEED("Seed", 0, 2_000_000_000, ""),
    RUNS("Runs", 1, 20_000, ""),
    WEEKS("Weeks", 1, 104, "weeks"),
    SESSIONS("Sessions", 0, 10_000, ""),
    SECOND("Second", 0, 600, "s"),
    REP("Repetition", 0, 200, ""),
    CUFF_MMHG("Cuff pressure", 0, 200, "mmHg"),
    CUFF_TOLERANCE_MMHG("Cuff tolerance", 1, 40, "mmHg"),
    REP_S("Repetition", 1, 120, "s"),
    TIME_MS("Time", 0, 43_200_000, "ms");

    private final String label;
    private final double min;
    private final double max;
    private final String unit;

    Range(String label, double min, double max, String unit) {
        this.label = label;
        this.min = min;
        this.max = max;
        this.unit = unit;
    }

    public String label() {
        return label;
    }

    public double min() {
        return min;
    }

    public double max() {
        return max;
    }

    public String unit() {
        return unit;
    }

    public boolean holds(double value) {
        return value >= min && value <= max;
    }

    /** @throws OutOfRange if the value is outside, or not finite */
    public double check(double value) {
        if (!holds(value)) {
            throw new OutOfRange(this, value);
        }
        return value;
    }

    /** @throws OutOfRange if the value is outside */
    public int check(int value) {
        check((double) value);
        return value;
    }

    /** The allowed span for a sentence. */
    public Reason span() {
        return unit.isEmpty() ? Reason.of("span", min, max) : Reason.of("span.unit", min, max, unit);
    }

    /** The allowed span in words, as shown beside a field: "from 0 to 200 mm". */
    public String allowed() {
        return "from " + Numbers.plain(min) + " to " + Numbers.plain(max) + (unit.isEmpty() ? "" : " " + unit);
    }
}

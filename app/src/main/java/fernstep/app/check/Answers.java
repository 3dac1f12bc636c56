package fernstep.app.check;

/** Codes that only the check screens use; the rules do not read them. */
final class Answers {
    private Answers() {}

    enum YesNo {
        YES,
        NO
    }

    /** At which part of the head lift the ridge shows. */
    enum DomeWhen {
        GOING_UP,
        AT_THE_TOP,
        COMING_DOWN
    }

    enum FloorLift {
        LIFTS,
        DOES_NOT,
        BEARS_DOWN
    }

    enum LetGo {
        FULLY,
        PARTLY,
        NO
    }

    /** Strongest blow at which the belly stays flat. */
    enum Straw {
        NONE,
        FAINT,
        GENTLE,
        FIRM
    }

    /** Where the rod lost her first. */
    enum RodContact {
        KEPT,
        SKULL,
        MID_BACK,
        SACRUM
    }
}

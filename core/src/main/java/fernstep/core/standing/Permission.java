package fernstep.core.standing;

/** The answer to "may she train now?", mildest first. Every way that starts, prescribes or paces work asks it. */
public enum Permission {
    /** As planned; single exercises may be held. */
    TRAIN,
    /** Breath, posture and getting up, until somebody qualified has said yes. */
    BREATH_AND_POSTURE,
    /** Nothing is begun until somebody has spoken with her. */
    SPEAK_FIRST,
    /** An emergency stands. */
    NOTHING;

    /** Whether a session may be begun or go on at all. */
    public boolean opensSession() {
        return this == TRAIN || this == BREATH_AND_POSTURE;
    }
}

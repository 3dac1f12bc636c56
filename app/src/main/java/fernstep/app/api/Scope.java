package fernstep.app.api;

/** What a token opens. */
public enum Scope {
    CLIENTS,
    PLANS,
    SESSIONS,
    READINGS
}

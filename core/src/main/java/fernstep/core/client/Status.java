package fernstep.core.client;

/** Why she comes. Someone postnatal may have had surgery too: events are kept beside the status. */
public enum Status {
    PREGNANT,
    POSTNATAL,
    ABDOMINAL_SURGERY,
    GENERAL
}

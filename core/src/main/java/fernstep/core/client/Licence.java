package fernstep.core.client;

/** What a practitioner may do by licence; the studio lead is one of these with house rights on top. */
public enum Licence {
    COACH,
    THERAPIST
}

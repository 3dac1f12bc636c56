package fernstep.app.messages;

/** What a house writes to its clients. */
public enum MessageKind {
    /** The address of her home page; her PIN is told apart from it. */
    LINK,
    /** On a day of training, while nothing was told. */
    REMINDER,
    /** Two planned days went by without a session. */
    MISSED
}

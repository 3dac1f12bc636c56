package fernstep.core.client;

/** How a child was born. */
public enum BirthMode {
    VAGINAL,
    ASSISTED,
    CAESAREAN
}

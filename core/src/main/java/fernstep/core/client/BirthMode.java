package fernstep.core.client;

public enum BirthMode {
    VAGINAL,
    ASSISTED,
    CAESAREAN
}

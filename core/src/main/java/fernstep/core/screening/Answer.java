package fernstep.core.screening;

import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import java.util.Optional;

/** Today's questions, each with the outcome it leads to when answered yes. */
public enum Answer {
    BLEEDING(Outcome.REFER_NOW),
    FLUID_LEAK(Outcome.REFER_NOW),
    CONTRACTIONS(Outcome.REFER_NOW),
    LESS_MOVEMENT(Outcome.REFER_NOW),
    CHEST_PAIN(Outcome.REFER_NOW),
    BREATHLESS_AT_REST(Outcome.REFER_NOW),
    DIZZY(Outcome.REFER_NOW),
    HEADACHE_VISION(Outcome.REFER_NOW),
    CALF(Outcome.REFER_NOW),
    FEVER(Outcome.REFER_NOW),
    WOUND(Outcome.REFER_NOW),
    ABDOMINAL_PAIN(Outcome.REFER_NOW),
    HARD_LUMP(Outcome.REFER_NOW),
    NEW_INCONTINENCE(Outcome.REFER_NOW),
    SELF_HARM(Outcome.REFER_NOW),

    HEAVINESS(Outcome.ASK_FIRST),
    HERNIA(Outcome.ASK_FIRST),
    PREGNANCY_CONDITION(Outcome.ASK_FIRST),
    REST_PAIN(Outcome.ASK_FIRST),
    TEAR_RECENT(Outcome.ASK_FIRST),
    SURGEON_NOT_CLEARED(Outcome.ASK_FIRST),

    LEAK_EFFORT(Outcome.ADAPT),
    GIRDLE_PAIN(Outcome.ADAPT),
    BACK_PAIN(Outcome.ADAPT),
    SCAR_TENDER(Outcome.ADAPT),
    WRIST_PAIN(Outcome.ADAPT, Restriction.NO_WRIST_LOAD),
    KNEE_PAIN(Outcome.ADAPT, Restriction.NO_KNEELING),
    TIRED(Outcome.ADAPT),
    BREAST_DISCOMFORT(Outcome.ADAPT, Restriction.NO_PRONE);

    private final Outcome leadsTo;
    private final Optional<Restriction> closesToday;

    Answer(Outcome leadsTo) {
        this.leadsTo = leadsTo;
        this.closesToday = Optional.empty();
    }

    Answer(Outcome leadsTo, Restriction closesToday) {
        this.leadsTo = leadsTo;
        this.closesToday = Optional.of(closesToday);
    }

    public Outcome leadsTo() {
        return leadsTo;
    }

    public boolean emergency() {
        return leadsTo == Outcome.REFER_NOW;
    }

    /** Whether it can be true of her at all; what does not fit is not asked. */
    public boolean mayApplyTo(ClientFacts facts) {
        return switch (this) {
            case FLUID_LEAK, CONTRACTIONS, LESS_MOVEMENT, PREGNANCY_CONDITION -> facts.pregnant();
            case TEAR_RECENT -> !facts.births().isEmpty();
            default -> true;
        };
    }

    /** It closes gates: a person with the licence takes it back, with a reason. */
    public boolean needsLicenceToTakeBack() {
        return leadsTo.closesGates();
    }

    /** The position it closes for today, if any. */
    public Optional<Restriction> closesToday() {
        return closesToday;
    }
}

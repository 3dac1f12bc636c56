package fernstep.core.screening;

import fernstep.core.client.Birth;
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
            case TEAR_RECENT -> facts.births().stream().anyMatch(Birth::severelyTorn);
            case WOUND, SCAR_TENDER -> !facts.events().isEmpty();
            default -> true;
        };
    }

    /** It closes gates: a person with the licence takes it back, with a reason. */
    public boolean needsLicenceToTakeBack() {
        return leadsTo.closesGates();
    }

    /**
     * Whom to call for an emergency, and how soon.
     *
     * @throws IllegalStateException for an answer that is no emergency
     */
    public EmergencyCall call(ClientFacts facts) {
        return switch (this) {
            case BLEEDING -> facts.pregnant() ? EmergencyCall.MATERNITY_NOW : EmergencyCall.EMERGENCY_NOW;
            case FLUID_LEAK, CONTRACTIONS, LESS_MOVEMENT -> EmergencyCall.MATERNITY_NOW;
            case CHEST_PAIN, BREATHLESS_AT_REST, DIZZY, HEADACHE_VISION, ABDOMINAL_PAIN, HARD_LUMP, NEW_INCONTINENCE ->
                EmergencyCall.EMERGENCY_NOW;
            case CALF, FEVER, WOUND -> EmergencyCall.DOCTOR_TODAY;
            case SELF_HARM -> EmergencyCall.CRISIS_NOW;
            default -> throw new IllegalStateException(this + " is no emergency");
        };
    }

    /** The position it closes for today, if any. */
    public Optional<Restriction> closesToday() {
        return closesToday;
    }
}

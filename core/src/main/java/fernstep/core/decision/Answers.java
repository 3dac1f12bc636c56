package fernstep.core.decision;

import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What a cue, an easing, a step back look like on this rung, and what takes their place where they are not to be had. */
final class Answers {
    private static final double PCT = 100;

    private final Situation s;
    private final Levers levers;

    Answers(Situation situation, Levers levers) {
        this.s = situation;
        this.levers = levers;
    }

    Optional<Candidate> oneSideBack(RuleId id, Seen sign) {
        return stepTo(sign)
                .map(back -> new Candidate(
                        id,
                        Move.EASE_ONE_SIDE,
                        null,
                        back,
                        Reason.of("R8.oneSideBack", sideWord(sign), place(back)),
                        sign,
                        List.of(),
                        false,
                        false));
    }

    Candidate oneSide(RuleId id, Seen sign, List<LeverChange> options) {
        return new Candidate(
                id,
                Move.EASE_ONE_SIDE,
                options.get(0),
                null,
                Reason.of("R8.oneSide", sideWord(sign)),
                sign,
                options,
                false,
                false);
    }

    /** Where she goes on: an earlier rung, or this one less far. */
    private Reason place(StepsBack.To back) {
        Rung rung = back.rung();
        return rung.code().equals(s.rung().code())
                ? Reason.of("rung.lessFar", rung.name(), rung.code(), Math.round(PCT * back.range()))
                : Reason.of("rung.name", rung.name(), rung.code());
    }

    private Object sideWord(Seen sign) {
        Side side = s.sideOf(sign);
        return side == null ? "" : side;
    }

    Candidate cue(RuleId id, Seen sign, String reasonKey, List<Lever> wouldBe) {
        return Candidate.plain(id, Move.CUE, sign, reasonKey, sign.sign()).withOptions(levers.offered(sign, wouldBe));
    }

    /** With no lever left, easing is not possible: the step back takes its place. */
    Candidate ease(RuleId id, Seen sign, String reasonKey, List<Lever> preferred) {
        List<LeverChange> options = levers.offered(sign, preferred);
        if (!options.isEmpty()) {
            return easeWith(id, Move.EASE, sign, reasonKey, options);
        }
        boolean nothingFollowed = LoadSigns.isOne(sign) && s.rung().family() == null;
        return nothingFollowed
                ? Candidate.plain(id, Move.END_SET, sign, "noLoad.endSet", sign.sign())
                : stepBack(id, sign, "noLeverLeft");
    }

    static Candidate easeWith(RuleId id, Move move, Seen sign, String reasonKey, List<LeverChange> options) {
        return new Candidate(
                id, move, options.get(0), null, Reason.of(reasonKey, sign.sign()), sign, options, false, false);
    }

    /** A rung back; with none that is no heavier, the hold or a helper; with neither, the exercise ends. */
    Candidate stepBack(RuleId id, Seen sign, String reasonKey) {
        List<LeverChange> options = levers.offered(sign, levers.byRelief(sign));
        return stepTo(sign)
                .map(back -> back(id, sign, back, Reason.of(reasonKey, sign.sign(), place(back)), options))
                .orElseGet(() -> withoutRungBack(id, sign));
    }

    private Optional<StepsBack.To> stepTo(@Nullable Seen sign) {
        StepsBack steps = new StepsBack(s);
        return sign != null && LoadSigns.isOne(sign) ? steps.relieving() : steps.nearest();
    }

    private Candidate withoutRungBack(RuleId id, Seen sign) {
        List<LeverChange> last = id == RuleId.R4 ? List.of() : levers.holdOrHelper(sign);
        return last.isEmpty()
                ? Candidate.plain(id, Move.END_EXERCISE, sign, "noRungBack")
                : easeWith(id, Move.EASE, sign, "noRungBack.ease", last);
    }

    private static Candidate back(RuleId id, Seen sign, StepsBack.To back, Reason reason, List<LeverChange> options) {
        return new Candidate(id, Move.STEP_BACK, null, back, reason, sign, options, false, false);
    }

    /** Several clear losses in one repetition are a rung too many. */
    Candidate manyAtOnce(Candidate strongest, int signs) {
        Seen sign = strongest.sign();
        return stepTo(sign)
                .map(back -> new Candidate(
                        RuleId.R13,
                        Move.STEP_BACK,
                        null,
                        back,
                        Reason.of("R13.back", signs, place(back)),
                        sign,
                        strongest.options(),
                        false,
                        false))
                .orElseGet(() -> Candidate.plain(RuleId.R13, Move.END_EXERCISE, sign, "noRungBack"));
    }
}

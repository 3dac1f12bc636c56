package fernstep.core.session;

import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.progress.ResultRules;
import fernstep.core.progress.SessionResult;
import fernstep.core.session.SessionEvent.Answered;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What was seen in an exercise, what was advised and what was done about it, in order. */
final class SeenAndAnswered {
    private final Set<SignCode> signs = new LinkedHashSet<>();
    private final List<Answered> answered = new ArrayList<>();
    private final List<ResultRules.Made> made = new ArrayList<>();

    void saw(SignCode sign) {
        signs.add(sign);
    }

    void answered(Answered event) {
        answered.add(event);
    }

    void moved(Move move, @Nullable Lever lever, boolean fromTiredness) {
        made.add(new ResultRules.Made(move, lever, fromTiredness));
    }

    Set<SignCode> signs() {
        return Collections.unmodifiableSet(signs);
    }

    List<Answered> answered() {
        return List.copyOf(answered);
    }

    /** Something was done about what was seen. */
    boolean moved() {
        return !made.isEmpty();
    }

    SessionResult.Kind result() {
        return ResultRules.of(made);
    }
}

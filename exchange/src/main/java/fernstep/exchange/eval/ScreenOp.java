package fernstep.exchange.eval;

import fernstep.core.approach.Stances;
import fernstep.core.client.ClientFacts;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Gate;
import fernstep.core.screening.Screening;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.casefile.ClientReader;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.Map;
import java.util.Set;

/** {@code op: "screen"}: may she train today. */
final class ScreenOp implements Operation {
    private final Wording wording;

    ScreenOp(Wording wording) {
        this.wording = wording;
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        LocalDate today = request.date("today");
        ClientFacts facts = ClientReader.client(request.object("client"), today);
        Set<Answer> answers = request.codes("answers", Answer.class);
        Stances stances = ClientReader.stances(request);
        LocalDate lastCheck = request.optionalDate("lastSeparationCheck").orElse(null);
        request.nothingElse();
        return asJson(Screening.of(
                Screening.Question.of(facts, answers, stances, today).withLastCheck(lastCheck)));
    }

    /** As the answer to "screen" has it. */
    Map<String, Object> asJson(Screening s) {
        return Json.object(
                "outcome",
                s.outcome(),
                "reasons",
                s.reasons().stream()
                        .map(f -> Json.object("code", f.answer(), "text", findingText(f)))
                        .toList(),
                "stage",
                Json.object(
                        "label",
                        wording.of(s.stage().label()),
                        "daysSinceEvent",
                        s.stage().daysSinceEvent(),
                        "gestation",
                        s.stage().gestation()),
                "restrictions",
                s.restrictions().stream()
                        .map(r ->
                                Json.object("code", r.code(), "derived", r.derived(), "reason", wording.of(r.reason())))
                        .toList(),
                "gates",
                s.gates().values().stream().map(this::gate).toList(),
                "allowedStrands",
                s.allowedStrands(),
                "recheckDue",
                Json.text(s.recheckDue()));
    }

    private String findingText(Screening.Finding f) {
        return f.fromFacts() ? wording.text("answer.fromFacts", f.answer()) : wording.of(f.answer());
    }

    private Map<String, Object> gate(Gate g) {
        return Json.object(
                "code",
                g.code(),
                "open",
                g.open(),
                "opensOn",
                Json.text(g.opensOn()),
                "needs",
                g.needs(),
                "reason",
                wording.of(g.reason()));
    }
}

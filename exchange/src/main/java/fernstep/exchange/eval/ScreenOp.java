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
    Map<String, Object> asJson(Screening screening) {
        return Json.object(
                "outcome",
                screening.outcome(),
                "reasons",
                screening.reasons().stream()
                        .map(finding -> Json.object("code", finding.answer(), "text", findingText(finding)))
                        .toList(),
                "stage",
                Json.object(
                        "label",
                        wording.of(screening.stage().label()),
                        "daysSinceEvent",
                        screening.stage().daysSinceEvent(),
                        "gestation",
                        screening.stage().gestation()),
                "restrictions",
                screening.restrictions().stream()
                        .map(restriction -> Json.object(
                                "code",
                                restriction.code(),
                                "derived",
                                restriction.derived(),
                                "reason",
                                wording.of(restriction.reason())))
                        .toList(),
                "gates",
                screening.gates().values().stream().map(this::gate).toList(),
                "allowedStrands",
                screening.allowedStrands(),
                "recheckDue",
                Json.text(screening.recheckDue()));
    }

    private String findingText(Screening.Finding finding) {
        return finding.fromFacts() ? wording.text("answer.fromFacts", finding.answer()) : wording.of(finding.answer());
    }

    private Map<String, Object> gate(Gate gate) {
        return Json.object(
                "code",
                gate.code(),
                "open",
                gate.open(),
                "opensOn",
                Json.text(gate.opensOn()),
                "needs",
                gate.needs(),
                "reason",
                wording.of(gate.reason()));
    }
}

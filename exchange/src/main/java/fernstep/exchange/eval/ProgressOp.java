package fernstep.exchange.eval;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.client.ClientFacts;
import fernstep.core.findings.Findings;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import fernstep.core.progress.Progress;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import fernstep.exchange.casefile.CaseFileWriter;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.casefile.ClientReader;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import tools.jackson.databind.JsonNode;

/** {@code op: "progress"}: what the log means for the next session. */
final class ProgressOp implements Operation {
    private final Wording wording;
    private final Supplier<Catalogue> catalogue;

    ProgressOp(Wording wording, Supplier<Catalogue> catalogue) {
        this.wording = wording;
        this.catalogue = catalogue;
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        Rung rung = RungReader.read(request, "rung", catalogue.get());
        Side side = request.optionalCode("side", Side.class).orElse(null);
        Stances stances = ClientReader.stances(request);
        LocalDate today = request.date("today");
        Dose dose = dose(request.object("dose"));
        Window window = request.optionalObject("window")
                .map(object -> window(request, object))
                .orElseGet(() -> DoseRules.window(rung.window(), stances.dose()));
        Optional<ClientFacts> facts =
                request.optionalObject("client").map(object -> ClientReader.client(object, today));
        Set<Answer> answers = request.codes("answers", Answer.class);
        List<SessionResult> log = request.objects("log").stream()
                .map(object -> result(object, today))
                .toList();
        LocalDate recheckDue = request.optionalDate("recheckDue").orElse(null);
        boolean widened = request.optionalFlag("recheckWidened").orElse(false);
        Set<RungGates.Done> done = new HashSet<>();
        request.objects("done").forEach(object -> {
            done.add(new RungGates.Done(
                    RungReader.read(object, "rung", catalogue.get()).code(),
                    object.optionalCode("side", Side.class).orElse(null)));
            object.nothingElse();
        });
        Findings findings = findings(request);
        request.nothingElse();

        Screening screening = facts.map(
                        clientFacts -> Screening.of(Screening.Question.of(clientFacts, answers, stances, today)))
                .orElse(null);
        Boolean pregnant = facts.map(ClientFacts::pregnant).orElse(null);
        boolean askFirst = answers.stream().anyMatch(answer -> answer.leadsTo() == Outcome.ASK_FIRST)
                || (screening != null && screening.outcome().closesGates());
        return asJson(Progress.of(new Progress.Question(
                catalogue.get(),
                Progress.Place.atFullRange(rung, side, dose, window),
                stances.dose(),
                log,
                new Progress.Day(today, recheckDue, widened, askFirst, false, Progress.DayAfter.NONE),
                new RungGates.Known(
                        catalogue.get(), screening, pregnant, findings, stances, done, RungGates.History.NONE))));
    }

    private static Findings findings(CaseObject request) {
        Map<Side, Integer> grades = new HashMap<>();
        request.optionalObject("setGrade").ifPresent(object -> {
            object.optionalWhole("left", Range.SET_GRADE).ifPresent(number -> grades.put(Side.LEFT, number));
            object.optionalWhole("right", Range.SET_GRADE).ifPresent(number -> grades.put(Side.RIGHT, number));
            object.nothingElse();
        });
        return Findings.NONE.with(new Findings.DeepCore(grades, null, Map.of()));
    }

    static Dose dose(CaseObject object) {
        Dose dose = new Dose(
                object.optionalWhole("sets", Range.SETS).orElse(1),
                object.optionalWhole("reps", Range.REPS).orElse(null),
                object.optionalWhole("holdS", Range.DOSE_HOLD_S).orElse(null),
                object.optionalWhole("breaths", Range.DOSE_BREATHS).orElse(null),
                object.optionalWhole("perDay", Range.PER_DAY).orElse(1),
                object.optionalWhole("daysPerWeek", Range.DAYS_PER_WEEK).orElse(3));
        object.nothingElse();
        return dose;
    }

    private static Window window(CaseObject request, CaseObject object) {
        Window window = request.checked(
                "window",
                () -> new Window(
                        span(object, "sets", Range.SETS).orElse(new Span(1, 3)),
                        span(object, "reps", Range.REPS).orElse(null),
                        span(object, "holdS", Range.HOLD_S).orElse(null),
                        span(object, "breaths", Range.BREATHS).orElse(null)));
        object.nothingElse();
        return window;
    }

    private static Optional<Span> span(CaseObject object, String field, Range range) {
        if (!object.has(field)) {
            return Optional.empty();
        }
        List<Double> ends = object.numbers(field, range);
        if (ends.size() != 2 || ends.get(1) < ends.get(0)) {
            throw object.problem(field, "a span needs its smaller and its larger number", "[min, max]");
        }
        return Optional.of(new Span(ends.get(0).intValue(), ends.get(1).intValue()));
    }

    static SessionResult result(CaseObject object, LocalDate today) {
        LocalDate date = object.date("date");
        if (date.isAfter(today)) {
            throw object.problem("date", "a session cannot lie in the future", "up to " + today);
        }
        List<SessionResult.Symptom> nextDay =
                object.has("nextDay") ? object.items("nextDay", ProgressOp::symptom) : null;
        SessionResult result = new SessionResult(
                date,
                object.code("result", SessionResult.Kind.class),
                object.optionalWhole("effort", Range.EFFORT).orElse(null),
                nextDay);
        object.nothingElse();
        return result;
    }

    private static SessionResult.Symptom symptom(JsonNode item, String at) {
        return CaseObject.codeOrObject(
                item, at, code -> new SessionResult.Symptom(symptomCode(code, at), null), object -> {
                    SessionResult.Symptom symptom = new SessionResult.Symptom(
                            symptomCode(object.text("sign"), at),
                            object.optionalWhole("level", Range.PAIN_LEVEL).orElse(null));
                    object.nothingElse();
                    return symptom;
                });
    }

    /** Signs, and the words of the daily questions for the same thing. */
    private static SignCode symptomCode(String code, String at) {
        return switch (code) {
            case "HEAVINESS" -> SignCode.HEAVY;
            case "LEAK_EFFORT" -> SignCode.LEAK;
            default -> {
                for (SignCode sign : SignCode.values()) {
                    if (sign.name().equals(code)) {
                        yield sign;
                    }
                }
                throw new CaseProblem(at, "unknown code " + code, CaseObject.names(SignCode.class));
            }
        };
    }

    private Map<String, Object> asJson(Progress progress) {
        return Json.object(
                "credits",
                progress.credits(),
                "change",
                progress.change(),
                "dose",
                CaseFileWriter.dose(progress.dose()),
                "rung",
                progress.rung(),
                "reason",
                wording.of(progress.reason()),
                "waitingFor",
                progress.waitingFor().stream().map(this::waiting).toList());
    }

    private Map<String, Object> waiting(Waiting waiting) {
        return Json.object(
                "code", waiting.code(), "opensOn", Json.text(waiting.opensOn()), "text", wording.of(waiting.reason()));
    }
}

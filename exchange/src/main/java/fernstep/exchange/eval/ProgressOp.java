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
                .map(w -> window(request, w))
                .orElseGet(() -> DoseRules.window(rung.window(), stances.dose()));
        Optional<ClientFacts> facts = request.optionalObject("client").map(c -> ClientReader.client(c, today));
        Set<Answer> answers = request.codes("answers", Answer.class);
        List<SessionResult> log =
                request.objects("log").stream().map(l -> result(l, today)).toList();
        LocalDate recheckDue = request.optionalDate("recheckDue").orElse(null);
        boolean widened = request.optionalFlag("recheckWidened").orElse(false);
        Set<RungGates.Done> done = new HashSet<>();
        request.objects("done").forEach(d -> {
            done.add(new RungGates.Done(
                    RungReader.read(d, "rung", catalogue.get()).code(),
                    d.optionalCode("side", Side.class).orElse(null)));
            d.nothingElse();
        });
        Findings findings = findings(request);
        request.nothingElse();

        Screening screening = facts.map(f -> Screening.of(Screening.Question.of(f, answers, stances, today)))
                .orElse(null);
        Boolean pregnant = facts.map(ClientFacts::pregnant).orElse(null);
        boolean askFirst = answers.stream().anyMatch(a -> a.leadsTo() == Outcome.ASK_FIRST)
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
        request.optionalObject("setGrade").ifPresent(g -> {
            g.optionalWhole("left", Range.SET_GRADE).ifPresent(v -> grades.put(Side.LEFT, v));
            g.optionalWhole("right", Range.SET_GRADE).ifPresent(v -> grades.put(Side.RIGHT, v));
            g.nothingElse();
        });
        return Findings.NONE.with(new Findings.DeepCore(grades, null, Map.of()));
    }

    static Dose dose(CaseObject d) {
        Dose dose = new Dose(
                d.optionalWhole("sets", Range.SETS).orElse(1),
                d.optionalWhole("reps", Range.REPS).orElse(null),
                d.optionalWhole("holdS", Range.DOSE_HOLD_S).orElse(null),
                d.optionalWhole("breaths", Range.DOSE_BREATHS).orElse(null),
                d.optionalWhole("perDay", Range.PER_DAY).orElse(1),
                d.optionalWhole("daysPerWeek", Range.DAYS_PER_WEEK).orElse(3));
        d.nothingElse();
        return dose;
    }

    private static Window window(CaseObject request, CaseObject w) {
        Window window = request.checked(
                "window",
                () -> new Window(
                        span(w, "sets", Range.SETS).orElse(new Span(1, 3)),
                        span(w, "reps", Range.REPS).orElse(null),
                        span(w, "holdS", Range.HOLD_S).orElse(null),
                        span(w, "breaths", Range.BREATHS).orElse(null)));
        w.nothingElse();
        return window;
    }

    private static Optional<Span> span(CaseObject w, String field, Range range) {
        if (!w.has(field)) {
            return Optional.empty();
        }
        List<Double> ends = w.numbers(field, range);
        if (ends.size() != 2 || ends.get(1) < ends.get(0)) {
            throw w.problem(field, "a span needs its smaller and its larger number", "[min, max]");
        }
        return Optional.of(new Span(ends.get(0).intValue(), ends.get(1).intValue()));
    }

    static SessionResult result(CaseObject l, LocalDate today) {
        LocalDate date = l.date("date");
        if (date.isAfter(today)) {
            throw l.problem("date", "a session cannot lie in the future", "up to " + today);
        }
        List<SessionResult.Symptom> nextDay = l.has("nextDay") ? l.items("nextDay", ProgressOp::symptom) : null;
        SessionResult result = new SessionResult(
                date,
                l.code("result", SessionResult.Kind.class),
                l.optionalWhole("effort", Range.EFFORT).orElse(null),
                nextDay);
        l.nothingElse();
        return result;
    }

    private static SessionResult.Symptom symptom(JsonNode item, String at) {
        return CaseObject.codeOrObject(item, at, code -> new SessionResult.Symptom(symptomCode(code, at), null), o -> {
            SessionResult.Symptom symptom = new SessionResult.Symptom(
                    symptomCode(o.text("sign"), at),
                    o.optionalWhole("level", Range.PAIN_LEVEL).orElse(null));
            o.nothingElse();
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

    private Map<String, Object> asJson(Progress p) {
        return Json.object(
                "credits",
                p.credits(),
                "change",
                p.change(),
                "dose",
                CaseFileWriter.dose(p.dose()),
                "rung",
                p.rung(),
                "reason",
                wording.of(p.reason()),
                "waitingFor",
                p.waitingFor().stream().map(this::waiting).toList());
    }

    private Map<String, Object> waiting(Waiting w) {
        return Json.object("code", w.code(), "opensOn", Json.text(w.opensOn()), "text", wording.of(w.reason()));
    }
}

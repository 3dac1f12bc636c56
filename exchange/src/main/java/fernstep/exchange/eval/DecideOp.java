package fernstep.exchange.eval;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Licence;
import fernstep.core.client.Restriction;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Considered;
import fernstep.core.decision.Decisions;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.RepRecord;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Setting;
import fernstep.core.decision.Situation;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.casefile.ClientReader;
import fernstep.exchange.casefile.PainPlace;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** {@code op: "decide"}: what is seen leads to the next safe move. */
final class DecideOp implements Operation {
    private final Wording wording;
    private final Supplier<Catalogue> catalogue;

    DecideOp(Wording wording, Supplier<Catalogue> catalogue) {
        this.wording = wording;
        this.catalogue = catalogue;
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        Rung rung = RungReader.read(request, "rung", catalogue.get());
        Side side = request.optionalCode("side", Side.class).orElse(null);
        Stances stances = ClientReader.stances(request);
        LocalDate today = request.optionalDate("today").orElse(null);
        Optional<ClientFacts> facts =
                request.optionalObject("client").map(object -> ClientReader.client(object, today));
        Set<Answer> answers = request.codes("answers", Answer.class);
        Setting setting =
                request.optionalObject("setting").map(DecideOp::setting).orElse(Setting.FULL);
        Set<Answer> emergencies = EnumSet.noneOf(Answer.class);
        List<Seen> seen = seen(request, "seen", emergencies);
        List<RepRecord> soFar = request.objects("soFar").stream().map(this::rep).toList();
        List<Situation.PastLever> history =
                request.objects("history").stream().map(DecideOp::past).toList();
        List<Situation.EarlierSession> earlier =
                request.objects("earlierSessions").stream().map(this::earlier).toList();
        request.optionalCode("licence", Licence.class);
        boolean trail = request.optionalFlag("trail").orElse(false);
        request.nothingElse();
        Situation situation = new Situation(
                catalogue.get(),
                stances,
                new Situation.Woman(
                        facts.map(ClientFacts::pregnant).orElse(false),
                        facts.map(clientFacts -> closed(clientFacts, answers, stances, today))
                                .orElse(Set.of()),
                        Body.of(
                                facts.map(ClientFacts::massKg).orElse(null),
                                facts.map(ClientFacts::heightCm).orElse(null))),
                new Situation.Doing(rung, side, setting),
                new Situation.Now(emergencies, seen),
                Situation.Before.of(soFar, history, earlier));
        Map<String, Object> answer = asJson(Decisions.next(situation), rung);
        if (trail) {
            answer.put(
                    "trail",
                    Decisions.trail(situation).stream().map(this::asJson).toList());
        }
        return answer;
    }

    private Map<String, Object> asJson(Considered rule) {
        return Json.object(
                "rule", rule.rule(), "outcome", rule.outcome(), "move", rule.move(), "why", wording.of(rule.why()));
    }

    /** With a day, the derived restrictions count too. */
    private static Set<Restriction> closed(
            ClientFacts facts, Set<Answer> answers, Stances stances, @Nullable LocalDate today) {
        return today == null
                ? facts.restrictions()
                : Screening.of(Screening.Question.of(facts, answers, stances, today))
                        .closed();
    }

    private static Setting setting(CaseObject object) {
        double range = object.optionalNumber("range", Range.RANGE_FRACTION).orElse(1.0);
        Double hold = object.optionalNumber("holdS", Range.DOSE_HOLD_S).orElse(null);
        Integer reps = object.optionalWhole("reps", Range.REPS).orElse(null);
        Set<Helper> helpers = object.codes("helpers", Helper.class);
        object.nothingElse();
        return new Setting(range, hold, reps, helpers);
    }

    private static List<Seen> seen(CaseObject holder, String field, Set<Answer> emergencies) {
        List<Seen> seen = new ArrayList<>();
        holder.objects(field).forEach(object -> {
            Optional<Answer> emergency = emergency(object.text("sign"));
            if (emergency.isPresent()) {
                object.optionalCode("severity", Seen.Severity.class);
                object.optionalCode("side", Side.class);
                object.optionalWhole("rep", Range.REP);
                object.optionalNumber("second", Range.SECOND);
                object.nothingElse();
                emergencies.add(emergency.get());
            } else {
                seen.add(sign(object));
            }
        });
        return seen;
    }

    private static Optional<Answer> emergency(String code) {
        return Arrays.stream(Answer.values())
                .filter(Answer::emergency)
                .filter(answer -> answer.name().equals(code))
                .findFirst();
    }

    /** A severity left out counts as clear: the cautious reading. */
    private static Seen sign(CaseObject object) {
        SignCode code = object.code("sign", SignCode.class);
        Optional<PainPlace> place = object.optionalText("place").map(PainPlace::read);
        Seen seen = new Seen(
                code,
                object.optionalCode("severity", Seen.Severity.class).orElse(Seen.Severity.CLEAR),
                side(object.optionalCode("side", Side.class).orElse(null), place),
                object.optionalWhole("rep", Range.REP).orElse(null),
                object.optionalNumber("second", Range.SECOND).orElse(null),
                object.optionalWhole("level", Range.PAIN_LEVEL).orElse(null),
                place.map(PainPlace::place).orElse(null),
                object.optionalFlag("sharp").orElse(false),
                object.optionalFlag("recoverable").orElse(null));
        object.nothingElse();
        return seen;
    }

    /** As it was told, else as the words of the place name it. */
    private static @Nullable Side side(@Nullable Side told, Optional<PainPlace> place) {
        return told != null ? told : place.map(PainPlace::side).orElse(null);
    }

    private RepRecord rep(CaseObject object) {
        RepRecord rep = new RepRecord(
                object.whole("rep", Range.REP),
                signs(object),
                object.optionalCode("move", Move.class).orElse(null),
                object.optionalCode("lever", Lever.class).orElse(null));
        object.nothingElse();
        return rep;
    }

    /** Bare codes or full signs. */
    private static List<Seen> signs(CaseObject holder) {
        return holder.items(
                "signs",
                (item, at) -> CaseObject.codeOrObject(
                        item, at, code -> Seen.clear(CaseObject.code(item, at, SignCode.class)), DecideOp::sign));
    }

    private static Situation.PastLever past(CaseObject object) {
        Situation.PastLever past = new Situation.PastLever(
                object.code("sign", SignCode.class),
                object.code("lever", Lever.class),
                object.optionalFlag("cleared").orElse(false));
        object.optionalText("rung");
        object.optionalDate("date");
        object.nothingElse();
        return past;
    }

    private Situation.EarlierSession earlier(CaseObject object) {
        Situation.EarlierSession session = new Situation.EarlierSession(object.date("date"), signs(object));
        object.nothingElse();
        return session;
    }

    private static @Nullable Object eased(@Nullable LeverChange change, Function<LeverChange, @Nullable Object> what) {
        return change == null ? null : what.apply(change);
    }

    private Map<String, Object> asJson(Advice advice, Rung rung) {
        LeverChange change = advice.change();
        boolean back = change == null && advice.stepBackTo() != null;
        return Json.object(
                "move",
                advice.move(),
                "lever",
                change == null ? null : change.lever(),
                "from",
                back ? rung.code() : eased(change, LeverChange::from),
                "to",
                back ? advice.stepBackTo() : eased(change, LeverChange::to),
                "loadChangePct",
                Json.rounded(advice.loadChangePct()),
                "rule",
                advice.rule(),
                "reason",
                wording.of(advice.reason()),
                "watchNext",
                advice.watchNext(),
                "runnerUp",
                advice.runnerUp() == null
                        ? null
                        : Json.object(
                                "move",
                                advice.runnerUp().move(),
                                "lever",
                                advice.runnerUp().change() == null
                                        ? null
                                        : advice.runnerUp().change().lever(),
                                "reason",
                                wording.of(advice.runnerUp().reason())),
                "alsoSeen",
                advice.alsoSeen());
    }
}

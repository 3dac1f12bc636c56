package fernstep.exchange.casefile;

import fernstep.core.client.ClientFacts;
import fernstep.core.plan.Dose;
import fernstep.exchange.casefile.CaseFile.Standing;
import fernstep.exchange.casefile.CaseFile.Trained;
import fernstep.exchange.casefile.CaseFile.Visited;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** A case file as JSON, version {@value #VERSION}: her facts as brief requests write them, the rest by the codes of the rules. */
public final class CaseFileWriter {
    static final String FORMAT = "fernstep-case";
    static final int VERSION = 1;
    /** What a file says it does not carry. */
    public static final List<String> NOT_IN_IT = List.of(
            "pictures",
            "the events of sessions, repetition by repetition",
            "traces of cuff and belts",
            "letters",
            "her home page and what she told there",
            "who read what, and with which finger-widths",
            "checks that were left out, and reasons given over an ask-first answer",
            "restrictions that were lifted: they stand again",
            "what was set by hand in a plan, rungs and approaches of the house, and earlier steps",
            "team, next visit, contact and daily life",
            "what was changed before");

    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private CaseFileWriter() {}

    /** As the bytes of a file. */
    public static byte[] written(CaseFile file, LocalDate today) {
        return JSON.writeValueAsBytes(object(file, today));
    }

    /** As objects, lists, texts and numbers. */
    public static Map<String, Object> object(CaseFile file, LocalDate today) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("format", FORMAT);
        all.put("version", VERSION);
        all.put("exportedOn", today.toString());
        all.put("name", file.her().name());
        all.put("note", file.her().note());
        all.put("dominantHand", file.her().dominantHand());
        all.put("client", facts(file.her().facts()));
        CaseFile.Training t = file.training();
        all.put("approach", t.approach());
        all.put("stanceChanges", t.stanceChanges());
        all.put("minutesPerDay", t.minutesPerDay());
        all.put("daysPerWeek", t.daysPerWeek());
        all.put("size", t.exercisesAtMost());
        all.put("growFirst", t.growFirst());
        all.put("blockedDays", t.blockedDays().stream().sorted().toList());
        all.put("goal", t.goal());
        all.put("goalDate", text(t.goalDate()));
        all.put("visits", file.visits().stream().map(CaseFileWriter::visit).toList());
        all.put("places", file.places().stream().map(CaseFileWriter::place).toList());
        all.put(
                "sessions",
                file.sessions().stream().map(CaseFileWriter::session).toList());
        all.put("notInThisFile", NOT_IN_IT);
        return all;
    }

    private static Map<String, Object> facts(ClientFacts f) {
        Map<String, Object> c = new LinkedHashMap<>();
        c.put("status", f.status());
        c.put("dueDate", text(f.dueDate()));
        c.put(
                "births",
                f.births().stream()
                        .map(b -> object("date", text(b.date()), "mode", b.mode(), "tearDegree", b.tearDegree()))
                        .toList());
        c.put(
                "surgeries",
                f.surgeries().stream()
                        .map(s -> object("date", text(s.date()), "what", s.what()))
                        .toList());
        c.put(
                "clearances",
                f.clearances().stream()
                        .map(k -> object(
                                "scope",
                                k.scope(),
                                "date",
                                text(k.date()),
                                "byRole",
                                k.byRole(),
                                "byName",
                                k.byName(),
                                "expiry",
                                text(k.expiry()),
                                "note",
                                k.note()))
                        .toList());
        c.put("heightCm", f.heightCm());
        c.put("massKg", f.massKg());
        c.put("age", f.age());
        c.put("restrictions", f.restrictions());
        return c;
    }

    private static Map<String, Object> visit(Visited v) {
        return object(
                "date",
                text(v.date()),
                "asked",
                v.asked(),
                "answers",
                v.answers(),
                "readings",
                v.readings().stream()
                        .map(r -> object(
                                "siteCm",
                                r.siteCm(),
                                "condition",
                                r.condition(),
                                "method",
                                r.method(),
                                "values",
                                r.values(),
                                "depthMm",
                                r.depthMm(),
                                "depth",
                                r.depth(),
                                "feel",
                                r.feel()))
                        .toList(),
                "findings",
                v.findings().stream()
                        .map(f -> object("finding", f.finding(), "side", f.side(), "value", f.value()))
                        .toList());
    }

    private static Map<String, Object> place(Standing p) {
        return object(
                "strand",
                p.strand(),
                "side",
                p.side(),
                "rung",
                p.rung(),
                "dose",
                dose(p.dose()),
                "range",
                p.range(),
                "since",
                text(p.since()),
                "change",
                p.change());
    }

    private static Map<String, Object> session(Trained s) {
        return object(
                "date",
                text(s.date()),
                "atHome",
                s.atHome(),
                "results",
                s.results().stream()
                        .map(r -> object(
                                "rung",
                                r.rung(),
                                "side",
                                r.side(),
                                "result",
                                r.result(),
                                "effort",
                                r.effort(),
                                "nextDay",
                                r.nextDay(),
                                "signs",
                                r.signs(),
                                "range",
                                r.range(),
                                "doneSets",
                                r.done() == null ? null : r.done().sets(),
                                "doneTimes",
                                r.done() == null ? null : r.done().times(),
                                "doneHoldS",
                                r.done() == null ? null : r.done().holdS(),
                                "easedRung",
                                r.eased() == null ? null : r.eased().setting().rung(),
                                "easedRange",
                                r.eased() == null ? null : r.eased().setting().range(),
                                "easedKneesDeg",
                                r.eased() == null
                                        ? null
                                        : r.eased().setting().easing().kneesBentDeg(),
                                "easedTimes",
                                r.eased() == null ? null : r.eased().setting().times(),
                                "easedHoldS",
                                r.eased() == null ? null : r.eased().setting().holdS(),
                                "easedBecause",
                                r.eased() == null ? null : r.eased().because(),
                                "easedParts",
                                r.eased() == null
                                        ? null
                                        : String.join(
                                                ",",
                                                r.eased().setting().easing().parts())))
                        .toList());
    }

    /** A dose as every format writes it; what it has not is null. */
    public static Map<String, @Nullable Object> dose(Dose d) {
        Map<String, @Nullable Object> dose = new LinkedHashMap<>();
        dose.put("sets", d.sets());
        dose.put("reps", d.reps());
        dose.put("holdS", d.holdS());
        dose.put("breaths", d.breaths());
        dose.put("perDay", d.perDay());
        dose.put("daysPerWeek", d.daysPerWeek());
        return dose;
    }

    private static Map<String, Object> object(@Nullable Object... namesAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            map.put(String.valueOf(namesAndValues[i]), namesAndValues[i + 1]);
        }
        return map;
    }

    private static @Nullable String text(@Nullable LocalDate day) {
        return day == null ? null : day.toString();
    }
}

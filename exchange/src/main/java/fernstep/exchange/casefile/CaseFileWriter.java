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

    private static Map<String, Object> facts(ClientFacts facts) {
        Map<String, Object> c = new LinkedHashMap<>();
        c.put("status", facts.status());
        c.put("dueDate", text(facts.dueDate()));
        c.put(
                "births",
                facts.births().stream()
                        .map(birth -> object(
                                "date", text(birth.date()), "mode", birth.mode(), "tearDegree", birth.tearDegree()))
                        .toList());
        c.put(
                "surgeries",
                facts.surgeries().stream()
                        .map(surgery -> object("date", text(surgery.date()), "what", surgery.what()))
                        .toList());
        c.put(
                "clearances",
                facts.clearances().stream()
                        .map(clearance -> object(
                                "scope",
                                clearance.scope(),
                                "date",
                                text(clearance.date()),
                                "byRole",
                                clearance.byRole(),
                                "byName",
                                clearance.byName(),
                                "expiry",
                                text(clearance.expiry()),
                                "note",
                                clearance.note()))
                        .toList());
        c.put("heightCm", facts.heightCm());
        c.put("massKg", facts.massKg());
        c.put("age", facts.age());
        c.put("restrictions", facts.restrictions());
        return c;
    }

    private static Map<String, Object> visit(Visited visited) {
        return object(
                "date",
                text(visited.date()),
                "asked",
                visited.asked(),
                "answers",
                visited.answers(),
                "readings",
                visited.readings().stream()
                        .map(read -> object(
                                "siteCm",
                                read.siteCm(),
                                "condition",
                                read.condition(),
                                "method",
                                read.method(),
                                "values",
                                read.values(),
                                "depthMm",
                                read.depthMm(),
                                "depth",
                                read.depth(),
                                "feel",
                                read.feel()))
                        .toList(),
                "findings",
                visited.findings().stream()
                        .map(found -> object("finding", found.finding(), "side", found.side(), "value", found.value()))
                        .toList());
    }

    private static Map<String, Object> place(Standing standing) {
        return object(
                "strand",
                standing.strand(),
                "side",
                standing.side(),
                "rung",
                standing.rung(),
                "dose",
                dose(standing.dose()),
                "range",
                standing.range(),
                "since",
                text(standing.since()),
                "change",
                standing.change());
    }

    private static Map<String, Object> session(Trained trained) {
        return object(
                "date",
                text(trained.date()),
                "atHome",
                trained.atHome(),
                "results",
                trained.results().stream()
                        .map(went -> object(
                                "rung",
                                went.rung(),
                                "side",
                                went.side(),
                                "result",
                                went.result(),
                                "effort",
                                went.effort(),
                                "nextDay",
                                went.nextDay(),
                                "signs",
                                went.signs(),
                                "range",
                                went.range(),
                                "doneSets",
                                went.done() == null ? null : went.done().sets(),
                                "doneTimes",
                                went.done() == null ? null : went.done().times(),
                                "doneHoldS",
                                went.done() == null ? null : went.done().holdS(),
                                "easedRung",
                                went.eased() == null
                                        ? null
                                        : went.eased().setting().rung(),
                                "easedRange",
                                went.eased() == null
                                        ? null
                                        : went.eased().setting().range(),
                                "easedKneesDeg",
                                went.eased() == null
                                        ? null
                                        : went.eased().setting().easing().kneesBentDeg(),
                                "easedTimes",
                                went.eased() == null
                                        ? null
                                        : went.eased().setting().times(),
                                "easedHoldS",
                                went.eased() == null
                                        ? null
                                        : went.eased().setting().holdS(),
                                "easedBecause",
                                went.eased() == null ? null : went.eased().because(),
                                "easedParts",
                                went.eased() == null
                                        ? null
                                        : String.join(
                                                ",",
                                                went.eased().setting().easing().parts())))
                        .toList());
    }

    /** A dose as every format writes it; what it has not is null. */
    public static Map<String, @Nullable Object> dose(Dose other) {
        Map<String, @Nullable Object> dose = new LinkedHashMap<>();
        dose.put("sets", other.sets());
        dose.put("reps", other.reps());
        dose.put("holdS", other.holdS());
        dose.put("breaths", other.breaths());
        dose.put("perDay", other.perDay());
        dose.put("daysPerWeek", other.daysPerWeek());
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

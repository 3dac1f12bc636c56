package fernstep.exchange.fhir;

import fernstep.core.approach.StanceChange;
import fernstep.core.findings.Finding;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Range;
import fernstep.exchange.casefile.CaseProblem;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hl7.fhir.r4.model.BooleanType;
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.DateTimeType;
import org.hl7.fhir.r4.model.IntegerType;
import org.hl7.fhir.r4.model.Observation;
import org.hl7.fhir.r4.model.Observation.ObservationComponentComponent;
import org.hl7.fhir.r4.model.Period;
import org.hl7.fhir.r4.model.Quantity;
import org.hl7.fhir.r4.model.StringType;
import org.hl7.fhir.r4.model.Type;
import org.jspecify.annotations.Nullable;

/** One observation of a bundle, by its code: a fact about her, a reading, a finding, a place or how an exercise went. */
final class FhirObservation {
    private static final Set<Observation.ObservationStatus> FINAL = Set.of(
            Observation.ObservationStatus.FINAL,
            Observation.ObservationStatus.AMENDED,
            Observation.ObservationStatus.CORRECTED);

    private final FhirReader reader;
    private final Observation o;
    private final Map<String, List<Type>> parts = new LinkedHashMap<>();
    private final List<String> signs = new ArrayList<>();
    private final List<String> nextDay = new ArrayList<>();

    FhirObservation(FhirReader reader, Observation observation) {
        this.reader = reader;
        this.o = observation;
    }

    /** @throws CaseProblem where it cannot be taken */
    void take() {
        reader.about(o.getSubject());
        FhirElements.accept(FINAL.contains(o.getStatus()), "status", "final, amended, corrected");
        FhirElements.accept(!o.hasDataAbsentReason(), "dataAbsentReason", "none");
        o.getComponent().forEach(this::part);
        Optional<String> loinc = FhirCodes.code(o.getCode(), FhirCodes.LOINC);
        Optional<String> kind = FhirCodes.code(o.getCode(), FhirCodes.KIND);
        Optional<String> finding = FhirCodes.code(o.getCode(), FhirCodes.FINDING);
        Optional<String> rung = FhirCodes.code(o.getCode(), FhirCodes.RUNG);
        if (kind.isPresent()) {
            ours(kind.get());
        } else if (finding.isPresent()) {
            finding(finding.get());
        } else if (rung.isPresent()) {
            result(rung.get());
        } else if (loinc.isPresent()) {
            fact(loinc.get());
        } else {
            throw unknown();
        }
        parts.keySet().forEach(p -> {
            throw new CaseProblem("component " + p, "a record here has no place for this", null);
        });
    }

    private CaseProblem unknown() {
        return new CaseProblem(
                "code",
                "an observation that is not known here"
                        + (o.getCode().hasText() ? ": " + o.getCode().getText() : ""),
                null);
    }

    private void part(ObservationComponentComponent c) {
        FhirElements.accept(c.hasValue() && !c.hasDataAbsentReason(), "component", "with a value");
        Optional<String> part = FhirCodes.code(c.getCode(), FhirCodes.PART);
        Optional<String> sign = FhirCodes.code(c.getCode(), FhirCodes.SIGN);
        Optional<String> next = FhirCodes.code(c.getCode(), FhirCodes.NEXT_DAY);
        if (part.isPresent()) {
            parts.computeIfAbsent(part.get(), k -> new ArrayList<>()).add(c.getValue());
        } else if (sign.isPresent()) {
            sign(sign.get(), c.getValue()).ifPresent(signs::add);
        } else if (next.isPresent()) {
            sign(next.get(), c.getValue()).ifPresent(nextDay::add);
        } else {
            throw new CaseProblem("component", "a part that is not known here", null);
        }
    }

    private static Optional<String> sign(String code, Type value) {
        if (value instanceof Quantity level) {
            return Optional.of(code + ":" + (int) FhirElements.number(level, Range.PAIN_LEVEL, "component " + code));
        }
        FhirElements.accept(value instanceof BooleanType, "component " + code, "true, false or a level");
        return ((BooleanType) value).booleanValue() ? Optional.of(code) : Optional.empty();
    }

    private LocalDate day() {
        if (o.getEffective() instanceof DateTimeType moment) {
            return FhirElements.day(moment);
        }
        FhirElements.accept(o.getEffective() instanceof Period, "effective", "a day");
        return FhirElements.day(o.getEffectivePeriod().getStartElement());
    }

    private void fact(String loinc) {
        reader.only(o, "status", "category", "code", "subject", "effective", "value");
        switch (loinc) {
            case FhirCodes.HEIGHT -> reader.fact("heightCm", value(Range.HEIGHT_CM));
            case FhirCodes.WEIGHT -> reader.fact("massKg", value(Range.MASS_KG));
            case FhirCodes.AGE -> reader.fact("age", value(Range.AGE_YEARS));
            case FhirCodes.DUE_DATE -> {
                FhirElements.accept(o.getValue() instanceof DateTimeType, "value", "a day");
                reader.fact(
                        "dueDate", FhirElements.day(o.getValueDateTimeType()).toString());
            }
            default -> throw unknown();
        }
    }

    private double value(Range range) {
        FhirElements.accept(o.getValue() instanceof Quantity, "value", range.allowed());
        return FhirElements.number(o.getValueQuantity(), range, "value");
    }

    private String code() {
        FhirElements.accept(o.getValue() instanceof CodeableConcept, "value", "a code");
        return FhirElements.rule(o.getValueCodeableConcept(), "value");
    }

    private void ours(String kind) {
        switch (kind) {
            case "status" -> {
                plain();
                reader.fact("status", code());
            }
            case "dominant-hand" -> {
                plain();
                reader.head("dominantHand", code());
            }
            case "note" -> {
                plain();
                FhirElements.accept(o.getValue() instanceof StringType, "value", "text");
                reader.head("note", o.getValueStringType().getValue());
            }
            case "birth" -> birth();
            case "clearance" -> clearance();
            case "training" -> training();
            case "inter-recti-distance" -> reading();
            case "place" -> place();
            default -> throw unknown();
        }
    }

    private void plain() {
        reader.only(o, "status", "code", "subject", "effective", "value");
    }

    private void birth() {
        reader.only(o, "status", "code", "subject", "effective", "value", "component");
        Map<String, Object> birth = new LinkedHashMap<>();
        birth.put("date", day().toString());
        birth.put("mode", code());
        take("tear-degree").ifPresent(t -> {
            FhirElements.accept(t instanceof IntegerType, "component tear-degree", Range.TEAR_DEGREE.allowed());
            birth.put("tearDegree", ((IntegerType) t).getValue());
        });
        reader.fact("births", birth);
    }

    private void clearance() {
        reader.only(o, "status", "code", "subject", "effective", "performer", "value", "note", "component");
        Map<String, Object> clearance = new LinkedHashMap<>();
        clearance.put("scope", code());
        clearance.put("date", day().toString());
        if (o.getEffective() instanceof Period p && p.hasEnd()) {
            clearance.put("expiry", FhirElements.day(p.getEndElement()).toString());
        }
        put(clearance, "byRole", text("by-role"));
        put(clearance, "byName", o.getPerformerFirstRep().getDisplay());
        put(clearance, "note", o.getNoteFirstRep().getText());
        reader.fact("clearances", clearance);
    }

    private void training() {
        reader.only(o, "status", "code", "subject", "effective", "component");
        head("minutesPerDay", number("minutes-per-day", Range.MINUTES_PER_DAY));
        head("daysPerWeek", number("days-per-week", Range.DAYS_PER_WEEK));
        head("size", number("size", Range.SIZE));
        head("growFirst", code("grow-first"));
        List<Object> blocked = new ArrayList<>();
        for (Type day : all("blocked-day")) {
            blocked.add(rule(day, "blocked-day"));
        }
        reader.head("blockedDays", blocked);
        Map<String, Object> changes = new LinkedHashMap<>();
        for (StanceChange change : StanceChange.values()) {
            put(changes, change.name(), code("stance-" + change.name()));
        }
        reader.head("stanceChanges", changes);
        take("goal-date").ifPresent(d -> {
            FhirElements.accept(d instanceof DateTimeType, "component goal-date", "a day");
            reader.head("goalDate", FhirElements.day((DateTimeType) d).toString());
        });
    }

    private void head(String field, @Nullable Object value) {
        if (value != null) {
            reader.head(field, value);
        }
    }

    private void reading() {
        reader.only(o, "status", "code", "subject", "encounter", "effective", "value", "method", "component");
        String method = FhirElements.rule(o.getMethod(), "method");
        Range unit = method.equals("FINGERS") ? Range.FINGERS : Range.WIDTH_MM;
        Map<String, Object> reading = new LinkedHashMap<>();
        put(reading, "siteCm", number("site", Range.SITE_CM));
        put(reading, "condition", code("condition"));
        reading.put("method", method);
        List<Object> values = new ArrayList<>();
        for (Type value : all("value")) {
            values.add(quantity(value, unit, "value"));
        }
        if (values.isEmpty()) {
            values.add(value(unit));
        }
        reading.put("values", values);
        put(reading, "depthMm", number("depth", Range.DEPTH_MM));
        put(reading, "depth", code("depth-felt"));
        put(reading, "feel", code("feel"));
        reader.keep(FhirReader.list(reader.visitOf(o.getEncounter(), day()), "readings"), reading);
    }

    private void finding(String name) {
        reader.only(o, "status", "code", "subject", "encounter", "effective", "value", "bodySite");
        Finding finding = Arrays.stream(Finding.values())
                .filter(f -> f.name().equals(name))
                .findFirst()
                .orElseThrow(this::unknown);
        Map<String, Object> found = new LinkedHashMap<>();
        found.put("finding", name);
        put(found, "side", side());
        if (finding.range() != null) {
            found.put("value", Numbers.plain(value(finding.range())));
        } else if (o.getValue() instanceof StringType text) {
            found.put("value", text.getValue());
        } else {
            found.put("value", code());
        }
        reader.keep(FhirReader.list(reader.visitOf(o.getEncounter(), day()), "findings"), found);
    }

    private @Nullable String side() {
        if (!o.hasBodySite()) {
            return null;
        }
        return FhirCodes.sideOf(o.getBodySite())
                .orElseThrow(() -> new CaseProblem("bodySite", "no side that is known here", "left, right"));
    }

    private void place() {
        reader.only(o, "status", "code", "subject", "effective", "value", "bodySite", "component");
        FhirElements.accept(o.getValue() instanceof CodeableConcept, "value", "a rung");
        Map<String, Object> dose = new LinkedHashMap<>();
        put(dose, "sets", number("sets", Range.SETS));
        put(dose, "reps", number("reps", Range.REPS));
        put(dose, "holdS", number("hold", Range.DOSE_HOLD_S));
        put(dose, "breaths", number("breaths", Range.DOSE_BREATHS));
        put(dose, "perDay", number("per-day", Range.PER_DAY));
        put(dose, "daysPerWeek", number("days-per-week", Range.DAYS_PER_WEEK));
        Map<String, Object> place = new LinkedHashMap<>();
        put(place, "strand", code("strand"));
        put(place, "side", side());
        put(
                place,
                "rung",
                FhirCodes.code(o.getValueCodeableConcept(), FhirCodes.RUNG).orElse(null));
        place.put("dose", dose);
        put(place, "range", number("range", Range.RANGE_FRACTION));
        place.put("since", day().toString());
        put(place, "change", text("change"));
        reader.standing(place);
    }

    private void result(String rung) {
        reader.only(o, "status", "code", "subject", "partOf", "effective", "value", "bodySite", "component");
        Map<String, Object> session = reader.sessionOf(o.getPartOf())
                .orElseThrow(() -> new CaseProblem("partOf", "belongs to no session that can be taken", null));
        Map<String, Object> result = new LinkedHashMap<>();
        result.put("rung", rung);
        put(result, "side", side());
        result.put("result", code());
        put(result, "effort", number("effort", Range.EFFORT));
        if (take("next-day-asked").isPresent() || !nextDay.isEmpty()) {
            result.put("nextDay", String.join(",", nextDay));
        }
        result.put("signs", String.join(",", signs));
        put(result, "range", number("range", Range.RANGE_FRACTION));
        reader.keep(FhirReader.list(session, "results"), result);
    }

    private static void put(Map<String, Object> object, String field, @Nullable Object value) {
        if (value != null) {
            object.put(field, value);
        }
    }

    private List<Type> all(String part) {
        List<Type> found = parts.remove(part);
        return found == null ? List.of() : found;
    }

    private Optional<Type> take(String part) {
        List<Type> found = all(part);
        FhirElements.accept(found.size() <= 1, "component " + part, "once");
        return found.stream().findFirst();
    }

    private @Nullable Double number(String part, Range range) {
        return take(part).map(v -> quantity(v, range, part)).orElse(null);
    }

    private static double quantity(Type value, Range range, String part) {
        FhirElements.accept(value instanceof Quantity, "component " + part, range.allowed());
        return FhirElements.number((Quantity) value, range, "component " + part);
    }

    private @Nullable String code(String part) {
        return take(part).map(v -> rule(v, part)).orElse(null);
    }

    private static String rule(Type value, String part) {
        FhirElements.accept(value instanceof CodeableConcept, "component " + part, "a code");
        return FhirElements.rule((CodeableConcept) value, "component " + part);
    }

    private @Nullable String text(String part) {
        return take(part)
                .map(v -> {
                    FhirElements.accept(v instanceof StringType, "component " + part, "text");
                    return ((StringType) v).getValue();
                })
                .orElse(null);
    }
}

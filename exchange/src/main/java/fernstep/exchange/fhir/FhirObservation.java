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
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.DateTimeType;
import org.hl7.fhir.r4.model.IntegerType;
import org.hl7.fhir.r4.model.Observation;
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

    private final FhirCase file;
    private final Observation o;
    private final FhirParts parts;
    /** What it gives; kept only once all of it was understood, for a part nobody knows could turn the rest. */
    private final List<Runnable> kept = new ArrayList<>();

    FhirObservation(FhirCase file, Observation observation) {
        this.file = file;
        this.o = observation;
        this.parts = new FhirParts();
    }

    /** @throws CaseProblem where it cannot be taken */
    void take() {
        FhirElements.accept(FINAL.contains(o.getStatus()), "status", "final, amended, corrected");
        FhirElements.accept(!o.hasDataAbsentReason(), "dataAbsentReason", "none");
        o.getComponent().forEach(parts::add);
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
        parts.nothingElse();
        FhirElements.accept(
                rung.isPresent() || (parts.signs().isEmpty() && parts.nextDay().isEmpty()),
                "component",
                "signs only of how an exercise went");
        kept.forEach(Runnable::run);
    }

    private CaseProblem unknown() {
        return new CaseProblem(
                "code",
                "an observation that is not known here"
                        + (o.getCode().hasText() ? ": " + o.getCode().getText() : ""),
                null);
    }

    private LocalDate day() {
        if (o.getEffective() instanceof DateTimeType moment) {
            return FhirElements.day(moment);
        }
        FhirElements.accept(o.getEffective() instanceof Period, "effective", "a day");
        return FhirElements.day(o.getEffectivePeriod().getStartElement());
    }

    private void fact(String loinc) {
        FhirReader.only(file, o, "status", "category", "code", "subject", "effective", "value");
        switch (loinc) {
            case FhirCodes.HEIGHT -> fact("heightCm", value(Range.HEIGHT_CM));
            case FhirCodes.WEIGHT -> fact("massKg", value(Range.MASS_KG));
            case FhirCodes.AGE -> fact("age", value(Range.AGE_YEARS));
            case FhirCodes.DUE_DATE -> {
                FhirElements.accept(o.getValue() instanceof DateTimeType, "value", "a day");
                fact("dueDate", FhirElements.day(o.getValueDateTimeType()).toString());
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
                fact("status", code());
            }
            case "dominant-hand" -> {
                plain();
                head("dominantHand", code());
            }
            case "note" -> {
                plain();
                FhirElements.accept(o.getValue() instanceof StringType, "value", "text");
                head("note", o.getValueStringType().getValue());
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
        FhirReader.only(file, o, "status", "code", "subject", "effective", "value");
    }

    private void birth() {
        FhirReader.only(file, o, "status", "code", "subject", "effective", "value", "component");
        Map<String, Object> birth = new LinkedHashMap<>();
        birth.put("date", day().toString());
        birth.put("mode", code());
        parts.take("tear-degree").ifPresent(type -> {
            FhirElements.accept(type instanceof IntegerType, "component tear-degree", Range.TEAR_DEGREE.allowed());
            birth.put("tearDegree", ((IntegerType) type).getValue());
        });
        kept.add(() -> file.factOf("births", birth));
    }

    private void clearance() {
        FhirReader.only(file, o, "status", "code", "subject", "effective", "performer", "value", "note", "component");
        Map<String, Object> clearance = new LinkedHashMap<>();
        clearance.put("scope", code());
        clearance.put("date", day().toString());
        if (o.getEffective() instanceof Period p && p.hasEnd()) {
            clearance.put("expiry", FhirElements.day(p.getEndElement()).toString());
        }
        FhirElements.accept(o.getPerformer().size() <= 1, "performer", "one");
        FhirElements.accept(o.getNote().size() <= 1, "note", "one");
        put(clearance, "byRole", parts.text("by-role"));
        put(clearance, "byName", o.getPerformerFirstRep().getDisplay());
        put(clearance, "note", o.getNoteFirstRep().getText());
        kept.add(() -> file.factOf("clearances", clearance));
    }

    private void training() {
        FhirReader.only(file, o, "status", "code", "subject", "effective", "component");
        head("minutesPerDay", parts.number("minutes-per-day", Range.MINUTES_PER_DAY));
        head("daysPerWeek", parts.number("days-per-week", Range.DAYS_PER_WEEK));
        head("size", parts.number("size", Range.SIZE));
        head("growFirst", parts.code("grow-first"));
        List<Object> blocked = new ArrayList<>();
        for (Type day : parts.all("blocked-day")) {
            blocked.add(FhirParts.rule(day, "blocked-day"));
        }
        head("blockedDays", blocked);
        Map<String, Object> changes = new LinkedHashMap<>();
        for (StanceChange change : StanceChange.values()) {
            put(changes, change.name(), parts.code("stance-" + change.name()));
        }
        head("stanceChanges", changes);
        parts.take("goal-date").ifPresent(type -> {
            FhirElements.accept(type instanceof DateTimeType, "component goal-date", "a day");
            head("goalDate", FhirElements.day((DateTimeType) type).toString());
        });
    }

    private void head(String field, @Nullable Object value) {
        if (value != null) {
            kept.add(() -> file.head(field, value));
        }
    }

    private void fact(String field, Object value) {
        kept.add(() -> file.fact(field, value));
    }

    private void reading() {
        FhirReader.only(file, o, "status", "code", "subject", "encounter", "effective", "value", "method", "component");
        String method = FhirElements.rule(o.getMethod(), "method");
        Range unit = method.equals("FINGERS") ? Range.FINGERS : Range.WIDTH_MM;
        Map<String, Object> reading = new LinkedHashMap<>();
        put(reading, "siteCm", parts.number("site", Range.SITE_CM));
        put(reading, "condition", parts.code("condition"));
        reading.put("method", method);
        List<Object> values = new ArrayList<>();
        for (Type value : parts.all("value")) {
            values.add(FhirParts.quantity(value, unit, "value"));
        }
        if (values.isEmpty()) {
            values.add(value(unit));
        }
        reading.put("values", values);
        put(reading, "depthMm", parts.number("depth", Range.DEPTH_MM));
        put(reading, "depth", parts.code("depth-felt"));
        put(reading, "feel", parts.code("feel"));
        LocalDate day = day();
        kept.add(() -> file.keep(file.visitOf(o.getEncounter(), day), "readings", reading));
    }

    private void finding(String name) {
        FhirReader.only(file, o, "status", "code", "subject", "encounter", "effective", "value", "bodySite");
        Finding finding = Arrays.stream(Finding.values())
                .filter(each -> each.name().equals(name))
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
        LocalDate day = day();
        kept.add(() -> file.keep(file.visitOf(o.getEncounter(), day), "findings", found));
    }

    private @Nullable String side() {
        if (!o.hasBodySite()) {
            return null;
        }
        return FhirCodes.sideOf(o.getBodySite())
                .orElseThrow(() -> new CaseProblem("bodySite", "no side that is known here", "left, right"));
    }

    private void place() {
        FhirReader.only(file, o, "status", "code", "subject", "effective", "value", "bodySite", "component");
        FhirElements.accept(o.getValue() instanceof CodeableConcept, "value", "a rung");
        Map<String, Object> dose = new LinkedHashMap<>();
        put(dose, "sets", parts.number("sets", Range.SETS));
        put(dose, "reps", parts.number("reps", Range.REPS));
        put(dose, "holdS", parts.number("hold", Range.DOSE_HOLD_S));
        put(dose, "breaths", parts.number("breaths", Range.DOSE_BREATHS));
        put(dose, "perDay", parts.number("per-day", Range.PER_DAY));
        put(dose, "daysPerWeek", parts.number("days-per-week", Range.DAYS_PER_WEEK));
        Map<String, Object> place = new LinkedHashMap<>();
        put(place, "strand", parts.code("strand"));
        put(place, "side", side());
        put(
                place,
                "rung",
                FhirCodes.code(o.getValueCodeableConcept(), FhirCodes.RUNG).orElse(null));
        place.put("dose", dose);
        put(place, "range", parts.number("range", Range.RANGE_FRACTION));
        place.put("since", day().toString());
        put(place, "change", parts.text("change"));
        kept.add(() -> file.standing(place));
    }

    private void result(String rung) {
        FhirReader.only(file, o, "status", "code", "subject", "partOf", "effective", "value", "bodySite", "component");
        Map<String, Object> session = file.sessionOf(o.getPartOf())
                .orElseThrow(() -> new CaseProblem("partOf", "belongs to no session that can be taken", null));
        Map<String, Object> result = new LinkedHashMap<>();
        result.put("rung", rung);
        put(result, "side", side());
        result.put("result", code());
        put(result, "effort", parts.number("effort", Range.EFFORT));
        if (parts.take("next-day-asked").isPresent() || !parts.nextDay().isEmpty()) {
            result.put("nextDay", String.join(",", parts.nextDay()));
        }
        result.put("signs", String.join(",", parts.signs()));
        put(result, "range", parts.number("range", Range.RANGE_FRACTION));
        put(result, "doneSets", parts.number("done-sets", Range.SETS));
        put(result, "doneTimes", parts.number("done-times", Range.REPS));
        put(result, "doneHoldS", parts.number("done-hold", Range.DOSE_HOLD_S));
        put(result, "easedRung", parts.text("eased-rung"));
        put(result, "easedRange", parts.number("eased-range", Range.RANGE_FRACTION));
        put(result, "easedKneesDeg", parts.number("eased-knees", Range.ANGLE_DEG));
        put(result, "easedTimes", parts.number("eased-times", Range.REPS));
        put(result, "easedHoldS", parts.number("eased-hold", Range.DOSE_HOLD_S));
        put(result, "easedBecause", parts.code("eased-because"));
        put(result, "easedParts", parts.text("eased-parts"));
        kept.add(() -> file.keep(session, "results", result));
    }

    private static void put(Map<String, Object> object, String field, @Nullable Object value) {
        if (value != null) {
            object.put(field, value);
        }
    }
}

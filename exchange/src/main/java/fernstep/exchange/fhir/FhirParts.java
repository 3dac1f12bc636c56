package fernstep.exchange.fhir;

import fernstep.core.measure.Range;
import fernstep.exchange.casefile.CaseProblem;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hl7.fhir.r4.model.BooleanType;
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.Observation.ObservationComponentComponent;
import org.hl7.fhir.r4.model.Quantity;
import org.hl7.fhir.r4.model.StringType;
import org.hl7.fhir.r4.model.Type;
import org.jspecify.annotations.Nullable;

/** The parts of an observation of ours, each taken once by its name: what nobody took is refused in the end. */
final class FhirParts {
    private final Map<String, List<Type>> parts = new LinkedHashMap<>();
    private final List<String> signs = new ArrayList<>();
    private final List<String> nextDay = new ArrayList<>();

    List<String> signs() {
        return signs;
    }

    List<String> nextDay() {
        return nextDay;
    }

    /** @throws CaseProblem where a part was not taken */
    void nothingElse() {
        parts.keySet().forEach(text -> {
            throw new CaseProblem("component " + text, "a record here has no place for this", null);
        });
    }

    void add(ObservationComponentComponent component) {
        FhirElements.accept(component.hasValue() && !component.hasDataAbsentReason(), "component", "with a value");
        Optional<String> part = FhirCodes.code(component.getCode(), FhirCodes.PART);
        Optional<String> sign = FhirCodes.code(component.getCode(), FhirCodes.SIGN);
        Optional<String> next = FhirCodes.code(component.getCode(), FhirCodes.NEXT_DAY);
        if (part.isPresent()) {
            parts.computeIfAbsent(part.get(), key -> new ArrayList<>()).add(component.getValue());
        } else if (sign.isPresent()) {
            sign(sign.get(), component.getValue()).ifPresent(signs::add);
        } else if (next.isPresent()) {
            sign(next.get(), component.getValue()).ifPresent(nextDay::add);
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

    List<Type> all(String part) {
        List<Type> found = parts.remove(part);
        return found == null ? List.of() : found;
    }

    Optional<Type> take(String part) {
        List<Type> found = all(part);
        FhirElements.accept(found.size() <= 1, "component " + part, "once");
        return found.stream().findFirst();
    }

    @Nullable
    Double number(String part, Range range) {
        return take(part).map(type -> quantity(type, range, part)).orElse(null);
    }

    static double quantity(Type value, Range range, String part) {
        FhirElements.accept(value instanceof Quantity, "component " + part, range.allowed());
        return FhirElements.number((Quantity) value, range, "component " + part);
    }

    @Nullable
    String code(String part) {
        return take(part).map(type -> rule(type, part)).orElse(null);
    }

    static String rule(Type value, String part) {
        FhirElements.accept(value instanceof CodeableConcept, "component " + part, "a code");
        return FhirElements.rule((CodeableConcept) value, "component " + part);
    }

    @Nullable
    String text(String part) {
        return take(part)
                .map(type -> {
                    FhirElements.accept(type instanceof StringType, "component " + part, "text");
                    return ((StringType) type).getValue();
                })
                .orElse(null);
    }
}

package fernstep.exchange.fhir;

import fernstep.core.measure.Range;
import fernstep.exchange.casefile.CaseProblem;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Objects;
import org.hl7.fhir.r4.model.BaseDateTimeType;
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.Quantity;

/** Single elements of a bundle, each as it is needed or refused at its place. */
final class FhirElements {
    private FhirElements() {}

    static <E extends Enum<E>> String code(CodeableConcept concept, String element, Class<E> type) {
        String code = rule(concept, element);
        for (E known : type.getEnumConstants()) {
            if (known.name().equals(code)) {
                return code;
            }
        }
        throw new CaseProblem(element, "unknown code " + code, null);
    }

    /** Its code of the rules. */
    static String rule(CodeableConcept concept, String element) {
        return FhirCodes.code(concept, FhirCodes.RULES)
                .orElseThrow(() -> new CaseProblem(
                        element,
                        "no code that is known here" + (concept.hasText() ? ": " + concept.getText() : ""),
                        null));
    }

    /** @throws CaseProblem at the element, unless it is fine */
    static void accept(boolean fine, String element, String allowed) {
        if (!fine) {
            throw new CaseProblem(element, "cannot be taken as it stands", allowed);
        }
    }

    /** @throws CaseProblem where it does not say the day */
    static LocalDate day(BaseDateTimeType moment) {
        String text = Objects.requireNonNullElse(moment.getValueAsString(), "");
        try {
            return LocalDate.parse(text.substring(0, Math.min(10, text.length())));
        } catch (DateTimeParseException e) {
            throw new CaseProblem("date", "not a whole day: " + text, "a date as YYYY-MM-DD");
        }
    }

    /** In that unit; as the core writes it. */
    static double number(Quantity quantity, Range range, String element) {
        accept(
                quantity.hasValue() && FhirCodes.isIn(quantity, range.unit()) && !quantity.hasComparator(),
                element,
                range.allowed());
        return quantity.getValue().doubleValue();
    }
}

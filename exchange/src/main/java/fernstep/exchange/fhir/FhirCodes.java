package fernstep.exchange.fhir;

import fernstep.core.measure.Side;
import fernstep.exchange.wording.Wording;
import java.math.BigDecimal;
import java.util.Map;
import java.util.Optional;
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.Coding;
import org.hl7.fhir.r4.model.Quantity;

/** The codes of a bundle: public ones where there are (LOINC, SNOMED CT, UCUM), our own for the rest. */
final class FhirCodes {
    static final String LOINC = "http://loinc.org";
    static final String SNOMED = "http://snomed.info/sct";
    static final String UCUM = "http://unitsofmeasure.org";
    static final String OBSERVATION_CATEGORY = "http://terminology.hl7.org/CodeSystem/observation-category";

    /** LOINC, body height. */
    static final String HEIGHT = "8302-2";
    /** LOINC, body weight. */
    static final String WEIGHT = "29463-7";
    /** LOINC, age. */
    static final String AGE = "30525-0";
    /** LOINC, estimated delivery date. */
    static final String DUE_DATE = "11778-8";

    private static final String OURS = "https://fern-step.example/fhir/CodeSystem/";
    /** What an observation or a procedure of ours is. */
    static final String KIND = OURS + "kind";
    /** What a part of an observation of ours says. */
    static final String PART = OURS + "part";

    static final String FINDING = OURS + "finding";
    static final String RUNG = OURS + "rung";
    static final String SIDE = OURS + "side";
    static final String SIGN = OURS + "sign";
    static final String NEXT_DAY = OURS + "next-day";
    /** A code of the rules: which list it is from shows where it stands. */
    static final String RULES = OURS + "rules";

    /** SNOMED CT, left and right. */
    private static final Map<Side, String> LATERALITY = Map.of(Side.LEFT, "7771000", Side.RIGHT, "24028007");

    /** Units of the core in UCUM, where they are written otherwise. */
    private static final Map<String, String> UNITS =
            Map.of("", "1", "years", "a", "fingers", "{fingers}", "mmHg", "mm[Hg]", "weeks", "wk");

    private FhirCodes() {}

    static CodeableConcept concept(String system, String code) {
        return new CodeableConcept(new Coding().setSystem(system).setCode(code));
    }

    static CodeableConcept concept(String system, String code, String text) {
        return concept(system, code).setText(text);
    }

    /** A code of the rules with its words. */
    static CodeableConcept rule(Enum<?> code) {
        return concept(RULES, code.name(), Wording.english().of(code));
    }

    static CodeableConcept side(Side side) {
        return concept(SIDE, side.name())
                .addCoding(new Coding().setSystem(SNOMED).setCode(LATERALITY.get(side)))
                .setText(Wording.english().of(side));
    }

    static Optional<String> sideOf(CodeableConcept concept) {
        Optional<String> ours = code(concept, SIDE);
        Optional<String> theirs = code(concept, SNOMED);
        return ours.or(() -> LATERALITY.entrySet().stream()
                .filter(entry -> theirs.filter(entry.getValue()::equals).isPresent())
                .map(entry -> entry.getKey().name())
                .findFirst());
    }

    /** Its code in that system. */
    static Optional<String> code(CodeableConcept concept, String system) {
        return concept.getCoding().stream()
                .filter(coding -> system.equals(coding.getSystem()))
                .map(Coding::getCode)
                .findFirst();
    }

    static Quantity quantity(double value, String unit) {
        String ucum = UNITS.getOrDefault(unit, unit);
        return new Quantity()
                .setValue(new BigDecimal(Double.toString(value)).stripTrailingZeros())
                .setUnit(unit.isEmpty() ? "1" : unit)
                .setSystem(UCUM)
                .setCode(ucum);
    }

    /** Whether a quantity is in that unit. */
    static boolean isIn(Quantity quantity, String unit) {
        return UNITS.getOrDefault(unit, unit).equals(quantity.getCode()) && UCUM.equals(quantity.getSystem());
    }
}

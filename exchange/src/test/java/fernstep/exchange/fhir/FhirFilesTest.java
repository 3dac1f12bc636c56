package fernstep.exchange.fhir;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ca.uhn.fhir.context.FhirContext;
import ca.uhn.fhir.context.support.DefaultProfileValidationSupport;
import ca.uhn.fhir.validation.FhirValidator;
import ca.uhn.fhir.validation.ResultSeverityEnum;
import ca.uhn.fhir.validation.SingleValidationMessage;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.client.Status;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFileReader;
import fernstep.exchange.casefile.CaseFileWriter;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.casefile.CataloguePackage;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Matcher;
import org.hl7.fhir.common.hapi.validation.support.CommonCodeSystemsTerminologyService;
import org.hl7.fhir.common.hapi.validation.support.InMemoryTerminologyServerValidationSupport;
import org.hl7.fhir.common.hapi.validation.support.ValidationSupportChain;
import org.hl7.fhir.common.hapi.validation.validator.FhirInstanceValidator;
import org.hl7.fhir.r4.model.Bundle;
import org.hl7.fhir.r4.model.DateType;
import org.hl7.fhir.r4.model.Observation;
import org.hl7.fhir.r4.model.Patient;
import org.hl7.fhir.r4.model.Quantity;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One client as a FHIR bundle: by the standard's own rules, and back as she was. */
class FhirFilesTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 5, 2);
    private static final Catalogue CATALOGUE = CataloguePackage.shipped();

    /** Every part a case file can have, in her own words and numbers. */
    private static final String CASE = """
            {"format": "fernstep-case", "version": 1, "name": "Junia Test", "note": "Two lines\\nof a note.",
             "dominantHand": "LEFT",
             "client": {"status": "POSTNATAL", "births": [{"date": "2031-02-20", "mode": "CAESAREAN", "tearDegree": 0},
                {"date": "2028-11-03", "mode": "VAGINAL", "tearDegree": 2}],
              "surgeries": [{"date": "2019-04-05", "what": "appendix"}, {"date": "2020-04-05", "what": ""}],
              "clearances": [{"scope": "GENTLE", "date": "2031-04-01", "byRole": "MIDWIFE", "byName": "N. N.",
                 "expiry": "2031-07-01", "note": "wound dry"}, {"scope": "EXERCISE", "date": "2031-04-20", "byRole": "GP"}],
              "heightCm": 168.5, "massKg": 71, "age": 33, "restrictions": ["NO_PRONE", "NO_WRIST_LOAD"]},
             "approach": "BREATH_LED", "stanceChanges": {"SPINE": "LIGHT_IMPRINT"}, "minutesPerDay": 12, "daysPerWeek": 4,
             "size": 5, "growFirst": "RANGE", "blockedDays": ["SUNDAY", "FRIDAY"], "goal": "FULL_PLANK", "goalDate": "2031-12-01",
             "visits": [
               {"date": "2031-03-25", "asked": true, "answers": ["SCAR_TENDER", "TIRED"], "readings": [
                  {"siteCm": 2, "condition": "REST", "method": "FINGERS", "values": [2.5, 3], "depth": "KNUCKLE_1"},
                  {"siteCm": -4.5, "condition": "HEAD_LIFT", "method": "CALIPER", "values": [31.5], "depthMm": 12,
                   "feel": "SOFT"}],
                "findings": [{"finding": "SET_GRADE", "side": "LEFT", "value": "3"}, {"finding": "COUGH", "value": "PUSHES_OUT"},
                  {"finding": "RIB_IN_CM", "value": "78.5"}]},
               {"date": "2031-04-22", "asked": false, "answers": [], "readings": [], "findings": []}],
             "places": [{"strand": "DEEP_CORE", "side": "LEFT", "rung": "F3",
                "dose": {"sets": 2, "reps": 8, "holdS": 5, "perDay": 1, "daysPerWeek": 4}, "range": 0.6,
                "since": "2031-04-20", "change": "NOTCH_UP"}],
             "sessions": [{"date": "2031-04-22", "atHome": true, "results": [
                {"rung": "F3", "side": "LEFT", "result": "EASED", "effort": 4, "nextDay": "PAIN:3,HEAVY", "signs": "DOME_SOFT",
                 "range": 0.6}, {"rung": "F3", "side": "RIGHT", "result": "CLEAN", "nextDay": "", "signs": "", "range": 0.6},
                {"rung": "BR1", "result": "CLEAN", "signs": "", "range": 1}]}]}
            """;

    private static CaseFile her() {
        CaseFileReader.Parsed parsed = CaseFileReader.read(CASE, CATALOGUE, TODAY, true);
        assertThat(parsed.problems()).isEmpty();
        return parsed.file();
    }

    private static String json(CaseFile file) {
        return new String(CaseFileWriter.written(file, TODAY), StandardCharsets.UTF_8);
    }

    private static String bundle() {
        return new String(FhirFiles.written(her(), TODAY), StandardCharsets.UTF_8);
    }

    private static CaseFileReader.Parsed read(String bundle) {
        return FhirFiles.read(bundle, CATALOGUE, TODAY, true);
    }

    @Test
    void comes_back_as_she_was() {
        CaseFileReader.Parsed back = read(bundle());
        assertThat(back.problems()).isEmpty();
        assertThat(json(back.file())).isEqualTo(json(her()));
    }

    @Test
    void what_it_says_can_be_read_by_others() {
        Bundle bundle = FhirContext.forR4Cached().newJsonParser().parseResource(Bundle.class, bundle());
        Observation height = bundle.getEntry().stream()
                .map(component -> component.getResource())
                .filter(Observation.class::isInstance)
                .map(Observation.class::cast)
                .filter(observation ->
                        observation.getCode().getCodingFirstRep().getCode().equals("8302-2"))
                .findFirst()
                .orElseThrow();
        assertThat(height.getCode().getCodingFirstRep().getSystem()).isEqualTo("http://loinc.org");
        Quantity value = height.getValueQuantity();
        assertThat(value.getValue()).isEqualByComparingTo("168.5");
        assertThat(value.getSystem() + " " + value.getCode()).isEqualTo("http://unitsofmeasure.org cm");
    }

    @Test
    void follows_the_rules_of_the_standard_by_its_own_validator() {
        FhirContext context = FhirContext.forR4Cached();
        FhirValidator validator = context.newValidator();
        validator.registerValidatorModule(new FhirInstanceValidator(new ValidationSupportChain(
                new DefaultProfileValidationSupport(context),
                new CommonCodeSystemsTerminologyService(context),
                new InMemoryTerminologyServerValidationSupport(context))));
        List<SingleValidationMessage> wrong = validator.validateWithResult(bundle()).getMessages().stream()
                .filter(message -> message.getSeverity().ordinal() >= ResultSeverityEnum.ERROR.ordinal())
                .toList();
        assertThat(wrong).isEmpty();
        String without = bundle().replaceFirst("\"status\": \"finished\",", "");
        assertThat(validator.validateWithResult(without).isSuccessful())
                .as("a bundle without what the standard asks for")
                .isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"status\": \"final\",                 | \"status\": \"entered-in-error\", | Observation.status",
                "\"code\": \"8302-2\"                   | \"code\": \"8310-5\"              | Observation.code",
                "\"code\": \"cm\"                       | \"code\": \"[in_i]\"              | Observation.value",
                "\"resourceType\": \"Flag\",            | \"resourceType\": \"Flag\", \"author\": {\"display\": \"x\"}, | Flag.author",
                "\"linkId\": \"SCAR_TENDER\"            | \"linkId\": \"LIKES_TEA\"         | QuestionnaireResponse.item LIKES_TEA",
                "\"intent\": \"plan\"                   | \"intent\": \"proposal\"           | CarePlan.intent",
                "\"title\": \"Breath Led\"              | \"title\": \"Another plan\"        | CarePlan.title",
                "\"value\": 168.5                       | \"value\": 1685                   | heightCm",
                "\"value\": 31.5                        | \"value\": 931.5                  | values",
                "\"code\": \"PUSHES_OUT\"               | \"code\": \"SINGS\"               | Observation value",
            })
    void what_has_no_place_is_named_where_it_stands_and_never_dropped(String what, String instead, String named) {
        String bundle = bundle();
        assertThat(bundle).contains(what.strip());
        int at = bundle.lastIndexOf(what.strip());
        String changed = bundle.substring(0, at)
                + instead.strip()
                + bundle.substring(at + what.strip().length());
        List<String> places;
        try {
            places = read(changed).problems().stream().map(CaseProblem::path).toList();
        } catch (CaseProblem p) {
            places = List.of(p.path());
        }
        assertThat(places).anySatisfy(text -> assertThat(text).contains(named));
    }

    @Test
    void a_bundle_from_elsewhere_gives_what_is_known_here_and_lists_the_rest() {
        Bundle foreign = new Bundle().setType(Bundle.BundleType.COLLECTION);
        Patient patient = new Patient();
        patient.addName().addGiven("Mira").setFamily("Elsewhere");
        patient.setBirthDateElement(new DateType("1999-06-01"));
        patient.addAddress().setCity("Nowhere");
        foreign.addEntry()
                .setFullUrl("urn:uuid:00000000-0000-4000-8000-000000000001")
                .setResource(patient);
        String json = FhirContext.forR4Cached().newJsonParser().encodeResourceToString(foreign);
        // Whether she is pregnant is not guessed, and what else was found is said with it.
        assertThatThrownBy(() -> read(json))
                .isInstanceOfSatisfying(
                        CaseProblem.class,
                        problem -> assertThat(problem.path() + problem.getMessage())
                                .startsWith("client.status")
                                .contains("entry[0] Patient.address"));
        Observation status = FhirContext.forR4Cached().newJsonParser().parseResource(Observation.class, """
                        {"resourceType": "Observation", "status": "final",
                         "code": {"coding": [{"system": "https://fern-step.example/fhir/CodeSystem/kind", "code": "status"}]},
                         "subject": {"reference": "urn:uuid:00000000-0000-4000-8000-000000000001"},
                         "valueCodeableConcept": {"coding": [{"system": "https://fern-step.example/fhir/CodeSystem/rules",
                           "code": "GENERAL"}]}}
                        """);
        foreign.addEntry().setResource(status);
        CaseFileReader.Parsed read =
                read(FhirContext.forR4Cached().newJsonParser().encodeResourceToString(foreign));
        assertThat(read.file().her().name()).isEqualTo("Mira Elsewhere");
        // 1 June 1999 to 2 May 2031: 31 whole years.
        assertThat(read.file().her().facts().age()).isEqualTo(31);
        assertThat(read.problems().stream().map(CaseProblem::path))
                .contains("entry[0] Patient.address", "entry[0] Patient.birthDate", "CarePlan");
    }

    /** Another observation of hers in the bundle, with this instead of a value and parts. */
    private static String with(String more) {
        String bundle = bundle();
        String her = bundle.replaceAll("(?s).*?\"fullUrl\": \"([^\"]+)\".*", "$1");
        String entry = """
                { "fullUrl": "urn:uuid:00000000-0000-4000-8000-000000000009", "resource": { "resourceType": "Observation",
                  "status": "final", "effectiveDateTime": "2031-03-25", "subject": { "reference": "%s" }, %s } },
                """.formatted(her, more);
        return bundle.replaceFirst("\"entry\": \\[", Matcher.quoteReplacement("\"entry\": [ " + entry));
    }

    private static String coded(String system, String code) {
        return "{ \"coding\": [ { \"system\": \"https://fern-step.example/fhir/CodeSystem/" + system
                + "\", \"code\": \"" + code + "\" } ] }";
    }

    @ParameterizedTest
    @CsvSource({"part, turned-round", "sign, DOME_FIRM"})
    void a_reading_with_a_part_nobody_knows_here_is_left_out_whole(String system, String part) {
        String reading =
                "\"code\": " + coded("kind", "inter-recti-distance") + ", \"method\": " + coded("rules", "CALIPER")
                        + ", \"component\": [ { \"code\": " + coded("part", "site")
                        + ", \"valueQuantity\": { \"value\": 9, \"system\": \"http://unitsofmeasure.org\", \"code\": \"cm\" } }, { \"code\": "
                        + coded("part", "condition") + ", \"valueCodeableConcept\": " + coded("rules", "REST")
                        + " }, { \"code\": "
                        + coded("part", "value")
                        + ", \"valueQuantity\": { \"value\": 20, \"system\": \"http://unitsofmeasure.org\", \"code\": \"mm\" } } %s ]";
        CaseFileReader.Parsed plain = read(with(reading.formatted("")));
        assertThat(plain.problems()).isEmpty();
        assertThat(sites(plain)).contains(9.0);
        CaseFileReader.Parsed turned =
                read(with(reading.formatted(", { \"code\": " + coded(system, part) + ", \"valueBoolean\": true }")));
        assertThat(turned.problems()).hasSize(1);
        assertThat(sites(turned)).doesNotContain(9.0);
    }

    private static List<Double> sites(CaseFileReader.Parsed parsed) {
        return parsed.file().visits().stream()
                .flatMap(visited -> visited.readings().stream())
                .map(CaseFile.Read::siteCm)
                .toList();
    }

    @Test
    void what_refers_to_her_by_the_last_part_of_her_address_is_hers() {
        String json = """
                {"resourceType": "Bundle", "type": "collection", "entry": [
                 {"fullUrl": "https://elsewhere.example/Patient/7", "resource": {"resourceType": "Patient", "id": "7",
                  "name": [{"text": "Mira Elsewhere"}]}},
                 {"resource": {"resourceType": "Observation", "status": "final", "subject": {"reference": "Patient/7"},
                  "code": {"coding": [{"system": "https://fern-step.example/fhir/CodeSystem/kind", "code": "status"}]},
                  "valueCodeableConcept": {"coding": [{"system": "https://fern-step.example/fhir/CodeSystem/rules",
                   "code": "GENERAL"}]}}},
                 {"resource": {"resourceType": "Observation", "status": "final", "subject": {"reference": "Patient/8"},
                  "code": {"coding": [{"system": "http://loinc.org", "code": "29463-7"}]},
                  "valueQuantity": {"value": 70, "system": "http://unitsofmeasure.org", "code": "kg"}}},
                 {"resource": {"resourceType": "Observation", "status": "final",
                  "code": {"coding": [{"system": "http://loinc.org", "code": "8302-2"}]},
                  "valueQuantity": {"value": 170, "system": "http://unitsofmeasure.org", "code": "cm"}}}]}
                """;
        CaseFileReader.Parsed read = read(json);
        assertThat(read.file().her().facts().status()).isEqualTo(Status.GENERAL);
        // of somebody else, and of nobody
        assertThat(read.file().her().facts().massKg()).isNull();
        assertThat(read.file().her().facts().heightCm()).isNull();
        assertThat(read.problems().stream().map(CaseProblem::path))
                .contains("entry[2] Observation.subject", "entry[3] Observation.subject");
    }

    @Test
    void two_women_in_one_bundle_are_refused() {
        Bundle two = new Bundle().setType(Bundle.BundleType.COLLECTION);
        two.addEntry().setResource(new Patient().setActive(true));
        two.addEntry().setResource(new Patient().setActive(true));
        assertThatThrownBy(() -> read(FhirContext.forR4Cached().newJsonParser().encodeResourceToString(two)))
                .isInstanceOf(CaseProblem.class)
                .hasMessageContaining("several persons");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"resourceType\": \"Bundle\", \"type\": \"collection\", \"sings\": true}",
                "{\"resourceType\": \"Patient\"}",
                "{\"resourceType\": \"Bundle\", \"entry\": [",
                "{\"resourceType\": \"Nonsense\"}",
                "<?xml version='1.0'?><!DOCTYPE x [<!ENTITY e SYSTEM 'file:///etc/passwd'>]><Bundle>&e;</Bundle>",
            })
    void what_is_no_bundle_is_refused_with_a_sentence(String text) {
        assertThatThrownBy(() -> read(text)).isInstanceOf(CaseProblem.class).hasMessageContaining("FHIR");
    }
}

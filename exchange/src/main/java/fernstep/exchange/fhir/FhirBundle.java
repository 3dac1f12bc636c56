package fernstep.exchange.fhir;

import fernstep.core.measure.Range;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFileWriter;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Date;
import java.util.UUID;
import org.hl7.fhir.r4.model.Bundle;
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.DateTimeType;
import org.hl7.fhir.r4.model.Enumerations.AdministrativeGender;
import org.hl7.fhir.r4.model.HumanName;
import org.hl7.fhir.r4.model.Observation;
import org.hl7.fhir.r4.model.Patient;
import org.hl7.fhir.r4.model.Provenance;
import org.hl7.fhir.r4.model.Reference;
import org.hl7.fhir.r4.model.Resource;
import org.hl7.fhir.r4.model.Type;
import org.jspecify.annotations.Nullable;

/** A bundle while it is written: what is added gets an address, and belongs to her. */
final class FhirBundle {
    /** Who wrote a bundle, as its provenance says. */
    static final String AUTHOR = "Fern Step";

    private final Bundle bundle = new Bundle();
    private final UUID seed;
    private final Reference her;
    private int count;

    FhirBundle(CaseFile file, LocalDate today) {
        seed = UUID.nameUUIDFromBytes(CaseFileWriter.written(file, today));
        bundle.setType(Bundle.BundleType.COLLECTION);
        her = add(new Patient()
                .addName(new HumanName().setText(file.her().name()))
                .setGender(AdministrativeGender.FEMALE));
    }

    Reference her() {
        return her;
    }

    /** Says who wrote it; it is whole then. */
    Bundle signed() {
        Provenance p = new Provenance().setRecorded(Date.from(Instant.now().truncatedTo(ChronoUnit.SECONDS)));
        p.addTarget(her);
        p.addAgent().setWho(new Reference().setDisplay(AUTHOR));
        add(p);
        return bundle;
    }

    /** Refers to what was added; the same client written on the same day gives the same addresses. */
    Reference add(Resource resource) {
        String url = "urn:uuid:" + UUID.nameUUIDFromBytes((seed + " " + count++).getBytes(StandardCharsets.UTF_8));
        bundle.addEntry().setFullUrl(url).setResource(resource);
        return new Reference(url);
    }

    Observation observation(CodeableConcept code, LocalDate day) {
        Observation o = new Observation();
        o.setStatus(Observation.ObservationStatus.FINAL);
        o.setCode(code);
        o.setSubject(her);
        o.setEffective(day(day));
        return o;
    }

    Observation ours(String kind, LocalDate day) {
        return observation(FhirCodes.concept(FhirCodes.KIND, kind), day);
    }

    static DateTimeType day(LocalDate day) {
        return new DateTimeType(day.toString());
    }

    static void part(Observation observation, String part, @Nullable Type value) {
        if (value != null) {
            part(observation, FhirCodes.concept(FhirCodes.PART, part), value);
        }
    }

    static void part(Observation observation, CodeableConcept part, Type value) {
        observation.addComponent(new Observation.ObservationComponentComponent(part).setValue(value));
    }

    static @Nullable Type code(@Nullable Enum<?> code) {
        return code == null ? null : FhirCodes.rule(code);
    }

    static @Nullable Type number(@Nullable Number value, Range range) {
        return value == null ? null : FhirCodes.quantity(value.doubleValue(), range.unit());
    }
}

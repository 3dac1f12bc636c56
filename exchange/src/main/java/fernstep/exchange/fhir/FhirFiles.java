package fernstep.exchange.fhir;

import ca.uhn.fhir.context.FhirContext;
import ca.uhn.fhir.parser.DataFormatException;
import ca.uhn.fhir.parser.IParser;
import ca.uhn.fhir.parser.StrictErrorHandler;
import fernstep.core.catalogue.Catalogue;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFileReader;
import fernstep.exchange.casefile.CaseProblem;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.hl7.fhir.r4.model.Bundle;
import tools.jackson.databind.json.JsonMapper;

/** A client's record as a FHIR R4 bundle (JSON), both ways. The first use takes seconds: {@link #warmUp()} has it done before. */
public final class FhirFiles {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static final int MOST_NAMED = 5;

    private FhirFiles() {}

    private static IParser parser() {
        return FhirContext.forR4Cached().newJsonParser().setParserErrorHandler(new StrictErrorHandler());
    }

    public static byte[] written(CaseFile file, LocalDate today) {
        return parser().setPrettyPrint(true)
                .encodeResourceToString(FhirWriter.bundle(file, today))
                .getBytes(StandardCharsets.UTF_8);
    }

    /** Whether it says of itself that it is a FHIR resource. */
    public static boolean isOne(String text) {
        return text.contains("\"resourceType\"");
    }

    /**
     * What has no place in a record, and what a record refuses, is named by its entry and left out.
     *
     * @param therapist whether findings that only a licensed clinician may record can be taken
     * @throws CaseProblem where it is no R4 bundle about one woman, or does not say what a record needs
     */
    public static CaseFileReader.Parsed read(String text, Catalogue catalogue, LocalDate today, boolean therapist) {
        FhirCase mapped = FhirReader.read(bundle(text), today);
        CaseFileReader.Parsed parsed;
        try {
            parsed = CaseFileReader.read(JSON.valueToTree(mapped.file()), catalogue, today, therapist);
        } catch (CaseProblem p) {
            throw withTheRest(atItsEntry(p, mapped.places()), mapped.problems());
        }
        List<CaseProblem> problems = new ArrayList<>(mapped.problems());
        parsed.problems().forEach(problem -> problems.add(atItsEntry(problem, mapped.places())));
        return new CaseFileReader.Parsed(parsed.file(), problems);
    }

    private static Bundle bundle(String text) {
        try {
            return parser().parseResource(Bundle.class, text);
        } catch (DataFormatException | IllegalArgumentException | IllegalStateException | ClassCastException e) {
            throw new CaseProblem("", "this is no FHIR R4 bundle as JSON: " + e.getMessage(), "a bundle of one client");
        }
    }

    /** What is missing may stand in what could not be taken: both are said. */
    private static CaseProblem withTheRest(CaseProblem problem, List<CaseProblem> rest) {
        String others = rest.stream()
                .limit(MOST_NAMED)
                .map(caseProblem -> "; " + caseProblem.path() + ": " + caseProblem.getMessage())
                .collect(Collectors.joining());
        return new CaseProblem(problem.path(), problem.getMessage() + others, problem.allowed());
    }

    /** The place in the bundle instead of the one in the file it became. */
    private static CaseProblem atItsEntry(CaseProblem problem, Map<String, String> places) {
        String best = "";
        for (String path : places.keySet()) {
            if (problem.path().startsWith(path) && path.length() > best.length()) {
                best = path;
            }
        }
        String rest = problem.path().substring(best.length());
        String place = best.isEmpty() ? problem.path() : places.get(best) + " " + rest.replaceFirst("^\\.", "");
        return new CaseProblem(place.strip(), String.valueOf(problem.getMessage()), problem.allowed());
    }

    /** Has everything loaded that the first bundle would wait for. */
    public static void warmUp() {
        parser().encodeResourceToString(new Bundle().setType(Bundle.BundleType.COLLECTION));
    }
}

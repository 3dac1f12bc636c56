package fernstep.exchange.casefile;

import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Easing;
import fernstep.core.findings.Finding;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Amount;
import fernstep.core.progress.Progress;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import fernstep.exchange.casefile.CaseFile.Found;
import fernstep.exchange.casefile.CaseFile.Read;
import fernstep.exchange.casefile.CaseFile.Standing;
import fernstep.exchange.casefile.CaseFile.Trained;
import fernstep.exchange.casefile.CaseFile.Visited;
import fernstep.exchange.casefile.CaseFile.Went;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads a case file: what cannot be taken of it is named by its place. {@link CaseFileWriter} says how it is written. */
public final class CaseFileReader {
    private static final int MOST_KNEE_BEND_DEG = 90;
    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_NOTE = 2000;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private CaseFileReader() {}

    /**
     * What was read.
     *
     * @param problems parts that cannot be taken, by their place; the file is without them
     */
    public record Parsed(CaseFile file, List<CaseProblem> problems) {
        public Parsed {
            problems = List.copyOf(problems);
        }
    }

    /**
     * Parts that cannot be taken are named and left out; who she is must be whole.
     *
     * @param therapist whether findings that only a licensed clinician may record can be taken
     * @throws CaseProblem where it is no case file, another version, or does not say who she is
     */
    public static Parsed read(String text, Catalogue catalogue, LocalDate today, boolean therapist) {
        JsonNode node;
        try {
            node = JSON.readTree(text);
        } catch (JacksonException e) {
            throw new CaseProblem("", "this is not JSON, or not all of it", "a case file");
        }
        return read(node, catalogue, today, therapist);
    }

    /**
     * As {@link #read(String, Catalogue, LocalDate, boolean)}, from what was parsed already.
     *
     * @throws CaseProblem where it is no case file, another version, or does not say who she is
     */
    public static Parsed read(JsonNode node, Catalogue catalogue, LocalDate today, boolean therapist) {
        CaseObject c = CaseObject.root(node);
        if (!c.optionalText("format").orElse("").equals(CaseFileWriter.FORMAT)) {
            throw c.problem("format", "this is no case file", CaseFileWriter.FORMAT);
        }
        if (c.whole("version", Range.REP) != CaseFileWriter.VERSION) {
            throw c.problem("version", "another version", String.valueOf(CaseFileWriter.VERSION));
        }
        c.optionalDate("exportedOn");
        c.items("notInThisFile", CaseObject::text);
        CaseFile.Her her = new CaseFile.Her(
                limited(c, "name", LONGEST_NAME),
                c.has("note") ? limited(c, "note", LONGEST_NOTE) : "",
                c.optionalOf("dominantHand", List.of("LEFT", "RIGHT")).orElse(null),
                ClientReader.client(c.object("client"), today));
        if (her.name().isBlank()) {
            throw c.problem("name", "a name is missing", "1 to " + LONGEST_NAME + " characters");
        }
        CaseFile.Training training = training(c);
        List<CaseProblem> problems = new ArrayList<>();
        List<Visited> visits = new ArrayList<>();
        good(c, "visits", problems, object -> visit(object, today, therapist, problems))
                .forEach(visits::add);
        visits.sort(Comparator.comparing(Visited::date));
        List<Standing> places = good(c, "places", problems, object -> standing(object, catalogue, today));
        List<Trained> sessions = good(c, "sessions", problems, object -> trained(object, catalogue, today));
        c.nothingElse();
        return new Parsed(new CaseFile(her, training, visits, places, sessions), problems);
    }

    /** Those of a list that can be read; the others are told. */
    private static <T> List<T> good(
            CaseObject object, String field, List<CaseProblem> problems, Function<CaseObject, T> reader) {
        List<T> all = new ArrayList<>();
        object.items(field, (node, path) -> {
            try {
                all.add(reader.apply(CaseObject.at(node, path)));
            } catch (CaseProblem p) {
                problems.add(p);
            }
            return path;
        });
        return all;
    }

    private static CaseFile.Training training(CaseObject object) {
        Map<StanceChange, String> changes = new EnumMap<>(StanceChange.class);
        object.optionalObject("stanceChanges").ifPresent(caseObject -> {
            for (StanceChange change : StanceChange.values()) {
                caseObject.optionalOf(change.name(), change.options()).ifPresent(text -> changes.put(change, text));
            }
            caseObject.nothingElse();
        });
        Set<DayOfWeek> blocked = object.codes("blockedDays", DayOfWeek.class);
        if (blocked.size() == DayOfWeek.values().length) {
            throw object.problem("blockedDays", "one day of the week must be left", "at most six days");
        }
        return new CaseFile.Training(
                object.code("approach", Approach.class),
                changes,
                object.whole("minutesPerDay", Range.MINUTES_PER_DAY),
                object.whole("daysPerWeek", Range.DAYS_PER_WEEK),
                object.optionalWhole("size", Range.SIZE).orElse(null),
                object.optionalCode("growFirst", Progress.GrowFirst.class).orElse(Progress.GrowFirst.REPS),
                blocked,
                object.optionalCode("goal", Goal.class).orElse(null),
                object.optionalDate("goalDate").orElse(null));
    }

    private static Visited visit(CaseObject object, LocalDate today, boolean therapist, List<CaseProblem> problems) {
        Visited visit = new Visited(
                past(object, "date", today),
                object.optionalFlag("asked").orElse(false),
                object.codes("answers", Answer.class),
                good(object, "readings", problems, CaseFileReader::reading),
                good(object, "findings", problems, caseObject -> finding(caseObject, therapist)));
        object.nothingElse();
        return visit;
    }

    private static LocalDate past(CaseObject object, String field, LocalDate today) {
        LocalDate day = object.date(field);
        if (day.isAfter(today)) {
            throw object.problem(field, day + " is still to come", "up to " + today);
        }
        return day;
    }

    private static Read reading(CaseObject object) {
        Read read = new Read(
                object.number("siteCm", Range.SITE_CM),
                object.code("condition", Condition.class),
                object.code("method", Method.class),
                object.items("values", CaseFileReader::number),
                object.optionalNumber("depthMm", Range.DEPTH_MM).orElse(null),
                object.optionalCode("depth", Depth.class).orElse(null),
                object.optionalCode("feel", Feel.class).orElse(null));
        object.nothingElse();
        object.checked(
                "values",
                () -> new Reading(
                        read.siteCm(), read.condition(), read.method(), read.values(), read.depthMm(), read.feel()));
        return read;
    }

    private static double number(JsonNode node, String path) {
        if (!node.isNumber() || !Double.isFinite(node.doubleValue())) {
            throw new CaseProblem(path, "expected a number", "a number");
        }
        return node.doubleValue();
    }

    private static Found finding(CaseObject object, boolean therapist) {
        Finding finding = object.code("finding", Finding.class);
        Side side = object.optionalCode("side", Side.class).orElse(null);
        String value = object.text("value");
        object.nothingElse();
        if (finding.therapistOnly() && !therapist) {
            throw object.problem("finding", finding + " is for a therapist to bring in", null);
        }
        if (finding.perSide() != (side != null)) {
            throw object.problem(
                    "side", finding + (finding.perSide() ? " has sides" : " has no sides"), "LEFT, RIGHT or none");
        }
        return new Found(
                finding,
                side,
                finding.canonical(value)
                        .orElseThrow(() -> object.problem("value", finding + " cannot be " + value, null)));
    }

    private static Standing standing(CaseObject object, Catalogue catalogue, LocalDate today) {
        CaseObject d = object.object("dose");
        Dose dose = d.checked(
                "sets",
                () -> new Dose(
                        d.whole("sets", Range.SETS),
                        d.optionalWhole("reps", Range.REPS).orElse(null),
                        d.optionalWhole("holdS", Range.DOSE_HOLD_S).orElse(null),
                        d.optionalWhole("breaths", Range.BREATHS).orElse(null),
                        d.whole("perDay", Range.PER_DAY),
                        d.whole("daysPerWeek", Range.DAYS_PER_WEEK)));
        d.nothingElse();
        Standing place = new Standing(
                object.code("strand", Strand.class),
                object.optionalCode("side", Side.class).orElse(null),
                rung(object, catalogue),
                dose,
                object.number("range", Range.RANGE_FRACTION),
                past(object, "since", today),
                object.text("change"));
        object.nothingElse();
        if (!place.change().matches("[A-Z_]{1,20}")) {
            throw object.problem("change", "unknown code", null);
        }
        return place;
    }

    private static String rung(CaseObject object, Catalogue catalogue) {
        String rung = object.text("rung");
        if (catalogue.find(rung).isEmpty()) {
            throw object.problem("rung", "a rung that is not in this house's catalogue: " + rung, null);
        }
        return rung;
    }

    private static Trained trained(CaseObject object, Catalogue catalogue, LocalDate today) {
        Trained session = new Trained(
                past(object, "date", today),
                object.optionalFlag("atHome").orElse(false),
                object.objects("results").stream()
                        .map(caseObject -> went(caseObject, catalogue))
                        .toList());
        object.nothingElse();
        return session;
    }

    private static Went went(CaseObject object, Catalogue catalogue) {
        Went went = new Went(
                rung(object, catalogue),
                object.optionalCode("side", Side.class).orElse(null),
                object.code("result", SessionResult.Kind.class),
                object.optionalWhole("effort", Range.EFFORT).orElse(null),
                symptoms(object, "nextDay").orElse(null),
                symptoms(object, "signs").orElse(""),
                object.number("range", Range.RANGE_FRACTION),
                done(object),
                eased(object, catalogue));
        object.nothingElse();
        return went;
    }

    private static @Nullable Amount done(CaseObject object) {
        Integer sets = object.optionalWhole("doneSets", Range.SETS).orElse(null);
        Integer times = object.optionalWhole("doneTimes", Range.REPS).orElse(null);
        Integer holdS = object.optionalWhole("doneHoldS", Range.DOSE_HOLD_S).orElse(null);
        if (sets == null && times == null && holdS == null) {
            return null;
        }
        if (sets == null || times == null) {
            throw object.problem(sets == null ? "doneSets" : "doneTimes", "an amount without its sets or times", null);
        }
        return new Amount(sets, times, holdS);
    }

    private static CaseFile.@Nullable WentEased eased(CaseObject object, Catalogue catalogue) {
        String rung = object.optionalText("easedRung").orElse(null);
        Double range = object.optionalNumber("easedRange", Range.RANGE_FRACTION).orElse(null);
        int kneesBentDeg =
                object.optionalWhole("easedKneesDeg", Range.ANGLE_DEG).orElse(0);
        Integer times = object.optionalWhole("easedTimes", Range.REPS).orElse(null);
        Integer holdS = object.optionalWhole("easedHoldS", Range.DOSE_HOLD_S).orElse(null);
        SignCode because = object.optionalCode("easedBecause", SignCode.class).orElse(null);
        List<String> parts = object.optionalText("easedParts")
                .filter(text -> !text.isEmpty())
                .map(text -> List.of(text.split(",", -1)))
                .orElse(List.of());
        if (rung == null && range == null) {
            return null;
        }
        if (rung == null || range == null) {
            throw object.problem(
                    rung == null ? "easedRung" : "easedRange", "an easing without its rung or range", null);
        }
        if (kneesBentDeg < 0 || kneesBentDeg > MOST_KNEE_BEND_DEG) {
            throw object.problem("easedKneesDeg", "degrees of " + kneesBentDeg, "0 to " + MOST_KNEE_BEND_DEG);
        }
        Easing easing = Easing.of(kneesBentDeg, parts);
        if (!easing.parts().containsAll(parts)) {
            throw object.problem(
                    "easedParts", "unknown code in " + String.join(",", parts), "levers and helpers with commas");
        }
        if (catalogue.find(rung).isEmpty()) {
            throw object.problem("easedRung", "a rung that is not in this house's catalogue: " + rung, null);
        }
        return new CaseFile.WentEased(new CleanSetting(rung, range, easing, times, holdS), because);
    }

    private static Optional<String> symptoms(CaseObject object, String field) {
        Optional<String> text = object.optionalText(field);
        Set<String> codes =
                EnumSet.allOf(SignCode.class).stream().map(Enum::name).collect(Collectors.toSet());
        text.filter(each -> !each.isEmpty()).ifPresent(each -> {
            for (String part : each.split(",", -1)) {
                if (!codes.contains(part.replaceFirst(":(10|[0-9])$", ""))) {
                    throw object.problem(field, "unknown code " + part, "codes with commas, pain as PAIN:level");
                }
            }
        });
        return text;
    }

    private static String limited(CaseObject object, String field, int longest) {
        String text = object.text(field).strip();
        if (text.length() > longest) {
            throw object.problem(field, "too long", "at most " + longest + " characters");
        }
        return text;
    }
}

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
        good(c, "visits", problems, v -> visit(v, today, therapist, problems)).forEach(visits::add);
        visits.sort(Comparator.comparing(Visited::date));
        List<Standing> places = good(c, "places", problems, p -> standing(p, catalogue, today));
        List<Trained> sessions = good(c, "sessions", problems, s -> trained(s, catalogue, today));
        c.nothingElse();
        return new Parsed(new CaseFile(her, training, visits, places, sessions), problems);
    }

    /** Those of a list that can be read; the others are told. */
    private static <T> List<T> good(
            CaseObject c, String field, List<CaseProblem> problems, Function<CaseObject, T> reader) {
        List<T> all = new ArrayList<>();
        c.items(field, (node, path) -> {
            try {
                all.add(reader.apply(CaseObject.at(node, path)));
            } catch (CaseProblem p) {
                problems.add(p);
            }
            return path;
        });
        return all;
    }

    private static CaseFile.Training training(CaseObject c) {
        Map<StanceChange, String> changes = new EnumMap<>(StanceChange.class);
        c.optionalObject("stanceChanges").ifPresent(s -> {
            for (StanceChange change : StanceChange.values()) {
                s.optionalOf(change.name(), change.options()).ifPresent(o -> changes.put(change, o));
            }
            s.nothingElse();
        });
        Set<DayOfWeek> blocked = c.codes("blockedDays", DayOfWeek.class);
        if (blocked.size() == DayOfWeek.values().length) {
            throw c.problem("blockedDays", "one day of the week must be left", "at most six days");
        }
        return new CaseFile.Training(
                c.code("approach", Approach.class),
                changes,
                c.whole("minutesPerDay", Range.MINUTES_PER_DAY),
                c.whole("daysPerWeek", Range.DAYS_PER_WEEK),
                c.optionalWhole("size", Range.SIZE).orElse(null),
                c.optionalCode("growFirst", Progress.GrowFirst.class).orElse(Progress.GrowFirst.REPS),
                blocked,
                c.optionalCode("goal", Goal.class).orElse(null),
                c.optionalDate("goalDate").orElse(null));
    }

    private static Visited visit(CaseObject v, LocalDate today, boolean therapist, List<CaseProblem> problems) {
        Visited visit = new Visited(
                past(v, "date", today),
                v.optionalFlag("asked").orElse(false),
                v.codes("answers", Answer.class),
                good(v, "readings", problems, CaseFileReader::reading),
                good(v, "findings", problems, f -> finding(f, therapist)));
        v.nothingElse();
        return visit;
    }

    private static LocalDate past(CaseObject c, String field, LocalDate today) {
        LocalDate day = c.date(field);
        if (day.isAfter(today)) {
            throw c.problem(field, day + " is still to come", "up to " + today);
        }
        return day;
    }

    private static Read reading(CaseObject r) {
        Read read = new Read(
                r.number("siteCm", Range.SITE_CM),
                r.code("condition", Condition.class),
                r.code("method", Method.class),
                r.items("values", CaseFileReader::number),
                r.optionalNumber("depthMm", Range.DEPTH_MM).orElse(null),
                r.optionalCode("depth", Depth.class).orElse(null),
                r.optionalCode("feel", Feel.class).orElse(null));
        r.nothingElse();
        r.checked(
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

    private static Found finding(CaseObject f, boolean therapist) {
        Finding finding = f.code("finding", Finding.class);
        Side side = f.optionalCode("side", Side.class).orElse(null);
        String value = f.text("value");
        f.nothingElse();
        if (finding.therapistOnly() && !therapist) {
            throw f.problem("finding", finding + " is for a therapist to bring in", null);
        }
        if (finding.perSide() != (side != null)) {
            throw f.problem(
                    "side", finding + (finding.perSide() ? " has sides" : " has no sides"), "LEFT, RIGHT or none");
        }
        return new Found(
                finding,
                side,
                finding.canonical(value).orElseThrow(() -> f.problem("value", finding + " cannot be " + value, null)));
    }

    private static Standing standing(CaseObject p, Catalogue catalogue, LocalDate today) {
        CaseObject d = p.object("dose");
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
                p.code("strand", Strand.class),
                p.optionalCode("side", Side.class).orElse(null),
                rung(p, catalogue),
                dose,
                p.number("range", Range.RANGE_FRACTION),
                past(p, "since", today),
                p.text("change"));
        p.nothingElse();
        if (!place.change().matches("[A-Z_]{1,20}")) {
            throw p.problem("change", "unknown code", null);
        }
        return place;
    }

    private static String rung(CaseObject c, Catalogue catalogue) {
        String rung = c.text("rung");
        if (catalogue.find(rung).isEmpty()) {
            throw c.problem("rung", "a rung that is not in this house's catalogue: " + rung, null);
        }
        return rung;
    }

    private static Trained trained(CaseObject s, Catalogue catalogue, LocalDate today) {
        Trained session = new Trained(
                past(s, "date", today),
                s.optionalFlag("atHome").orElse(false),
                s.objects("results").stream().map(r -> went(r, catalogue)).toList());
        s.nothingElse();
        return session;
    }

    private static Went went(CaseObject r, Catalogue catalogue) {
        Went went = new Went(
                rung(r, catalogue),
                r.optionalCode("side", Side.class).orElse(null),
                r.code("result", SessionResult.Kind.class),
                r.optionalWhole("effort", Range.EFFORT).orElse(null),
                symptoms(r, "nextDay").orElse(null),
                symptoms(r, "signs").orElse(""),
                r.number("range", Range.RANGE_FRACTION),
                done(r),
                eased(r, catalogue));
        r.nothingElse();
        return went;
    }

    private static @Nullable Amount done(CaseObject r) {
        Integer sets = r.optionalWhole("doneSets", Range.SETS).orElse(null);
        Integer times = r.optionalWhole("doneTimes", Range.REPS).orElse(null);
        Integer holdS = r.optionalWhole("doneHoldS", Range.DOSE_HOLD_S).orElse(null);
        if (sets == null && times == null && holdS == null) {
            return null;
        }
        if (sets == null || times == null) {
            throw r.problem(sets == null ? "doneSets" : "doneTimes", "an amount without its sets or times", null);
        }
        return new Amount(sets, times, holdS);
    }

    private static CaseFile.@Nullable WentEased eased(CaseObject r, Catalogue catalogue) {
        String rung = r.optionalText("easedRung").orElse(null);
        Double range = r.optionalNumber("easedRange", Range.RANGE_FRACTION).orElse(null);
        int kneesBentDeg = r.optionalWhole("easedKneesDeg", Range.ANGLE_DEG).orElse(0);
        Integer times = r.optionalWhole("easedTimes", Range.REPS).orElse(null);
        Integer holdS = r.optionalWhole("easedHoldS", Range.DOSE_HOLD_S).orElse(null);
        SignCode because = r.optionalCode("easedBecause", SignCode.class).orElse(null);
        List<String> parts = r.optionalText("easedParts")
                .filter(t -> !t.isEmpty())
                .map(t -> List.of(t.split(",", -1)))
                .orElse(List.of());
        if (rung == null && range == null) {
            return null;
        }
        if (rung == null || range == null) {
            throw r.problem(rung == null ? "easedRung" : "easedRange", "an easing without its rung or range", null);
        }
        if (kneesBentDeg < 0 || kneesBentDeg > MOST_KNEE_BEND_DEG) {
            throw r.problem("easedKneesDeg", "degrees of " + kneesBentDeg, "0 to " + MOST_KNEE_BEND_DEG);
        }
        Easing easing = Easing.of(kneesBentDeg, parts);
        if (!easing.parts().containsAll(parts)) {
            throw r.problem(
                    "easedParts", "unknown code in " + String.join(",", parts), "levers and helpers with commas");
        }
        if (catalogue.find(rung).isEmpty()) {
            throw r.problem("easedRung", "a rung that is not in this house's catalogue: " + rung, null);
        }
        return new CaseFile.WentEased(new CleanSetting(rung, range, easing, times, holdS), because);
    }

    private static Optional<String> symptoms(CaseObject r, String field) {
        Optional<String> text = r.optionalText(field);
        Set<String> codes =
                EnumSet.allOf(SignCode.class).stream().map(Enum::name).collect(Collectors.toSet());
        text.filter(t -> !t.isEmpty()).ifPresent(t -> {
            for (String part : t.split(",", -1)) {
                if (!codes.contains(part.replaceFirst(":(10|[0-9])$", ""))) {
                    throw r.problem(field, "unknown code " + part, "codes with commas, pain as PAIN:level");
                }
            }
        });
        return text;
    }

    private static String limited(CaseObject c, String field, int longest) {
        String text = c.text(field).strip();
        if (text.length() > longest) {
            throw c.problem(field, "too long", "at most " + longest + " characters");
        }
        return text;
    }
}

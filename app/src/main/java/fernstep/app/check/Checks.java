package fernstep.app.check;

import fernstep.app.ask.Visit;
import fernstep.app.ask.VisitRow;
import fernstep.app.client.ClientFile;
import fernstep.app.security.Examiners;
import fernstep.core.findings.Alignment;
import fernstep.core.findings.Findings;
import fernstep.core.findings.FloatTest;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Side;
import fernstep.core.progress.ChangeReport;
import fernstep.core.screening.Stage;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.Separation;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The checks of a visit, read back as the core wants them. */
@Service
public class Checks {
    private final CheckMapper mapper;
    private final Examiners examiners;

    public Checks(CheckMapper mapper, Examiners examiners) {
        this.mapper = mapper;
        this.examiners = examiners;
    }

    /** The sheet of one visit, with the visit before it beside. */
    public CheckSheet sheet(Visit visit) {
        List<ReadingRow> now = mapper.readings(visit.id());
        List<ReadingRow> before = mapper.visitWithReadingsBefore(
                        visit.client().id(), visit.row().heldOn())
                .map(mapper::readings)
                .orElse(List.of());
        Map<String, String> today = FindingValues.byKey(mapper.findings(visit.id()));
        Map<String, String> earlier = FindingValues.byKey(
                mapper.latestFindings(visit.client().id(), visit.row().heldOn().minusDays(1)));
        return sheet(visit.client(), visit.row().heldOn(), now, before, today, earlier, mapper.skips(visit.id()));
    }

    private CheckSheet sheet(
            ClientFile client,
            LocalDate day,
            List<ReadingRow> now,
            List<ReadingRow> before,
            Map<String, String> today,
            Map<String, String> earlier,
            List<SkipRow> skips) {
        Separation.Check checkBefore = before.isEmpty() ? null : check(before);
        return new CheckSheet(
                now,
                before,
                separation(client, day, check(now), checkBefore, firmRidge(today)),
                checkBefore == null ? null : separation(client, day, checkBefore, null, firmRidge(earlier)),
                today,
                earlier,
                skips);
    }

    private static Separation separation(
            ClientFile client,
            LocalDate day,
            Separation.Check now,
            Separation.@Nullable Check before,
            boolean firmRidge) {
        return Separation.of(
                now, before, client.stances().gapReading(), Stage.forWidth(client.facts(), day), firmRidge);
    }

    private static boolean firmRidge(Map<String, String> values) {
        return Findings.Doming.FIRM.name().equals(values.get(CheckSheet.key(FindingField.DOMING, "")));
    }

    /** The newest separation check up to a day, with the one before it beside; empty without any. */
    public Optional<CheckSheet> latestSheet(ClientFile client, LocalDate upTo) {
        return mapper.visitWithReadingsBefore(client.id(), upTo.plusDays(1)).map(id -> {
            List<ReadingRow> now = mapper.readings(id);
            List<ReadingRow> before =
                    mapper.visitBefore(client.id(), id).map(mapper::readings).orElse(List.of());
            return sheet(client, upTo, now, before, Map.of(), Map.of(), List.of());
        });
    }

    /** The newest value of every finding up to a day: what the plan is made from. */
    public Findings findings(long clientId, LocalDate upTo) {
        return findings(FindingValues.byKey(mapper.latestFindings(clientId, upTo)));
    }

    /** One visit's readings and findings, ready to be compared. */
    public record Taken(VisitRow visit, Separation.Check check, ChangeReport.Found found) {
        public boolean empty() {
            return check.readings().isEmpty()
                    && found.numbers().isEmpty()
                    && found.codes().isEmpty();
        }
    }

    /** Every visit on which something was checked, oldest first. */
    public List<Taken> history(List<VisitRow> visits) {
        return visits.stream()
                .sorted(Comparator.comparing(VisitRow::heldOn))
                .map(v -> new Taken(
                        v,
                        check(mapper.readings(v.id())),
                        Measures.found(FindingValues.byKey(mapper.findings(v.id())))))
                .filter(t -> !t.empty())
                .toList();
    }

    /** The later visit compared with the earlier one. */
    public ChangeReport changes(ClientFile client, Taken before, Taken now) {
        return ChangeReport.of(
                separation(client, now.visit().heldOn(), now.check(), before.check(), false),
                before.found(),
                now.found());
    }

    private Separation.Check check(List<ReadingRow> rows) {
        Examiner examiner = rows.isEmpty()
                ? Examiner.UNKNOWN
                : examiners.examiner(rows.get(0).staffId());
        return new Separation.Check(rows.stream().map(ReadingRow::asReading).toList(), examiner);
    }

    /** From values under their {@link CheckSheet#key}. */
    public static Findings findings(Map<String, String> values) {
        Map<Side, Integer> grades = new EnumMap<>(Side.class);
        Map<Side, Integer> scores = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            Optional.ofNullable(values.get(CheckSheet.key(FindingField.SET_GRADE, side.name())))
                    .ifPresent(v -> grades.put(side, Integer.parseInt(v)));
            FloatTest test = CheckSheet.floatTest(values, side);
            if (test.tried()) {
                scores.put(side, test.score());
            }
        }
        return new Findings(
                code(values, FindingField.COUGH, Findings.Cough.class),
                grades,
                number(values, FindingField.TOLERANCE_BREATHS),
                code(values, FindingField.BREATH_PATTERN, Findings.BreathPattern.class),
                scores,
                code(values, FindingField.LUMBAR_GAP, Findings.LumbarGap.class),
                ribs(values),
                code(values, FindingField.DOMING, Findings.Doming.class),
                code(values, FindingField.COUGH_FLOOR, Findings.FloorOnCough.class),
                code(values, FindingField.SCOOP, Findings.Scoop.class),
                kept(values, FindingField.ROD_ARM),
                kept(values, FindingField.ROD_LEG),
                whole(values, FindingField.HOVER_S),
                shown(values));
    }

    private static Findings.Shown shown(Map<String, String> values) {
        Map<Side, Double> holds = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            Optional.ofNullable(values.get(CheckSheet.key(FindingField.SET_HOLD_S, side.name())))
                    .flatMap(FindingValues::number)
                    .ifPresent(v -> holds.put(side, v));
        }
        String marks = values.get(CheckSheet.key(FindingField.ALIGNMENT_POINTS, ""));
        Observed.YesNo flare = code(values, FindingField.RIB_FLARE, Observed.YesNo.class);
        Observed.YesNo drops = code(values, FindingField.BELLY_DROP, Observed.YesNo.class);
        return new Findings.Shown(
                holds,
                marks == null
                        ? null
                        : FindingValues.alignment(marks).map(Alignment::tiltDeg).orElse(null),
                flare == null ? null : flare == Observed.YesNo.YES,
                code(values, FindingField.PF_LIFT, Observed.FloorLift.class),
                code(values, FindingField.PF_LET_GO, Observed.LetGo.class),
                drops == null ? null : drops == Observed.YesNo.YES);
    }

    /** The sides on which the rod kept its three contacts. */
    private static Set<Side> kept(Map<String, String> values, FindingField field) {
        Set<Side> kept = EnumSet.noneOf(Side.class);
        contacts(values, field).forEach((side, contact) -> {
            if (contact == Observed.RodContact.KEPT) {
                kept.add(side);
            }
        });
        return kept;
    }

    private static @Nullable Integer whole(Map<String, String> values, FindingField field) {
        Double value = decimal(values, field);
        return value == null ? null : (int) Math.floor(value);
    }

    static Observed observed(Map<String, String> values) {
        return new Observed(
                decimal(values, FindingField.SET_EFFORT_PCT),
                code(values, FindingField.PF_LIFT, Observed.FloorLift.class),
                code(values, FindingField.PF_LET_GO, Observed.LetGo.class),
                code(values, FindingField.PF_OVER, Observed.YesNo.class),
                code(values, FindingField.RIB_FLARE, Observed.YesNo.class),
                code(values, FindingField.FLARE_SETTLES, Observed.YesNo.class),
                code(values, FindingField.STRAW, Observed.Straw.class),
                contacts(values, FindingField.ROD_ARM),
                contacts(values, FindingField.ROD_LEG),
                code(values, FindingField.BELLY_DROP, Observed.YesNo.class),
                decimal(values, FindingField.HOVER_S));
    }

    private static Map<Side, Observed.RodContact> contacts(Map<String, String> values, FindingField field) {
        Map<Side, Observed.RodContact> contacts = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            Optional.ofNullable(values.get(CheckSheet.key(field, side.name())))
                    .ifPresent(v -> contacts.put(side, Observed.RodContact.valueOf(v)));
        }
        return contacts;
    }

    private static @Nullable Double decimal(Map<String, String> values, FindingField field) {
        String value = values.get(CheckSheet.key(field, ""));
        return value == null ? null : Double.valueOf(value);
    }

    /** By eye where it was said, else from the dragged landmarks. */
    private static Findings.@Nullable RibsOverPelvis ribs(Map<String, String> values) {
        Findings.RibsOverPelvis byEye = code(values, FindingField.RIBS, Findings.RibsOverPelvis.class);
        String points = values.get(CheckSheet.key(FindingField.ALIGNMENT_POINTS, ""));
        return byEye != null || points == null
                ? byEye
                : Landmarks.of(points).alignment().ribs();
    }

    private static <E extends Enum<E>> @Nullable E code(Map<String, String> values, FindingField field, Class<E> type) {
        String value = values.get(CheckSheet.key(field, ""));
        return value == null ? null : Enum.valueOf(type, value);
    }

    private static @Nullable Integer number(Map<String, String> values, FindingField field) {
        String value = values.get(CheckSheet.key(field, ""));
        return value == null ? null : Integer.valueOf(value);
    }
}

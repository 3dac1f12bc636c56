package fernstep.app.demo;

import fernstep.app.ask.VisitMapper;
import fernstep.app.progress.LadderMapper;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.run.SessionMapper;
import fernstep.app.run.SessionRow;
import fernstep.app.rungs.Catalogues;
import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.app.support.Today;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Finding;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import fernstep.core.separation.Feel;
import fernstep.core.standing.Concern;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The story of each, with readings of honest error, and the sessions of the invented clients. Seeded: the same every time. */
@Component
class DemoHistory {
    private static final long SEED = 20_311;
    private static final LocalTime LAST_NIGHT = LocalTime.of(21, 40);

    private final VisitMapper visits;
    private final DemoChecks checks;
    private final LadderMapper ladders;
    private final SessionMapper sessions;
    private final DemoTraining training;
    private final Catalogues catalogues;
    private final Standings standings;
    private final Today today;

    DemoHistory(
            VisitMapper visits,
            DemoChecks checks,
            LadderMapper ladders,
            SessionMapper sessions,
            DemoTraining training,
            Catalogues catalogues,
            Standings standings,
            Today today) {
        this.standings = standings;
        this.training = training;
        this.catalogues = catalogues;
        this.visits = visits;
        this.checks = checks;
        this.ladders = ladders;
        this.sessions = sessions;
        this.today = today;
    }

    /** The ids of the twelve. */
    record People(
            long wren,
            long priyanka,
            long solveig,
            long maribel,
            long hana,
            long freya,
            long adaeze,
            long beatrix,
            long noor,
            long leilani,
            long zofia,
            long catarina) {}

    void write(People people, long therapist, long coach) {
        Random random = new Random(SEED);
        checks.separation(people.wren(), 30, 2.5, 0.0, Feel.SPRINGY, therapist, random);
        long maribel = checks.separation(people.maribel(), 21, 2.5, 0.5, Feel.SPRINGY, therapist, random);
        checks.finding(maribel, Finding.COUGH, "", "DRAWS_IN");
        checks.finding(maribel, Finding.SET_GRADE, "LEFT", "3");
        checks.finding(maribel, Finding.SET_GRADE, "RIGHT", "4");
        checks.finding(maribel, Finding.TOLERANCE_BREATHS, "", "5");
        checks.finding(maribel, Finding.LUMBAR_GAP, "", "FLAT_HAND");
        checks.floats(maribel, "LEFT", 1);
        checks.floats(maribel, "RIGHT", 3);
        place(people.maribel(), Strand.BREATH, "", "BR3", 1, null, null, 4, 14, therapist);
        place(people.maribel(), Strand.DEEP_CORE, "", "DC2", 1, 10, 7, null, 14, therapist);
        place(people.maribel(), Strand.LEG_FLOAT, "LEFT", "F1", 1, 7, null, null, 14, therapist);
        place(people.maribel(), Strand.LEG_FLOAT, "RIGHT", "F2", 1, 12, null, null, 14, therapist);
        trained(people.maribel(), List.of(12, 8, 5), therapist, "BR3", "", Kind.CLEAN, Kind.CLEAN, Kind.HELPED);
        trained(people.maribel(), List.of(12, 8, 5), therapist, "DC2", "", Kind.EASED, Kind.CLEAN, Kind.CLEAN);
        trained(people.maribel(), List.of(12, 8, 5), therapist, "F1", "LEFT", Kind.EASED, Kind.CLEAN, Kind.HELPED);
        trained(people.maribel(), List.of(12, 8, 5), therapist, "F2", "RIGHT", Kind.CLEAN, Kind.CLEAN, Kind.CLEAN);

        checks.separation(people.hana(), 130, 3.5, 0.0, Feel.SOFT, therapist, random);
        long hanaFirst = checks.separation(people.hana(), 110, 3.5, 0.5, Feel.SOFT, therapist, random);
        checks.set(hanaFirst, 2, 3, "3");
        checks.floats(hanaFirst, "LEFT", 1);
        checks.floats(hanaFirst, "RIGHT", 2);
        checks.separation(people.hana(), 90, 3.0, 0.5, Feel.SOFT, therapist, random);
        long hana = checks.separation(people.hana(), 45, 2.5, 0.5, Feel.SPRINGY, coach, random);
        checks.set(hana, 4, 4, "7");
        checks.floats(hana, "LEFT", 4);
        checks.floats(hana, "RIGHT", 4);
        checks.separation(people.freya(), 160, 2.5, 0.5, Feel.SPRINGY, therapist, random);
        long freya = checks.separation(people.freya(), 30, 1.5, 0.5, Feel.TAUT, therapist, random);
        checks.set(freya, 5, 5, "12");
        checks.floats(freya, "LEFT", 5);
        checks.floats(freya, "RIGHT", 5);
        long adaeze = checks.separation(people.adaeze(), 25, 2.5, -0.5, Feel.SOFT, therapist, random);
        checks.set(adaeze, 3, 3, "2");
        checks.finding(adaeze, Finding.COUGH, "", "PUSHES_OUT");
        checks.finding(adaeze, Finding.BREATH_PATTERN, "", "CHEST_UP");
        checks.separation(people.beatrix(), 120, 3.5, 0.5, Feel.SPRINGY, therapist, random);
        long beatrix = checks.separation(people.beatrix(), 35, 3.5, 0.5, Feel.SPRINGY, coach, random);
        checks.set(beatrix, 4, 4, "9");
        checks.floats(beatrix, "LEFT", 3);
        checks.floats(beatrix, "RIGHT", 3);
        long noor = checks.separation(people.noor(), 40, 1.0, 0.5, Feel.TAUT, therapist, random);
        checks.set(noor, 3, 4, "6");
        checks.floats(noor, "LEFT", 2);
        checks.floats(noor, "RIGHT", 2);
        long leilani = checks.separation(people.leilani(), 28, 2.0, 0.5, Feel.SPRINGY, therapist, random);
        checks.set(leilani, 3, 3, "4");
        place(people.leilani(), Strand.BREATH, "", "BR2", 1, null, null, 6, 14, therapist);
        place(people.leilani(), Strand.DEEP_CORE, "", "DC2", 1, 8, 4, null, 14, therapist);
        trained(people.leilani(), List.of(6, 3, 1), therapist, "BR2", "", Kind.CLEAN, Kind.CLEAN, Kind.CLEAN);
        trained(people.leilani(), List.of(6, 3, 1), therapist, "DC2", "", Kind.CLEAN, Kind.CLEAN, Kind.STOPPED);
        standings.report(
                people.leilani(),
                new Concern.PelvicFloor(SignCode.HEAVY, "DC2"),
                Heard.fromHome(today.date().minusDays(1).atTime(LAST_NIGHT)));
        long solveig = checks.visit(people.solveig(), 2, therapist);
        visits.addAnswer(solveig, Answer.SURGEON_NOT_CLEARED);
        standings.report(
                people.solveig(),
                new Concern.AskFirst(Answer.SURGEON_NOT_CLEARED),
                Heard.atVisit(today.date().minusDays(2).atTime(10, 30), therapist, solveig));
        long zofia = checks.separation(people.zofia(), 72, 2.5, 0.5, Feel.SPRINGY, therapist, random);
        checks.set(zofia, 4, 4, "5");
        checks.floats(zofia, "LEFT", 2);
        checks.floats(zofia, "RIGHT", 3);
        place(people.zofia(), Strand.LEG_FLOAT, "LEFT", "F2", 1, 14, null, null, 60, therapist);
        place(people.zofia(), Strand.LEG_FLOAT, "RIGHT", "F3", 1, 8, null, null, 60, therapist);
        trained(people.zofia(), List.of(40, 34, 30), therapist, "F2", "LEFT", Kind.CLEAN, Kind.HELPED, Kind.CLEAN);
        trained(people.zofia(), List.of(40, 34, 30), therapist, "F3", "RIGHT", Kind.CLEAN, Kind.EASED, Kind.CLEAN);
        long catarina = checks.separation(people.catarina(), 20, 1.0, 0.5, Feel.TAUT, therapist, random);
        checks.set(catarina, 5, 5, "14");
        checks.floats(catarina, "LEFT", 5);
        checks.floats(catarina, "RIGHT", 5);
        checks.finding(hana, Finding.DOMING, "", "SOFT");
        checks.finding(freya, Finding.DOMING, "", "NONE");
        checks.finding(catarina, Finding.DOMING, "", "NONE");
        checks.neutral(hana, "YES");
        checks.neutral(freya, "YES");
        checks.neutral(catarina, "YES");
        Findings good = found(Observed.Scoop.YES, Observed.Doming.NONE);
        training.play(
                people.freya(),
                therapist,
                new DemoTraining.Habits(170, 0.85, 0.92, 96, 10, 11),
                good,
                starts("BR3", "DC3", "F5", "HK3", "HP1", "SS1", "BG1"));
        training.play(
                people.hana(),
                therapist,
                new DemoTraining.Habits(88, 0.75, 0.74, 0, 0, 12),
                found(Observed.Scoop.YES, Observed.Doming.SOFT),
                starts("BR3", "DC2", "F2", "HK1"));
        training.play(
                people.catarina(),
                therapist,
                new DemoTraining.Habits(175, 0.9, 0.93, 120, 9, 13),
                good,
                starts("BR4", "DC5", "F6", "HK5", "HP2", "SS2", "BG2", "RO2", "UP3"));
        training.play(
                people.beatrix(),
                coach,
                new DemoTraining.Habits(100, 0.6, 0.72, 50, 12, 14),
                found(Observed.Scoop.PARTLY, Observed.Doming.NONE),
                starts("BR3", "DC3", "F2"));
        training.play(
                people.noor(),
                therapist,
                new DemoTraining.Habits(38, 0.8, 0.8, 0, 0, 15),
                found(Observed.Scoop.PARTLY, Observed.Doming.NONE),
                starts("BR2", "DC2", "F1"));
    }

    private static Findings found(Observed.Scoop scoop, Observed.Doming doming) {
        return Findings.NONE
                .with(new Findings.Pressure(Observed.Cough.DRAWS_IN, Observed.FloorOnCough.LIFTS, doming))
                .with(new Findings.AtRest(
                        Observed.BreathPattern.RIBS_ALL_ROUND,
                        Observed.LumbarGap.FLAT_HAND,
                        Observed.RibsOverPelvis.STACKED))
                .with(new Findings.DeepCore(Map.of(Side.LEFT, 4, Side.RIGHT, 4), 8, Map.of()))
                .with(Findings.HandsAndKnees.scoop(scoop));
    }

    /** Both sides where a rung has sides. */
    private List<DemoTraining.Start> starts(String... rungs) {
        List<DemoTraining.Start> starts = new ArrayList<>();
        for (String code : rungs) {
            Rung rung = catalogues.get().rung(code);
            if (rung.perSide()) {
                for (Side side : Side.values()) {
                    starts.add(new DemoTraining.Start(rung.strand(), side, code, rung.hasRange() ? 0.5 : 1));
                }
            } else {
                starts.add(DemoTraining.Start.of(rung.strand(), code));
            }
        }
        return starts;
    }

    private void place(
            long client,
            Strand strand,
            String side,
            String rung,
            int sets,
            @Nullable Integer reps,
            @Nullable Integer holdS,
            @Nullable Integer breaths,
            int daysAgo,
            long staff) {
        ladders.insert(new LadderRow(
                null,
                client,
                strand,
                side,
                rung,
                sets,
                reps,
                holdS,
                breaths,
                1,
                5,
                today.date().minusDays(daysAgo),
                "START",
                staff,
                0,
                1));
    }

    private void trained(long client, List<Integer> daysAgo, long staff, String rung, String side, Kind... kinds) {
        for (int i = 0; i < kinds.length; i++) {
            LocalDate day = today.date().minusDays(daysAgo.get(i));
            String id = UUID.nameUUIDFromBytes((client + " " + daysAgo.get(i)).getBytes(StandardCharsets.UTF_8))
                    .toString();
            sessions.insert(new SessionRow(id, client, day, staff, null));
            sessions.finish(id);
            ladders.putResult(
                    new ResultRow(id, rung, side, client, day, kinds[i], kinds[i] == Kind.EASED ? 5 : 3, "", "", 1));
        }
    }
}

package fernstep.app.letters;

import fernstep.app.ask.Visits;
import fernstep.app.check.Checks;
import fernstep.app.client.ClientFile;
import fernstep.app.client.EventRow;
import fernstep.app.emergency.EmergencySheet;
import fernstep.app.emergency.EmergencySheets;
import fernstep.app.plan.Prescriptions;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import fernstep.core.plan.PlanItem;
import fernstep.core.progress.ChangeReport;
import fernstep.core.schedule.Prescription;
import fernstep.core.schedule.TrainingDays;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.separation.Width;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Writes the first version of a letter from the record: numbers with their error, changes with what they must exceed. */
@Service
class LetterText {
    private static final int WEEKS = 4;
    /** Two-sided, 95 %. */
    private static final double SHARE_95 = 1.96;

    private final Visits visits;
    private final Checks checks;
    private final Prescriptions prescriptions;
    private final EmergencySheets sheets;
    private final Results results;
    private final Catalogues catalogues;
    private final Words words;
    private final Today today;

    LetterText(
            Visits visits,
            Checks checks,
            Prescriptions prescriptions,
            EmergencySheets sheets,
            Results results,
            Catalogues catalogues,
            Words words,
            Today today) {
        this.visits = visits;
        this.checks = checks;
        this.prescriptions = prescriptions;
        this.sheets = sheets;
        this.results = results;
        this.catalogues = catalogues;
        this.words = words;
        this.today = today;
    }

    /** In the language of the request at hand. */
    String of(ClientFile client, LetterKind kind, String author) {
        LetterSheet sheet = new LetterSheet(new ArrayList<>());
        switch (kind) {
            case REFERRAL -> referral(client, sheet);
            case DISCHARGE -> discharge(client, sheet);
            case WHAT_WE_FOUND -> whatWeFound(client, sheet);
            case EMERGENCY -> emergency(client, sheet);
        }
        sheet.line("");
        sheet.line(author + ", " + words.day(today.date()));
        return String.join("\n", sheet.lines());
    }

    private void referral(ClientFile client, LetterSheet sheet) {
        Screening screening = visits.screeningToday(client);
        who(client, screening, sheet);
        List<Checks.Taken> history = checks.history(visits.ofClient(client.id()));
        measured(client, history, sheet);
        if (history.size() >= 2) {
            changed(client, history.get(history.size() - 2), history.get(history.size() - 1), sheet);
        }
        plan(client, screening, sheet);
        trained(client, sheet);
        sheet.heading(words.text("letter.questions"));
        sheet.line(words.text("letter.questionsHere"));
    }

    private void discharge(ClientFile client, LetterSheet sheet) {
        who(client, visits.screeningToday(client), sheet);
        List<Checks.Taken> history = checks.history(visits.ofClient(client.id()));
        measured(client, history, sheet);
        if (history.size() >= 2) {
            changed(client, history.get(0), history.get(history.size() - 1), sheet);
        }
        stands(client, words.text("letter.stands"), sheet);
        trained(client, sheet);
        sheet.heading(words.text("letter.goesOn"));
        sheet.line(words.text("letter.goesOnHere"));
        comeBack(client, sheet);
    }

    private void whatWeFound(ClientFile client, LetterSheet sheet) {
        List<Checks.Taken> history = checks.history(visits.ofClient(client.id()));
        sheet.line(words.text("letter.hello", client.name().split(" ", 2)[0]));
        sheet.line("");
        if (history.isEmpty()) {
            sheet.line(words.text("letter.her.notYet"));
        } else {
            Checks.Taken now = history.get(history.size() - 1);
            sheet.line(words.text("letter.her.measuredOn", now.visit().heldOn()));
            for (Width w : widths(client, now)) {
                sheet.item(words.text(
                        "letter.her.width",
                        words.site(w.reading().siteCm()),
                        words.amid(words.text("condition." + w.reading().condition())),
                        Numbers.rounded(w.mm(), 0),
                        Math.ceil(SHARE_95 * w.errorMm())));
            }
            sheet.line(words.text("letter.her.widthAlone"));
        }
        if (history.size() >= 2) {
            sheet.heading(words.text("letter.her.changed"));
            checks.changes(client, history.get(history.size() - 2), history.get(history.size() - 1)).forHer().stream()
                    .map(words::of)
                    .forEach(sheet::line);
        }
        stands(client, words.text("letter.her.stands"), sheet);
        comeBack(client, sheet);
    }

    private void emergency(ClientFile client, LetterSheet sheet) {
        EmergencySheet emergency = sheets.of(client.id());
        for (EmergencySheet.Call call : emergency.calls()) {
            sheet.heading(words.text("emergencyCall." + call.whom()));
            call.lines().forEach(line -> sheet.item(words.text("callWho." + line.who()) + ": " + line.number()));
        }
        who(client, visits.screeningToday(client), sheet);
        sheet.heading(words.text("letter.toldToday"));
        for (EmergencySheet.Said said : emergency.said()) {
            sheet.item(words.text(
                    said.heardBy().isEmpty() ? "letter.saidFromHome" : "letter.said",
                    words.of(said.what()),
                    words.moment(said.at()),
                    said.heardBy()));
        }
        emergency
                .called()
                .forEach(noted ->
                        sheet.item(words.text("letter.noted", words.moment(noted.at()), noted.by(), noted.what())));
        sheet.heading(words.text("letter.sessionThatDay", words.day(emergency.trainedOn())));
        if (emergency.before().isEmpty()) {
            sheet.line(words.text("letter.noSession"));
        }
        emergency.before().forEach(result -> sheet.item(before(result)));
        if (!client.row().note().isBlank()) {
            sheet.heading(words.text("letter.onFile"));
            sheet.line(client.row().note());
        }
    }

    /** "Leg float, left: stopped; heaviness". */
    private String before(ResultRow result) {
        String signs = result.signList().stream().map(words::amid).collect(Collectors.joining(", "));
        return words.rung(result.rung())
                + (result.side().isEmpty() ? "" : ", " + words.side(result.side()))
                + ": " + words.code(result.result())
                + (signs.isEmpty() ? "" : "; " + signs);
    }

    private void who(ClientFile client, Screening screening, LetterSheet sheet) {
        Integer age = client.row().age();
        sheet.line(words.text(
                "letter.about",
                client.name()
                        + (age == null ? "" : ", " + words.text("letter.years", age))
                        + ". " + words.of(screening.stage().label()) + "."));
        for (EventRow event : client.events()) {
            String what = event.kind() == EventRow.Kind.BIRTH
                    ? words.text("letter.birth")
                            + (event.birthMode() == null ? "" : ", " + words.code(event.birthMode()))
                            + (event.tearDegree() > 0 ? ", " + words.text("letter.tear", event.tearDegree()) : "")
                    : event.what();
            sheet.item(words.day(event.happenedOn()) + ": " + what);
        }
        client.clearances()
                .forEach(row -> sheet.item(words.text(
                        "letter.cleared", words.day(row.givenOn()), words.text("letter.scope." + row.scope()))));
    }

    private List<Width> widths(ClientFile client, Checks.Taken taken) {
        return checks.changes(client, taken, taken).separation().widths();
    }

    private void measured(ClientFile client, List<Checks.Taken> history, LetterSheet sheet) {
        sheet.heading(words.text("letter.findings"));
        if (history.isEmpty()) {
            sheet.line(words.text("letter.nothingMeasured"));
            return;
        }
        Checks.Taken now = history.get(history.size() - 1);
        sheet.line(words.text("letter.measuredOn", now.visit().heldOn()));
        for (Width w : widths(client, now)) {
            sheet.item(words.text(
                    "letter.width",
                    words.site(w.reading().siteCm()),
                    words.code(w.reading().condition()),
                    Numbers.rounded(w.mm(), 1),
                    Numbers.rounded(SHARE_95 * w.errorMm(), 1),
                    words.code(w.reading().method())));
        }
        now.found().numbers().entrySet().stream()
                .sorted(Map.Entry.comparingByKey(Comparator.comparing((ChangeReport.Key key) -> key.measure())
                        .thenComparing(key -> String.valueOf(key.side()))))
                .forEach(entry -> sheet.item(words.code(entry.getKey().measure())
                        + (entry.getKey().side() == null
                                ? ""
                                : ", " + words.code(entry.getKey().side()))
                        + ": " + Numbers.plain(entry.getValue()) + " "
                        + words.text(
                                "letter.realFrom",
                                Numbers.rounded(entry.getKey().measure().smallestRealChange(), 1))));
    }

    private void changed(ClientFile client, Checks.Taken before, Checks.Taken now, LetterSheet sheet) {
        sheet.heading(words.text("letter.changedSince", before.visit().heldOn()));
        ChangeReport report = checks.changes(client, before, now);
        report.paragraph().stream().map(words::of).forEach(sheet::line);
    }

    private void plan(ClientFile client, Screening screening, LetterSheet sheet) {
        sheet.heading(words.text("letter.plan"));
        Prescription prescription = prescriptions.of(client);
        if (screening.outcome().closesGates()) {
            boolean nothing = prescription.plan().items().isEmpty()
                    || !prescription.mayTrain().opensSession();
            sheet.line(words.text(nothing ? "letter.planRests" : "letter.planLeast", screening.outcome()));
            if (nothing) {
                return;
            }
        }
        if (!prescription.mayTrain().opensSession()) {
            sheet.line(words.text("letter.planHeld"));
            return;
        }
        sheet.line(words.text(
                "letter.approach",
                client.houseApproach() == null
                        ? words.text("approach." + client.row().approach())
                        : client.houseApproach()));
        for (PlanItem item : prescription.plan().items()) {
            sheet.item(item.rung().name()
                    + (item.side() == null ? "" : ", " + words.code(item.side()))
                    + ": " + words.dose(item.dose()) + ", " + words.often(item.dose()));
        }
    }

    private void stands(ClientFile client, String heading, LetterSheet sheet) {
        sheet.heading(heading);
        List<LadderRow> steps = results.steps(client.id());
        if (steps.isEmpty()) {
            sheet.line(words.text("letter.standsNowhere"));
        }
        steps.forEach(row -> {
            var rung = catalogues.get().rung(row.rung());
            sheet.item(words.code(rung.strand()) + (row.side().isEmpty() ? "" : ", " + words.side(row.side())) + ": "
                    + words.name(rung) + ", " + words.dose(row.asPlace().dose()));
        });
    }

    /** Days trained of those planned, and how often each sign was seen. */
    private void trained(ClientFile client, LetterSheet sheet) {
        LocalDate day = today.date();
        LocalDate since = day.minusWeeks(WEEKS);
        List<ResultRow> done = results.since(client.id(), since);
        Set<DayOfWeek> training =
                TrainingDays.of(client.row().daysPerWeek(), client.settings().blocked());
        long planned = since.plusDays(1)
                .datesUntil(day.plusDays(1))
                .filter(each -> training.contains(each.getDayOfWeek()))
                .count();
        sheet.heading(words.text("letter.trained"));
        sheet.line(words.text(
                "letter.days", done.stream().map(ResultRow::heldOn).distinct().count(), planned, WEEKS));
        Map<SignCode, Integer> signs = new EnumMap<>(SignCode.class);
        done.forEach(row -> row.signList().forEach(code -> signs.merge(code, 1, Integer::sum)));
        sheet.line(
                signs.isEmpty()
                        ? words.text("letter.noSigns", done.size())
                        : words.text(
                                "letter.signs",
                                signs.entrySet().stream()
                                        .map(entry -> words.code(entry.getKey()) + " " + entry.getValue())
                                        .collect(Collectors.joining(", ")),
                                done.size()));
    }

    private void comeBack(ClientFile client, LetterSheet sheet) {
        sheet.heading(words.text("page.plan.stopAtOnceAndCall"));
        sheet.line(Arrays.stream(Answer.values())
                        .filter(Answer::emergency)
                        .filter(answer -> answer.mayApplyTo(client.facts()))
                        .map(words::toHer)
                        .collect(Collectors.joining("; "))
                + ".");
    }
}

package fernstep.app.home;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.rungs.Catalogues;
import fernstep.app.security.SignedIn;
import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import fernstep.core.progress.HomeAdvice;
import fernstep.core.progress.HomeReport;
import fernstep.core.schedule.TrainingDays;
import fernstep.core.standing.Concern;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Period;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What the client reports from home, entered by the practitioner. */
@Controller
@Work(Work.Kind.NONE)
class HomeLogController {
    private static final Logger LOG = LoggerFactory.getLogger(HomeLogController.class);
    private static final int LOOK_BACK_DAYS = 28;
    private static final int DAYS_IN_A_WEEK = 7;
    /** The button that tells all as planned; exceptions are set after it. */
    private static final String ALL = "all";

    /** Signs a client can notice herself; pain has a level of its own. */
    private static final List<SignCode> TOLD =
            HomeAdvice.NOTICED.stream().filter(code -> code != SignCode.PAIN).toList();

    private final Clients clients;
    private final Results results;
    private final HomeLogMapper mapper;
    private final HomeEntries entries;
    private final HomeReports reports;
    private final Mornings mornings;
    private final Standings standings;
    private final Clock clock;
    private final Catalogues catalogues;
    private final Words words;
    private final Today today;

    HomeLogController(
            Clients clients,
            Results results,
            HomeLogMapper mapper,
            HomeEntries entries,
            HomeReports reports,
            Mornings mornings,
            Standings standings,
            Clock clock,
            Catalogues catalogues,
            Words words,
            Today today) {
        this.entries = entries;
        this.reports = reports;
        this.mornings = mornings;
        this.standings = standings;
        this.clock = clock;
        this.clients = clients;
        this.results = results;
        this.mapper = mapper;
        this.catalogues = catalogues;
        this.words = words;
        this.today = today;
    }

    @GetMapping("/clients/{id}/home-log")
    String page(@PathVariable long id, @RequestParam(required = false) @Nullable String on, Model model) {
        LocalDate day = today.date();
        ClientFile client = clients.file(id);
        List<LadderRow> steps = results.steps(id).stream()
                .sorted(Comparator.comparing(LadderRow::strand).thenComparing(LadderRow::side))
                .toList();
        Map<String, String> names = steps.stream()
                .collect(Collectors.toMap(
                        LadderRow::rung,
                        row -> catalogues.get().rung(row.rung()).name(),
                        (one, other) -> one));
        model.addAttribute("names", names);
        LocalDate chosen = chosen(on, steps.isEmpty() ? day : lastPlanned(client, day), day, model);
        Map<String, ResultRow> already = results.since(id, chosen).stream()
                .filter(row -> row.heldOn().equals(chosen) && row.sessionId().equals(HomeEntries.sessionId(id, chosen)))
                .collect(Collectors.toMap(row -> row.rung() + row.side(), row -> row, (one, other) -> other));
        model.addAttribute("client", client);
        model.addAttribute("steps", steps);
        model.addAttribute("on", chosen);
        model.addAttribute("today", day);
        model.addAttribute("earliest", day.minusDays(LOOK_BACK_DAYS));
        model.addAttribute("already", already);
        model.addAttribute(
                "beside",
                reports.of(HomeEntries.sessionId(id, chosen)).stream()
                        .collect(Collectors.groupingBy(report -> report.rung() + report.side())));
        model.addAttribute("signs", TOLD);
        model.addAttribute("life", entries.minded(id, day.minusDays(LOOK_BACK_DAYS), day));
        model.addAttribute("days", mapper.days(id, day.minusDays(LOOK_BACK_DAYS)));
        return "home/log";
    }

    /** The day of her last planned session before today: that is what she tells of. */
    private static LocalDate lastPlanned(ClientFile client, LocalDate today) {
        Set<DayOfWeek> training =
                TrainingDays.of(client.row().daysPerWeek(), client.settings().blocked());
        return today.minusDays(1)
                .datesUntil(today.minusDays(1 + DAYS_IN_A_WEEK), Period.ofDays(-1))
                .filter(day -> training.contains(day.getDayOfWeek()))
                .findFirst()
                .orElse(today);
    }

    private LocalDate chosen(@Nullable String on, LocalDate planned, LocalDate day, Model model) {
        if (on == null || on.isBlank()) {
            return planned;
        }
        try {
            LocalDate asked = LocalDate.parse(on);
            if (!asked.isAfter(day) && !asked.isBefore(day.minusDays(LOOK_BACK_DAYS))) {
                return asked;
            }
        } catch (DateTimeParseException e) {
            LOG.debug("not a day: {}", on, e);
        }
        model.addAttribute(
                "dayProblem",
                words.text("told.dayNotLogged", on, words.day(day.minusDays(LOOK_BACK_DAYS)), words.day(day)));
        return day;
    }

    /** Fields by step: codes2, effort12, signs12, pain12. */
    @PostMapping("/clients/{id}/home-log")
    @Transactional
    public String save(
            @PathVariable long id,
            @RequestParam LocalDate on,
            @RequestParam MultiValueMap<String, String> fields,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        FormProblems problems = new FormProblems(words);
        LocalDate day = today.date();
        if (on.isAfter(day) || on.isBefore(day.minusDays(LOOK_BACK_DAYS))) {
            problems.add("on", Reason.of("told.fromTo", day.minusDays(LOOK_BACK_DAYS), day));
        }
        if (fields.containsKey(ALL)) {
            results.steps(id).forEach(row -> fields.set("told" + row.id(), HomeReport.Told.DONE.name()));
        }
        List<HomeReportRow> told = new ArrayList<>();
        for (LadderRow step : results.steps(id)) {
            result(step, on, me.staffId(), fields, problems).ifPresent(told::add);
        }
        if (problems.any()) {
            flash.addFlashAttribute("logProblems", problems.byField());
            flash.addFlashAttribute("typed", fields);
            return "redirect:/clients/" + id + "/home-log?on=" + on;
        }
        List<ResultRow> before = results.ofSession(HomeEntries.sessionId(id, on));
        before.stream()
                .filter(was -> told.stream().noneMatch(now -> sameExercise(now, was)))
                .filter(was -> results.steps(id).stream()
                        .anyMatch(step ->
                                step.rung().equals(was.rung()) && step.side().equals(was.side())))
                .forEach(was -> reports.withdraw(was, me.staffId()));
        if (!told.isEmpty()) {
            mapper.insertSession(HomeEntries.sessionId(id, on), id, on, me.staffId());
            told.stream()
                    .filter(now -> before.stream().noneMatch(was -> saysTheSame(now, was)))
                    .forEach(now -> putDown(now, on, me.staffId()));
        }
        flash.addFlashAttribute("kept", told.size());
        return "redirect:/clients/" + id + "/home-log?on=" + on;
    }

    private static boolean sameExercise(HomeReportRow now, ResultRow was) {
        return now.rung().equals(was.rung()) && now.side().equals(was.side());
    }

    /** The page as it stands says nothing new. */
    private static boolean saysTheSame(HomeReportRow now, ResultRow was) {
        return sameExercise(now, was)
                && was.result() == now.report().kind()
                && Objects.equals(was.effort(), now.effort())
                && was.signs()
                        .equals(HomeEntries.told(
                                now.report().signs(), now.report().painLevel()));
    }

    private void putDown(HomeReportRow report, LocalDate on, long staffId) {
        reports.put(report, on);
        Heard heard = Heard.inLog(report.reportedAt(), staffId);
        Set<SignCode> signs = report.report().signs();
        if (signs.contains(SignCode.HEAVY)) {
            standings.report(report.clientId(), new Concern.PelvicFloor(SignCode.HEAVY, report.rung()), heard);
        }
        if (signs.contains(SignCode.LEAK)) {
            standings.report(report.clientId(), new Concern.Leaking(true, report.rung()), heard);
        }
        Integer pain = report.report().painLevel();
        if (pain != null && pain >= Concern.PAIN_HOLDS_FROM) {
            standings.report(report.clientId(), new Concern.Pain(pain, false, null, null, report.rung()), heard);
        }
    }

    private Optional<HomeReportRow> result(
            LadderRow step, LocalDate on, long staffId, MultiValueMap<String, String> fields, FormProblems problems) {
        String told = fields.getFirst("told" + step.id());
        if (told == null || told.isBlank()) {
            return Optional.empty();
        }
        HomeReport.Told how = problems.code("told" + step.id(), told, HomeReport.Told.class);
        Integer effort = problems.whole("effort" + step.id(), fields.getFirst("effort" + step.id()), Range.EFFORT);
        Integer pain = problems.whole("pain" + step.id(), fields.getFirst("pain" + step.id()), Range.PAIN_LEVEL);
        Set<SignCode> signs = EnumSet.noneOf(SignCode.class);
        fields.getOrDefault("signs" + step.id(), List.of()).forEach(code -> {
            SignCode sign = problems.code("signs" + step.id(), code, SignCode.class);
            if (sign != null) {
                signs.add(sign);
            }
        });
        if (problems.any() || how == null) {
            return Optional.empty();
        }
        return Optional.of(new HomeReportRow(
                UUID.randomUUID().toString(),
                step.clientId(),
                HomeEntries.sessionId(step.clientId(), on),
                step.rung(),
                step.side(),
                new HomeReport(how, signs, pain),
                effort,
                step.rangeFraction(),
                on.atTime(LocalTime.now(clock).withNano(0)),
                staffId));
    }

    /** How she was the morning after a day of training. */
    @PostMapping("/clients/{id}/next-morning")
    String nextMorning(
            @PathVariable long id,
            @RequestParam LocalDate heldOn,
            @RequestParam(required = false) @Nullable List<SignCode> felt,
            @RequestParam(required = false) @Nullable String pain,
            @RequestParam(defaultValue = "false") boolean leaksAsBefore,
            @RequestParam(required = false) @Nullable Long visit,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        FormProblems problems = new FormProblems(words);
        Integer level = problems.whole("pain", pain, Range.PAIN_LEVEL);
        if (problems.any()) {
            flash.addFlashAttribute("morningProblem", heldOn);
            flash.addFlashAttribute("morningMessage", problems.byField().get("pain"));
            return "redirect:/clients/" + id + "/home-log";
        }
        Set<SignCode> floor = EnumSet.noneOf(SignCode.class);
        if (felt != null) {
            felt.stream()
                    .filter(code -> code == SignCode.HEAVY || code == SignCode.LEAK)
                    .forEach(floor::add);
        }
        mornings.said(
                id,
                heldOn,
                new Mornings.Felt(floor, !leaksAsBefore, level),
                Heard.inLog(LocalDateTime.now(clock).withNano(0), me.staffId()));
        return visit == null ? "redirect:/clients/" + id + "/home-log" : "redirect:/visits/" + visit + "/ask";
    }
}

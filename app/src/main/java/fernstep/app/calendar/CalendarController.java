package fernstep.app.calendar;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Plans;
import fernstep.app.plan.Prescriptions;
import fernstep.app.progress.Ladders;
import fernstep.app.progress.ResultRow;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.Languages;
import fernstep.app.support.NotFound;
import fernstep.app.support.Today;
import fernstep.app.support.Tokens;
import fernstep.app.support.Work;
import fernstep.core.plan.Goal;
import fernstep.core.schedule.SessionCalendar;
import fernstep.exchange.calendar.CalendarFile;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The sessions of a client's plan, by month and by week. */
@Controller
@Work(Work.Kind.NONE)
class CalendarController {
    private static final int YEARS_EITHER_WAY = 10;

    private static final int FILE_WEEKS = 8;
    private static final int WEEK = 7;
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);

    private final Clients clients;
    private final Plans plans;
    private final Prescriptions prescriptions;
    private final Ladders ladders;
    private final Languages languages;
    private final FeedMapper feeds;
    private final Audit audit;
    private final Clock clock;
    private final Today today;

    CalendarController(
            Clients clients,
            Plans plans,
            Prescriptions prescriptions,
            Ladders ladders,
            Languages languages,
            FeedMapper feeds,
            Audit audit,
            Clock clock,
            Today today) {
        this.feeds = feeds;
        this.audit = audit;
        this.clients = clients;
        this.plans = plans;
        this.prescriptions = prescriptions;
        this.ladders = ladders;
        this.languages = languages;
        this.clock = clock;
        this.today = today;
    }

    @GetMapping("/clients/{id}/calendar")
    String calendar(
            @PathVariable long id,
            @RequestParam(defaultValue = "month") String view,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) @Nullable LocalDate on,
            Model model) {
        LocalDate day = within(on);
        boolean week = view.equals("week");
        LocalDate first = week ? day : day.withDayOfMonth(1);
        LocalDate last = week ? day : day.with(TemporalAdjusters.lastDayOfMonth());
        LocalDate from = first.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        LocalDate to = last.with(TemporalAdjusters.nextOrSame(DayOfWeek.SUNDAY));
        ClientFile client = clients.file(id);
        SessionCalendar calendar = sessions(client, from, to);
        model.addAttribute("client", client);
        model.addAttribute("hasFeed", feeds.exists(id));
        model.addAttribute("week", week);
        model.addAttribute("heading", week ? null : MONTH.format(YearMonth.from(day)));
        model.addAttribute("first", from);
        model.addAttribute("last", to);
        model.addAttribute("month", day.getMonthValue());
        model.addAttribute("weeks", byWeek(calendar));
        model.addAttribute("done", done(client, from));
        model.addAttribute("before", week ? day.minusWeeks(1) : first.minusMonths(1));
        model.addAttribute("after", week ? day.plusWeeks(1) : first.plusMonths(1));
        model.addAttribute("on", day);
        model.addAttribute("today", today.date());
        model.addAttribute("goals", Goal.values());
        model.addAttribute("weekdays", DayOfWeek.values());
        return "calendar/calendar";
    }

    /** A day nobody plans for is shown as today. */
    private LocalDate within(@Nullable LocalDate on) {
        LocalDate now = today.date();
        boolean shown = on != null
                && on.isAfter(now.minusYears(YEARS_EITHER_WAY))
                && on.isBefore(now.plusYears(YEARS_EITHER_WAY));
        return on != null && shown ? on : now;
    }

    /** From what she is to do as it was signed; days gone by are shown as rest, what was done stands in the log. */
    private SessionCalendar sessions(ClientFile client, LocalDate from, LocalDate to) {
        Plans.Desk desk = plans.desk(client);
        return prescriptions
                .of(desk)
                .calendar(desk.question().screening(), client.facts().clearances(), today.date(), from, to);
    }

    /** How many exercises were done on a day gone by. */
    private Map<LocalDate, Long> done(ClientFile client, LocalDate from) {
        return ladders.log(client).results().stream()
                .filter(row -> !row.heldOn().isBefore(from))
                .collect(Collectors.groupingBy(ResultRow::heldOn, Collectors.counting()));
    }

    private static List<List<SessionCalendar.Day>> byWeek(SessionCalendar calendar) {
        List<List<SessionCalendar.Day>> weeks = new ArrayList<>();
        for (int i = 0; i < calendar.days().size(); i += WEEK) {
            weeks.add(calendar.days().subList(i, i + WEEK));
        }
        return weeks;
    }

    /** Eight weeks from today. */
    @GetMapping("/clients/{id}/calendar.ics")
    ResponseEntity<String> download(@PathVariable long id) {
        return file(id);
    }

    /** A private address of her calendar for her phone, or no longer one; the address is shown this once. */
    @PostMapping("/clients/{id}/calendar/feed")
    String feed(
            @PathVariable long id,
            @RequestParam boolean on,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        if (on) {
            String token = Tokens.fresh();
            feeds.put(id, Tokens.digest(token), me.staffId());
            redirect.addFlashAttribute("feedLink", "/feeds/" + token + ".ics");
        } else {
            feeds.remove(id);
        }
        audit.record(me.staffId(), id, on ? "FEED_MADE" : "FEED_REVOKED", "");
        return "redirect:/clients/" + id + "/calendar";
    }

    /** For whoever holds the address: the sessions of the plan as it stands now. */
    @GetMapping("/feeds/{token}.ics")
    ResponseEntity<String> feed(@PathVariable String token) {
        return file(feeds.clientOf(Tokens.digest(token)).orElseThrow(() -> new NotFound("no such calendar")));
    }

    private ResponseEntity<String> file(long id) {
        ClientFile client = clients.file(id);
        LocalDate from = today.date();
        String text = new CalendarFile(languages.now())
                .write(id, sessions(client, from, from.plusWeeks(FILE_WEEKS)), clock.getZone());
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"fern-step-sessions.ics\"")
                .body(text);
    }
}

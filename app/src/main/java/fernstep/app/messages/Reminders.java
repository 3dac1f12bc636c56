package fernstep.app.messages;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.app.plan.Plans;
import fernstep.app.plan.Prescriptions;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.standing.Standings;
import fernstep.app.support.Languages;
import fernstep.core.schedule.Prescription;
import fernstep.core.standing.Concern;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Reminds of a session and writes to whom missed two; once each, however many instances look. Nobody is told to train while
 * something she told from home waits for an answer.
 */
@Service
class Reminders {
    private static final Logger LOG = LoggerFactory.getLogger(Reminders.class);
    private static final long LOOKS_EVERY_MS = 300_000;
    private static final int REMINDS_FROM_HOUR = 16;
    private static final int MISSED = 2;
    private static final int WEEK = 7;

    private final Contacts contacts;
    private final Clients clients;
    private final Plans plans;
    private final Prescriptions prescriptions;
    private final Results results;
    private final Standings standings;
    private final Outbox outbox;
    private final Languages languages;
    private final Clock clock;
    /** A plan is worked out for this twice a day, not every five minutes. */
    private final Map<Long, String> looked = new ConcurrentHashMap<>();

    Reminders(
            Contacts contacts,
            Clients clients,
            Plans plans,
            Prescriptions prescriptions,
            Results results,
            Standings standings,
            Outbox outbox,
            Languages languages,
            Clock clock) {
        this.contacts = contacts;
        this.clients = clients;
        this.plans = plans;
        this.prescriptions = prescriptions;
        this.results = results;
        this.standings = standings;
        this.outbox = outbox;
        this.languages = languages;
        this.clock = clock;
    }

    @Scheduled(initialDelay = LOOKS_EVERY_MS, fixedDelay = LOOKS_EVERY_MS)
    void look() {
        for (Contact contact : contacts.writable()) {
            LocalDateTime now = LocalDateTime.now(clock);
            String half = now.toLocalDate() + (now.getHour() >= REMINDS_FROM_HOUR ? " afternoon" : " morning");
            if (half.equals(looked.put(contact.clientId(), half))) {
                continue;
            }
            try {
                remind(contact, now);
            } catch (RuntimeException e) {
                LOG.error("client {} could not be reminded", contact.clientId(), e);
            }
        }
    }

    /** What is due to her at that moment. */
    void remind(Contact contact, LocalDateTime now) {
        long id = contact.clientId();
        LocalDate today = now.toLocalDate();
        if (results.steps(id).isEmpty() || waits(id)) {
            return;
        }
        ClientFile client = clients.file(id);
        Plans.Desk desk = plans.desk(client);
        if (desk.question().screening().outcome().closesGates()) {
            return;
        }
        Prescription prescription = prescriptions.of(desk);
        if (!prescription.mayTrain().opensSession()) {
            return;
        }
        Set<DayOfWeek> training = prescription.trainingDays();
        List<LocalDate> done = results.since(id, today.minusDays(3L * WEEK)).stream()
                .map(ResultRow::heldOn)
                .distinct()
                .toList();
        boolean due = training.contains(today.getDayOfWeek()) && !done.contains(today);
        if (due && now.getHour() >= REMINDS_FROM_HOUR) {
            outbox.put("REMINDER " + id + " " + today, id, MessageKind.REMINDER, day(contact, today));
        }
        missed(training, done, today)
                .forEach(day -> outbox.put(
                        "MISSED " + id + " "
                                + today.minusDays(today.getDayOfWeek().getValue() - 1L),
                        id,
                        MessageKind.MISSED,
                        day(contact, day)));
    }

    /** Something she reported that nobody has looked at. */
    private boolean waits(long id) {
        return standings.of(id).open().stream().anyMatch(report -> !(report.concern() instanceof Concern.Adapts));
    }

    private Map<String, String> day(Contact contact, LocalDate day) {
        return Map.of(
                "day", languages.in(Locale.forLanguageTag(contact.language())).of(day));
    }

    /** The older of the last two planned days, where both went by without a session and she had trained before them. */
    private static List<LocalDate> missed(Set<DayOfWeek> training, List<LocalDate> done, LocalDate today) {
        List<LocalDate> planned = today.minusDays(WEEK)
                .datesUntil(today)
                .filter(day -> training.contains(day.getDayOfWeek()))
                .collect(Collectors.toList());
        if (planned.size() < MISSED) {
            return List.of();
        }
        LocalDate older = planned.get(planned.size() - MISSED);
        boolean both = done.stream().noneMatch(day -> !day.isBefore(older));
        boolean trainedBefore = done.stream().anyMatch(day -> day.isBefore(older));
        return both && trainedBefore ? List.of(older) : List.of();
    }
}

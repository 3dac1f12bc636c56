package fernstep.exchange.calendar;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.DaylightSavingsTime;
import biweekly.component.Observance;
import biweekly.component.StandardTime;
import biweekly.component.VEvent;
import biweekly.component.VTimezone;
import biweekly.io.TimezoneAssignment;
import biweekly.io.TimezoneInfo;
import biweekly.property.DateStart;
import biweekly.util.DateTimeComponents;
import biweekly.util.ICalDate;
import biweekly.util.UtcOffset;
import fernstep.core.plan.PlanItem;
import fernstep.core.schedule.SessionCalendar;
import fernstep.exchange.wording.DoseWords;
import fernstep.exchange.wording.Wording;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.zone.ZoneOffsetTransition;
import java.time.zone.ZoneRules;
import java.util.Date;
import java.util.List;
import java.util.TimeZone;
import java.util.UUID;
import java.util.stream.Collectors;

/** Writes a session calendar as iCalendar (RFC 5545). The same day always has the same id, so that a new file replaces. */
public final class CalendarFile {
    /** Where sessions of a day lie; a day with more than these takes the last hours. */
    private static final List<LocalTime> HOURS =
            List.of(LocalTime.of(9, 0), LocalTime.of(13, 0), LocalTime.of(18, 0), LocalTime.of(20, 0));

    private static final int ONE_A_DAY_HOUR = 9;
    private static final int FIRST_YEAR = 1970;

    private final Wording words;
    private final DoseWords doses;

    public CalendarFile(Wording words) {
        this.words = words;
        this.doses = new DoseWords(words);
    }

    /** @param clientId makes the ids of the events hers, so that a newer file replaces an older one */
    public String write(long clientId, SessionCalendar calendar, ZoneId zone) {
        ICalendar ical = new ICalendar();
        ical.setProductId("-//Fern Step//Sessions//EN");
        TimeZone timeZone = TimeZone.getTimeZone(zone);
        TimezoneInfo zones = new TimezoneInfo();
        zones.setDefaultTimezone(new TimezoneAssignment(timeZone, zoneRules(zone, calendar)));
        ical.setTimezoneInfo(zones);
        for (SessionCalendar.Day day : calendar.days()) {
            for (int n = 0; n < day.sessions(); n++) {
                ical.addEvent(session(clientId, day, n, zone));
            }
            for (SessionCalendar.Mark mark : day.marks()) {
                ical.addEvent(mark(clientId, day.date(), mark));
            }
        }
        return Biweekly.write(ical).go();
    }

    /** The rules in force while the calendar runs: readers need not know the zone by its name. */
    private static VTimezone zoneRules(ZoneId zone, SessionCalendar calendar) {
        ZoneRules rules = zone.getRules();
        VTimezone written = new VTimezone(zone.getId());
        Instant from = calendar.days().get(0).date().atStartOfDay(zone).toInstant();
        Instant to = calendar.days()
                .get(calendar.days().size() - 1)
                .date()
                .plusDays(2)
                .atStartOfDay(zone)
                .toInstant();
        ZoneOffsetTransition before = rules.previousTransition(from.plusSeconds(1));
        if (before == null) {
            ZoneOffset always = rules.getOffset(from);
            add(written, LocalDateTime.of(FIRST_YEAR, 1, 1, 0, 0), always, always, false);
        }
        for (ZoneOffsetTransition t = before == null ? rules.nextTransition(from) : before;
                t != null && t.getInstant().isBefore(to);
                t = rules.nextTransition(t.getInstant())) {
            add(
                    written,
                    t.getDateTimeBefore(),
                    t.getOffsetBefore(),
                    t.getOffsetAfter(),
                    rules.isDaylightSavings(t.getInstant()));
        }
        return written;
    }

    private static void add(
            VTimezone zone, LocalDateTime start, ZoneOffset offsetFrom, ZoneOffset offsetTo, boolean daylight) {
        Observance observance = daylight ? new DaylightSavingsTime() : new StandardTime();
        observance.setDateStart(new DateTimeComponents(
                start.getYear(),
                start.getMonthValue(),
                start.getDayOfMonth(),
                start.getHour(),
                start.getMinute(),
                start.getSecond(),
                false));
        observance.setTimezoneOffsetFrom(new UtcOffset(1000L * offsetFrom.getTotalSeconds()));
        observance.setTimezoneOffsetTo(new UtcOffset(1000L * offsetTo.getTotalSeconds()));
        if (observance instanceof DaylightSavingsTime summer) {
            zone.addDaylightSavingsTime(summer);
        } else if (observance instanceof StandardTime standard) {
            zone.addStandardTime(standard);
        }
    }

    private VEvent session(long clientId, SessionCalendar.Day day, int count, ZoneId zone) {
        LocalTime at =
                day.sessions() == 1 ? LocalTime.of(ONE_A_DAY_HOUR, 0) : HOURS.get(Math.min(count, HOURS.size() - 1));
        LocalDateTime start = day.date().atTime(at);
        VEvent event = new VEvent();
        event.setUid(uid(clientId + " session " + day.date() + " " + count));
        event.setSummary("Fern Step, " + doses.time(day.seconds()));
        event.setDescription(day.items().stream().map(this::line).collect(Collectors.joining("\n")));
        event.setDateStart(date(start, zone));
        event.setDateEnd(date(start.plusSeconds(day.seconds()), zone));
        return event;
    }

    private String line(PlanItem item) {
        return item.rung().name()
                + (item.side() == null ? "" : ", " + words.amid(words.of(item.side()))) + ": "
                + doses.dose(item.dose());
    }

    private VEvent mark(long clientId, LocalDate day, SessionCalendar.Mark mark) {
        VEvent event = new VEvent();
        event.setUid(uid(clientId + " " + mark + " " + day));
        event.setSummary(mark(words, mark));
        // A day alone: by its numbers, not by an instant that another zone would see on the day before.
        event.setDateStart(new DateStart(
                new ICalDate(new DateTimeComponents(day.getYear(), day.getMonthValue(), day.getDayOfMonth()), false)));
        return event;
    }

    /** What falls on a day, in words. */
    public static String mark(Wording words, SessionCalendar.Mark mark) {
        return switch (mark.what()) {
            case GATE_OPENS -> mark.gate() == null ? "" : words.text("calendar.gate", mark.gate());
            case RECHECK -> words.text("calendar.recheck");
            case CLEARANCE_ENDS -> mark.scope() == null ? "" : words.text("calendar.clearanceEnds." + mark.scope());
        };
    }

    private static String uid(String of) {
        return UUID.nameUUIDFromBytes(of.getBytes(StandardCharsets.UTF_8)) + "@fernstep";
    }

    private static Date date(LocalDateTime at, ZoneId zone) {
        return Date.from(at.atZone(zone).toInstant());
    }
}

package fernstep.app.home;

import fernstep.app.rungs.Catalogues;
import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.app.support.Tokens;
import fernstep.core.findings.SignCode;
import fernstep.core.progress.HomeReport;
import fernstep.core.schedule.DailyLife;
import fernstep.core.standing.Concern;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes what clients tell on their home pages: the same entry twice is one, and what must be looked at raises a flag. */
@Service
public class HomeEntries {
    private final HomeEntryMapper mapper;
    private final HomeLogMapper log;
    private final HomeReports reports;
    private final Mornings mornings;
    private final Standings standings;
    private final Catalogues catalogues;
    private final Clock clock;

    HomeEntries(
            HomeEntryMapper mapper,
            HomeLogMapper log,
            HomeReports reports,
            Mornings mornings,
            Standings standings,
            Catalogues catalogues,
            Clock clock) {
        this.catalogues = catalogues;
        this.clock = clock;
        this.mapper = mapper;
        this.log = log;
        this.reports = reports;
        this.mornings = mornings;
        this.standings = standings;
    }

    /** An id was used for something else before. */
    static final class IdInUse extends RuntimeException {
        private static final long serialVersionUID = 1L;

        IdInUse(UUID id) {
            super("entry " + id + " is another one already");
        }
    }

    /** The session of a day at home: one a day, whoever tells of it. */
    static String sessionId(long client, LocalDate day) {
        return UUID.nameUUIDFromBytes(("home " + client + " " + day).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** Signs as they are stored: codes, and pain with its level. */
    static String told(Set<SignCode> signs, @Nullable Integer painLevel) {
        List<String> codes = new ArrayList<>(signs.stream().map(Enum::name).toList());
        if (painLevel != null && painLevel > 0) {
            codes.add(SignCode.PAIN + ":" + painLevel);
        }
        return String.join(",", codes);
    }

    /** The signs of a text that {@link #told} wrote. */
    static Set<SignCode> signs(String told) {
        Set<SignCode> all = EnumSet.noneOf(SignCode.class);
        parts(told).forEach(part -> all.add(SignCode.valueOf(part.split(":", 2)[0])));
        return all;
    }

    /** The level of pain in it; null where there is none. */
    static @Nullable Integer pain(String told) {
        return parts(told)
                .filter(part -> part.startsWith(SignCode.PAIN + ":"))
                .map(part -> Integer.valueOf(part.split(":", 2)[1]))
                .findFirst()
                .orElse(null);
    }

    private static Stream<String> parts(String told) {
        return Arrays.stream(told.split(",")).filter(part -> !part.isBlank());
    }

    /**
     * @throws IdInUse where the id stands for another entry, be it another client's
     * @throws IllegalArgumentException for what is no entry
     */
    @Transactional
    public void take(HomeLink link, HomeTold told) {
        HomeEntry entry = told.entry(LocalDateTime.now(clock));
        long client = link.clientId();
        // as it was sent: what is made of it may depend on the hour
        String digest = Tokens.digest(told.toString());
        boolean isNew = mapper.insert(
                        entry.id().toString(),
                        client,
                        entry.getClass().getSimpleName().toUpperCase(Locale.ROOT),
                        entry.toldAt(),
                        digest)
                > 0;
        if (!isNew) {
            if (!mapper.stored(entry.id().toString()).orElse("").equals(client + " " + digest)) {
                throw new IdInUse(entry.id());
            }
            return;
        }
        if (entry instanceof HomeEntry.Answered answered) {
            answered.answers()
                    .forEach(answer -> standings.report(client, Concern.of(answer), Heard.fromHome(answered.toldAt())));
        } else if (entry instanceof HomeEntry.Exercise exercise) {
            exercise(link, exercise);
        } else if (entry instanceof HomeEntry.Morning morning) {
            mornings.said(client, morning.heldOn(), morning.felt(), Heard.fromHome(morning.toldAt()));
        } else if (entry instanceof HomeEntry.Daily daily) {
            LocalDate day = daily.toldAt().toLocalDate();
            mapper.clearDaily(client, day);
            daily.minded().forEach(code -> mapper.putDaily(client, day, code));
        }
    }

    private void exercise(HomeLink link, HomeEntry.Exercise exercise) {
        boolean known = catalogues.get().find(exercise.rung()).isPresent();
        if (!known) {
            throw new IllegalArgumentException("no such exercise: " + exercise.rung());
        }
        long client = link.clientId();
        LocalDate day = exercise.toldAt().toLocalDate();
        log.insertSession(sessionId(client, day), client, day, link.madeBy());
        HomeReport report = exercise.report();
        reports.put(
                new HomeReportRow(
                        exercise.id().toString(),
                        client,
                        sessionId(client, day),
                        exercise.rung(),
                        exercise.side() == null ? "" : exercise.side().name(),
                        report,
                        exercise.effort(),
                        exercise.rangeFraction(),
                        exercise.toldAt(),
                        null),
                day);
        Heard heard = Heard.fromHome(exercise.toldAt());
        if (report.signs().contains(SignCode.HEAVY)) {
            standings.report(client, new Concern.PelvicFloor(SignCode.HEAVY, exercise.rung()), heard);
        }
        if (report.signs().contains(SignCode.LEAK)) {
            standings.report(client, new Concern.Leaking(exercise.felt().leaksMore(), exercise.rung()), heard);
        }
        Integer pain = report.painLevel();
        if (pain != null && (pain >= Concern.PAIN_HOLDS_FROM || exercise.felt().sharp())) {
            standings.report(
                    client,
                    new Concern.Pain(
                            pain,
                            exercise.felt().sharp(),
                            exercise.felt().place(),
                            exercise.felt().placeSide(),
                            exercise.rung()),
                    heard);
        }
    }

    /** What stands of today's daily life. */
    Set<DailyLife> minded(long clientId, LocalDate day) {
        return mapper.daily(clientId, day);
    }

    /** On how many days she minded each, of those she minded at all. */
    List<HomeEntryMapper.Minded> minded(long clientId, LocalDate from, LocalDate to) {
        return mapper.mindedDays(clientId, from, to);
    }
}

package fernstep.app.home;

import fernstep.app.ask.FromHome;
import fernstep.app.ask.HomeFlag;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Tokens;
import fernstep.core.findings.SignCode;
import fernstep.core.progress.HomeAdvice;
import fernstep.core.schedule.DailyLife;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes what clients tell on their home pages: the same entry twice is one, and what must be looked at raises a flag. */
@Service
public class HomeEntries {
    private final HomeEntryMapper mapper;
    private final HomeLogMapper log;
    private final Results results;
    private final FromHome fromHome;
    private final Catalogues catalogues;
    private final Clock clock;

    HomeEntries(
            HomeEntryMapper mapper,
            HomeLogMapper log,
            Results results,
            FromHome fromHome,
            Catalogues catalogues,
            Clock clock) {
        this.catalogues = catalogues;
        this.clock = clock;
        this.mapper = mapper;
        this.log = log;
        this.results = results;
        this.fromHome = fromHome;
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
            answered.answers().forEach(a -> flag(client, HomeFlag.Kind.ANSWER, a, answered.toldAt()));
        } else if (entry instanceof HomeEntry.Exercise exercise) {
            exercise(link, exercise);
        } else if (entry instanceof HomeEntry.Morning morning) {
            log.putNextDay(client, morning.heldOn(), told(morning.felt(), morning.painLevel()));
        } else if (entry instanceof HomeEntry.Daily daily) {
            LocalDate day = daily.toldAt().toLocalDate();
            mapper.clearDaily(client, day);
            daily.minded().forEach(code -> mapper.putDaily(client, day, code));
        }
    }

    private void exercise(HomeLink link, HomeEntry.Exercise e) {
        boolean known = catalogues.get().find(e.rung()).isPresent();
        if (!known) {
            throw new IllegalArgumentException("no such exercise: " + e.rung());
        }
        long client = link.clientId();
        LocalDate day = e.toldAt().toLocalDate();
        log.insertSession(sessionId(client, day), client, day, link.madeBy());
        results.put(new ResultRow(
                sessionId(client, day),
                e.rung(),
                e.side() == null ? "" : e.side().name(),
                client,
                day,
                e.report().kind(),
                e.effort(),
                null,
                told(e.report().signs(), e.report().painLevel()),
                e.rangeFraction()));
        e.report().signs().stream()
                .filter(s -> HomeAdvice.to(s) == HomeAdvice.STOP_TODAY)
                .forEach(s -> flag(client, HomeFlag.Kind.SIGN, s, e.toldAt()));
        Integer pain = e.report().painLevel();
        if (pain != null && HomeAdvice.toPain(pain) == HomeAdvice.STOP_TODAY) {
            flag(client, HomeFlag.Kind.SIGN, SignCode.PAIN, e.toldAt());
        }
    }

    private void flag(long client, HomeFlag.Kind kind, Enum<?> code, LocalDateTime at) {
        fromHome.tell(client, kind, code.name(), at);
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

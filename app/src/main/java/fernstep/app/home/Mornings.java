package fernstep.app.home;

import fernstep.app.ask.Visits;
import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.core.findings.SignCode;
import fernstep.core.standing.Concern;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the mornings after her sessions were: asked until somebody has said, and what was said stands with the worst of it. */
@Service
public class Mornings implements Visits.MorningAfter {
    /** So long a credit waits for the answer; afterwards nobody asks any more. */
    private static final int LOOKS_BACK_DAYS = 7;

    private final HomeLogMapper log;
    private final Standings standings;

    Mornings(HomeLogMapper log, Standings standings) {
        this.log = log;
        this.standings = standings;
    }

    @Override
    public Optional<LocalDate> notSaid(long clientId, LocalDate today) {
        return log.days(clientId, today.minusDays(LOOKS_BACK_DAYS)).stream()
                .filter(day -> day.heldOn().isBefore(today))
                .findFirst()
                .filter(day -> day.nextDay() == null)
                .map(HomeLogMapper.Day::heldOn);
    }

    /**
     * What was felt the morning after.
     *
     * @param felt heaviness or leaking; nothing where she was well
     * @param leaksMore new leaking, or more than before
     * @param painLevel 1 to 10; null for none
     */
    public record Felt(
            Set<SignCode> felt, boolean leaksMore, @Nullable Integer painLevel) {
        public Felt {
            felt = Set.copyOf(felt);
        }
    }

    /** Puts it down beside what was said before of that morning. */
    @Transactional
    public void said(long clientId, LocalDate heldOn, Felt felt, Heard heard) {
        Set<SignCode> all = EnumSet.noneOf(SignCode.class);
        all.addAll(felt.felt());
        Integer pain = felt.painLevel();
        for (HomeLogMapper.Day day : log.days(clientId, heldOn)) {
            if (day.heldOn().equals(heldOn) && day.nextDay() != null) {
                all.addAll(HomeEntries.signs(day.nextDay()));
                pain = higher(pain, HomeEntries.pain(day.nextDay()));
            }
        }
        all.remove(SignCode.PAIN);
        log.putNextDay(clientId, heldOn, HomeEntries.told(all, pain));
        if (felt.felt().contains(SignCode.HEAVY)) {
            standings.report(clientId, new Concern.PelvicFloor(SignCode.HEAVY, ""), heard);
        }
        if (felt.felt().contains(SignCode.LEAK)) {
            standings.report(clientId, new Concern.Leaking(felt.leaksMore(), ""), heard);
        }
        Integer now = felt.painLevel();
        if (now != null && now > 0) {
            standings.report(clientId, new Concern.PainAfterwards(now), heard);
        }
    }

    private static @Nullable Integer higher(@Nullable Integer one, @Nullable Integer other) {
        if (one == null || other == null) {
            return one == null ? other : one;
        }
        return Math.max(one, other);
    }
}

package fernstep.core.progress;

import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.Helper;
import fernstep.core.findings.SignCode;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Eased;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.Progress.WayBack;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What was made easier in a session and is not earned back yet: the next one, the plan, the paper and her phone begin there.
 *
 * @param wayBack how far she has come back
 */
public record StillEased(Eased eased, WayBack wayBack) {
    /** An easing on a rung left this long ago says nothing of it any more. */
    private static final int OLD_AFTER_DAYS = 28;

    /** What brought her to where she stands without settling how easy it has to be. */
    private static final Set<Change> KEEP_IT =
            EnumSet.of(Change.HOLD, Change.NOTCH_DOWN, Change.RUNG_DOWN, Change.HALF_BACK, Change.ADD_HELPER);

    /**
     * A session in which an exercise was made easier.
     *
     * @param because what was seen; null where it is not known
     */
    public record Session(
            LocalDate date, CleanSetting cleanAt, @Nullable SignCode because) {}

    /**
     * Where she stands, as it is planned.
     *
     * @param range 0 easiest to 1 full
     * @param since from which day on
     * @param change what brought her here; null where it was set by hand, or is where she began
     * @param began it is where she began: what was eased on that day came after it
     */
    public record Stands(
            String rung,
            double range,
            Dose dose,
            LocalDate since,
            @Nullable Change change,
            boolean began) {}

    /**
     * @param sessions of this strand and side in which something was made easier, any order
     * @param helper what the rung has as its first helper, or null
     */
    public static Optional<StillEased> of(Stands place, List<Session> sessions, @Nullable Helper helper) {
        Optional<StillEased> eased = sessions.stream()
                .filter(session -> session.cleanAt().rung().equals(place.rung()))
                .max(Comparator.comparing(Session::date))
                .filter(session -> stillCounts(session, place))
                .map(session -> of(session, place));
        return place.change() == Change.ADD_HELPER && helper != null
                ? Optional.of(helped(eased, place, helper))
                : eased;
    }

    private static boolean stillCounts(Session session, Stands place) {
        boolean after = session.date().isAfter(place.since())
                || (place.began() && session.date().equals(place.since()));
        boolean kept = place.change() != null
                && KEEP_IT.contains(place.change())
                && !session.date().plusDays(OLD_AFTER_DAYS).isBefore(place.since());
        return after || kept;
    }

    private static StillEased of(Session session, Stands place) {
        boolean halfWay = place.change() == Change.HALF_BACK && !session.date().isAfter(place.since());
        CleanSetting setting = halfWay ? session.cleanAt().halfWayTo(place.range(), place.dose()) : session.cleanAt();
        return new StillEased(
                new Eased(setting, session.date(), session.because()), halfWay ? WayBack.HALF_WAY : WayBack.EASED);
    }

    private static StillEased helped(Optional<StillEased> eased, Stands place, Helper helper) {
        CleanSetting now = eased.map(still -> still.eased().setting())
                .orElseGet(() -> new CleanSetting(
                        place.rung(),
                        place.range(),
                        Easing.NONE,
                        place.dose().times(),
                        place.dose().holdS()));
        Set<Helper> helpers = EnumSet.of(helper);
        helpers.addAll(now.easing().helpers());
        CleanSetting with = new CleanSetting(
                now.rung(),
                now.range(),
                new Easing(now.easing().kneesBentDeg(), now.easing().levers(), helpers),
                now.times(),
                now.holdS());
        return new StillEased(
                new Eased(
                        with,
                        eased.map(still -> still.eased().since()).orElse(place.since()),
                        eased.map(still -> still.eased().because()).orElse(null)),
                eased.map(StillEased::wayBack).orElse(WayBack.EASED));
    }
}

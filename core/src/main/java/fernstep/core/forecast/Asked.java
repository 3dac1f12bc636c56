package fernstep.core.forecast;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.measure.Side;
import fernstep.core.plan.RungGates;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the gates of one rung ask of the weeks ahead. Each answers whether days or training bring it: a finding, a pregnancy
 * or a ridge holds it until a check or another day says otherwise.
 */
final class Asked implements RungGate.Kinds<Boolean> {
    private static final int WEEK = Tracks.WEEK;
    private static final int FLOOR_QUIET_DAYS = 28;

    private final @Nullable Side side;
    private final RungGates.Known known;
    private final Tracks tracks;
    private final List<Integer> needs = new ArrayList<>();
    private int day;
    private int cleanWeeks;
    private int topWeeks;

    private Asked(@Nullable Side side, RungGates.Known known, Tracks tracks) {
        this.side = side;
        this.known = known;
        this.tracks = tracks;
    }

    static Asked of(Rung rung, @Nullable Side side, RungGates.Known known, Tracks tracks) {
        Asked asked = new Asked(side, known, tracks);
        rung.gates().forEach(gate -> gate.read(asked));
        return asked;
    }

    /** From today on, the first on which its dates allow it; {@link Tracks#NEVER} where a clearance is missing. */
    int day() {
        return day;
    }

    int cleanWeeks() {
        return cleanWeeks;
    }

    int topWeeks() {
        return topWeeks;
    }

    /** Pairs of track and rung that must be at their top first; a rung that no ladder climbs counts only if it is done. */
    int[] needs() {
        return needs.stream().mapToInt(Integer::intValue).toArray();
    }

    private boolean notBefore(int other) {
        day = Math.max(day, other);
        return true;
    }

    private Catalogue catalogue() {
        return known.catalogue();
    }

    @Override
    public Boolean opened(RungGate.Opened gate) {
        return notBefore(tracks.gateDay(gate.code()));
    }

    @Override
    public Boolean weeksAfterBirth(RungGate.WeeksAfterBirth gate) {
        Integer since =
                known.screening() == null ? null : known.screening().stage().daysSinceBirth();
        return notBefore(since == null ? 0 : Math.max(0, WEEK * gate.weeks() - since));
    }

    @Override
    public Boolean floorQuiet(RungGate.FloorQuiet gate) {
        return notBefore(known.history().floorSymptoms() ? FLOOR_QUIET_DAYS : 0);
    }

    @Override
    public Boolean cleanWeeks(RungGate.CleanWeeks gate) {
        cleanWeeks = Math.max(cleanWeeks, gate.weeks());
        return true;
    }

    @Override
    public Boolean topHeldWeeks(RungGate.TopHeldWeeks gate) {
        topWeeks = Math.max(topWeeks, gate.weeks());
        return true;
    }

    @Override
    public Boolean cleanRung(RungGate.CleanRung gate) {
        Rung rung = catalogue().rung(gate.rung());
        List<Side> sides = !rung.perSide() || (!gate.bothSides() && side != null)
                ? List.of(side == null ? Side.LEFT : side)
                : List.of(Side.values());
        sides.forEach(on -> tracks.need(rung, on, needs));
        return true;
    }

    @Override
    public Boolean eitherRung(RungGate.EitherRung gate) {
        Rung nearer = tracks.nearer(catalogue().rung(gate.rung()), catalogue().rung(gate.or()));
        List.of(Side.values()).forEach(on -> tracks.need(nearer, on, needs));
        return true;
    }

    @Override
    public Boolean anySide(RungGate.AnySide gate) {
        Rung rung = catalogue().rung(gate.rung());
        tracks.need(rung, tracks.ahead(rung.strand()), needs);
        return true;
    }

    @Override
    public Boolean setGrade(RungGate.SetGrade gate) {
        return false;
    }

    @Override
    public Boolean breathControl(RungGate.BreathControl gate) {
        return false;
    }

    @Override
    public Boolean scoop(RungGate.Scoop gate) {
        return false;
    }

    @Override
    public Boolean firmMidline(RungGate.FirmMidline gate) {
        return false;
    }

    @Override
    public Boolean floorReady(RungGate.FloorReady gate) {
        return false;
    }

    @Override
    public Boolean notPregnant(RungGate.NotPregnant gate) {
        return false;
    }

    @Override
    public Boolean pregnantToWeek(RungGate.PregnantToWeek gate) {
        return false;
    }
}

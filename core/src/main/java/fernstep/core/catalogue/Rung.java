package fernstep.core.catalogue;

import fernstep.core.body.Body;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.Movement;
import fernstep.core.body.Position;
import fernstep.core.body.TrunkLoad;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Strand;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * One exercise on a strand.
 *
 * @param order place on the strand from 1
 * @param perSide trained left and right apart
 * @param loaded counts as load: closed after bearing down or heaviness
 * @param family what kind of load, or null where none is followed
 * @param watch signs that matter most, first first
 * @param levers allowed ways to ease, in order
 * @param helpers what may be added, in order
 * @param branchOf the rung this is a side branch of; null on the main line
 * @param standIns codes of rungs that practitioners take instead where its position is closed, first first
 * @param cues one line per activation stance, and per spine stance where the spine matters
 */
public record Rung(
        String code,
        String name,
        Strand strand,
        int order,
        Aim aim,
        Position position,
        boolean perSide,
        boolean loaded,
        Window window,
        Tempo tempo,
        List<RungGate> gates,
        Movement movement,
        @Nullable LoadFamily family,
        View view,
        List<Prop> props,
        List<SignCode> watch,
        List<Lever> levers,
        List<Helper> helpers,
        @Nullable String branchOf,
        List<String> standIns,
        String howTo,
        Map<String, String> cues,
        String caution) {

    public Rung {
        gates = List.copyOf(gates);
        props = List.copyOf(props);
        watch = List.copyOf(watch);
        levers = List.copyOf(levers);
        helpers = List.copyOf(helpers);
        standIns = List.copyOf(standIns);
        cues = Map.copyOf(cues);
    }

    /** How far can be chosen: the easiest range is not the full one. */
    public boolean hasRange() {
        return !movement.easiest().equals(movement.full());
    }

    /** The load at a range; empty for a rung that loads the trunk in no way that is followed. */
    public Optional<TrunkLoad> loadAt(double range, Body body) {
        return family == null ? Optional.empty() : Optional.of(TrunkLoad.of(body, movement.at(range)));
    }

    public boolean offers(Lever lever) {
        return levers.contains(lever);
    }

    /** What closes it for her: a position she may not take, a load on the wrists, arms overhead. */
    public Optional<Restriction> closedBy(Set<Restriction> restrictions) {
        return restrictions.stream().filter(this::needsWhatIsClosedBy).sorted().findFirst();
    }

    private boolean needsWhatIsClosedBy(Restriction restriction) {
        return switch (restriction) {
            case NO_PRONE -> position == Position.PRONE;
            case SUPINE_LIMITED -> false;
            case SUPINE_INCLINED -> position == Position.SUPINE;
            case NO_KNEELING -> position == Position.HANDS_KNEES || position == Position.KNEELING;
            case NO_WRIST_LOAD -> movement.full().bearsOnHands();
            case NO_OVERHEAD -> movement.full().reachesOverhead();
            case NO_FLOOR ->
                !(position == Position.SEATED || position == Position.STANDING || position == Position.WALL);
        };
    }

    /** The same rung with the trunk raised on a wedge: for those who may not lie flat. */
    public Rung inclined(double wedgeDeg) {
        return moved(Position.INCLINED, movement.inclined(wedgeDeg));
    }

    /** The same rung on the forearms: for sore wrists. */
    public Rung onForearms() {
        return moved(position, movement.onForearms());
    }

    private Rung moved(Position position, Movement movement) {
        return new Rung(
                code, name, strand, order, aim, position, perSide, loaded, window, tempo, gates, movement, family, view,
                props, watch, levers, helpers, branchOf, standIns, howTo, cues, caution);
    }
}

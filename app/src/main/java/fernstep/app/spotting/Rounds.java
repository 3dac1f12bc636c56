package fernstep.app.spotting;

import fernstep.app.rungs.Catalogues;
import fernstep.app.support.NotFound;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.decision.Setting;
import fernstep.core.decision.Situation;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.spotting.Level;
import fernstep.core.spotting.Mark;
import fernstep.core.spotting.Score;
import fernstep.core.spotting.SimulatedClient;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;

/** Rounds beside a simulated client, per person. */
@Service
class Rounds {
    /** Rounds looked back on. */
    static final int SHOWN = 30;
    /** She is led as most are; the answers to what shows are those of this approach. */
    private static final Approach LED_BY = Approach.SLOW_LADDER;

    private final RoundMapper mapper;
    private final Catalogues catalogues;

    Rounds(RoundMapper mapper, Catalogues catalogues) {
        this.mapper = mapper;
        this.catalogues = catalogues;
    }

    /** Rungs whose figure shows the trunk from the side, under load; lying on her side her front is turned to us. */
    List<Rung> rungs() {
        return catalogues.get().rungs().stream()
                .filter(rung -> rung.loaded() && !rung.sight().alongHer() && rung.family() != null)
                .filter(rung -> rung.position() != Position.SIDE)
                .filter(rung -> !rung.watch().isEmpty())
                .toList();
    }

    /** One that shows her face from the front. */
    Rung sitting() {
        return catalogues.get().rungs().stream()
                .filter(rung -> rung.position() == Position.SEATED)
                .findFirst()
                .orElseGet(() -> catalogues.get().at(Waymark.BREATH_FIRST));
    }

    SimulatedClient client(long seed, String rung, int level) {
        Rung found = rungs().stream()
                .filter(each -> each.code().equals(rung))
                .findFirst()
                .orElseThrow(() -> new NotFound("no rung " + rung + " for the trainer"));
        return SimulatedClient.of(seed, found, new Level(Math.max(1, Math.min(Level.HARDEST, level))));
    }

    Score score(SimulatedClient her, List<Mark> marks) {
        Situation situation = new Situation(
                catalogues.get(),
                LED_BY.stances(),
                new Situation.Woman(false, Set.of(), Body.of(null, null)),
                new Situation.Doing(
                        her.rung(),
                        her.rung().perSide() ? Side.LEFT : null,
                        new Setting(1, null, SimulatedClient.REPS, Set.of())),
                new Situation.Now(Set.of(), List.of()),
                Situation.Before.NOTHING);
        return Score.of(her.episodes(), marks, situation);
    }

    void keep(String formId, long staffId, SimulatedClient her, List<Mark> marks) {
        mapper.put(new RoundRow(
                formId,
                staffId,
                her.seed(),
                her.rung().code(),
                her.level().number(),
                score(her, marks).value(),
                MarkJson.write(marks)));
    }

    Optional<RoundRow> round(String formId, long staffId) {
        return mapper.byId(formId, staffId);
    }

    List<RoundRow> latest(long staffId) {
        return mapper.latest(staffId, SHOWN);
    }

    /** Over her latest rounds; a round whose rung is gone counts no more. */
    List<Score.OfSign> bySign(List<RoundRow> rounds) {
        Map<SignCode, Score.OfSign> sums = new EnumMap<>(SignCode.class);
        Set<String> known = Set.copyOf(rungs().stream().map(Rung::code).toList());
        rounds.stream()
                .filter(row -> known.contains(row.rung()))
                .flatMap(row ->
                        score(client(row.seed(), row.rung(), row.level()), MarkJson.read(row.marks()))
                                .bySign()
                                .stream())
                .forEach(sign -> sums.merge(sign.sign(), sign, Score.OfSign::plus));
        return List.copyOf(sums.values());
    }
}

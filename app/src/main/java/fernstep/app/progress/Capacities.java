package fernstep.app.progress;

import fernstep.app.client.ClientFile;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.TrunkLoad;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import fernstep.core.progress.SessionResult;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What load she has held clean, from her log. */
@Service
public class Capacities {
    private static final int LOOK_BACK_DAYS = 365;

    private final LadderMapper mapper;
    private final Catalogues catalogues;
    private final Today today;

    public Capacities(LadderMapper mapper, Catalogues catalogues, Today today) {
        this.mapper = mapper;
        this.catalogues = catalogues;
        this.today = today;
    }

    public Optional<Capacity> of(ClientFile client, LoadFamily family, @Nullable Side side) {
        return Capacity.of(log(client), family, side, today.date());
    }

    /** Every load held clean in the past year. */
    public List<Capacity.Clean> log(ClientFile client) {
        return heldClean(client, results(client), catalogues.get());
    }

    static List<Capacity.Clean> heldClean(ClientFile client, List<ResultRow> results, Catalogue catalogue) {
        Body body = client.body();
        // The same rung at the same range comes back session after session: its load is worked out once.
        Map<String, Optional<Double>> loads = new HashMap<>();
        List<Capacity.Clean> held = new ArrayList<>();
        for (ResultRow r : results) {
            Rung rung = r.result() == SessionResult.Kind.CLEAN
                    ? catalogue.find(r.rung()).orElse(null)
                    : null;
            if (rung == null || rung.family() == null) {
                continue;
            }
            loads.computeIfAbsent(
                            r.rung() + r.rangeFraction(),
                            key -> rung.loadAt(r.rangeFraction(), body).map(TrunkLoad::loadIndex))
                    .ifPresent(index -> held.add(new Capacity.Clean(
                            r.heldOn(), Objects.requireNonNull(rung.family()), r.sideOrNull(), index, null)));
        }
        return held;
    }

    /** The load index of this rung and side the last time it was done clean. */
    public Optional<Double> lastIndex(ClientFile client, Rung rung, @Nullable Side side) {
        return results(client).stream()
                .filter(row -> row.rung().equals(rung.code()) && row.sideOrNull() == side)
                .filter(row -> row.result() == SessionResult.Kind.CLEAN)
                .reduce((one, other) -> other)
                .flatMap(row -> rung.loadAt(row.rangeFraction(), client.body()))
                .map(load -> load.loadIndex());
    }

    private List<ResultRow> results(ClientFile client) {
        LocalDate since = today.date().minusDays(LOOK_BACK_DAYS);
        return mapper.resultsSince(client.id(), since);
    }
}

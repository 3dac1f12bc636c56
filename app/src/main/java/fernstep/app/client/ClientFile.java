package fernstep.app.client;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Surgery;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * All that is on record about one client's facts.
 *
 * @param readOn the day on which it was read, for the week of a pregnancy; null where that does not matter
 */
public record ClientFile(
        ClientRow row,
        List<EventRow> events,
        List<ClearanceRow> clearances,
        ClientSettings settings,
        @Nullable LocalDate readOn) {
    private static final double DAYS_PER_WEEK = 7.0;

    /** As the form sees it: nothing beyond the approach. */
    public ClientFile(ClientRow row, List<EventRow> events, List<ClearanceRow> clearances) {
        this(row, events, clearances, ClientSettings.NONE, null);
    }

    public long id() {
        return Objects.requireNonNull(row.id());
    }

    public String name() {
        return row.name();
    }

    /** The house's own approach by its name, or null where she is in a shipped one. */
    public @Nullable String houseApproach() {
        return settings.houseName();
    }

    public Stances stances() {
        return settings.stances(row.approach());
    }

    public Body body() {
        Body body = Body.of(row.massKg(), row.heightCm());
        return readOn == null
                ? body
                : facts().gestationDays(readOn)
                        .map(days -> body.pregnant(days / DAYS_PER_WEEK))
                        .orElse(body);
    }

    public ClientFacts facts() {
        return new ClientFacts(
                row.status(),
                row.dueDate(),
                events.stream()
                        .filter(row -> row.kind() == EventRow.Kind.BIRTH)
                        .map(row -> new Birth(
                                row.happenedOn(),
                                row.birthMode() == null ? BirthMode.VAGINAL : row.birthMode(),
                                row.tearDegree()))
                        .toList(),
                events.stream()
                        .filter(row -> row.kind() == EventRow.Kind.SURGERY)
                        .map(row -> new Surgery(row.happenedOn(), row.what()))
                        .toList(),
                clearances.stream().map(ClearanceRow::asClearance).toList(),
                row.heightCm(),
                row.massKg(),
                row.age(),
                row.restrictionSet());
    }
}

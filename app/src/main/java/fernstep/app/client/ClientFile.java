package fernstep.app.client;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Surgery;
import java.util.List;
import java.util.Objects;

/** All that is on record about one client's facts. */
public record ClientFile(ClientRow row, List<EventRow> events, List<ClearanceRow> clearances) {

    public long id() {
        return Objects.requireNonNull(row.id());
    }

    public String name() {
        return row.name();
    }

    public Stances stances() {
        return row.approach().stances();
    }

    public Body body() {
        return Body.of(row.massKg(), row.heightCm());
    }

    public ClientFacts facts() {
        return new ClientFacts(
                row.status(),
                row.dueDate(),
                events.stream()
                        .filter(e -> e.kind() == EventRow.Kind.BIRTH)
                        .map(e -> new Birth(
                                e.happenedOn(),
                                e.birthMode() == null ? BirthMode.VAGINAL : e.birthMode(),
                                e.tearDegree()))
                        .toList(),
                events.stream()
                        .filter(e -> e.kind() == EventRow.Kind.SURGERY)
                        .map(e -> new Surgery(e.happenedOn(), e.what()))
                        .toList(),
                clearances.stream().map(ClearanceRow::asClearance).toList(),
                row.heightCm(),
                row.massKg(),
                row.age(),
                row.restrictionSet());
    }
}

package fernstep.app.client;

import fernstep.core.approach.Approach;
import fernstep.core.client.Restriction;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Progress;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
public interface ClientMapper {
    Optional<ClientRow> byId(@Param("id") long id);

    Optional<ClientRow> byFormId(@Param("formId") String formId);

    /** By name; all where {@code clients} is null, as in the next three. */
    List<ClientRow> rows(@Param("clients") @Nullable Collection<Long> clients);

    List<Clients.Name> names();

    List<EventRow> events(@Param("clientId") long clientId);

    List<ClearanceRow> clearances(@Param("clientId") long clientId);

    List<EventRow> eventsOf(@Param("clients") @Nullable Collection<Long> clients);

    List<ClearanceRow> clearancesOf(@Param("clients") @Nullable Collection<Long> clients);

    /** A form sent twice changes nothing the second time. */
    void insert(ClientRow client);

    /** How often she was changed; for a form that was opened before. */
    int version(@Param("id") long id);

    /** @return 0 where the version is another by now */
    int update(@Param("c") ClientRow client, @Param("version") int version);

    void removeEvent(
            @Param("clientId") long clientId,
            @Param("kind") EventRow.Kind kind,
            @Param("happenedOn") LocalDate happenedOn);

    void removeClearance(ClearanceRow clearance);

    void putNextVisit(@Param("id") long id, @Param("day") @Nullable LocalDate day);

    @Nullable
    LocalDate nextVisit(@Param("id") long id);

    void archive(@Param("id") long id, @Param("archived") boolean archived);

    boolean archived(@Param("id") long id);

    void erase(@Param("id") long id);

    void putEvent(EventRow event);

    ClientSettings settings(@Param("id") long id);

    List<SettingsOf> settingsOf(@Param("clients") @Nullable Collection<Long> clients);

    void putApproach(
            @Param("id") long id,
            @Param("approach") Approach approach,
            @Param("houseApproachId") @Nullable Long houseApproachId,
            @Param("stanceChanges") String stanceChanges);

    void putWishes(
            @Param("id") long id,
            @Param("growFirst") Progress.GrowFirst growFirst,
            @Param("blockedDays") String blockedDays,
            @Param("goal") @Nullable Goal goal,
            @Param("goalDate") @Nullable LocalDate goalDate);

    /** Settings with whose they are. */
    record SettingsOf(
            long clientId,
            @Nullable Long houseApproachId,
            @Nullable String houseName,
            @Nullable String houseChanges,
            String stanceChanges,
            Progress.GrowFirst growFirst,
            String blockedDays,
            @Nullable Goal goal,
            @Nullable LocalDate goalDate,
            @Nullable Integer exercisesAtMost) {
        ClientSettings settings() {
            return new ClientSettings(
                    houseApproachId,
                    houseName,
                    houseChanges,
                    stanceChanges,
                    growFirst,
                    blockedDays,
                    goal,
                    goalDate,
                    exercisesAtMost);
        }
    }

    void putSize(@Param("id") long id, @Param("exercisesAtMost") int exercisesAtMost);

    List<LiftRow> lifts(@Param("clientId") long clientId);

    /** Lifting twice keeps the first reason. */
    void putLift(LiftRow lift);

    void removeLift(@Param("clientId") long clientId, @Param("code") Restriction code);

    void putClearance(ClearanceRow clearance);
}

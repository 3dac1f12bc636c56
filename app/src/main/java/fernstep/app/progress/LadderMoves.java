package fernstep.app.progress;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.Today;
import fernstep.core.plan.Place;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Role;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Moves a client on her ladders: what the rules offer, what a practitioner sets, and where a plan begins. */
@Service
public class LadderMoves {
    static final String START = "START";
    static final String BY_HAND = "BY_HAND";
    static final String APPROACH = "APPROACH";

    private final Ladders ladders;
    private final LadderMapper mapper;
    private final Catalogues catalogues;
    private final Clients clients;
    private final Audit audit;
    private final Today today;

    LadderMoves(
            Ladders ladders, LadderMapper mapper, Catalogues catalogues, Clients clients, Audit audit, Today today) {
        this.ladders = ladders;
        this.mapper = mapper;
        this.catalogues = catalogues;
        this.clients = clients;
        this.audit = audit;
        this.today = today;
    }

    /** Takes a move that the rules offer; sent twice it is taken once. */
    @Transactional
    public void confirm(long stepId, long staffId) {
        LadderRow step = mapper.byId(stepId).orElseThrow(() -> new NotFound("no step " + stepId));
        ClientFile client = clients.file(step.clientId());
        ladders.standings(client).stream()
                .filter(standing -> Objects.equals(standing.step().id(), stepId))
                .filter(Standing::canMove)
                .findFirst()
                .ifPresent(standing -> mapper.insert(LadderRow.of(
                        client.id(),
                        step.strand(),
                        step.sideOrNull(),
                        standing.progress().rung(),
                        standing.progress().dose(),
                        today.date(),
                        standing.progress().change().name(),
                        staffId,
                        stepId,
                        standing.progress().range())));
    }

    /** Keeps her where she is although the rules offer a move; the reason stands beside the offer until it is lifted. */
    @Transactional
    public void hold(long stepId, String reason, long staffId) {
        LadderRow step = mapper.byId(stepId).orElseThrow(() -> new NotFound("no step " + stepId));
        mapper.putHold(new HoldRow(stepId, reason, staffId, today.date()));
        audit.record(staffId, step.clientId(), "MOVE_HELD", step.rung() + ": " + reason);
    }

    @Transactional
    public void lift(long stepId, long staffId) {
        LadderRow step = mapper.byId(stepId).orElseThrow(() -> new NotFound("no step " + stepId));
        mapper.removeHold(stepId);
        audit.record(staffId, step.clientId(), "MOVE_HOLD_LIFTED", step.rung());
    }

    /**
     * Puts her where the practitioner chose in the plan: a step like any other, marked as made by hand. Where she stands
     * there already, nothing is written.
     */
    @Transactional
    public void placeByHand(ClientFile client, PlanItem item, long staffId) {
        LadderRow now = mapper.current(client.id()).stream()
                .filter(row -> row.strand() == item.strand() && row.sideOrNull() == item.side())
                .findFirst()
                .orElse(null);
        boolean same = now != null
                && now.rung().equals(item.rung().code())
                && now.dose().equals(item.baseDose())
                && now.rangeFraction() == item.range();
        if (now == null || same || now.id() == null) {
            return;
        }
        mapper.insert(LadderRow.of(
                client.id(),
                item.strand(),
                item.side(),
                item.rung().code(),
                item.baseDose(),
                today.date(),
                BY_HAND,
                staffId,
                now.id(),
                item.range()));
        audit.record(
                staffId,
                client.id(),
                "PLACED_BY_HAND",
                now.rung() + " → " + item.rung().code());
    }

    /** After a change of how dose grows: every place in the new stance's dose, on the same rung. */
    @Transactional
    public void refit(ClientFile client, long staffId) {
        for (LadderRow step : mapper.current(client.id())) {
            Place place = step.asPlace();
            Place fitted = place.fitted(
                    catalogues.get().rung(step.rung()), client.stances().dose());
            if (!fitted.dose().equals(place.dose()) && step.id() != null) {
                mapper.insert(LadderRow.of(
                        client.id(),
                        step.strand(),
                        step.sideOrNull(),
                        step.rung(),
                        fitted.dose(),
                        today.date(),
                        APPROACH,
                        staffId,
                        step.id(),
                        step.rangeFraction()));
            }
        }
    }

    /** Puts her at the start of what the plan opens, where she has no place yet. */
    @Transactional
    public void start(ClientFile client, List<PlanItem> items, long staffId, LocalDate since) {
        List<LadderRow> steps = mapper.current(client.id());
        for (PlanItem item : items) {
            boolean placed =
                    steps.stream().anyMatch(row -> row.strand() == item.strand() && row.sideOrNull() == item.side());
            // A rung of another strand, by stand-in or by hand, holds no place on this one.
            boolean ownStrand = item.rung().strand() == item.strand() && item.role() != Role.SETTLE_IN;
            if (!placed && ownStrand) {
                mapper.insert(LadderRow.of(
                        client.id(),
                        item.strand(),
                        item.side(),
                        item.rung().code(),
                        item.baseDose(),
                        since,
                        START,
                        staffId,
                        0,
                        item.range()));
            }
        }
    }
}

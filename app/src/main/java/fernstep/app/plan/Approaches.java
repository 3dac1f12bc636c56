package fernstep.app.plan;

import fernstep.app.client.ClientFile;
import fernstep.app.client.ClientSettings;
import fernstep.app.client.Clients;
import fernstep.app.support.Audit;
import fernstep.app.support.FormProblems;
import fernstep.app.support.NotFound;
import fernstep.app.support.Unreadable;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.measure.Reason;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shipped approaches and the house's own. */
@Service
public class Approaches {
    private static final String OWN = "house-";
    private static final int NAME_LENGTH = 60;
    private static final int RATIONALE_LENGTH = 300;

    private final ApproachMapper mapper;
    private final Clients clients;
    private final Audit audit;

    public Approaches(ApproachMapper mapper, Clients clients, Audit audit) {
        this.mapper = mapper;
        this.clients = clients;
        this.audit = audit;
    }

    public List<HouseApproach> all() {
        return mapper.all();
    }

    /** @throws IllegalArgumentException for a code that names none */
    public Stances stances(String code) {
        return code.startsWith(OWN) ? own(code).stances() : shipped(code).stances();
    }

    private HouseApproach own(String code) {
        String id = code.substring(OWN.length());
        if (!id.matches("[0-9]{1,18}")) {
            throw new Unreadable("no approach of the house: " + code, null);
        }
        return mapper.byId(Long.parseLong(id)).orElseThrow(() -> new NotFound("no approach " + code));
    }

    @Transactional
    void choose(ClientFile client, String code, long staffId) {
        if (code.startsWith(OWN)) {
            HouseApproach own = own(code);
            clients.choose(client.id(), own.base(), own.id(), staffId);
        } else {
            clients.choose(client.id(), shipped(code), null, staffId);
        }
    }

    /** @throws Unreadable for a code that no shipped approach has */
    private static Approach shipped(String code) {
        try {
            return Approach.valueOf(code);
        } catch (IllegalArgumentException e) {
            throw new Unreadable("no approach " + code, e);
        }
    }

    /**
     * Copies a shipped approach under a name of the house's own.
     *
     * @param options the wanted option by stance
     * @param problems collects what is wrong, by field
     */
    @Transactional
    void copy(
            String formId,
            String name,
            String rationale,
            Approach base,
            Map<StanceChange, String> options,
            long staffId,
            FormProblems problems) {
        String named = problems.needed("name", name, NAME_LENGTH);
        String why = problems.text("rationale", rationale, RATIONALE_LENGTH);
        if (!problems.any() && mapper.nameTaken(named, formId)) {
            problems.add("name", Reason.of("told.thereIsAnApproachOf"));
        }
        if (problems.any()) {
            return;
        }
        Stances stances = base.stances();
        for (Map.Entry<StanceChange, String> e : options.entrySet()) {
            stances = e.getKey().in(stances, e.getValue());
        }
        mapper.insert(new HouseApproach(
                null, formId, named, why, base, ClientSettings.written(base.stances(), stances), staffId));
        audit.record(staffId, null, "APPROACH_COPIED", named + " from " + base);
    }
}

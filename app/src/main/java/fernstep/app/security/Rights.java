package fernstep.app.security;

import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.core.client.Licence;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Licences and administrators. Rights are taken away at once. A therapist's licence or the administration is given by two: one
 * asks, another agrees; where there is no other administrator it takes effect a day later, and can be withdrawn until then.
 */
@Service
public class Rights {
    private static final int FEW = 2;
    private static final long LOOKS_EVERY_MIN = 5;

    private final StaffMapper staff;
    private final RightsMapper mapper;
    private final Audit audit;

    Rights(StaffMapper staff, RightsMapper mapper, Audit audit) {
        this.staff = staff;
        this.mapper = mapper;
        this.audit = audit;
    }

    /** What became of a change. */
    public enum Became {
        DONE,
        /** Another administrator has to agree. */
        WAITS_FOR_ANOTHER,
        /** Nobody else could agree: it takes effect by itself. */
        WAITS_A_DAY,
        /** The practice would be without an administrator. */
        LAST_LEAD
    }

    /** Changes what somebody may do, or asks for it. */
    @Transactional
    public Became change(Staff who, Licence licence, boolean houseLead, SignedIn me) {
        if (who.houseLead() && !houseLead && staff.leads() < FEW) {
            return Became.LAST_LEAD;
        }
        mapper.endAllOf(id(who));
        if (!more(who, licence, houseLead)) {
            put(who, licence, houseLead, me.staffId());
            return Became.DONE;
        }
        mapper.ask(id(who), licence, houseLead, me.staffId());
        audit.record(me.staffId(), null, "RIGHTS_ASKED", who.username() + " → " + said(licence, houseLead));
        return staff.leads() < FEW ? Became.WAITS_A_DAY : Became.WAITS_FOR_ANOTHER;
    }

    private static boolean more(Staff who, Licence licence, boolean houseLead) {
        boolean licensed = licence == Licence.THERAPIST && who.licence() != Licence.THERAPIST;
        return licensed || (houseLead && !who.houseLead());
    }

    List<RightsAsked> open() {
        return mapper.open();
    }

    /** Agreed to by another than who asked. */
    @Transactional
    public void agree(long asked, SignedIn me) {
        RightsAsked open = mapper.locked(asked).orElseThrow(() -> new NotFound("nothing asked " + asked));
        if (open.askedBy() == me.staffId()) {
            throw new AccessDeniedException("who asked for rights does not give them");
        }
        give(open, me.staffId());
    }

    @Transactional
    public void withdraw(long asked, SignedIn me) {
        RightsAsked open = mapper.locked(asked).orElseThrow(() -> new NotFound("nothing asked " + asked));
        mapper.end(asked);
        audit.record(me.staffId(), null, "RIGHTS_WITHDRAWN", one(open.staffId()).username());
    }

    /** Where there is one administrator alone, a day is the second look. */
    @Scheduled(initialDelay = 1, fixedDelay = LOOKS_EVERY_MIN, timeUnit = TimeUnit.MINUTES)
    @Transactional
    public void giveWhatWaitedADay() {
        for (RightsAsked waited : mapper.openFor(RightsAsked.WAITS_HOURS)) {
            if (staff.leads() < FEW) {
                mapper.locked(waited.id()).ifPresent(open -> give(open, open.askedBy()));
            }
        }
    }

    private void give(RightsAsked open, long by) {
        mapper.end(open.id());
        put(one(open.staffId()), open.licence(), open.houseLead(), by);
    }

    private void put(Staff who, Licence licence, boolean houseLead, long by) {
        staff.putRole(id(who), licence, houseLead);
        if (id(who) != by) {
            staff.endSessions(who.username());
        }
        audit.record(
                by,
                null,
                "ROLE_CHANGED",
                who.username() + ": " + said(who.licence(), who.houseLead()) + " → " + said(licence, houseLead));
    }

    private static String said(Licence licence, boolean houseLead) {
        return licence + (houseLead ? " lead" : "");
    }

    private static long id(Staff who) {
        return Objects.requireNonNull(who.id());
    }

    private Staff one(long staffId) {
        return staff.byId(staffId).orElseThrow(() -> new NotFound("no account " + staffId));
    }
}

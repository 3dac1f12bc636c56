package fernstep.app.demo;

import fernstep.app.security.Staff;
import fernstep.app.security.StaffMapper;
import fernstep.core.client.Licence;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Fills an empty house with the invented studio before the first page is served; does nothing where an account exists. */
@Component
@ConditionalOnProperty(name = "fern.demo", havingValue = "true")
class DemoData implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(DemoData.class);
    private static final String PASSWORD = "tidemark-demo";

    private final StaffMapper staff;
    private final PasswordEncoder encoder;
    private final TidemarkRoom room;

    DemoData(StaffMapper staff, PasswordEncoder encoder, TidemarkRoom room) {
        this.staff = staff;
        this.encoder = encoder;
        this.room = room;
    }

    @Override
    @Transactional
    public void afterSingletonsInstantiated() {
        if (staff.count() > 0) {
            return;
        }
        String hash = encoder.encode(PASSWORD);
        staff.insert(account("imogen", "Imogen Vale", hash, Licence.THERAPIST, true, 16, 31, 46, 60));
        staff.insert(account("tamsin", "Tamsin Okoro", hash, Licence.COACH, false, 17, 33, 49, 64));
        staff.insert(account("ilse", "Ilse Brandt", hash, Licence.THERAPIST, false, 15, 29, 43, 57));
        staff.insert(new Staff(null, "rafaela", "Rafaela Pinto", hash, Licence.COACH, false, null, null, null, null, true, null));
        room.fill(idOf("imogen"), idOf("tamsin"));
        LOG.info("the demo studio is filled");
    }

    private long idOf(String username) {
        return Objects.requireNonNull(staff.byUsername(username).orElseThrow().id());
    }

    private static Staff account(
            String username, String name, String hash, Licence licence, boolean lead, double... fingersMm) {
        return new Staff(
                null, username, name, hash, licence, lead, fingersMm[0], fingersMm[1], fingersMm[2], fingersMm[3], true, null);
    }
}

package fernstep.app.standing;

import fernstep.core.client.Licence;
import fernstep.core.standing.Lift;
import java.time.LocalDateTime;

/** A lift as stored. */
record LiftRow(
        long reportId,
        long clientId,
        Lift.Kind kind,
        Lift.May may,
        Licence licence,
        long staffId,
        LocalDateTime liftedAt,
        String found) {}

package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.app.catalogue.Catalogues;
import fernstep.app.check.Checks;
import fernstep.app.progress.Ladders;
import fernstep.core.plan.Plan;
import org.springframework.stereotype.Service;

/** Puts the question for a plan together from what is on file. */
@Service
public class Plans {
    private final Catalogues catalogues;
    private final Checks checks;
    private final Ladders ladders;

    public Plans(Catalogues catalogues, Checks checks, Ladders ladders) {
        this.catalogues = catalogues;
        this.checks = checks;
        this.ladders = ladders;
    }

    public Plan plan(Visit visit) {
        return Plan.of(new Plan.Question(
                catalogues.get(),
                visit.screening(),
                visit.client().facts().pregnant(),
                visit.client().stances(),
                checks.findings(visit.client().id(), visit.row().heldOn()),
                visit.client().body(),
                ladders.places(visit.client().id()),
                visit.client().row().minutesPerDay()));
    }
}

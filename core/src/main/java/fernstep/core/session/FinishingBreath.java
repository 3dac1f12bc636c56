package fernstep.core.session;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Waymark;
import fernstep.core.plan.Dose;
import fernstep.core.screening.Strand;
import java.util.List;
import java.util.Optional;

/** What a session ends with when nothing loaded is left: breathing, lying. */
final class FinishingBreath {
    private static final int BREATHS = 5;
    private static final int EVERY_DAY = 7;

    private FinishingBreath() {}

    /** Empty where a breath that asks for no engagement is still to come: after too much load she is not asked to hold. */
    static Optional<Exercise> after(List<Exercise> exercises, Catalogue catalogue) {
        if (exercises.stream()
                .anyMatch(exercise -> exercise.open()
                        && exercise.rung().strand() == Strand.BREATH
                        && exercise.rung().fromDayOne())) {
            return Optional.empty();
        }
        Rung rung = catalogue.at(Waymark.BREATH_FIRST);
        int breaths =
                Optional.ofNullable(rung.window().breaths()).map(Span::min).orElse(BREATHS);
        Dose dose = new Dose(1, null, null, breaths, 1, EVERY_DAY);
        return Optional.of(new Exercise(rung, form(exercises), null, dose, 1));
    }

    /** Who lies flat for nothing in her session does not lie flat to finish; inclined harms nobody. */
    private static RungForm form(List<Exercise> exercises) {
        boolean inclined = exercises.stream().anyMatch(exercise -> exercise.form() == RungForm.INCLINED);
        boolean flat = exercises.stream()
                .anyMatch(exercise -> exercise.rung().position().flat());
        return flat && !inclined ? RungForm.PLAIN : RungForm.INCLINED;
    }
}

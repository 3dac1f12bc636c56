package fernstep.core.plan;

import fernstep.core.approach.Approach;
import fernstep.core.client.BodyEvent;
import fernstep.core.client.ClientFacts;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.findings.Tolerance;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Outcome;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Which approach the findings speak for, why, and what else would fit. The first that fits is proposed; the practitioner
 * chooses.
 *
 * @param alternative another that fits, or null
 * @param difference how the two would part today; null with no alternative
 */
public record Proposal(
        Approach approach,
        Reason reason,
        @Nullable Approach alternative,
        @Nullable Reason difference) {
    private static final int FIRST_WEEKS_DAYS = 42;
    private static final int LATE_DAYS = 84;

    private record Fit(Approach approach, Reason reason) {}

    /**
     * What the findings speak for.
     *
     * @param cleared cleared for exercise today
     * @return empty while an emergency or ask-first answer stands: nothing is proposed then
     */
    public static Optional<Proposal> of(
            ClientFacts facts, Findings f, boolean cleared, Outcome outcome, LocalDate today) {
        if (outcome.closesGates()) {
            return Optional.empty();
        }
        List<Fit> fits = new ArrayList<>();
        Optional<BodyEvent> event = facts.latestEvent();
        long days = event.map(e -> ChronoUnit.DAYS.between(e.date(), today)).orElse(Long.MAX_VALUE);
        boolean birth = event.map(e -> e.kind() != BodyEvent.Kind.SURGERY).orElse(false);
        if (!facts.pregnant() && birth && days < FIRST_WEEKS_DAYS) {
            fits.add(new Fit(Approach.QUIET_START, Reason.of("proposal.firstWeeks", days)));
        }
        breathLed(facts, f).ifPresent(r -> fits.add(new Fit(Approach.BREATH_LED, r)));
        boolean floats = f.floatScore().size() == Side.values().length
                && f.floatScore().values().stream().allMatch(s -> s >= 1);
        if (cleared && floats) {
            fits.add(new Fit(Approach.SLOW_LADDER, Reason.of("proposal.floats")));
        }
        boolean late = !facts.pregnant() && days >= LATE_DAYS;
        if (late
                && f.engagementFirm()
                && f.doming() != null
                && f.doming() != Observed.Doming.FIRM
                && !f.breathComesFirst()) {
            fits.add(new Fit(Approach.GRADED_LOAD, Reason.of("proposal.firmAndLate")));
        }
        if (fits.isEmpty()) {
            return Optional.of(new Proposal(Approach.BREATH_LED, nothingFits(f), null, null));
        }
        Fit first = fits.get(0);
        Fit other = fits.size() > 1 ? fits.get(1) : null;
        return Optional.of(new Proposal(
                first.approach(),
                first.reason(),
                other == null ? null : other.approach(),
                other == null ? null : difference(first.approach(), other.approach(), f)));
    }

    /** Little is known only where the checks that decide are missing: they are named. */
    private static Reason nothingFits(Findings f) {
        List<Reason> missing = new ArrayList<>();
        if (f.cough() == null && f.floorOnCough() == null) {
            missing.add(Reason.of("check.COUGH"));
        }
        if (f.toleranceBreaths() == null) {
            missing.add(Reason.of("check.TOLERANCE"));
        }
        if (f.setGrade().size() < Side.values().length) {
            missing.add(Reason.of("check.GRADE"));
        }
        if (f.floatScore().size() < Side.values().length) {
            missing.add(Reason.of("check.FLOAT"));
        }
        if (f.doming() == null) {
            missing.add(Reason.of("check.RIDGE"));
        }
        return missing.isEmpty()
                ? Reason.of("proposal.foundationsFirst")
                : Reason.of("proposal.missingChecks", Reason.list(missing));
    }

    private static Optional<Reason> breathLed(ClientFacts facts, Findings f) {
        if (f.coughReversed()) {
            return Optional.of(Reason.of("proposal.coughReversed"));
        }
        Optional<Tolerance> poor = f.tolerance().filter(Tolerance::isPoor);
        if (poor.isPresent()) {
            return Optional.of(Reason.of("proposal.toleranceLow", poor.get().breaths()));
        }
        boolean scar = facts.events().stream().anyMatch(e -> e.kind() == BodyEvent.Kind.CAESAREAN);
        return f.weakerGrade().filter(g -> scar && g.isWeak()).map(g -> Reason.of("proposal.scarAndSet", g.value()));
    }

    /** What would part them today: the ridge seen, else how the dose grows. */
    private static Reason difference(Approach a, Approach b, Findings f) {
        boolean ridge = f.doming() == Observed.Doming.SOFT
                && a.stances().doming() != b.stances().doming();
        if (ridge) {
            Approach strict = a.stances().doming() == fernstep.core.approach.Stances.Doming.NONE_ALLOWED ? a : b;
            return Reason.of("proposal.differ.ridge", strict, strict == a ? b : a);
        }
        return Reason.of(
                "proposal.differ.dose", a, a.stances().dose(), b, b.stances().dose());
    }
}

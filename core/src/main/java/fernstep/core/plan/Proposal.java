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

    /** Another approach to put beside hers: the other that fits, else the proposed one, else another for climbing. */
    public Approach besides(Approach hers) {
        if (alternative != null && alternative != hers) {
            return alternative;
        }
        if (approach != hers) {
            return approach;
        }
        return hers == Approach.GRADED_LOAD ? Approach.SLOW_LADDER : Approach.GRADED_LOAD;
    }

    /**
     * What the findings speak for.
     *
     * @param cleared cleared for exercise today
     * @return empty while an emergency or ask-first answer stands: nothing is proposed then
     */
    public static Optional<Proposal> of(
            ClientFacts facts, Findings findings, boolean cleared, Outcome outcome, LocalDate today) {
        if (outcome.closesGates()) {
            return Optional.empty();
        }
        List<Fit> fits = new ArrayList<>();
        Optional<BodyEvent> event = facts.latestEvent();
        long days = event.map(bodyEvent -> ChronoUnit.DAYS.between(bodyEvent.date(), today))
                .orElse(Long.MAX_VALUE);
        boolean birth = event.map(bodyEvent -> bodyEvent.kind() != BodyEvent.Kind.SURGERY)
                .orElse(false);
        if (!facts.pregnant() && birth && days < FIRST_WEEKS_DAYS) {
            fits.add(new Fit(Approach.QUIET_START, Reason.of("proposal.firstWeeks", days)));
        }
        breathLed(facts, findings).ifPresent(reason -> fits.add(new Fit(Approach.BREATH_LED, reason)));
        boolean floats = findings.floatScore().size() == Side.values().length
                && findings.floatScore().values().stream().allMatch(number -> number >= 1);
        if (cleared && floats) {
            fits.add(new Fit(Approach.SLOW_LADDER, Reason.of("proposal.floats")));
        }
        boolean late = !facts.pregnant() && days >= LATE_DAYS;
        if (late
                && findings.engagementFirm()
                && findings.doming() != null
                && findings.doming() != Observed.Doming.FIRM
                && !findings.breathComesFirst()) {
            fits.add(new Fit(Approach.GRADED_LOAD, Reason.of("proposal.firmAndLate")));
        }
        if (fits.isEmpty()) {
            return Optional.of(new Proposal(Approach.BREATH_LED, nothingFits(findings), null, null));
        }
        Fit first = fits.get(0);
        Fit other = fits.size() > 1 ? fits.get(1) : null;
        return Optional.of(new Proposal(
                first.approach(),
                first.reason(),
                other == null ? null : other.approach(),
                other == null ? null : difference(first.approach(), other.approach(), findings)));
    }

    /** Little is known only where the checks that decide are missing: they are named. */
    private static Reason nothingFits(Findings findings) {
        List<Reason> missing = new ArrayList<>();
        if (findings.cough() == null && findings.floorOnCough() == null) {
            missing.add(Reason.of("check.COUGH"));
        }
        if (findings.toleranceBreaths() == null) {
            missing.add(Reason.of("check.TOLERANCE"));
        }
        if (findings.setGrade().size() < Side.values().length) {
            missing.add(Reason.of("check.GRADE"));
        }
        if (findings.floatScore().size() < Side.values().length) {
            missing.add(Reason.of("check.FLOAT"));
        }
        if (findings.doming() == null) {
            missing.add(Reason.of("check.RIDGE"));
        }
        return missing.isEmpty()
                ? Reason.of("proposal.foundationsFirst")
                : Reason.of("proposal.missingChecks", Reason.list(missing));
    }

    private static Optional<Reason> breathLed(ClientFacts facts, Findings findings) {
        if (findings.coughReversed()) {
            return Optional.of(Reason.of("proposal.coughReversed"));
        }
        Optional<Tolerance> poor = findings.tolerance().filter(Tolerance::isPoor);
        if (poor.isPresent()) {
            return Optional.of(Reason.of("proposal.toleranceLow", poor.get().breaths()));
        }
        boolean scar = facts.events().stream().anyMatch(event -> event.kind() == BodyEvent.Kind.CAESAREAN);
        return findings.weakerGrade()
                .filter(grade -> scar && grade.isWeak())
                .map(grade -> Reason.of("proposal.scarAndSet", grade.value()));
    }

    /** What would part them today: the ridge seen, else how the dose grows. */
    private static Reason difference(Approach approach, Approach other, Findings findings) {
        boolean ridge = findings.doming() == Observed.Doming.SOFT
                && approach.stances().doming() != other.stances().doming();
        if (ridge) {
            Approach strict = approach.stances().doming() == fernstep.core.approach.Stances.Doming.NONE_ALLOWED
                    ? approach
                    : other;
            return Reason.of("proposal.differ.ridge", strict, strict == approach ? other : approach);
        }
        return Reason.of(
                "proposal.differ.dose",
                approach,
                approach.stances().dose(),
                other,
                other.stances().dose());
    }
}

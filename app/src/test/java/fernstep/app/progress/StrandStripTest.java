package fernstep.app.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.support.Languages;
import fernstep.app.support.Words;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.measure.Side;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Strand;
import fernstep.exchange.casefile.CataloguePackage;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class StrandStripTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 15);
    private final Catalogue catalogue = CataloguePackage.shipped();
    private final Words words = new Words(new Languages(false), () -> catalogue);

    private static ResultRow went(
            String rung, String side, int daysAgo, @Nullable Integer effort, @Nullable String after) {
        return new ResultRow(
                "s" + daysAgo, rung, side, 1, TODAY.minusDays(daysAgo), SessionResult.Kind.EASED, effort, after, "", 1);
    }

    private List<StrandStrip.Mark> marks(ResultRow... results) {
        return StrandStrip.of(
                        Strand.LEG_FLOAT,
                        Side.LEFT,
                        List.of(),
                        List.of(results),
                        catalogue,
                        DoseStance.MASTERY_REPS,
                        TODAY,
                        words)
                .marks();
    }

    @Test
    void a_session_is_told_in_words_with_effort_and_the_morning_after() {
        assertThat(marks(went("F2", "LEFT", 5, 7, "HEAVY,PAIN:4")))
                .extracting(StrandStrip.Mark::text)
                .containsExactly("10 Jun 2031, F2: made easier, effort 7, the morning after: Heaviness, Pain 4");
        assertThat(marks(went("F2", "LEFT", 5, null, "")))
                .extracting(StrandStrip.Mark::text)
                .containsExactly("10 Jun 2031, F2: made easier");
    }

    @Test
    void only_her_sessions_of_this_strand_and_side_within_four_months_stand_on_it() {
        assertThat(marks(
                        went("F2", "RIGHT", 5, null, null),
                        went("DC1", "", 5, null, null),
                        went("F8", "", 6, null, null),
                        went("F2", "LEFT", 126, null, null),
                        went("F2", "LEFT", 127, null, null)))
                .extracting(StrandStrip.Mark::text)
                .containsExactly("9 Jun 2031, F8: made easier", "9 Feb 2031, F2: made easier");
    }
}

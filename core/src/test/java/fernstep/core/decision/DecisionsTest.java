package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.Seeded;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Lever;
import fernstep.core.findings.SignCode;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds for the rules together: one answer to every sign, and never a heavier one. */
class DecisionsTest extends RulesAsked {
    @ParameterizedTest
    @EnumSource(SignCode.class)
    void every_sign_is_answered_by_exactly_one_rule(SignCode sign) {
        assertThat(SignRules.TABLE.stream().filter(rule -> rule.signs().contains(sign)))
                .hasSize(1);
    }

    private static final Set<SignCode> ASKS_FOR_LESS_LOAD = EnumSet.of(
            SignCode.DOME_FIRM, SignCode.DOME_SOFT, SignCode.WALL_BULGE, SignCode.BACK_ARCHES, SignCode.BELLY_DROPS);

    private static final List<Lever> OF_DOSE_AND_HELP =
            List.of(Lever.SHORTEN_HOLD, Lever.FEWER_REPS, Lever.ADD_HELPER, Lever.SUPPORT, Lever.EASIER_POSITION);

    private static boolean noLoadRange(String rung) {
        var r = ShippedCatalogue.CATALOGUE.rung(rung);
        return r.family() == null || !r.hasRange();
    }

    /** After any easing in the same set the rung gone back to asks no more than what she does now. */
    @ParameterizedTest
    @EnumSource(
            value = Lever.class,
            names = {"BEND_KNEE", "ONE_LIMB"})
    void after_a_shortened_lever_a_step_back_is_still_no_heavier(Lever lever) {
        Body body = Body.of(70.0, 170.0);
        for (var rung : ShippedCatalogue.CATALOGUE.rungs()) {
            if (rung.family() == null || !rung.levers().contains(lever)) {
                continue;
            }
            Seen ridge = clear(SignCode.DOME_FIRM);
            Advice eased = onF4().on(rung.code()).sees(ridge);
            Advice a = onF4().on(rung.code()).before(1, Move.EASE, lever, ridge).sees(ridge.inRep(2));
            boolean offered = eased.change() != null && eased.change().lever() == lever;
            if (offered && a.move() == Move.STEP_BACK) {
                double now = rung.indexAt(1, body) * (1 + eased.loadChangePct() / 100);
                double back = ShippedCatalogue.CATALOGUE.rung(a.stepBackTo()).indexAt(a.stepBackRange(), body);
                boolean followed = a.loadChangePct() != null;
                assertThat(!followed || back <= now * 1.002)
                        .as("%s to %s", rung.code(), a.stepBackTo())
                        .isTrue();
            }
        }
    }

    static Stream<Random> randoms() {
        return Seeded.cases(800, random -> random);
    }

    @ParameterizedTest
    @MethodSource("randoms")
    void no_lever_is_offered_that_the_rung_lacks_or_that_does_not_lower_the_load_it_should(Random random) {
        List<String> rungs = ShippedCatalogue.CATALOGUE.rungs().stream()
                .map(each -> each.code())
                .toList();
        String rung = rungs.get(random.nextInt(rungs.size()));
        SignCode sign = SignCode.values()[random.nextInt(SignCode.values().length)];
        Advice a = onF4().on(rung)
                .by(Approach.values()[random.nextInt(4)])
                .set(random.nextInt(4) / 3.0, 1.0 + random.nextInt(10), 1 + random.nextInt(12))
                .sees(new Seen(
                        sign,
                        Seen.Severity.values()[random.nextInt(2)],
                        null,
                        2,
                        null,
                        random.nextInt(11),
                        null,
                        false,
                        random.nextBoolean()));
        if (a.change() != null) {
            assertThat(ShippedCatalogue.CATALOGUE.rung(rung).levers())
                    .contains(a.change().lever());
            if (a.change().loadChangePct() != null) {
                assertThat(a.change().loadChangePct())
                        .as("%s on %s", a.change().lever(), rung)
                        .isLessThanOrEqualTo(-3);
            } else if (ASKS_FOR_LESS_LOAD.contains(sign)) {
                assertThat(noLoadRange(rung))
                        .as("%s on %s", a.change().lever(), rung)
                        .isTrue();
                assertThat(a.change().lever()).isIn(OF_DOSE_AND_HELP);
            }
        }
        if (a.move() == Move.STEP_BACK && a.loadChangePct() != null) {
            assertThat(a.loadChangePct()).as("back from %s", rung).isLessThanOrEqualTo(0);
        }
        assertThat(a.runnerUp()).isNotNull();
        if (a.move() == Move.STEP_BACK) {
            assertThat(a.stepBackTo()).isNotNull();
        }
    }
}

package fernstep.core.decision;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.Seeded;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What must hold of every answer, tried on thousands of situations over the whole catalogue; the same ones each time. */
class DecisionPropertiesTest {
    private static final int ROUNDS = Seeded.atMost(30);
    private static final int SITUATIONS = Seeded.atMost(150);
    /** Loads are kept to a tenth of a percent. */
    private static final double ROUNDING_PCT = 0.05;

    private static final List<Rung> RUNGS = List.copyOf(ShippedCatalogue.CATALOGUE.rungs());

    static Stream<Integer> seeds() {
        return IntStream.range(0, ROUNDS).boxed();
    }

    private static List<Situation> situations(int seed) {
        Random random = new Random(seed);
        List<Situation> all = new ArrayList<>();
        for (int i = 0; i < SITUATIONS; i++) {
            all.add(situation(random));
        }
        return all;
    }

    private static Situation situation(Random random) {
        Rung rung = RUNGS.get(random.nextInt(RUNGS.size()));
        Side side = rung.perSide() ? one(random, Side.values()) : null;
        Set<Restriction> closed = EnumSet.noneOf(Restriction.class);
        if (random.nextInt(3) == 0) {
            closed.add(one(random, Restriction.values()));
        }
        Set<Helper> helpers = EnumSet.noneOf(Helper.class);
        rung.helpers().stream().filter(helper -> random.nextInt(4) == 0).forEach(helpers::add);
        Setting setting = new Setting(
                rung.hasRange() ? random.nextInt(101) / 100.0 : 1,
                random.nextBoolean() ? null : 1.0 + random.nextInt(12),
                random.nextInt(5) == 0 ? null : 1 + random.nextInt(12),
                helpers);
        List<RepRecord> soFar = new ArrayList<>();
        for (int rep = 1; rep <= random.nextInt(4); rep++) {
            soFar.add(new RepRecord(
                    rep,
                    List.of(seen(random)),
                    one(random, Move.CARRY_ON, Move.CUE, Move.EASE),
                    one(random, Lever.values())));
        }
        return new Situation(
                ShippedCatalogue.CATALOGUE,
                one(random, Approach.values()).stances(),
                new Situation.Woman(
                        random.nextInt(4) == 0, closed, Body.of(50.0 + random.nextInt(50), 150.0 + random.nextInt(35))),
                new Situation.Doing(rung, side, setting),
                new Situation.Now(Set.of(), List.of(seen(random).inRep(5))),
                Situation.Before.of(soFar, List.of(), List.of()));
    }

    private static Seen seen(Random random) {
        SignCode code = one(random, SignCode.values());
        Seen seen = Seen.of(code, one(random, Seen.Severity.values()));
        return code == SignCode.PAIN ? seen.withPain(random.nextInt(11), null) : seen;
    }

    @SafeVarargs
    private static <T> T one(Random random, T... of) {
        return of[random.nextInt(of.length)];
    }

    private static Situation also(Situation situation, Seen more) {
        List<Seen> seen = new ArrayList<>(situation.seen());
        seen.add(more);
        return new Situation(
                situation.catalogue(),
                situation.stances(),
                situation.her(),
                situation.doing(),
                new Situation.Now(Set.of(), seen),
                situation.before());
    }

    private static Situation seeing(Situation situation, Stances.Doming doming, Seen only) {
        Stances was = situation.stances();
        Stances stances = new Stances(
                was.activation(),
                was.spine(),
                was.breath(),
                was.effortTiming(),
                doming,
                was.gapReading(),
                was.start(),
                was.dose(),
                was.flexion(),
                was.garment(),
                was.size());
        return new Situation(
                situation.catalogue(),
                stances,
                situation.her(),
                situation.doing(),
                new Situation.Now(Set.of(), List.of(only)),
                situation.before());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void no_lever_that_the_rung_lacks_or_that_is_at_its_end(int seed) {
        for (Situation s : situations(seed)) {
            LeverChange change = Decisions.next(s).change();
            if (change == null) {
                continue;
            }
            assertThat(s.rung().levers()).as("%s", s.doing()).contains(change.lever());
            if (change.lever() == Lever.RAISE_RANGE
                    || change.lever() == Lever.SHORTEN_HOLD
                    || change.lever() == Lever.FEWER_REPS) {
                double from = ((Number) change.from()).doubleValue();
                double to = ((Number) change.to()).doubleValue();
                assertThat(to).as("%s %s", s.doing(), change).isLessThan(from).isNotNegative();
            }
            if (change.to() instanceof Helper helper) {
                assertThat(s.setting().helpers()).doesNotContain(helper);
                assertThat(s.rung().helpers()).contains(helper);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothing_that_is_meant_to_ease_loads_more(int seed) {
        for (Situation s : situations(seed)) {
            Advice a = Decisions.next(s);
            if (a.move() == Move.EASE || a.move() == Move.EASE_ONE_SIDE || a.move() == Move.STEP_BACK) {
                Double pct = a.loadChangePct();
                assertThat(pct == null ? 0 : pct)
                        .as("%s %s %s", s.doing(), a.move(), a.change())
                        .isLessThanOrEqualTo(ROUNDING_PCT);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void one_more_sign_in_the_same_repetition_never_gives_a_milder_move(int seed) {
        Random random = new Random(1_000 + seed);
        for (Situation s : situations(seed)) {
            Move alone = Decisions.next(s).move();
            Move both = Decisions.next(also(s, seen(random).inRep(5))).move();
            assertThat(both).as("%s %s", s.doing(), s.now()).isGreaterThanOrEqualTo(alone);
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void allowing_no_ridge_is_never_milder_than_tolerating_a_soft_one(int seed) {
        for (Situation s : situations(seed)) {
            for (Seen ridge : Arrays.asList(
                    Seen.slight(SignCode.DOME_SOFT).inRep(5),
                    Seen.clear(SignCode.DOME_FIRM).inRep(5))) {
                Move none = Decisions.next(seeing(s, Stances.Doming.NONE_ALLOWED, ridge))
                        .move();
                Move soft = Decisions.next(seeing(s, Stances.Doming.SOFT_TOLERATED, ridge))
                        .move();
                assertThat(none).as("%s %s", s.doing(), ridge).isGreaterThanOrEqualTo(soft);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void a_strong_sign_never_gets_a_milder_answer_than_the_same_one_slight(int seed) {
        for (Situation s : situations(seed)) {
            Seen told = s.seen().get(0);
            if (told.sign() == SignCode.PAIN) {
                continue;
            }
            Stances.Doming doming = s.stances().doming();
            Move slight = Decisions.next(
                            seeing(s, doming, Seen.slight(told.sign()).inRep(5)))
                    .move();
            Move strong = Decisions.next(
                            seeing(s, doming, Seen.clear(told.sign()).inRep(5)))
                    .move();
            assertThat(strong).as("%s %s", s.doing(), told.sign()).isGreaterThanOrEqualTo(slight);
        }
    }
}

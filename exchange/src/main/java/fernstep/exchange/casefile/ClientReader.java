package fernstep.exchange.casefile;

import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.client.Surgery;
import fernstep.core.measure.Range;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Reads a client's facts and the stances she is trained by. */
public final class ClientReader {
    private ClientReader() {}

    /** @param today facts are checked against it; null skips the checks that need a day */
    public static ClientFacts client(CaseObject c, @Nullable LocalDate today) {
        ClientFacts facts = new ClientFacts(
                c.code("status", Status.class),
                c.optionalDate("dueDate").orElse(null),
                births(c),
                c.objects("surgeries").stream().map(ClientReader::surgery).toList(),
                c.objects("clearances").stream().map(ClientReader::clearance).toList(),
                c.optionalNumber("heightCm", Range.HEIGHT_CM).orElse(null),
                c.optionalNumber("massKg", Range.MASS_KG).orElse(null),
                c.optionalWhole("age", Range.AGE_YEARS).orElse(null),
                c.codes("restrictions", Restriction.class));
        c.optionalText("dominantHand");
        c.nothingElse();
        if (today != null) {
            facts.problem(today).ifPresent(p -> {
                Wording english = Wording.english();
                throw c.problem(p.field(), english.of(p.what()), english.of(p.allowed()));
            });
        }
        return facts;
    }

    private static List<Birth> births(CaseObject c) {
        List<Birth> births = new ArrayList<>();
        Optional<LocalDate> date = c.optionalDate("birthDate");
        int tear = c.optionalWhole("tearDegree", Range.TEAR_DEGREE).orElse(0);
        Optional<BirthMode> mode = c.optionalCode("birthMode", BirthMode.class);
        if (date.isPresent()) {
            births.add(new Birth(
                    date.get(),
                    mode.orElseThrow(
                            () -> c.problem("birthMode", "'birthMode' is missing", CaseObject.names(BirthMode.class))),
                    tear));
        }
        c.objects("births").forEach(b -> {
            births.add(new Birth(
                    b.date("date"),
                    b.code("mode", BirthMode.class),
                    b.optionalWhole("tearDegree", Range.TEAR_DEGREE).orElse(0)));
            b.nothingElse();
        });
        return births;
    }

    private static Surgery surgery(CaseObject s) {
        Surgery surgery = new Surgery(s.date("date"), s.optionalText("what").orElse(""));
        s.nothingElse();
        return surgery;
    }

    private static Clearance clearance(CaseObject c) {
        LocalDate date = c.date("date");
        Optional<LocalDate> expiry = c.optionalDate("expiry");
        if (expiry.isPresent() && expiry.get().isBefore(date)) {
            throw c.problem("expiry", "A clearance cannot expire before it is given", "from " + date + " on");
        }
        Clearance clearance = new Clearance(
                c.code("scope", Clearance.Scope.class),
                date,
                c.optionalText("byRole").orElse(""),
                c.optionalText("byName").orElse(null),
                expiry.orElse(null),
                c.optionalText("note").orElse(null));
        c.nothingElse();
        return clearance;
    }

    /** From "approach", from "stances", or both: a stance named on its own replaces the approach's. */
    public static Stances stances(CaseObject request) {
        Optional<Approach> named = request.optionalCode("approach", Approach.class);
        Optional<CaseObject> own = request.optionalObject("stances");
        Optional<Approach> inside = own.flatMap(s -> s.optionalCode("approach", Approach.class));
        if (named.isEmpty() && own.isEmpty()) {
            throw request.problem("approach", "'approach' or 'stances' is missing", CaseObject.names(Approach.class));
        }
        Stances base = named.or(() -> inside).orElse(Approach.SLOW_LADDER).stances();
        return own.map(s -> stances(s, base)).orElse(base);
    }

    private static Stances stances(CaseObject s, Stances base) {
        Stances stances = new Stances(
                s.optionalCode("activation", Stances.Activation.class).orElse(base.activation()),
                s.optionalCode("spine", Stances.Spine.class).orElse(base.spine()),
                s.optionalCode("breath", Stances.Breath.class).orElse(base.breath()),
                s.optionalCode("effortTiming", Stances.EffortTiming.class).orElse(base.effortTiming()),
                s.optionalCode("doming", Stances.Doming.class).orElse(base.doming()),
                s.optionalCode("gapReading", Stances.GapReading.class).orElse(base.gapReading()),
                s.optionalCode("start", Stances.Start.class).orElse(base.start()),
                s.optionalCode("dose", Stances.DoseStance.class).orElse(base.dose()),
                s.optionalCode("flexion", Stances.Flexion.class).orElse(base.flexion()),
                s.optionalCode("garment", Stances.Garment.class).orElse(base.garment()),
                s.optionalCode("size", Stances.Size.class).orElse(base.size()));
        s.nothingElse();
        return stances;
    }
}

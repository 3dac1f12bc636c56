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
    public static ClientFacts client(CaseObject object, @Nullable LocalDate today) {
        ClientFacts facts = new ClientFacts(
                object.code("status", Status.class),
                object.optionalDate("dueDate").orElse(null),
                births(object),
                object.objects("surgeries").stream().map(ClientReader::surgery).toList(),
                object.objects("clearances").stream()
                        .map(ClientReader::clearance)
                        .toList(),
                object.optionalNumber("heightCm", Range.HEIGHT_CM).orElse(null),
                object.optionalNumber("massKg", Range.MASS_KG).orElse(null),
                object.optionalWhole("age", Range.AGE_YEARS).orElse(null),
                object.codes("restrictions", Restriction.class));
        object.optionalText("dominantHand");
        object.nothingElse();
        if (today != null) {
            facts.problem(today).ifPresent(problem -> {
                Wording english = Wording.english();
                throw object.problem(problem.field(), english.of(problem.what()), english.of(problem.allowed()));
            });
        }
        return facts;
    }

    private static List<Birth> births(CaseObject object) {
        List<Birth> births = new ArrayList<>();
        Optional<LocalDate> date = object.optionalDate("birthDate");
        int tear = object.optionalWhole("tearDegree", Range.TEAR_DEGREE).orElse(0);
        Optional<BirthMode> mode = object.optionalCode("birthMode", BirthMode.class);
        if (date.isPresent()) {
            births.add(new Birth(
                    date.get(),
                    mode.orElseThrow(() ->
                            object.problem("birthMode", "'birthMode' is missing", CaseObject.names(BirthMode.class))),
                    tear));
        }
        object.objects("births").forEach(caseObject -> {
            births.add(new Birth(
                    caseObject.date("date"),
                    caseObject.code("mode", BirthMode.class),
                    caseObject.optionalWhole("tearDegree", Range.TEAR_DEGREE).orElse(0)));
            caseObject.nothingElse();
        });
        return births;
    }

    private static Surgery surgery(CaseObject object) {
        Surgery surgery =
                new Surgery(object.date("date"), object.optionalText("what").orElse(""));
        object.nothingElse();
        return surgery;
    }

    private static Clearance clearance(CaseObject object) {
        LocalDate date = object.date("date");
        Optional<LocalDate> expiry = object.optionalDate("expiry");
        if (expiry.isPresent() && expiry.get().isBefore(date)) {
            throw object.problem("expiry", "A clearance cannot expire before it is given", "from " + date + " on");
        }
        Clearance clearance = new Clearance(
                object.code("scope", Clearance.Scope.class),
                date,
                object.optionalText("byRole").orElse(""),
                object.optionalText("byName").orElse(null),
                expiry.orElse(null),
                object.optionalText("note").orElse(null));
        object.nothingElse();
        return clearance;
    }

    /** From "approach", from "stances", or both: a stance named on its own replaces the approach's. */
    public static Stances stances(CaseObject request) {
        Optional<Approach> named = request.optionalCode("approach", Approach.class);
        Optional<CaseObject> own = request.optionalObject("stances");
        Optional<Approach> inside = own.flatMap(object -> object.optionalCode("approach", Approach.class));
        if (named.isEmpty() && own.isEmpty()) {
            throw request.problem("approach", "'approach' or 'stances' is missing", CaseObject.names(Approach.class));
        }
        Stances base = named.or(() -> inside).orElse(Approach.SLOW_LADDER).stances();
        return own.map(object -> stances(object, base)).orElse(base);
    }

    private static Stances stances(CaseObject object, Stances base) {
        Stances stances = new Stances(
                object.optionalCode("activation", Stances.Activation.class).orElse(base.activation()),
                object.optionalCode("spine", Stances.Spine.class).orElse(base.spine()),
                object.optionalCode("breath", Stances.Breath.class).orElse(base.breath()),
                object.optionalCode("effortTiming", Stances.EffortTiming.class).orElse(base.effortTiming()),
                object.optionalCode("doming", Stances.Doming.class).orElse(base.doming()),
                object.optionalCode("gapReading", Stances.GapReading.class).orElse(base.gapReading()),
                object.optionalCode("start", Stances.Start.class).orElse(base.start()),
                object.optionalCode("dose", Stances.DoseStance.class).orElse(base.dose()),
                object.optionalCode("flexion", Stances.Flexion.class).orElse(base.flexion()),
                object.optionalCode("garment", Stances.Garment.class).orElse(base.garment()),
                object.optionalCode("size", Stances.Size.class).orElse(base.size()));
        object.nothingElse();
        return stances;
    }
}

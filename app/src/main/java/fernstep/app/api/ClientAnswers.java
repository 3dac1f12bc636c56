package fernstep.app.api;

import fernstep.app.client.ClientFile;
import fernstep.app.plan.Plans;
import fernstep.app.progress.ResultRow;
import fernstep.app.support.Words;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.measure.Side;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.progress.SessionResult;
import fernstep.core.schedule.Prescription;
import fernstep.core.screening.Outcome;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Method;
import fernstep.core.separation.Width;
import fernstep.exchange.table.ReadingsCsv;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The answers of the API: what the pages show, in codes, with units in the names. */
final class ClientAnswers {
    private static final double SECONDS_PER_MINUTE = 60.0;
    private static final double TENTHS = 10.0;

    private ClientAnswers() {}

    /**
     * Some of the clients, by number.
     *
     * @param nextAfter ask for those after it; null where these were the last
     */
    record Page(List<Brief> clients, @Nullable Long nextAfter) {}

    /** One line of the list. */
    record Brief(long id, String name, Status status, String approach) {
        static Brief of(ClientFile file) {
            return new Brief(
                    file.id(),
                    file.name(),
                    file.row().status(),
                    file.row().approach().name());
        }
    }

    /**
     * Who she is.
     *
     * @param heightCm null where it was not told
     * @param massKg null where it was not told
     * @param age years, or null
     * @param restrictions as they are recorded; what follows from her stage is in the plan
     */
    record Her(
            long id,
            String name,
            Status status,
            @Nullable LocalDate dueDate,
            List<Birth> births,
            List<Operation> operations,
            List<Cleared> clearances,
            @Nullable Double heightCm,
            @Nullable Double massKg,
            @Nullable Integer age,
            Set<Restriction> restrictions,
            String approach,
            int minutesPerDay,
            int daysPerWeek,
            @Nullable LocalDate nextVisit) {
        static Her of(ClientFile file, @Nullable LocalDate nextVisit) {
            ClientFacts f = file.facts();
            return new Her(
                    file.id(),
                    file.name(),
                    f.status(),
                    f.dueDate(),
                    f.births().stream()
                            .map(birth -> new Birth(birth.date(), birth.mode().name(), birth.tearDegree()))
                            .toList(),
                    f.surgeries().stream()
                            .map(surgery -> new Operation(surgery.date(), surgery.what()))
                            .toList(),
                    f.clearances().stream()
                            .map(clearance -> new Cleared(
                                    clearance.scope().name(), clearance.date(), clearance.expiry(), clearance.byRole()))
                            .toList(),
                    f.heightCm(),
                    f.massKg(),
                    f.age(),
                    f.restrictions(),
                    file.row().approach().name(),
                    file.row().minutesPerDay(),
                    file.row().daysPerWeek(),
                    nextVisit);
        }
    }

    /** @param tearDegree 0 to 4 */
    record Birth(LocalDate date, String mode, int tearDegree) {}

    /** An abdominal operation. */
    record Operation(LocalDate date, String what) {}

    /** What she was cleared for. */
    record Cleared(String scope, LocalDate date, @Nullable LocalDate expiry, String byRole) {}

    /**
     * Her plan as it stands today: where the outcome is not to train, nothing of it is to be done.
     *
     * @param minutesTotal of the longest day
     */
    record PlanOf(LocalDate day, Outcome outcome, List<Item> items, double minutesTotal, List<String> warnings) {
        static PlanOf of(Plans.Desk desk, Prescription prescription, Words words) {
            boolean opens = prescription.mayTrain().opensSession();
            Plan plan = opens ? prescription.plan() : prescription.plan().keeping(item -> false);
            return new PlanOf(
                    desk.day(),
                    desk.question().screening().outcome(),
                    plan.items().stream().map(item -> Item.of(item, words)).toList(),
                    tenths(plan.secondsTotal() / SECONDS_PER_MINUTE),
                    desk.warnings(plan).stream().map(words::of).toList());
        }
    }

    /**
     * One exercise and side.
     *
     * @param reps null where it is held or breathed
     * @param holdS null where nothing is held
     * @param breaths null where it is not counted in breaths
     * @param range 0 to 1 of the rung's range
     */
    record Item(
            String rung,
            String name,
            @Nullable Side side,
            String role,
            String position,
            int sets,
            @Nullable Integer reps,
            @Nullable Integer holdS,
            @Nullable Integer breaths,
            int perDay,
            int daysPerWeek,
            double range,
            double minutes,
            String why) {
        static Item of(PlanItem item, Words words) {
            return new Item(
                    item.rung().code(),
                    item.rung().name(),
                    item.side(),
                    item.role().name(),
                    item.position().name(),
                    item.dose().sets(),
                    item.dose().reps(),
                    item.dose().holdS(),
                    item.dose().breaths(),
                    item.dose().perDay(),
                    item.dose().daysPerWeek(),
                    item.range(),
                    tenths(item.seconds() / SECONDS_PER_MINUTE),
                    words.of(item.why()));
        }
    }

    /** How exercises went, newest first. */
    record Sessions(List<Went> results) {}

    /**
     * How one exercise and side went.
     *
     * @param effort 0 to 10, or null
     * @param nextDay null where the next day was not asked; pain as PAIN:level
     */
    record Went(
            LocalDate date,
            String session,
            String rung,
            @Nullable Side side,
            SessionResult.Kind result,
            @Nullable Integer effort,
            @Nullable List<String> nextDay,
            List<String> signs,
            double range) {
        static Went of(ResultRow row) {
            return new Went(
                    row.heldOn(),
                    row.sessionId(),
                    row.rung(),
                    row.sideOrNull(),
                    row.result(),
                    row.effort(),
                    row.nextDay() == null ? null : codes(row.nextDay()),
                    codes(row.signs()),
                    row.rangeFraction());
        }

        private static List<String> codes(String text) {
            return Arrays.stream(text.split(","))
                    .filter(part -> !part.isEmpty())
                    .toList();
        }
    }

    /** Readings of the separation, oldest first. */
    record Readings(List<Read> readings) {}

    /**
     * One reading.
     *
     * @param siteCm from the navel, upwards positive
     * @param errorMm of the mean of the values
     * @param calibrated whether the fingers of who felt it are known
     */
    record Read(
            LocalDate date,
            double siteCm,
            Condition condition,
            Method method,
            List<Double> values,
            double widthMm,
            double errorMm,
            boolean calibrated) {
        static Read of(ReadingsCsv.Line line) {
            Width w = line.width();
            return new Read(
                    line.day(),
                    w.reading().siteCm(),
                    w.reading().condition(),
                    w.reading().method(),
                    w.reading().values(),
                    tenths(w.mm()),
                    tenths(w.errorMm()),
                    w.calibrated());
        }
    }

    private static double tenths(double value) {
        return Math.round(value * TENTHS) / TENTHS;
    }
}

package fernstep.app.check;

import fernstep.core.measure.Numbers;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A reading as stored; repeats stand in one field, apart by spaces. */
public record ReadingRow(
        long visitId,
        double siteCm,
        Condition conditionCode,
        Method method,
        String readingValues,
        @Nullable Double depthMm,
        @Nullable Depth depthCode,
        @Nullable Feel feel,
        long staffId) {

    Reading asReading() {
        return new Reading(siteCm, conditionCode, method, values(readingValues), depthMm, feel);
    }

    /**
     * The same in its one stored form.
     *
     * @throws IllegalArgumentException where no reading can be built from it
     */
    ReadingRow canonical() {
        return new ReadingRow(
                visitId,
                siteCm,
                conditionCode,
                method,
                joined(asReading().values()),
                depthMm,
                depthCode,
                feel,
                staffId);
    }

    static List<Double> values(String text) {
        return Arrays.stream(text.strip().split("\\s+")).map(ReadingRow::value).toList();
    }

    private static double value(String text) {
        if (!text.matches("[0-9]{1,3}([.,][0-9]{1,2})?")) {
            throw new NumberFormatException(text);
        }
        return Double.parseDouble(text.replace(',', '.'));
    }

    static String joined(List<Double> values) {
        return values.stream().map(Numbers::plain).collect(Collectors.joining(" "));
    }
}

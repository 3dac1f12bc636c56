package fernstep.app.client;

import fernstep.core.approach.Approach;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** One client as stored; restrictions as codes with commas. */
public record ClientRow(
        @Nullable Long id,
        String formId,
        String name,
        Status status,
        @Nullable LocalDate dueDate,
        @Nullable Double heightCm,
        @Nullable Double massKg,
        @Nullable Integer age,
        @Nullable String dominantHand,
        Approach approach,
        int minutesPerDay,
        int daysPerWeek,
        String restrictions,
        String note) {

    public Set<Restriction> restrictionSet() {
        Set<Restriction> set = EnumSet.noneOf(Restriction.class);
        Arrays.stream(restrictions.split(","))
                .filter(part -> !part.isBlank())
                .map(Restriction::valueOf)
                .forEach(set::add);
        return set;
    }

    public static String joined(Set<Restriction> set) {
        return set.stream().map(Enum::name).collect(Collectors.joining(","));
    }
}

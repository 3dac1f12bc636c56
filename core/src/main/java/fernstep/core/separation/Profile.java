package fernstep.core.separation;

import fernstep.core.measure.MonotoneCubic;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/** Width along the midline between the outermost measured sites. Sites in cm, widths in mm. */
public final class Profile {
    private static final double MM_PER_CM = 10;
    private final NavigableMap<Double, Double> widthMmAtCm;

    private Profile(NavigableMap<Double, Double> widthMmAtCm) {
        this.widthMmAtCm = widthMmAtCm;
    }

    /** Of one condition; where a site was read by two methods, the one with the smaller error. */
    static Profile of(List<Width> widths, Condition condition) {
        TreeMap<Double, Width> best = new TreeMap<>();
        widths.stream()
                .filter(width -> width.reading().condition() == condition)
                .forEach(width -> best.merge(
                        width.reading().siteCm(),
                        width,
                        (one, other) -> other.errorMm() < one.errorMm() ? other : one));
        TreeMap<Double, Double> mm = new TreeMap<>();
        best.forEach((site, width) -> mm.put(site, width.mm()));
        return new Profile(mm);
    }

    public Map<Double, Double> measured() {
        return Map.copyOf(widthMmAtCm);
    }

    public boolean isEmpty() {
        return widthMmAtCm.isEmpty();
    }

    /** Empty with fewer than two sites: a line needs two points. */
    public Optional<MonotoneCubic> curve() {
        if (widthMmAtCm.size() < 2) {
            return Optional.empty();
        }
        double[] sites =
                widthMmAtCm.keySet().stream().mapToDouble(value -> value).toArray();
        double[] widths =
                widthMmAtCm.values().stream().mapToDouble(value -> value).toArray();
        return Optional.of(new MonotoneCubic(sites, widths));
    }

    /** Area of the gap between the outermost sites, mm². */
    public Optional<Double> areaMm2() {
        return curve().map(cubic -> cubic.area() * MM_PER_CM);
    }
}

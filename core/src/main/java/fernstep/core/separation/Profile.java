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
                .filter(w -> w.reading().condition() == condition)
                .forEach(w -> best.merge(w.reading().siteCm(), w, (a, b) -> b.errorMm() < a.errorMm() ? b : a));
        TreeMap<Double, Double> mm = new TreeMap<>();
        best.forEach((site, w) -> mm.put(site, w.mm()));
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
        double[] sites = widthMmAtCm.keySet().stream().mapToDouble(s -> s).toArray();
        double[] widths = widthMmAtCm.values().stream().mapToDouble(w -> w).toArray();
        return Optional.of(new MonotoneCubic(sites, widths));
    }

    /** Area of the gap between the outermost sites, mm². */
    public Optional<Double> areaMm2() {
        return curve().map(c -> c.area() * MM_PER_CM);
    }
}

package fernstep.app.house;

import fernstep.core.client.ClientFacts;
import fernstep.core.screening.EmergencyCall;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Whom to telephone in an emergency, as the practice set it; empty where it did not.
 *
 * @param emergency where the practice is
 * @param maternity her maternity unit
 * @param surgical the unit that operated on her
 * @param outOfHours a doctor at night and on days off
 * @param crisis a line for thoughts of self-harm
 */
public record EmergencyNumbers(String emergency, String maternity, String surgical, String outOfHours, String crisis) {

    /** A number to call, and what it is. */
    public record Line(Who who, String number) {}

    /** Whose number it is. */
    public enum Who {
        EMERGENCY,
        MATERNITY,
        SURGICAL,
        OUT_OF_HOURS,
        CRISIS
    }

    private String of(Who who) {
        return switch (who) {
            case EMERGENCY -> emergency;
            case MATERNITY -> maternity;
            case SURGICAL -> surgical;
            case OUT_OF_HOURS -> outOfHours;
            case CRISIS -> crisis;
        };
    }

    /** Those that were not set. */
    public List<Who> missing() {
        List<Who> missing = new ArrayList<>();
        for (Who who : Who.values()) {
            if (of(who).isEmpty()) {
                missing.add(who);
            }
        }
        return List.copyOf(missing);
    }

    /** Whom to call about it, first first; where the right number was not set, the emergency number takes its place. */
    public List<Line> linesFor(EmergencyCall call, ClientFacts her, LocalDate today) {
        List<Who> wanted =
                switch (call) {
                    case EMERGENCY_NOW -> List.of(Who.EMERGENCY);
                    case CRISIS_NOW -> List.of(Who.CRISIS, Who.EMERGENCY);
                    case MATERNITY_NOW -> List.of(Who.MATERNITY);
                    case DOCTOR_TODAY -> unitsOf(her, today);
                };
        Map<Who, Line> lines = new LinkedHashMap<>();
        wanted.stream().filter(who -> !of(who).isEmpty()).forEach(who -> lines.put(who, new Line(who, of(who))));
        if (lines.isEmpty() || call == EmergencyCall.DOCTOR_TODAY) {
            lines.putIfAbsent(Who.EMERGENCY, new Line(Who.EMERGENCY, emergency));
        }
        return List.copyOf(lines.values());
    }

    private static List<Who> unitsOf(ClientFacts her, LocalDate today) {
        List<Who> units = new ArrayList<>();
        if (EmergencyCall.maternityUnitKnows(her, today)) {
            units.add(Who.MATERNITY);
        }
        if (!her.surgeries().isEmpty()) {
            units.add(Who.SURGICAL);
        }
        units.add(Who.OUT_OF_HOURS);
        return units;
    }
}

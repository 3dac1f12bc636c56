package fernstep.app.check;

import fernstep.app.figure.CheckDrawing;
import fernstep.app.figure.Figure;
import fernstep.core.findings.CheckSection;
import fernstep.exchange.casefile.CataloguePackage;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** A drawing for each check, made once: what a practice adds to the catalogue changes no check. */
@Component
class CheckDrawings {
    private final Map<CheckSection, Figure> all;

    CheckDrawings() {
        CheckDrawing drawing = new CheckDrawing(CataloguePackage.shipped());
        Map<CheckSection, Figure> made = new EnumMap<>(CheckSection.class);
        for (CheckSection section : CheckSection.values()) {
            made.put(section, drawing.of(section));
        }
        this.all = Collections.unmodifiableMap(made);
    }

    Map<CheckSection, Figure> all() {
        return all;
    }
}

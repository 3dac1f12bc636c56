package fernstep.app.check;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.security.SignedIn;
import fernstep.core.measure.Side;
import fernstep.core.screening.GateCode;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The checks of a visit; every field saves itself and answers with the computed results. */
@Controller
class CheckController {
    private final Visits visits;
    private final Checks checks;
    private final CheckMapper mapper;

    CheckController(Visits visits, Checks checks, CheckMapper mapper) {
        this.visits = visits;
        this.checks = checks;
        this.mapper = mapper;
    }

    @GetMapping("/visits/{id}/check")
    String check(@PathVariable long id, Model model) {
        return page(visits.byId(id), model, null, "check/check");
    }

    /** @param values one or more numbers apart by spaces; empty takes the reading back */
    @PostMapping("/visits/{id}/readings")
    String reading(
            @PathVariable long id,
            @RequestParam double siteCm,
            @RequestParam Condition condition,
            @RequestParam Method method,
            @RequestParam(defaultValue = "") String values,
            @RequestParam(required = false) @Nullable Feel feel,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        Visit visit = visits.byId(id);
        String problem = null;
        if (values.isBlank()) {
            mapper.removeReading(id, siteCm, condition);
        } else {
            try {
                ReadingRow row =
                        new ReadingRow(id, siteCm, condition, method, values.strip(), null, feel, me.staffId());
                row.asReading();
                mapper.putReading(row);
            } catch (IllegalArgumentException e) {
                problem = e instanceof NumberFormatException
                        ? "Needs numbers, such as 2.5 or, repeated, 2.5 3"
                        : e.getMessage();
            }
        }
        return page(visit, model, problem, "check/check :: results");
    }

    @PostMapping("/visits/{id}/findings")
    String finding(
            @PathVariable long id,
            @RequestParam FindingField name,
            @RequestParam(defaultValue = "") String side,
            @RequestParam(defaultValue = "") String value,
            Model model) {
        Visit visit = visits.byId(id);
        String problem = sideProblem(name, side);
        if (problem == null && value.isBlank()) {
            mapper.removeFinding(id, name, side);
        } else if (problem == null) {
            problem = name.problem(value).orElse(null);
            if (problem == null) {
                mapper.putFinding(new FindingRow(id, name, side, value));
            }
        }
        return page(visit, model, problem, "check/check :: results");
    }

    private static @Nullable String sideProblem(FindingField name, String side) {
        boolean knownSide = side.equals(Side.LEFT.name()) || side.equals(Side.RIGHT.name());
        return name.perSide() == knownSide && (knownSide || side.isEmpty())
                ? null
                : name + (name.perSide() ? " needs a side: LEFT or RIGHT." : " has no side.");
    }

    private String page(Visit visit, Model model, @Nullable String problem, String view) {
        CheckSheet sheet = checks.sheet(visit);
        model.addAttribute("visit", visit);
        model.addAttribute("client", visit.client());
        model.addAttribute("sheet", sheet);
        model.addAttribute("problem", problem);
        model.addAttribute("methods", Method.values());
        model.addAttribute("feels", Feel.values());
        model.addAttribute("sides", Side.values());
        model.addAttribute(
                "fields",
                Map.of(
                        "lying", List.of(FindingField.DOMING, FindingField.COUGH, FindingField.LUMBAR_GAP),
                        "breath", List.of(FindingField.BREATH_PATTERN, FindingField.RIBS)));
        model.addAttribute("setGrade", FindingField.SET_GRADE);
        model.addAttribute("tolerance", FindingField.TOLERANCE_BREATHS);
        model.addAttribute("checkGate", visit.screening().gates().get(GateCode.SEPARATION_CHECK));
        model.addAttribute("floatTries", FindingField.floatTries());
        return view;
    }
}

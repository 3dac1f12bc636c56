package fernstep.app.check;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.photo.Photos;
import fernstep.app.security.SignedIn;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.core.findings.Finding;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Side;
import fernstep.core.screening.GateCode;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import java.util.UUID;
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
    private static final int LONGEST_REASON = 200;
    private static final int FIGURE_UNITS_HIGH = 380;
    private static final double USUAL_HEIGHT_CM = 165;

    private final Visits visits;
    private final Checks checks;
    private final CheckMapper mapper;
    private final Photos photos;
    private final Words words;

    CheckController(Visits visits, Checks checks, CheckMapper mapper, Photos photos, Words words) {
        this.words = words;
        this.photos = photos;
        this.visits = visits;
        this.checks = checks;
        this.mapper = mapper;
    }

    @GetMapping({"/visits/{id}/check", "/visits/{id}/check/{posture}"})
    String check(@PathVariable long id, @PathVariable(required = false) @Nullable String posture, Model model) {
        Posture chosen = posture == null
                ? Posture.LYING
                : Posture.ofPath(posture).orElseThrow(() -> new NotFound("no posture " + posture));
        return page(visits.unlocked(id), model, null, chosen, "check/check");
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
            @RequestParam(required = false) @Nullable Double depthMm,
            @RequestParam(required = false) @Nullable Depth depthCode,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        Visit visit = visits.unlocked(id);
        String problem = null;
        if (values.isBlank()) {
            mapper.removeReading(id, siteCm, condition);
        } else {
            try {
                ReadingRow row = new ReadingRow(
                        id, siteCm, condition, method, values.strip(), depthMm, depthCode, feel, me.staffId());
                mapper.putReading(row.canonical());
            } catch (IllegalArgumentException e) {
                problem = e instanceof NumberFormatException
                        ? "Needs numbers, such as 2.5 or, repeated, 2.5 3"
                        : e.getMessage();
            }
        }
        return page(visit, model, problem, Posture.LYING, "check/check :: results");
    }

    @PostMapping("/visits/{id}/findings")
    String finding(
            @PathVariable long id,
            @RequestParam Finding name,
            @RequestParam(defaultValue = "") String side,
            @RequestParam(defaultValue = "") String value,
            @RequestParam(defaultValue = "LYING") Posture posture,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        Visit visit = visits.unlocked(id);
        String problem = sideProblem(name, side);
        if (name.therapistOnly() && !me.isTherapist()) {
            problem = words.text("told.onlyALicensedClinicianCan");
        }
        if (problem == null && value.isBlank()) {
            mapper.removeFinding(id, name, side);
        } else if (problem == null) {
            Finding.Typed typed = name.typed(value);
            problem = typed.problem() == null ? null : words.of(typed.problem());
            if (typed.canonical() != null) {
                mapper.putFinding(new FindingRow(id, name, side, typed.canonical()));
            }
        }
        return page(visit, model, problem, posture, "check/check :: results");
    }

    private static @Nullable String sideProblem(Finding name, String side) {
        boolean knownSide = side.equals(Side.LEFT.name()) || side.equals(Side.RIGHT.name());
        return name.perSide() == knownSide && (knownSide || side.isEmpty())
                ? null
                : name + (name.perSide() ? " needs a side: LEFT or RIGHT." : " has no side.");
    }

    /** Leaves a section out, with the reason; an empty reason takes that back. */
    @PostMapping("/visits/{id}/skips")
    String skip(
            @PathVariable long id,
            @RequestParam CheckSection section,
            @RequestParam(defaultValue = "") String reason,
            Model model) {
        Visit visit = visits.unlocked(id);
        if (reason.isBlank()) {
            mapper.removeSkip(id, section);
        } else {
            String text = reason.strip();
            mapper.putSkip(new SkipRow(id, section, text.substring(0, Math.min(LONGEST_REASON, text.length()))));
        }
        return page(visit, model, null, section.posture(), "check/check :: results");
    }

    private String page(Visit visit, Model model, @Nullable String problem, Posture posture, String view) {
        model.addAttribute("visit", visit);
        model.addAttribute("client", visit.client());
        model.addAttribute("sheet", checks.sheet(visit));
        model.addAttribute("problem", problem);
        model.addAttribute("posture", posture);
        model.addAttribute("postures", Posture.values());
        model.addAttribute("methods", Method.values());
        model.addAttribute("feels", Feel.values());
        model.addAttribute("depths", Depth.values());
        model.addAttribute("sides", Side.values());
        model.addAttribute("checkGate", visit.screening().gates().get(GateCode.SEPARATION_CHECK));
        if (posture == Posture.SIDE_VIEW) {
            model.addAttribute(
                    "photoConsent", photos.consent(visit.client().id()).orElse(null));
            model.addAttribute("photo", photos.latest(visit.id()).orElse(null));
            model.addAttribute("newFormId", UUID.randomUUID().toString());
        }
        model.addAttribute("figureScale", figureScale(visit.client().row().heightCm()));
        return view;
    }

    /** The side-view figure stands {@value #FIGURE_UNITS_HIGH} units high on the picture: mm a unit for this client. */
    private static double figureScale(@Nullable Double heightCm) {
        return Numbers.rounded((heightCm == null ? USUAL_HEIGHT_CM : heightCm) * 10 / FIGURE_UNITS_HIGH, 2);
    }
}

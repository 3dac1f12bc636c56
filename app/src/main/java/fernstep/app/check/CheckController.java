package fernstep.app.check;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.photo.Photos;
import fernstep.app.security.SignedIn;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.findings.CheckPosture;
import fernstep.core.findings.CheckSection;
import fernstep.core.findings.Finding;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Side;
import fernstep.core.screening.GateCode;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import jakarta.servlet.http.HttpServletResponse;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The checks of a visit; every field saves itself and answers with the computed results. */
@Controller
@Work(Work.Kind.PRESCRIBES)
class CheckController {
    private static final int FIGURE_UNITS_HIGH = 380;
    private static final double USUAL_HEIGHT_CM = 165;

    private final Visits visits;
    private final Checks checks;
    private final CheckEntries entries;
    private final CheckDrawings drawings;
    private final Photos photos;
    private final Words words;

    CheckController(
            Visits visits, Checks checks, CheckEntries entries, CheckDrawings drawings, Photos photos, Words words) {
        this.drawings = drawings;
        this.words = words;
        this.photos = photos;
        this.visits = visits;
        this.checks = checks;
        this.entries = entries;
    }

    /** One check after the other: the first that is still open. */
    @GetMapping("/visits/{id}/check")
    String guided(@PathVariable long id, Model model) {
        Visit visit = visits.unlocked(id);
        CheckSheet sheet = checks.sheet(visit);
        return page(visit, sheet, model, new CheckPart(sheet.firstOpen()), "check/check");
    }

    @GetMapping("/visits/{id}/check/one/{section}")
    String one(@PathVariable long id, @PathVariable String section, Model model) {
        Visit visit = visits.unlocked(id);
        return page(visit, checks.sheet(visit), model, new CheckPart(section(section)), "check/check");
    }

    /** All of a posture on one sheet. */
    @GetMapping("/visits/{id}/check/{posture}")
    String sheet(@PathVariable long id, @PathVariable String posture, Model model) {
        CheckPart part =
                new CheckPart(CheckPosture.ofPath(posture).orElseThrow(() -> new NotFound("no posture " + posture)));
        Visit visit = visits.unlocked(id);
        return page(visit, checks.sheet(visit), model, part, "check/check");
    }

    @PostMapping("/visits/{id}/check/one/{section}/as-last-time")
    String asLastTime(
            @PathVariable long id,
            @PathVariable String section,
            @RequestParam(defaultValue = "") String why,
            @AuthenticationPrincipal SignedIn me) {
        Visit visit = visits.unlocked(id);
        CheckSection done = section(section);
        CheckSheet sheet = checks.sheet(visit);
        try {
            entries.asLastTime(visit, sheet, done, me.isTherapist(), new CheckEntries.By(me.staffId(), null, why));
        } catch (CheckEntries.Refused pastWithoutReason) {
            return "redirect:/visits/" + id + "/check/one/" + done.path();
        }
        return "redirect:/visits/" + id
                + sheet.after(done)
                        .map(checkSection -> "/check/one/" + checkSection.path())
                        .orElse("/plan");
    }

    private static CheckSection section(String path) {
        return CheckSection.ofPath(path).orElseThrow(() -> new NotFound("no check " + path));
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
            @RequestParam(required = false) @Nullable CheckSection only,
            @RequestParam(required = false) @Nullable String was,
            @RequestParam(defaultValue = "") String why,
            @AuthenticationPrincipal SignedIn me,
            HttpServletResponse answer,
            Model model) {
        Visit visit = visits.unlocked(id);
        CheckEntries.By by = new CheckEntries.By(me.staffId(), was, why);
        try {
            if (values.isBlank()) {
                entries.removeReading(visit, siteCm, condition, by);
            } else {
                entries.measure(
                        visit,
                        new ReadingRow(
                                id, siteCm, condition, method, values.strip(), depthMm, depthCode, feel, me.staffId()),
                        by);
            }
        } catch (CheckEntries.Refused e) {
            model.addAttribute("present", e.present());
            refuse(words.of(e.why()), answer, model);
        } catch (IllegalArgumentException e) {
            refuse(
                    e instanceof NumberFormatException ? words.text("told.needsNumbers") : e.getMessage(),
                    answer,
                    model);
        }
        return results(visit, model, only == null ? new CheckPart(CheckPosture.LYING) : new CheckPart(only));
    }

    @PostMapping("/visits/{id}/findings")
    String finding(
            @PathVariable long id,
            @RequestParam Finding name,
            @RequestParam(defaultValue = "") String side,
            @RequestParam(defaultValue = "") String value,
            @RequestParam(defaultValue = "LYING") CheckPosture posture,
            @RequestParam(required = false) @Nullable CheckSection only,
            @RequestParam(required = false) @Nullable String was,
            @RequestParam(defaultValue = "") String why,
            @AuthenticationPrincipal SignedIn me,
            HttpServletResponse answer,
            Model model) {
        Visit visit = visits.unlocked(id);
        String problem = sideProblem(name, side);
        if (name.therapistOnly() && !me.isTherapist()) {
            problem = words.text("told.onlyALicensedClinicianCan");
        }
        String canonical = "";
        if (problem == null && !value.isBlank()) {
            Finding.Typed typed = name.typed(value);
            problem = typed.problem() == null ? null : words.of(typed.problem());
            canonical = typed.canonical() == null ? "" : typed.canonical();
        }
        if (problem == null) {
            try {
                entries.put(visit, name, side, canonical, new CheckEntries.By(me.staffId(), stored(name, was), why));
            } catch (CheckEntries.Refused e) {
                model.addAttribute("present", e.present());
                problem = words.of(e.why());
            }
        }
        if (problem != null) {
            refuse(problem, answer, model);
        }
        return results(visit, model, only == null ? new CheckPart(posture) : new CheckPart(only));
    }

    /** What the page showed, in the finding's stored form. */
    private static @Nullable String stored(Finding name, @Nullable String was) {
        if (was == null || was.isBlank()) {
            return was;
        }
        String canonical = name.typed(was).canonical();
        return canonical == null ? was : canonical;
    }

    /** What is refused is said beside its field; the page keeps what was typed. */
    private static void refuse(@Nullable String problem, HttpServletResponse answer, Model model) {
        answer.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        model.addAttribute("problem", problem);
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
            @RequestParam(required = false) @Nullable String was,
            @RequestParam(defaultValue = "") String why,
            @RequestParam(required = false) @Nullable CheckSection only,
            @AuthenticationPrincipal SignedIn me,
            HttpServletResponse answer,
            Model model) {
        Visit visit = visits.unlocked(id);
        try {
            entries.skip(visit, checks.sheet(visit), section, reason, new CheckEntries.By(me.staffId(), was, why));
        } catch (CheckEntries.Refused e) {
            model.addAttribute("present", e.present());
            refuse(words.of(e.why()), answer, model);
        }
        return results(visit, model, only == null ? new CheckPart(section.posture()) : new CheckPart(only));
    }

    private String results(Visit visit, Model model, CheckPart part) {
        return page(visit, checks.sheet(visit), model, part, "check/results :: results");
    }

    private String page(Visit visit, CheckSheet sheet, Model model, CheckPart part, String view) {
        CheckPosture posture = part.posture();
        model.addAttribute("visit", visit);
        model.addAttribute("client", visit.client());
        model.addAttribute("sheet", sheet);
        model.addAttribute("only", part.only());
        model.addAttribute("part", part);
        model.addAttribute("how", drawings.all());
        model.addAttribute("separation", CheckSection.SEPARATION);
        model.addAttribute("allSections", CheckSection.values());
        model.addAttribute("posture", posture);
        model.addAttribute("postures", CheckPosture.values());
        model.addAttribute("methods", Method.values());
        model.addAttribute("feels", Feel.values());
        model.addAttribute("depths", Depth.values());
        model.addAttribute("sides", Side.values());
        model.addAttribute("checkGate", visit.screening().gates().get(GateCode.SEPARATION_CHECK));
        if (posture == CheckPosture.SIDE_VIEW) {
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

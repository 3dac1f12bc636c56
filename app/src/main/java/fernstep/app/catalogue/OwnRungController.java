package fernstep.app.catalogue;

import fernstep.app.figure.Figure;
import fernstep.app.figure.FigureDrawing;
import fernstep.app.figure.Handles;
import fernstep.app.rungs.Catalogues;
import fernstep.app.rungs.HouseRungRow;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.Words;
import fernstep.core.body.ArmContact;
import fernstep.core.body.Body;
import fernstep.core.body.ImpossiblePose;
import fernstep.core.body.LegContact;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.Pose;
import fernstep.core.body.TrunkLoad;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.findings.SignCode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A practitioner makes a rung of her own: a pose by dragging joints, then its window, gates, levers and words. */
@Controller
class OwnRungController {
    private static final String FIRST_POSTURE = "CROOK";

    private final Catalogues catalogues;
    private final Audit audit;
    private final Words words;

    OwnRungController(Catalogues catalogues, Audit audit, Words words) {
        this.words = words;
        this.catalogues = catalogues;
        this.audit = audit;
    }

    @GetMapping("/catalogue/own")
    String form(Model model) {
        Map<String, String> typed = new HashMap<>(Map.of(
                "posture",
                FIRST_POSTURE,
                "lift",
                "4",
                "return",
                "4",
                "rest",
                "2",
                "repsMin",
                "5",
                "repsMax",
                "10",
                "setsMin",
                "1",
                "setsMax",
                "3",
                "start",
                FIRST_POSTURE));
        typed.putAll(PoseForm.of(FIRST_POSTURE, posture(FIRST_POSTURE)).values());
        return page(typed, null, model);
    }

    /** The form just as it was filled in. */
    record Typed(Map<String, String> fields) {
        public @Nullable String get(String field) {
            return fields.get(field);
        }

        public boolean containsKey(String field) {
            return fields.containsKey(field);
        }

        /** Whether this option was chosen. */
        public boolean is(String field, Enum<?> option) {
            return option.name().equals(fields.get(field));
        }
    }

    private String page(Map<String, String> typed, @Nullable String problem, Model model) {
        model.addAttribute("typed", new Typed(typed));
        model.addAttribute("problem", problem);
        model.addAttribute("postures", catalogues.get().postures().keySet());
        model.addAttribute("angles", PoseForm.ANGLES);
        model.addAttribute("legContacts", LegContact.values());
        model.addAttribute("armContacts", ArmContact.values());
        model.addAttribute("rungs", catalogues.get().rungs());
        model.addAttribute("levers", OwnRung.LEVERS);
        model.addAttribute("signs", SignCode.values());
        model.addAttribute("families", LoadFamily.values());
        model.addAttribute("gates", OwnRung.GATES);
        return "catalogue/own";
    }

    private Pose posture(String name) {
        Pose pose = catalogues.get().postures().get(name);
        if (pose == null) {
            throw new ImpossiblePose(
                    "posture",
                    "no posture " + name,
                    String.join(", ", catalogues.get().postures().keySet()));
        }
        return pose;
    }

    @PostMapping("/catalogue/own")
    String save(@RequestParam Map<String, String> typed, Model model, @AuthenticationPrincipal SignedIn me) {
        Optional<String> problem = OwnRung.problem(typed, catalogues.get()).map(words::of);
        if (problem.isEmpty()) {
            HouseRungRow row = new HouseRungRow(
                    typed.getOrDefault("code", "").strip(), OwnRung.asData(typed, catalogues.get()), me.staffId());
            problem = catalogues.problemWith(row);
            if (problem.isEmpty()) {
                catalogues.add(row);
                audit.record(me.staffId(), null, "RUNG_ADDED", row.code() + " " + typed.get("name"));
                return "redirect:/catalogue/" + row.code();
            }
        }
        return page(typed, problem.get(), model);
    }

    /** Takes a rung of the house's own away, unless somebody's record names it. */
    @PostMapping("/catalogue/own/remove")
    String remove(@RequestParam String code, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        int uses = catalogues.own(code) ? catalogues.remove(code) : 0;
        if (uses > 0) {
            redirect.addFlashAttribute("removeProblem", words.text("told.theRungIsUsed", uses));
            return "redirect:/catalogue/" + code;
        }
        audit.record(me.staffId(), null, "RUNG_REMOVED", code);
        return "redirect:/catalogue";
    }

    /** The angles of a posture, to start from. */
    @PostMapping("/catalogue/own/posture")
    @ResponseBody
    Map<String, String> angles(@RequestBody Map<String, String> typed) {
        String name = typed.getOrDefault("posture", FIRST_POSTURE);
        return PoseForm.of(name, posture(name)).values();
    }

    /** A joint that can be dragged: where it is, what it turns about, and how the angle follows the turn on the screen. */
    public record Handle(String field, double x, double y, double aboutX, double aboutY, int sign) {}

    /** The figure of a pose in the making. */
    public record Drawn(String viewBox, List<Figure.Stroke> strokes, List<Handle> handles, double loadIndex) {}

    @PostMapping("/catalogue/own/pose")
    @ResponseBody
    ResponseEntity<Object> pose(@RequestBody Map<String, String> typed) {
        try {
            PoseForm form = new PoseForm(typed.getOrDefault("posture", FIRST_POSTURE), typed);
            Pose from = posture(form.posture());
            Pose pose = form.pose(from);
            Body body = Body.of(null, null);
            Rung stands = catalogues.get().at(Waymark.BREATHS_MANY);
            Figure figure = FigureDrawing.ofPose(stands, body, pose);
            List<Handle> handles = new ArrayList<>();
            for (String angle : PoseForm.ANGLES) {
                Handles.of(body, pose, turned(form, from, angle), angle)
                        .ifPresent(values -> handles.add(
                                new Handle(angle, values[0], values[1], values[2], values[3], (int) values[4])));
            }
            return ResponseEntity.ok(new Drawn(
                    figure.box().asViewBox(),
                    figure.body(),
                    handles,
                    TrunkLoad.of(body, pose).loadIndex()));
        } catch (IllegalArgumentException e) {
            return ResponseEntity.unprocessableContent().body(Map.of("message", String.valueOf(e.getMessage())));
        }
    }

    /** The same pose with one angle a little larger, or smaller where larger is beyond the joint. */
    private static Pose turned(PoseForm form, Pose from, String field) {
        double now = form.deg(field, 0);
        try {
            return form.with(field, now + 1).pose(from);
        } catch (ImpossiblePose beyond) {
            return form.pose(from);
        }
    }
}

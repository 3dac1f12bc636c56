package fernstep.app.plan;

import fernstep.app.security.SignedIn;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Words;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The approaches, shipped and the house's own, stance by stance; a new one is a copy with something changed. */
@Controller
class ApproachController {
    private final Approaches approaches;

    private final Words words;

    ApproachController(Approaches approaches, Words words) {
        this.words = words;
        this.approaches = approaches;
    }

    @GetMapping("/house/approaches")
    String all(@RequestParam(defaultValue = "SLOW_LADDER") Approach copy, Model model) {
        Map<StanceChange, String> options = new EnumMap<>(StanceChange.class);
        Arrays.stream(StanceChange.values()).forEach(change -> options.put(change, change.of(copy.stances())));
        fill(model, copy, UUID.randomUUID().toString(), "", "", options, Map.of());
        return "plan/approaches";
    }

    private void fill(
            Model model,
            Approach copy,
            String formId,
            String name,
            String rationale,
            Map<StanceChange, String> options,
            Map<String, String> problems) {
        model.addAttribute("shipped", Approach.values());
        model.addAttribute("own", approaches.all());
        model.addAttribute("stanceChanges", StanceChange.values());
        model.addAttribute("copy", copy);
        model.addAttribute("formId", formId);
        model.addAttribute("name", name);
        model.addAttribute("rationale", rationale);
        model.addAttribute("options", options);
        model.addAttribute("problems", problems);
    }

    @PostMapping("/house/approaches")
    String make(
            @RequestParam String formId,
            @RequestParam Approach copy,
            @RequestParam String name,
            @RequestParam(defaultValue = "") String rationale,
            @RequestParam Map<String, String> fields,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        Map<StanceChange, String> options = new EnumMap<>(StanceChange.class);
        for (StanceChange c : StanceChange.values()) {
            String option = fields.get(c.name());
            if (option != null && c.options().contains(option)) {
                options.put(c, option);
            }
        }
        FormProblems problems = new FormProblems(words);
        approaches.copy(formId, name, rationale, copy, options, me.staffId(), problems);
        if (problems.any()) {
            fill(model, copy, formId, name, rationale, options, problems.byField());
            return "plan/approaches";
        }
        return "redirect:/house/approaches";
    }
}

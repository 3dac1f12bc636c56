package fernstep.app.house;

import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The house's facts, for its leads. */
@Controller
class HouseController {
    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_NUMBER = 40;
    private static final String PHONE = "[0-9+ ()/.-]{2,40}";

    private final House house;
    private final Audit audit;
    private final Words words;

    HouseController(House house, Audit audit, Words words) {
        this.house = house;
        this.audit = audit;
        this.words = words;
    }

    @GetMapping("/house/settings")
    String settings(@AuthenticationPrincipal SignedIn me, Model model) {
        leadOnly(me);
        HouseFacts facts = house.facts();
        if (!model.containsAttribute("typed")) {
            model.addAttribute(
                    "typed",
                    Map.of(
                            "emergencyNumber", facts.numbers().emergency(),
                            "maternityNumber", facts.numbers().maternity(),
                            "surgicalNumber", facts.numbers().surgical(),
                            "outOfHoursNumber", facts.numbers().outOfHours(),
                            "crisisNumber", facts.numbers().crisis(),
                            "contactName", facts.contactName(),
                            "contactPhone", facts.contactPhone(),
                            "quietFrom", facts.quietFrom().toString(),
                            "quietTo", facts.quietTo().toString()));
        }
        return "house/settings";
    }

    @PostMapping("/house/settings")
    String keep(
            @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn me, RedirectAttributes flash) {
        leadOnly(me);
        FormProblems problems = new FormProblems(words);
        HouseFacts facts = new HouseFacts(
                new EmergencyNumbers(
                        phone(
                                "emergencyNumber",
                                problems.needed("emergencyNumber", typed.get("emergencyNumber"), LONGEST_NUMBER),
                                problems),
                        phone("maternityNumber", typed, problems),
                        phone("surgicalNumber", typed, problems),
                        phone("outOfHoursNumber", typed, problems),
                        phone("crisisNumber", typed, problems)),
                problems.text("contactName", typed.get("contactName"), LONGEST_NAME),
                phone("contactPhone", typed, problems),
                time("quietFrom", typed.get("quietFrom"), problems),
                time("quietTo", typed.get("quietTo"), problems));
        if (problems.any()) {
            flash.addFlashAttribute("typed", typed);
            flash.addFlashAttribute("problems", problems.byField());
        } else {
            house.set(facts);
            audit.record(me.staffId(), null, "HOUSE_SETTINGS", facts.toString());
            flash.addFlashAttribute("kept", true);
        }
        return "redirect:/house/settings";
    }

    private static String phone(String field, Map<String, String> typed, FormProblems problems) {
        return phone(field, problems.text(field, typed.get(field), LONGEST_NUMBER), problems);
    }

    private static String phone(String field, String typed, FormProblems problems) {
        if (!typed.isEmpty() && !typed.matches(PHONE)) {
            problems.add(field, Reason.of("told.aTelephoneNumber"));
        }
        return typed;
    }

    private static LocalTime time(String field, @Nullable String typed, FormProblems problems) {
        try {
            return LocalTime.parse(typed == null ? "" : typed.strip());
        } catch (DateTimeParseException e) {
            problems.add(field, Reason.of("told.anHourSuchAs"));
            return LocalTime.MIDNIGHT;
        }
    }

    private static void leadOnly(SignedIn me) {
        if (!me.isLead()) {
            throw new AccessDeniedException("only a lead");
        }
    }
}

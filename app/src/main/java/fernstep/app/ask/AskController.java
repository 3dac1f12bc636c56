package fernstep.app.ask;

import fernstep.app.bodychart.BodyChart;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Today's questions and what follows. */
@Controller
@Work(Work.Kind.NONE)
class AskController {
    private static final Map<Outcome, List<Answer>> BY_OUTCOME =
            Arrays.stream(Answer.values()).collect(Collectors.groupingBy(Answer::leadsTo));

    private final Visits visits;

    private final Visits.MorningAfter mornings;
    private final BodyChart bodyChart;
    private final Words words;
    private final Today today;

    AskController(Visits visits, Visits.MorningAfter mornings, BodyChart bodyChart, Words words, Today today) {
        this.mornings = mornings;
        this.today = today;
        this.bodyChart = bodyChart;
        this.words = words;
        this.visits = visits;
    }

    @PostMapping("/clients/{clientId}/visit")
    String open(@PathVariable long clientId, @AuthenticationPrincipal SignedIn me) {
        return "redirect:/visits/" + visits.openToday(clientId, me.staffId()).id() + "/ask";
    }

    @GetMapping("/visits/{id}/ask")
    String ask(@PathVariable long id, Model model) {
        return page(visits.byId(id), model, "ask/ask");
    }

    @PostMapping("/visits/{id}/answers")
    String answer(
            @PathVariable long id,
            @RequestParam Answer code,
            @RequestParam boolean yes,
            @RequestParam(defaultValue = "") String why,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        Visit before = visits.byId(id);
        if (before.past() && why.isBlank()) {
            model.addAttribute("pastProblem", words.text("told.aPastVisitNeedsAReason"));
            return page(before, model, "ask/ask :: outcome");
        }
        boolean correction =
                !yes && code.needsLicenceToTakeBack() && before.answers().contains(code);
        Visit now = correction ? before : visits.answer(id, code, yes, me.staffId(), why);
        model.addAttribute("needsReason", correction ? code : null);
        return page(now, model, "ask/ask :: outcome");
    }

    @PostMapping("/visits/{id}/correct")
    String correct(
            @PathVariable long id,
            @RequestParam Answer code,
            @RequestParam String reason,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        if (!me.isTherapist() && code.needsLicenceToTakeBack()) {
            throw new AccessDeniedException("only a therapist takes back an answer that closes");
        }
        if (reason.isBlank()) {
            redirect.addFlashAttribute("correctionProblem", words.text("told.pleaseSayWhyTheAnswer"));
        } else {
            visits.correct(id, code, shortened(reason), me.staffId());
        }
        return "redirect:/visits/" + id + "/ask";
    }

    @PostMapping("/visits/{id}/override")
    String override(
            @PathVariable long id,
            @RequestParam String reason,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        if (!me.isTherapist()) {
            throw new AccessDeniedException("only a therapist may override ask-first");
        }
        if (reason.isBlank()) {
            redirect.addFlashAttribute("overrideProblem", words.text("told.pleaseGiveTheReasonIt"));
        } else if (visits.byId(id).screening().outcome() == Outcome.ASK_FIRST) {
            visits.overrideAskFirst(id, shortened(reason), me.staffId());
        }
        return "redirect:/visits/" + id + "/ask";
    }

    @PostMapping("/visits/{id}/asked")
    String asked(@PathVariable long id) {
        visits.markAsked(id);
        Visit visit = visits.byId(id);
        return visit.locked() ? "redirect:/visits/" + id + "/referral" : "redirect:/visits/" + id + "/check";
    }

    private static String shortened(String reason) {
        String text = reason.strip();
        return text.length() > 300 ? text.substring(0, 300) : text;
    }

    private String page(Visit visit, Model model, String view) {
        model.addAttribute(
                "morning",
                visit.past()
                        ? null
                        : mornings.notSaid(visit.client().id(), today.date()).orElse(null));
        model.addAttribute("visit", visit);
        model.addAttribute("client", visit.client());
        model.addAttribute("screening", visit.screening());
        model.addAttribute("emergency", asked(visit, Outcome.REFER_NOW));
        model.addAttribute(
                "spots",
                bodyChart.spotsAskedBy(Arrays.stream(Outcome.values())
                        .flatMap(outcome -> asked(visit, outcome).stream())
                        .toList()));
        model.addAttribute("askFirst", asked(visit, Outcome.ASK_FIRST));
        model.addAttribute("adapt", asked(visit, Outcome.ADAPT));
        return view;
    }

    /** Those that can apply to her, and whatever was ticked. */
    private static List<Answer> asked(Visit visit, Outcome outcome) {
        return BY_OUTCOME.getOrDefault(outcome, List.of()).stream()
                .filter(answer -> answer.mayApplyTo(visit.client().facts())
                        || visit.answers().contains(answer))
                .toList();
    }
}

package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.Clients;
import fernstep.app.progress.LadderMoves;
import fernstep.app.rungs.Catalogues;
import fernstep.app.security.SignedIn;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import fernstep.core.plan.Plan;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The plan of a visit: as computed, and as changed by hand. */
@Controller
@Work(Work.Kind.PRESCRIBES)
class PlanController {
    private final Visits visits;
    private final Plans plans;
    private final Prescriptions prescriptions;
    private final PlanEdits edits;
    private final Approaches approaches;
    private final Clients clients;
    private final LadderMoves moves;
    private final Catalogues catalogues;
    private final Words words;

    PlanController(
            Visits visits,
            Plans plans,
            Prescriptions prescriptions,
            PlanEdits edits,
            Approaches approaches,
            Clients clients,
            LadderMoves moves,
            Catalogues catalogues,
            Words words) {
        this.catalogues = catalogues;
        this.visits = visits;
        this.plans = plans;
        this.prescriptions = prescriptions;
        this.edits = edits;
        this.approaches = approaches;
        this.clients = clients;
        this.moves = moves;
        this.words = words;
    }

    @GetMapping("/visits/{id}/plan")
    String plan(
            @PathVariable long id,
            @RequestParam(required = false) @Nullable String day,
            @RequestParam(required = false) @Nullable String item,
            Model model) {
        fill(id, day, item, model);
        model.addAttribute("newSessionId", UUID.randomUUID().toString());
        return "plan/plan";
    }

    private void fill(long id, @Nullable String day, @Nullable String item, Model model) {
        Visit visit = visits.unlocked(id);
        Plans.Desk desk = plans.desk(visit);
        model.addAttribute("visit", visit);
        model.addAttribute("client", visit.client());
        Plan shown = prescriptions.shown(desk);
        model.addAttribute("view", PlanView.of(desk, shown, day, item, words));
        model.addAttribute("use", PlanUse.of(visit, shown, prescriptions.of(visit.client())));
        model.addAttribute("proposal", desk.proposal());
        model.addAttribute("unserved", desk.unserved(shown));
        model.addAttribute("garment", desk.garment().orElse(null));
        model.addAttribute("approaches", Approach.values());
        model.addAttribute("houseApproaches", approaches.all());
        model.addAttribute("stanceChanges", StanceChange.values());
    }

    /** One change; the desk comes back drawn anew, or the page for a browser without scripts. */
    @PostMapping("/visits/{id}/plan/change")
    String change(
            @PathVariable long id,
            @RequestParam String change,
            @RequestParam(required = false) @Nullable String day,
            @RequestParam(required = false) @Nullable String item,
            @RequestHeader(value = "X-Requested-With", required = false) @Nullable String by,
            @AuthenticationPrincipal SignedIn me,
            Model model,
            RedirectAttributes flash) {
        Optional<String> refused = edits.take(visits.unlocked(id), PlanChange.read(change), me.staffId());
        if ("fetch".equals(by)) {
            fill(id, day, item, model);
            model.addAttribute("refused", refused.orElse(null));
            return "plan/desk :: desk";
        }
        refused.ifPresent(why -> flash.addFlashAttribute("refused", why));
        return "redirect:/visits/" + id + "/plan" + ("B".equals(day) ? "?day=B" : "");
    }

    /** What is on the desk is what she is to do from now on, on her phone, on paper and in her calendar. */
    @Work(Work.Kind.BEGINS)
    @PostMapping("/visits/{id}/plan/use")
    String use(@PathVariable long id, @AuthenticationPrincipal SignedIn me, RedirectAttributes flash) {
        Visit visit = visits.beginning(id);
        if (!visit.asked()) {
            return "redirect:/visits/" + id + "/ask";
        }
        prescriptions.adopt(visit, me.staffId());
        flash.addFlashAttribute("used", true);
        return "redirect:/visits/" + id + "/plan";
    }

    /** From the dial of a rung. */
    @PostMapping("/clients/{id}/plan/range")
    String range(
            @PathVariable long id,
            @RequestParam String rung,
            @RequestParam(required = false) @Nullable Side side,
            @RequestParam String range,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        String known =
                catalogues.get().find(rung).map(Rung::code).orElseThrow(() -> new NotFound("no exercise of that code"));
        Optional<String> refused = edits.range(clients.file(id), known, side, range, me.staffId());
        flash.addFlashAttribute("rangeRefused", refused.orElse(null));
        flash.addFlashAttribute("rangeKept", refused.isEmpty());
        flash.addAttribute("client", id);
        if (side != null) {
            flash.addAttribute("side", side);
        }
        return "redirect:/catalogue/" + known;
    }

    /** Another approach for her; "house-7" is the house's own with that id. */
    @PostMapping("/visits/{id}/plan/approach")
    String approach(@PathVariable long id, @RequestParam String approach, @AuthenticationPrincipal SignedIn me) {
        Visit visit = visits.unlocked(id);
        approaches.choose(visit.client(), approach, me.staffId());
        moves.refit(clients.file(visit.client().id()), me.staffId());
        return "redirect:/visits/" + id + "/plan";
    }

    /** One stance on the spot. */
    @PostMapping("/visits/{id}/plan/stance")
    String stance(
            @PathVariable long id,
            @RequestParam StanceChange stance,
            @RequestParam String option,
            @AuthenticationPrincipal SignedIn me) {
        if (!stance.options().contains(option)) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, stance + " has no option of that name");
        }
        Visit visit = visits.unlocked(id);
        clients.change(visit.client().id(), stance, option, me.staffId());
        if (stance == StanceChange.DOSE) {
            moves.refit(clients.file(visit.client().id()), me.staffId());
        }
        return "redirect:/visits/" + id + "/plan";
    }
}

package fernstep.app.client;

import fernstep.app.house.House;
import fernstep.app.security.SignedIn;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.approach.Approach;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The client form, and clearances. */
@Controller
@Work(Work.Kind.NONE)
class ClientFormController {
    /** Where a clearance can be recorded besides her own page: the line of the gate that stopped her. */
    private static final Pattern VISIT_PAGE = Pattern.compile("/visits/[0-9]{1,18}/(ask|check)");

    private final Clients clients;
    private final House house;
    private final Today today;

    private final Words words;

    ClientFormController(Clients clients, House house, Today today, Words words) {
        this.house = house;
        this.words = words;
        this.clients = clients;
        this.today = today;
    }

    @ModelAttribute
    void choices(Model model) {
        model.addAttribute("statuses", Status.values());
        model.addAttribute("birthModes", BirthMode.values());
        model.addAttribute("approaches", Approach.values());
        model.addAttribute("restrictionCodes", Restriction.values());
        model.addAttribute("today", today.date());
        model.addAttribute("latestDueDate", ClientForm.latestDueDate(today.date()));
    }

    @GetMapping("/clients/new")
    String blank(Model model) {
        model.addAttribute("numbersMissing", house.facts().numbers().missing());
        return form(model, null, ClientForm.empty(), new FormProblems(words));
    }

    @PostMapping("/clients")
    String create(ClientForm form, Model model) {
        FormProblems problems = new FormProblems(words);
        ClientForm.Read read = form.read(null, today.date(), problems);
        if (problems.any()) {
            return form(model, null, form, problems);
        }
        return "redirect:/clients/" + clients.create(read.row(), read.events());
    }

    @GetMapping("/clients/{id}/edit")
    String edit(@PathVariable long id, Model model) {
        model.addAttribute("version", clients.version(id));
        return form(model, id, ClientForm.of(clients.file(id)), new FormProblems(words));
    }

    @PostMapping("/clients/{id}")
    String update(
            @PathVariable long id,
            ClientForm form,
            @RequestParam(defaultValue = "-1") int version,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        clients.file(id);
        model.addAttribute("version", version);
        FormProblems problems = new FormProblems(words);
        ClientForm.Read read = form.read(id, today.date(), problems);
        if (problems.any()) {
            return form(model, id, form, problems);
        }
        if (!clients.update(read.row(), read.events(), version, me.staffId())) {
            // both stand side by side: what she typed in the form, what is on record beside it
            model.addAttribute("version", clients.version(id));
            model.addAttribute("meanwhile", ClientForm.of(clients.file(id)));
            return form(model, id, form, problems);
        }
        return "redirect:/clients/" + id;
    }

    private static String form(Model model, @Nullable Long id, ClientForm form, FormProblems problems) {
        model.addAttribute("clientId", id);
        model.addAttribute("form", form);
        model.addAttribute("problems", problems.byField());
        return "client/form";
    }

    @PostMapping("/clients/{id}/clearances")
    String clear(
            @PathVariable long id,
            @RequestParam String scope,
            @RequestParam String givenOn,
            @RequestParam(defaultValue = "") String expiresOn,
            @RequestParam String byRole,
            @RequestParam(defaultValue = "") String byName,
            @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        clients.file(id);
        FormProblems problems = new FormProblems(words);
        LocalDate given = problems.date("givenOn", givenOn);
        LocalDate expires = problems.date("expiresOn", expiresOn);
        if (given == null || given.isAfter(today.date())) {
            problems.add("givenOn", Reason.of("told.aDayUpToToday"));
        } else if (expires != null && expires.isBefore(given)) {
            problems.add("expiresOn", Reason.of("told.notBeforeItWasGiven"));
        }
        Clearance.Scope chosen = problems.neededCode("scope", scope, Clearance.Scope.class);
        String role = problems.needed("byRole", byRole, 60);
        String who = problems.text("byName", byName, 120);
        if (problems.any() || given == null) {
            redirect.addFlashAttribute("clearanceProblems", problems.byField());
            redirect.addFlashAttribute("clearanceTyped", new Typed(scope, givenOn, expiresOn, byRole, byName));
        } else {
            clients.clear(new ClearanceRow(id, chosen, given, expires, role, who, "", me.staffId()));
        }
        return VISIT_PAGE.matcher(back).matches() ? "redirect:" + back : "redirect:/clients/" + id + "#clearances";
    }

    /** A birth or an operation besides the latest; the same one again changes it. */
    @PostMapping("/clients/{id}/events")
    String event(
            @PathVariable long id,
            @RequestParam EventRow.Kind kind,
            @RequestParam(defaultValue = "") String happenedOn,
            @RequestParam(defaultValue = "") String birthMode,
            @RequestParam(defaultValue = "0") String tearDegree,
            @RequestParam(defaultValue = "") String what,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        clients.file(id);
        FormProblems problems = new FormProblems(words);
        LocalDate day = problems.date("happenedOn", happenedOn);
        if (day == null || day.isAfter(today.date())) {
            problems.add("happenedOn", Reason.of("told.aDayUpToToday"));
        }
        boolean birth = kind == EventRow.Kind.BIRTH;
        BirthMode mode = birth ? problems.neededCode("birthMode", birthMode, BirthMode.class) : null;
        int tear = birth ? problems.neededWhole("tearDegree", tearDegree, Range.TEAR_DEGREE) : 0;
        String text = problems.text("what", what, 120);
        if (problems.any() || day == null) {
            redirect.addFlashAttribute("eventProblems", problems.byField());
        } else {
            clients.addEvent(new EventRow(id, kind, day, mode, tear, text), me.staffId());
        }
        return "redirect:/clients/" + id + "#events";
    }

    /** Strikes out a birth or operation that was wrongly entered. */
    @PostMapping("/clients/{id}/events/strike")
    String strikeEvent(
            @PathVariable long id,
            @RequestParam EventRow.Kind kind,
            @RequestParam LocalDate happenedOn,
            @RequestParam(defaultValue = "") String reason,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        if (reasonGiven(reason, redirect)) {
            clients.strikeEvent(id, kind, happenedOn, reason.strip(), me.staffId());
        }
        return "redirect:/clients/" + id + "#events";
    }

    /** Strikes out a clearance that was wrongly entered. */
    @PostMapping("/clients/{id}/clearances/strike")
    String strikeClearance(
            @PathVariable long id,
            @RequestParam Clearance.Scope scope,
            @RequestParam LocalDate givenOn,
            @RequestParam String byRole,
            @RequestParam(defaultValue = "") String reason,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        if (reasonGiven(reason, redirect)) {
            clients.strikeClearance(id, scope, givenOn, byRole, reason.strip(), me.staffId());
        }
        return "redirect:/clients/" + id + "#clearances";
    }

    private boolean reasonGiven(String reason, RedirectAttributes redirect) {
        FormProblems problems = new FormProblems(words);
        problems.needed("reason", reason, 300);
        if (problems.any()) {
            redirect.addFlashAttribute("strikeProblem", words.text("told.pleaseGiveTheReasonIt"));
        }
        return !problems.any();
    }

    /** A therapist lifts a derived restriction, or puts it back; the reason goes to the audit trail. */
    @PostMapping("/clients/{id}/restrictions")
    String lift(
            @PathVariable long id,
            @RequestParam Restriction code,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "false") boolean restore,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        clients.file(id);
        if (!me.isTherapist()) {
            throw new AccessDeniedException("only a therapist may lift a restriction");
        }
        FormProblems problems = new FormProblems(words);
        if (restore) {
            clients.restore(id, code, me.staffId());
        } else {
            String why = problems.needed("reason", reason, 300);
            if (problems.any()) {
                redirect.addFlashAttribute("liftProblem", words.text("told.pleaseGiveTheReasonIt"));
            } else {
                clients.lift(new LiftRow(id, code, why, me.staffId(), today.date()));
            }
        }
        return "redirect:/clients/" + id;
    }

    /** A clearance just as it was typed. */
    public record Typed(String scope, String givenOn, String expiresOn, String byRole, String byName)
            implements java.io.Serializable {}
}

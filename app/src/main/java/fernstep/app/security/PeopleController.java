package fernstep.app.security;

import fernstep.app.support.Audit;
import fernstep.app.support.FormProblems;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.core.client.Licence;
import fernstep.core.measure.Reason;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The accounts of the house, for its leads. */
@Controller
class PeopleController {
    private static final String USERNAME = "[a-z0-9.-]{3,60}";

    private final StaffMapper staff;
    private final Rights rights;
    private final OneTimeLinks links;
    private final Audit audit;
    private final Words words;

    PeopleController(StaffMapper staff, Rights rights, OneTimeLinks links, Audit audit, Words words) {
        this.rights = rights;
        this.staff = staff;
        this.links = links;
        this.audit = audit;
        this.words = words;
    }

    @GetMapping("/house/people")
    String people(@AuthenticationPrincipal SignedIn me, Model model) {
        leadOnly(me);
        model.addAttribute("people", staff.all());
        model.addAttribute("licences", Licence.values());
        List<RightsAsked> asked = rights.open();
        model.addAttribute(
                "asked", asked.stream().collect(Collectors.toMap(RightsAsked::staffId, Function.identity())));
        model.addAttribute("another", staff.leads() > 1);
        return "security/people";
    }

    /** A new account has no password yet: its link lets its owner choose one. */
    @PostMapping("/house/people")
    String make(
            @RequestParam(defaultValue = "") String fullName,
            @RequestParam(defaultValue = "") String username,
            @RequestParam(defaultValue = "") String licence,
            @RequestParam(defaultValue = "false") boolean houseLead,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        leadOnly(me);
        FormProblems problems = new FormProblems(words);
        String name = problems.needed("fullName", fullName, 120);
        String account = problems.needed("username", username, 60);
        if (!account.matches(USERNAME)) {
            problems.add("username", Reason.of("told.anAccountIsSmallLetters"));
        }
        Licence chosen = problems.neededCode("licence", licence, Licence.class);
        if (!problems.any()) {
            try {
                staff.insert(Staff.fresh(account, name, "", chosen, houseLead));
                Staff made = staff.byUsername(account).orElseThrow();
                audit.record(me.staffId(), null, "ACCOUNT_MADE", account + " " + chosen + (houseLead ? " lead" : ""));
                model.addAttribute("link", links.make(Objects.requireNonNull(made.id()), me.staffId()));
                model.addAttribute("linkFor", made);
            } catch (DuplicateKeyException e) {
                problems.add("username", Reason.of("told.thereIsAnAccountOf"));
            }
        }
        model.addAttribute("problems", problems.byField());
        model.addAttribute("typedName", problems.any() ? fullName : "");
        model.addAttribute("typedAccount", problems.any() ? username : "");
        return people(me, model);
    }

    /** A link to choose a new password: the old one no longer works, and every sign-in ends. */
    @PostMapping("/house/people/{staffId}/reset")
    String reset(@PathVariable long staffId, @AuthenticationPrincipal SignedIn me, Model model) {
        leadOnly(me);
        Staff who = one(staffId);
        staff.putPassword(staffId, "");
        staff.putTotp(staffId, null);
        staff.removeRecoveryCodes(staffId);
        staff.endSessions(who.username());
        audit.record(me.staffId(), null, "PASSWORD_RESET", who.username());
        model.addAttribute("link", links.make(staffId, me.staffId()));
        model.addAttribute("linkFor", who);
        return people(me, model);
    }

    @PostMapping("/house/people/{staffId}/enabled")
    String enable(
            @PathVariable long staffId,
            @RequestParam boolean enabled,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        leadOnly(me);
        Staff who = one(staffId);
        if (!enabled && who.houseLead() && staff.leads() < 2) {
            redirect.addFlashAttribute("peopleProblem", words.text("told.theHouseNeedsALead"));
        } else {
            staff.putEnabled(staffId, enabled);
            if (!enabled) {
                staff.endSessions(who.username());
                staff.removeLinks(staffId);
            }
            audit.record(me.staffId(), null, enabled ? "ACCOUNT_ENABLED" : "ACCOUNT_DISABLED", who.username());
        }
        return "redirect:/house/people";
    }

    @PostMapping("/house/people/{staffId}/role")
    String role(
            @PathVariable long staffId,
            @RequestParam Licence licence,
            @RequestParam(defaultValue = "false") boolean houseLead,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        leadOnly(me);
        Rights.Became became = rights.change(one(staffId), licence, houseLead, me);
        switch (became) {
            case LAST_LEAD -> redirect.addFlashAttribute("peopleProblem", words.text("told.theHouseNeedsALead"));
            case WAITS_FOR_ANOTHER, WAITS_A_DAY ->
                redirect.addFlashAttribute("peopleTold", words.text("told.rights." + became));
            case DONE -> {}
        }
        return "redirect:/house/people";
    }

    /** Another administrator agrees to more rights for somebody. */
    @PostMapping("/house/people/rights/{asked}/agree")
    String agree(@PathVariable long asked, @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        rights.agree(asked, me);
        return "redirect:/house/people";
    }

    @PostMapping("/house/people/rights/{asked}/withdraw")
    String withdraw(@PathVariable long asked, @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        rights.withdraw(asked, me);
        return "redirect:/house/people";
    }

    private Staff one(long staffId) {
        return staff.byId(staffId).orElseThrow(() -> new NotFound("no account " + staffId));
    }

    private static void leadOnly(SignedIn me) {
        if (!me.isLead()) {
            throw new AccessDeniedException("accounts are a lead's affair");
        }
    }
}

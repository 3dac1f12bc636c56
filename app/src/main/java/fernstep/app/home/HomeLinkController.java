package fernstep.app.home;

import fernstep.app.client.Clients;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.app.messages.MessageKind;
import fernstep.app.messages.Outbox;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Languages;
import fernstep.app.support.Tokens;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.measure.Reason;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** How a client is reached at home: her language, her mail, the link to her page. */
@Controller
@Work(Work.Kind.NONE)
class HomeLinkController {
    private static final int WEEKS_AT_FIRST = 12;
    private static final int MOST_WEEKS = 26;
    private static final int LONGEST_MAIL = 200;
    private static final String MAIL = "[^@\\s]+@[^@\\s]+\\.[^@\\s]+";

    private final Clients clients;
    private final Contacts contacts;
    private final HomeLinks links;
    private final Outbox outbox;
    private final Audit audit;
    private final Words words;
    private final String publicUrl;

    HomeLinkController(
            Clients clients,
            Contacts contacts,
            HomeLinks links,
            Outbox outbox,
            Audit audit,
            Words words,
            @Value("${fern.public-url}") String publicUrl) {
        this.clients = clients;
        this.contacts = contacts;
        this.links = links;
        this.outbox = outbox;
        this.audit = audit;
        this.words = words;
        this.publicUrl = publicUrl;
    }

    @GetMapping("/clients/{id}/home-link")
    String page(@PathVariable long id, Model model) {
        model.addAttribute("client", clients.file(id));
        model.addAttribute("contact", contacts.of(id));
        model.addAttribute("homeLink", links.ofClient(id).orElse(null));
        model.addAttribute("expired", links.ofClient(id).map(links::expired).orElse(false));
        model.addAttribute("weeks", WEEKS_AT_FIRST);
        model.addAttribute("mostWeeks", MOST_WEEKS);
        model.addAttribute("languages", Languages.FOR_CLIENTS);
        model.addAttribute("units", Contact.Units.values());
        return "home/link";
    }

    /** A new link with a new PIN, shown this once; the one before no longer works. */
    @PostMapping("/clients/{id}/home-link")
    String make(
            @PathVariable long id,
            @RequestParam(defaultValue = "" + WEEKS_AT_FIRST) int weeks,
            @RequestParam(defaultValue = "false") boolean mail,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        clients.file(id);
        if (weeks < 1 || weeks > MOST_WEEKS) {
            model.addAttribute("weeksProblem", words.text("told.weeksFromTo", 1, MOST_WEEKS));
            return page(id, model);
        }
        HomeLinks.Fresh fresh = links.make(id, me.staffId(), weeks);
        model.addAttribute("freshLink", publicUrl + "/home/" + fresh.token());
        model.addAttribute("freshPin", fresh.pin());
        model.addAttribute("linkCode", LinkCode.of(publicUrl + "/home/" + fresh.token()));
        if (mail) {
            String once = MessageKind.LINK + " " + Tokens.digest(fresh.token());
            Map<String, String> places = Map.of("link", publicUrl + "/home/" + fresh.token());
            model.addAttribute("mailed", outbox.put(once, id, MessageKind.LINK, places));
        }
        return page(id, model);
    }

    @PostMapping("/clients/{id}/home-link/revoke")
    String revoke(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        links.revoke(id, me.staffId());
        return "redirect:/clients/" + id + "/home-link";
    }

    @PostMapping("/clients/{id}/contact")
    String contact(
            @PathVariable long id,
            @RequestParam(defaultValue = "en") String language,
            @RequestParam(defaultValue = "METRIC") String units,
            @RequestParam(defaultValue = "") String email,
            @RequestParam(defaultValue = "false") boolean messagesOff,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        FormProblems problems = new FormProblems(words);
        String mail = problems.text("email", email, LONGEST_MAIL);
        if (!mail.isEmpty() && !mail.matches(MAIL)) {
            problems.add("email", Reason.of("told.aMailAddress"));
        }
        Contact.Units chosen = problems.neededCode("units", units, Contact.Units.class);
        boolean known = Languages.forClients(language);
        if (!known) {
            problems.add("language", Reason.of("told.pleaseChooseOne"));
        }
        if (problems.any()) {
            flash.addFlashAttribute("problems", problems.byField());
            flash.addFlashAttribute("typed", Map.of("email", email));
        } else {
            contacts.put(new Contact(id, language, chosen, mail, messagesOff));
            audit.record(
                    me.staffId(), id, "CONTACT_CHANGED", language + " " + chosen + (messagesOff ? " no mail" : ""));
            flash.addFlashAttribute("contactKept", true);
        }
        return "redirect:/clients/" + id + "/home-link";
    }
}

package fernstep.app.security;

import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import java.util.Objects;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Choosing a password by a link that works once. */
@Controller
class JoinController {
    private final OneTimeLinks links;
    private final StaffMapper staff;
    private final Passwords passwords;
    private final Audit audit;
    private final Words words;

    JoinController(OneTimeLinks links, StaffMapper staff, Passwords passwords, Audit audit, Words words) {
        this.links = links;
        this.staff = staff;
        this.passwords = passwords;
        this.audit = audit;
        this.words = words;
    }

    @GetMapping("/join/{token}")
    String join(@PathVariable String token, Model model) {
        model.addAttribute("who", owner(token));
        model.addAttribute("token", token);
        model.addAttribute("passwordLength", passwords.length());
        return "security/join";
    }

    @PostMapping("/join/{token}")
    String choose(@PathVariable String token, @RequestParam(defaultValue = "") String password, Model model) {
        Staff who = owner(token);
        Reason problem = passwords.problem(password, who.username());
        if (problem != null) {
            model.addAttribute("problem", words.of(problem));
            return join(token, model);
        }
        if (!links.use(token)) {
            throw new NotFound("the link was used");
        }
        long id = Objects.requireNonNull(who.id());
        staff.putPassword(id, passwords.hash(password));
        staff.endSessions(who.username());
        audit.record(id, null, "PASSWORD_CHOSEN", who.username());
        return "redirect:/sign-in?created";
    }

    private Staff owner(String token) {
        return links.whose(token).orElseThrow(() -> new NotFound("no such link"));
    }
}

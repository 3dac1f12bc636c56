package fernstep.app.progress;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.security.SignedIn;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** What the log says should change; the practitioner confirms each move. */
@Controller
class ProgressController {
    private final Clients clients;
    private final Ladders ladders;

    ProgressController(Clients clients, Ladders ladders) {
        this.clients = clients;
        this.ladders = ladders;
    }

    @GetMapping("/clients/{id}/progress")
    String progress(@PathVariable long id, Model model) {
        ClientFile client = clients.file(id);
        model.addAttribute("client", client);
        model.addAttribute("standings", ladders.standings(client));
        return "progress/progress";
    }

    @PostMapping("/clients/{id}/progress/{stepId}")
    String confirm(@PathVariable long id, @PathVariable long stepId, @AuthenticationPrincipal SignedIn me) {
        ladders.confirm(stepId, me.staffId());
        return "redirect:/clients/" + id + "/progress";
    }
}

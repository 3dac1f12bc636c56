package fernstep.app.messages;

import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.app.support.LanguageConfig;
import fernstep.app.support.NotFound;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The way out that stands in every mail; opening it alone ends nothing, since mail programs open links by themselves. */
@Controller
class MailOffController {
    private final Contacts contacts;
    private final OutboxMapper outbox;

    MailOffController(Contacts contacts, OutboxMapper outbox) {
        this.contacts = contacts;
        this.outbox = outbox;
    }

    @GetMapping("/mail-off/{token}")
    String ask(@PathVariable String token, HttpServletRequest request, Model model) {
        Contact contact = of(token);
        LanguageConfig.speak(request, contact.locale());
        model.addAttribute("token", token);
        model.addAttribute("off", contact.messagesOff());
        return "messages/off";
    }

    @PostMapping("/mail-off/{token}")
    String off(@PathVariable String token, HttpServletRequest request, Model model) {
        contacts.mail(of(token).clientId(), true);
        outbox.dropAll(of(token).clientId());
        return ask(token, request, model);
    }

    private Contact of(String token) {
        return contacts.byOffToken(token).orElseThrow(() -> new NotFound("no such way out"));
    }
}

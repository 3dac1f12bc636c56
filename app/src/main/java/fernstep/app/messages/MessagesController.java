package fernstep.app.messages;

import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Languages;
import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The outbox and its texts, for the leads of the house. */
@Controller
class MessagesController {
    private static final int SHOWN = 200;
    private static final int LONGEST_SUBJECT = 120;
    private static final int LONGEST_BODY = 4_000;

    private final OutboxMapper mapper;
    private final Outbox outbox;
    private final MailServer server;
    private final Audit audit;
    private final Words words;
    private final Clock clock;

    MessagesController(OutboxMapper mapper, Outbox outbox, MailServer server, Audit audit, Words words, Clock clock) {
        this.mapper = mapper;
        this.outbox = outbox;
        this.server = server;
        this.audit = audit;
        this.words = words;
        this.clock = clock;
    }

    /** One text to edit. */
    public record Editable(MessageKind kind, Locale language, Outbox.Text text) {}

    @GetMapping("/house/messages")
    String messages(@AuthenticationPrincipal SignedIn me, Model model) {
        leadOnly(me);
        List<OutboxRow> rows = mapper.latest(SHOWN);
        model.addAttribute("rows", rows);
        model.addAttribute(
                "trouble",
                rows.stream()
                        .filter(row -> row.state() == OutboxRow.State.FAILED || row.state() == OutboxRow.State.IN_DOUBT)
                        .count());
        model.addAttribute("server", server.host().isEmpty() ? "" : server.host() + ":" + server.port());
        model.addAttribute("received", server.received());
        List<Editable> texts = new ArrayList<>();
        for (MessageKind kind : MessageKind.values()) {
            Languages.FOR_CLIENTS.forEach(
                    locale -> texts.add(new Editable(kind, locale, outbox.text(kind, locale.getLanguage()))));
        }
        model.addAttribute("texts", texts);
        return "messages/messages";
    }

    @PostMapping("/house/messages/{message}/again")
    String again(@PathVariable long message, @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        if (mapper.again(message, LocalDateTime.now(clock)) > 0) {
            audit.record(me.staffId(), null, "MESSAGE_AGAIN", String.valueOf(message));
        }
        return "redirect:/house/messages";
    }

    @PostMapping("/house/messages/{message}/drop")
    String drop(@PathVariable long message, @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        if (mapper.drop(message) > 0) {
            audit.record(me.staffId(), null, "MESSAGE_DROPPED", String.valueOf(message));
        }
        return "redirect:/house/messages";
    }

    /** The house's own words; both empty brings the shipped ones back. */
    @PostMapping("/house/messages/text")
    String text(
            @RequestParam MessageKind kind,
            @RequestParam String language,
            @RequestParam(defaultValue = "") String subject,
            @RequestParam(defaultValue = "") String body,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        leadOnly(me);
        boolean known = Languages.forClients(language);
        FormProblems problems = new FormProblems(words);
        if (known && subject.isBlank() && body.isBlank()) {
            mapper.removeText(kind, language);
        } else if (known) {
            String title = problems.needed("subject", subject, LONGEST_SUBJECT);
            String text = problems.needed("body", body.replace("\r\n", "\n"), LONGEST_BODY);
            if (kind == MessageKind.LINK && !text.contains("[link]")) {
                problems.add("body", Reason.of("told.theLinkIsMissing"));
            }
            if (problems.any()) {
                flash.addFlashAttribute("textProblem", kind + " " + language);
                flash.addFlashAttribute(
                        "textMessage", String.join(" ", problems.byField().values()));
                flash.addFlashAttribute("typedSubject", subject);
                flash.addFlashAttribute("typedBody", body);
            } else {
                mapper.putText(new OutboxMapper.Text(kind, language, title, text));
                audit.record(me.staffId(), null, "MESSAGE_TEXT", kind + " " + language);
            }
        }
        return "redirect:/house/messages#texts";
    }

    private static void leadOnly(SignedIn me) {
        if (!me.isLead()) {
            throw new AccessDeniedException("only a lead");
        }
    }
}

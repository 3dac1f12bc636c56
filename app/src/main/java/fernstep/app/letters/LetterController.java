package fernstep.app.letters;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.contact.Contacts;
import fernstep.app.security.Accounts;
import fernstep.app.security.SignedIn;
import fernstep.app.security.Staff;
import fernstep.app.support.Audit;
import fernstep.app.support.FormProblems;
import fernstep.app.support.LanguageConfig;
import fernstep.app.support.NotFound;
import fernstep.app.support.PdfPages;
import fernstep.app.support.PlainText;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** Letters about a client: begun from the record, edited, every version kept, printed as PDF. */
@Controller
@Work(Work.Kind.NONE)
class LetterController {
    private static final int LONGEST = 20_000;
    private static final int LONGEST_ADDRESSEE = 200;

    private final LetterMapper mapper;
    private final LetterText text;
    private final Clients clients;
    private final Contacts contacts;
    private final Accounts accounts;
    private final PdfPages pages;
    private final SpringTemplateEngine templates;
    private final Audit audit;
    private final Words words;
    private final Today today;

    LetterController(
            LetterMapper mapper,
            LetterText text,
            Clients clients,
            Contacts contacts,
            Accounts accounts,
            PdfPages pages,
            SpringTemplateEngine templates,
            Audit audit,
            Words words,
            Today today) {
        this.mapper = mapper;
        this.text = text;
        this.clients = clients;
        this.contacts = contacts;
        this.accounts = accounts;
        this.pages = pages;
        this.templates = templates;
        this.audit = audit;
        this.words = words;
        this.today = today;
    }

    @GetMapping("/clients/{id}/letters")
    String letters(@PathVariable long id, Model model) {
        model.addAttribute("client", clients.file(id));
        model.addAttribute("letters", mapper.ofClient(id));
        model.addAttribute("kinds", LetterKind.values());
        return "letters/letters";
    }

    /** Begins one from the record. An emergency sheet is printed at once. */
    @PostMapping("/clients/{id}/letters")
    @Transactional
    public String begin(
            @PathVariable long id,
            @RequestParam LetterKind kind,
            @AuthenticationPrincipal SignedIn me,
            HttpServletRequest request) {
        ClientFile client = clients.file(id);
        String language = kind == LetterKind.WHAT_WE_FOUND ? contacts.of(id).language() : Locale.ENGLISH.getLanguage();
        if (kind == LetterKind.WHAT_WE_FOUND) {
            LanguageConfig.speak(request, contacts.of(id).locale());
        }
        LetterMapper.Fresh fresh = new LetterMapper.Fresh(id, kind, language, today.date());
        mapper.insert(fresh);
        mapper.addVersion(fresh.getId(), id, 1, "", text.of(client, kind, me.getFullName()), me.staffId());
        audit.record(me.staffId(), id, "LETTER_WRITTEN", kind + " " + fresh.getId() + " version 1");
        String there = "/clients/" + id + "/letters/" + fresh.getId();
        return "redirect:" + (kind == LetterKind.EMERGENCY ? there + "/letter.pdf" : there);
    }

    @GetMapping("/clients/{id}/letters/{letter}")
    String letter(
            @PathVariable long id,
            @PathVariable long letter,
            @RequestParam(required = false) @Nullable Integer version,
            Model model) {
        model.addAttribute("client", clients.file(id));
        model.addAttribute("letter", one(id, letter, version));
        List<LetterRow> versions = mapper.versions(id, letter);
        model.addAttribute("versions", versions);
        model.addAttribute(
                "writers",
                versions.stream()
                        .map(LetterRow::staffId)
                        .distinct()
                        .collect(Collectors.toMap(number -> number, this::writer)));
        return "letters/letter";
    }

    private LetterRow one(long client, long letter, @Nullable Integer version) {
        return (version == null
                        ? mapper.versions(client, letter).stream().findFirst()
                        : mapper.version(client, letter, version))
                .orElseThrow(() -> new NotFound("no letter " + letter + " of client " + client));
    }

    private String writer(long staffId) {
        return accounts.byId(staffId).map(Staff::fullName).orElse("?");
    }

    /** A new version; what another wrote meanwhile stays one too. */
    @PostMapping("/clients/{id}/letters/{letter}")
    String keep(
            @PathVariable long id,
            @PathVariable long letter,
            @RequestParam(defaultValue = "") String addressee,
            @RequestParam(defaultValue = "") String body,
            @RequestParam int version,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        LetterRow latest = one(id, letter, null);
        FormProblems problems = new FormProblems(words);
        String to = problems.text("addressee", addressee, LONGEST_ADDRESSEE);
        String text = problems.needed("body", PlainText.lines(body), LONGEST);
        boolean meanwhile = latest.version() != version;
        boolean written =
                !problems.any() && !meanwhile && mapper.addVersion(letter, id, version + 1, to, text, me.staffId()) > 0;
        if (written) {
            audit.record(
                    me.staffId(), id, "LETTER_WRITTEN", latest.kind() + " " + letter + " version " + (version + 1));
        }
        if (written || latest.isThat(version + 1, to, text, me.staffId())) {
            flash.addFlashAttribute("kept", true);
        } else {
            flash.addFlashAttribute("typedAddressee", addressee);
            flash.addFlashAttribute("typedBody", body);
            flash.addFlashAttribute("problems", problems.byField());
            flash.addFlashAttribute(
                    "meanwhile",
                    problems.any() ? null : words.text("letter.meanwhile", writer(latest.staffId()), latest.version()));
        }
        return "redirect:/clients/" + id + "/letters/" + letter;
    }

    @GetMapping("/clients/{id}/letters/{letter}/letter.pdf")
    ResponseEntity<byte[]> pdf(
            @PathVariable long id,
            @PathVariable long letter,
            @RequestParam(required = false) @Nullable Integer version,
            @RequestParam(defaultValue = "A4") PdfPages.Paper paper,
            @AuthenticationPrincipal SignedIn me,
            HttpServletRequest request) {
        LetterRow row = one(id, letter, version);
        LanguageConfig.speak(request, Locale.forLanguageTag(row.language()));
        Context context = new Context(words.locale());
        context.setVariables(Map.of("words", words, "sheet", paper.rule(), "letter", row, "client", clients.file(id)));
        audit.record(me.staffId(), id, "LETTER_PRINTED", row.kind() + " " + letter + " version " + row.version());
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .cacheControl(CacheControl.noStore())
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename("letter-" + letter + ".pdf")
                                .build()
                                .toString())
                .body(pages.pdf(templates.process("letters/sheet", context)));
    }
}

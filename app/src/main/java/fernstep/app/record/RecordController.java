package fernstep.app.record;

import fernstep.app.access.Access;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.FormProblems;
import fernstep.app.support.PartOfRecord;
import fernstep.app.support.RecordLog;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.findings.Finding;
import fernstep.exchange.ExportFormat;
import java.time.LocalDate;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Her record: the team, the next visit, what every value was before, rest and erasure. */
@Controller
@Work(Work.Kind.NONE)
class RecordController {
    private static final int YEARS_AHEAD = 2;

    private final Clients clients;
    private final Access access;
    private final RecordLog log;
    private final Everything everything;
    private final Audit audit;
    private final Today today;
    private final Words words;
    private final RecordWords recordWords;

    RecordController(
            Clients clients,
            Access access,
            RecordLog log,
            Everything everything,
            Audit audit,
            Today today,
            Words words,
            RecordWords recordWords) {
        this.everything = everything;
        this.audit = audit;
        this.clients = clients;
        this.access = access;
        this.log = log;
        this.today = today;
        this.words = words;
        this.recordWords = recordWords;
    }

    @GetMapping("/clients/{id}/record")
    String record(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        ClientFile client = clients.file(id);
        Access.Standing standing = access.client(id, me.staffId()).orElseThrow();
        model.addAttribute("recordWords", recordWords);
        model.addAttribute("client", client);
        model.addAttribute("standing", standing);
        model.addAttribute("formats", ExportFormat.values());
        model.addAttribute("members", access.members(id));
        model.addAttribute("mayLetIn", me.isLead() || standing.onTeam());
        model.addAttribute("nextVisit", clients.nextVisit(id).orElse(null));
        model.addAttribute(
                "entries",
                log.of(id).stream()
                        .filter(entry -> me.isTherapist() || !Finding.namesTherapistOnly(entry.part()))
                        .toList());
        model.addAttribute("today", today.date());
        return "record/record";
    }

    /** The day agreed with her; empty takes it back. */
    @PostMapping("/clients/{id}/record/next-visit")
    String nextVisit(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String day,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        FormProblems problems = new FormProblems(words);
        LocalDate agreed = problems.date("day", day);
        boolean notAhead = agreed != null
                && (agreed.isBefore(today.date()) || agreed.isAfter(today.date().plusYears(YEARS_AHEAD)));
        if (problems.any() || notAhead) {
            redirect.addFlashAttribute("dayProblem", words.text("told.aDayFromToday"));
        } else {
            clients.agreeNextVisit(id, agreed, me.staffId());
        }
        return page(id);
    }

    /** A lead says whether she is for her team alone. */
    @PostMapping("/clients/{id}/record/restrict")
    String restrict(@PathVariable long id, @RequestParam boolean restricted, @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        access.restrict(id, restricted, me.staffId());
        return page(id);
    }

    /** Joining is a lead's or a team member's act; a lead may let herself in, and the trail says so. */
    @PostMapping("/clients/{id}/team")
    String team(
            @PathVariable long id,
            @RequestParam long staffId,
            @RequestParam boolean on,
            @RequestParam(defaultValue = "") String why,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes flash) {
        Access.Standing hers = access.client(id, me.staffId()).orElseThrow();
        if (!me.isLead() && !hers.onTeam()) {
            throw new AccessDeniedException("joining a team is a lead's or a team member's act");
        }
        if (!hers.maySee() && !(on && staffId == me.staffId())) {
            throw new AccessDeniedException("who is not on the team of a closed record lets only herself in");
        }
        if (!hers.maySee() && why.isBlank()) {
            flash.addFlashAttribute("closedProblem", id);
            return "redirect:/house/closed";
        }
        if (on) {
            access.join(id, staffId, me.staffId(), why);
        } else {
            access.leave(id, staffId, me.staffId());
        }
        return access.client(id, me.staffId()).orElseThrow().maySee() ? page(id) : "redirect:/";
    }

    /** Records that lists leave out: for a lead to let herself in, with a reason, and to bring back who was archived. */
    @GetMapping("/house/closed")
    String closed(@AuthenticationPrincipal SignedIn me, Model model) {
        leadOnly(me);
        model.addAttribute("records", access.closedTo(me.staffId()));
        audit.record(me.staffId(), null, "CLOSED_RECORDS_LISTED", "");
        return "record/closed";
    }

    /** All that is stored about her, in one file. */
    @GetMapping("/clients/{id}/record/everything.json")
    ResponseEntity<byte[]> everything(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        audit.record(me.staffId(), id, "CLIENT_EXPORTED", "");
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("client-" + id + ".json")
                                .build()
                                .toString())
                .cacheControl(CacheControl.noStore())
                .body(everything.of(id, new PartOfRecord.Asking(me.staffId(), me.isTherapist())));
    }

    @PostMapping("/clients/{id}/record/archive")
    String archive(@PathVariable long id, @RequestParam boolean archived, @AuthenticationPrincipal SignedIn me) {
        clients.archive(id, archived, me.staffId());
        return page(id);
    }

    /** Erasing is a lead's act, with her name typed so that it is nobody else. */
    @PostMapping("/clients/{id}/record/erase")
    String erase(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String name,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        leadOnly(me);
        if (!clients.file(id).name().equals(name.strip())) {
            redirect.addFlashAttribute("eraseProblem", words.text("told.typeHerNameAsItStands"));
            return page(id);
        }
        clients.erase(id, me.staffId());
        return "redirect:/";
    }

    private static void leadOnly(SignedIn me) {
        if (!me.isLead()) {
            throw new AccessDeniedException("only a lead of the house does that");
        }
    }

    private static String page(long id) {
        return "redirect:/clients/" + id + "/record";
    }
}

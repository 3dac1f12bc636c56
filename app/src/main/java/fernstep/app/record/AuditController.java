package fernstep.app.record;

import fernstep.app.security.Accounts;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.Unreadable;
import fernstep.exchange.table.Csv;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The audit trail, for the lead: filtered on a page, or as CSV. */
@Controller
class AuditController {
    private static final int SHOWN = 200;
    private static final int EXPORTED = 100_000;

    private final Audit audit;
    private final Accounts accounts;
    private final RecordWords recordWords;

    AuditController(Audit audit, Accounts accounts, RecordWords recordWords) {
        this.audit = audit;
        this.accounts = accounts;
        this.recordWords = recordWords;
    }

    /** What is looked for; null or blank means any. */
    record Wanted(
            @Nullable Long staffId,
            @Nullable Long clientId,
            @Nullable String what,
            @Nullable LocalDate from,
            @Nullable LocalDate to) {
        @Nullable
        String kind() {
            return what == null || what.isBlank() ? null : what;
        }
    }

    @GetMapping("/house/audit")
    String page(Wanted wanted, @AuthenticationPrincipal SignedIn me, Model model) {
        model.addAttribute("recordWords", recordWords);
        model.addAttribute("wanted", wanted);
        model.addAttribute("lines", lines(wanted, me, SHOWN));
        model.addAttribute("kinds", audit.kinds());
        model.addAttribute("people", accounts.all());
        return "record/audit";
    }

    @GetMapping("/house/audit.csv")
    ResponseEntity<byte[]> csv(Wanted wanted, @AuthenticationPrincipal SignedIn me) {
        List<Audit.Line> lines = lines(wanted, me, EXPORTED);
        audit.record(me.staffId(), null, "AUDIT_EXPORTED", lines.size() + " lines");
        String text = Csv.write(
                List.of("id", "at", "account", "name", "client", "what", "address", "detail"),
                lines.stream()
                        .map(line -> List.of(
                                line.id(),
                                line.at(),
                                line.staffId(),
                                line.staffName() == null ? "" : line.staffName(),
                                line.clientId() == null ? "" : line.clientId(),
                                line.what(),
                                line.address(),
                                line.detail() == null ? "" : line.detail()))
                        .toList());
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("audit.csv")
                                .build()
                                .toString())
                .body(text.getBytes(StandardCharsets.UTF_8));
    }

    private static boolean outside(@Nullable LocalDate day) {
        return day != null && (day.getYear() < 2000 || day.getYear() > 2200);
    }

    private List<Audit.Line> lines(Wanted wanted, SignedIn me, int most) {
        if (!me.isLead()) {
            throw new AccessDeniedException("the audit trail is for a lead");
        }
        if (outside(wanted.from()) || outside(wanted.to())) {
            throw new Unreadable("a day between 2000 and 2200", null);
        }
        return audit.lines(wanted.staffId(), wanted.clientId(), wanted.kind(), wanted.from(), wanted.to(), most);
    }
}

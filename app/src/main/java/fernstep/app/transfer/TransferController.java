package fernstep.app.transfer;

import fernstep.app.check.CheckEntries;
import fernstep.app.client.Clients;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.PartOfRecord;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.measure.Reason;
import fernstep.core.separation.Method;
import fernstep.exchange.ExportFormat;
import fernstep.exchange.casefile.CaseFileReader;
import fernstep.exchange.casefile.CaseProblem;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
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
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A case file out for whoever may see her; one in for a lead, who sees first what would become of it. */
@Controller
@Work(Work.Kind.NONE)
class TransferController {
    private static final String UUID_SHAPE = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";
    private static final int LARGEST_BYTES = 5 << 20;
    private static final int LARGEST_TABLE_BYTES = 10 << 20;
    private static final int LONGEST_ALLOWED = 120;
    private static final int FIRST_BYTES = 200;
    private static final MediaType ZIP = new MediaType("application", "zip");

    private final CaseFiles files;
    private final ClientZip zip;
    private final TableImports tables;
    private final Imports imports;
    private final Clients clients;
    private final Audit audit;
    private final Today today;
    private final Words words;

    TransferController(
            CaseFiles files,
            ClientZip zip,
            TableImports tables,
            Imports imports,
            Clients clients,
            Audit audit,
            Today today,
            Words words) {
        this.files = files;
        this.zip = zip;
        this.tables = tables;
        this.imports = imports;
        this.clients = clients;
        this.audit = audit;
        this.today = today;
        this.words = words;
    }

    @GetMapping("/clients/{id}/out/{file}")
    ResponseEntity<byte[]> file(
            @PathVariable long id, @PathVariable String file, @AuthenticationPrincipal SignedIn me) {
        ExportFormat format =
                ExportFormat.ofFile(file).orElseThrow(() -> new NotFound("no format of a record is called " + file));
        byte[] written = format.written(files.of(id, me.isTherapist()), today.date());
        audit.record(me.staffId(), id, "EXPORTED", format.file());
        return head(id, format.file(), MediaType.parseMediaType(format.mediaType()))
                .body(written);
    }

    /** All of it in a folder. It is packed into a file first: half a folder is never sent. */
    @GetMapping("/clients/{id}/export.zip")
    ResponseEntity<Resource> folder(@PathVariable long id, @AuthenticationPrincipal SignedIn me) throws IOException {
        clients.file(id);
        Path packed = Files.createTempFile("client", ".zip");
        try (OutputStream out = Files.newOutputStream(packed)) {
            zip.write(id, new PartOfRecord.Asking(me.staffId(), me.isTherapist()), out);
        } catch (IOException | RuntimeException e) {
            Files.deleteIfExists(packed);
            throw e;
        }
        audit.record(me.staffId(), id, "EXPORTED", "folder");
        long size = Files.size(packed);
        InputStream in = Files.newInputStream(packed, StandardOpenOption.DELETE_ON_CLOSE);
        return head(id, "folder.zip", ZIP).contentLength(size).body(new InputStreamResource(in));
    }

    private static ResponseEntity.BodyBuilder head(long id, String file, MediaType type) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("client-" + id + "-" + file)
                                .build()
                                .toString())
                .cacheControl(CacheControl.noStore());
    }

    @GetMapping("/house/import")
    String page(
            @RequestParam(required = false) @Nullable String form, @AuthenticationPrincipal SignedIn me, Model model) {
        leadOnly(me);
        model.addAttribute("formId", UUID.randomUUID().toString());
        model.addAttribute("undoable", imports.undoable());
        model.addAttribute("tables", tables.undoable());
        Optional<ImportRow> looked =
                form == null || !form.matches(UUID_SHAPE) ? Optional.empty() : imports.byForm(form);
        looked.filter(row -> row.clientId() == null
                        && row.staffId() == me.staffId()
                        && !row.body().isEmpty())
                .ifPresent(row -> {
                    CaseFileReader.Parsed parsed;
                    try {
                        parsed = imports.parsed(row.body(), me.isTherapist());
                    } catch (CaseProblem e) {
                        // it could be taken when it was looked at: the house or the day has changed since
                        model.addAttribute("fileProblem", words.of(Reason.of("transfer.refused", sentence(e))));
                        return;
                    }
                    model.addAttribute("looked", row);
                    model.addAttribute("file", parsed.file());
                    model.addAttribute("problems", parsed.problems());
                    model.addAttribute(
                            "fingers",
                            parsed.file().visits().stream()
                                    .flatMap(visited -> visited.readings().stream())
                                    .anyMatch(read -> read.method() == Method.FINGERS));
                    model.addAttribute(
                            "sameName", imports.sameName(parsed.file().her().name()));
                });
        return "transfer/import";
    }

    @PostMapping("/house/import")
    String look(
            @RequestParam String formId,
            @RequestParam MultipartFile file,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect)
            throws IOException {
        leadOnly(me);
        if (!formId.matches(UUID_SHAPE)) {
            return "redirect:/house/import";
        }
        String name = name(file);
        if (!isJson(file)) {
            if (file.getSize() > LARGEST_TABLE_BYTES) {
                redirect.addFlashAttribute(
                        "fileProblem", words.of(Reason.of("transfer.tableTooLarge", LARGEST_TABLE_BYTES >> 20)));
                return "redirect:/house/import";
            }
            tables.keep(formId, me.staffId(), name, file.getBytes());
            return "redirect:/house/import/table?form=" + formId;
        }
        try {
            String body = text(file);
            imports.parsed(body, me.isTherapist());
            imports.look(formId, me.staffId(), name, body);
            return "redirect:/house/import?form=" + formId;
        } catch (CaseProblem e) {
            redirect.addFlashAttribute("fileProblem", words.of(Reason.of("transfer.refused", sentence(e))));
        } catch (CharacterCodingException e) {
            redirect.addFlashAttribute("fileProblem", words.text("transfer.encoding"));
        }
        return "redirect:/house/import";
    }

    private static String name(MultipartFile file) {
        return Optional.ofNullable(file.getOriginalFilename())
                .map(text -> text.replaceAll("[\\p{Cntrl}/\\\\]", "").strip())
                .filter(text -> !text.isEmpty())
                .map(text -> text.substring(0, Math.min(LONGEST_ALLOWED, text.length())))
                .orElse("file");
    }

    /** By its first character or its name; all else is looked at as a table. */
    private static boolean isJson(MultipartFile file) throws IOException {
        String start = new String(
                        file.getBytes(), 0, (int) Math.min(FIRST_BYTES, file.getSize()), StandardCharsets.UTF_8)
                .strip();
        return start.startsWith("{")
                || start.startsWith("[")
                || start.startsWith("<")
                || name(file).endsWith(".json");
    }

    private static String text(MultipartFile file) throws IOException {
        if (file.getSize() > LARGEST_BYTES) {
            throw new CaseProblem("", "the file is larger than a record is", "up to " + (LARGEST_BYTES >> 20) + " MB");
        }
        return StandardCharsets.UTF_8
                .newDecoder()
                .decode(ByteBuffer.wrap(file.getBytes()))
                .toString();
    }

    /** Where, what, and what would be allowed, unless that is a long list of codes. */
    public static String sentence(CaseProblem problem) {
        return (problem.path().isEmpty() ? "" : problem.path() + ": ")
                + problem.getMessage()
                + (problem.allowed() == null || problem.allowed().length() > LONGEST_ALLOWED
                        ? ""
                        : " (" + problem.allowed() + ")");
    }

    @PostMapping("/house/import/take")
    String take(
            @RequestParam String formId,
            @RequestParam(defaultValue = "false") boolean alsoIncomplete,
            @AuthenticationPrincipal SignedIn me)
            throws CheckEntries.Refused {
        leadOnly(me);
        if (!formId.matches(UUID_SHAPE)) {
            return "redirect:/house/import";
        }
        String looked = "redirect:/house/import?form=" + formId;
        try {
            return imports.take(formId, alsoIncomplete, me.staffId(), me.isTherapist())
                    .map(client -> "redirect:/clients/" + client)
                    .orElse(looked);
        } catch (CaseProblem e) {
            return looked; // where the same is said
        }
    }

    @PostMapping("/house/import/undo")
    String undo(@RequestParam String formId, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        leadOnly(me);
        redirect.addFlashAttribute(
                "told", words.text(imports.undo(formId, me.staffId()) ? "transfer.undone" : "transfer.notUndone"));
        return "redirect:/house/import";
    }

    private static void leadOnly(SignedIn me) {
        if (!me.isLead()) {
            throw new AccessDeniedException("leads only");
        }
    }
}

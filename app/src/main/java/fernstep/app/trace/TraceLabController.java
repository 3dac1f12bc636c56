package fernstep.app.trace;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.check.CheckEntries;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.rungs.Catalogues;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.findings.Finding;
import fernstep.core.trace.PressureCylinder;
import fernstep.core.trace.Trace;
import fernstep.core.trace.TraceReport;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The trace lab: her recordings, one of them repetition by repetition, two beside each other, files in and out. */
@Controller
@Work(Work.Kind.NONE)
class TraceLabController {
    private static final String UUID_SHAPE = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";

    private final Recordings recordings;
    private final Clients clients;
    private final Visits visits;
    private final CheckEntries entries;
    private final Words words;
    private final Catalogues catalogues;
    private final Clock clock;
    private final TracesOut out;

    TraceLabController(
            Recordings recordings,
            Clients clients,
            Visits visits,
            CheckEntries entries,
            Words words,
            Catalogues catalogues,
            Clock clock,
            TracesOut out) {
        this.out = out;
        this.recordings = recordings;
        this.clients = clients;
        this.visits = visits;
        this.entries = entries;
        this.words = words;
        this.catalogues = catalogues;
        this.clock = clock;
    }

    /** One recording as it is shown. */
    public record Shown(
            RecordingRow row,
            TraceReport report,
            TraceDrawing drawing,
            CylinderDrawing cylinder,
            List<RepLine> reps,
            List<String> problems) {
        public long clean() {
            return report.reps().stream().filter(TraceReport.Rep::clean).count();
        }
    }

    /**
     * A repetition in the table.
     *
     * @param kind sure, unsure or clean
     * @param extreme best, worst or nothing
     * @param verdicts signs with their confidence in words
     * @param from seconds from the start
     */
    public record RepLine(
            int rep,
            @Nullable String side,
            String kind,
            String extreme,
            String verdicts,
            String detail,
            double from,
            double lastsS) {}

    @GetMapping("/clients/{id}/traces")
    String list(@PathVariable long id, Model model) {
        ClientFile client = clients.file(id);
        model.addAttribute("client", client);
        model.addAttribute("recordings", recordings.ofClient(id));
        model.addAttribute("formId", UUID.randomUUID().toString());
        return "trace/list";
    }

    /** From the form a page; from a script, which shows how far it got, where to go or what is wrong. */
    @PostMapping("/clients/{id}/traces")
    Object upload(
            @PathVariable long id,
            @RequestParam String formId,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "false") boolean keepReadable,
            @RequestHeader(name = "X-Requested-With", required = false) @Nullable String script,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect)
            throws IOException {
        clients.file(id);
        if (!formId.matches(UUID_SHAPE)) {
            return "redirect:/clients/" + id + "/traces";
        }
        try {
            TraceFile read = TraceFile.read(file.getBytes(), keepReadable);
            String name = Optional.ofNullable(file.getOriginalFilename())
                    .map(text -> text.replaceAll("[\\p{Cntrl}/\\\\]", "").strip())
                    .filter(text -> !text.isBlank())
                    .orElse("trace");
            LocalDateTime start = read.start() == null ? LocalDateTime.now(clock) : read.start();
            RecordingRow row = recordings.keep(formId, id, me.staffId(), name, start, read.samples(), read.marks(), "");
            String page = "/clients/" + id + "/traces/" + row.id();
            return script == null ? "redirect:" + page : ResponseEntity.ok(Map.of("page", page));
        } catch (TraceFile.Refused e) {
            if (script != null) {
                return ResponseEntity.unprocessableContent().body(Map.of("problem", words.of(e.why())));
            }
            redirect.addFlashAttribute("fileProblem", words.of(e.why()));
            return "redirect:/clients/" + id + "/traces";
        }
    }

    @GetMapping("/clients/{id}/traces/{recording}")
    String lab(
            @PathVariable long id,
            @PathVariable long recording,
            @RequestParam(required = false) @Nullable Long with,
            Model model) {
        ClientFile client = clients.file(id);
        RecordingRow row = recordings.row(id, recording);
        model.addAttribute("client", client);
        model.addAttribute("row", row);
        model.addAttribute("shown", shown(row).orElse(null));
        model.addAttribute(
                "compared",
                with == null || with == recording
                        ? null
                        : shown(recordings.row(id, with)).orElse(null));
        model.addAttribute(
                "others",
                recordings.ofClient(id).stream()
                        .filter(recordingRow -> recordingRow.id() != recording)
                        .toList());
        model.addAttribute("visitId", visits.today(id).map(Visit::id).orElse(null));
        model.addAttribute("rung", recordings.rung(recording).orElse(null));
        model.addAttribute("rungs", row.sessionId() == null ? catalogues.get().rungs() : List.of());
        return "trace/lab";
    }

    private Optional<Shown> shown(RecordingRow row) {
        return recordings.read(row).map(read -> {
            TraceReport report = read.report();
            Trace trace = read.samples().trace();
            return new Shown(
                    row,
                    report,
                    TraceDrawing.of(trace, report, read.startMs(), read.settings()),
                    new CylinderDrawing(PressureCylinder.of(report)),
                    report.reps().stream().map(rep -> line(read, rep)).toList(),
                    report.problems().stream()
                            .map(problem -> words.of(problem.text()))
                            .toList());
        });
    }

    private RepLine line(Recordings.Read read, TraceReport.Rep rep) {
        List<String> verdicts = new ArrayList<>();
        rep.verdict()
                .forEach(verdict ->
                        verdicts.add(words.code(verdict.sign()) + " " + Math.round(100 * verdict.confidence()) + " %"));
        return new RepLine(
                rep.rep(),
                rep.side() == null ? null : words.code(rep.side()),
                TraceDrawing.kind(rep),
                TraceDrawing.extreme(read.report(), rep),
                String.join(", ", verdicts),
                TraceWords.detail(words, rep, read.settings().timing()),
                (rep.startMs() - read.startMs()) / 1000,
                (rep.endMs() - rep.startMs()) / 1000);
    }

    /** How many breaths she held it for joins today's check, where it can be changed like anything written there. */
    @PostMapping("/clients/{id}/traces/{recording}/tolerance")
    String tolerance(@PathVariable long id, @PathVariable long recording, @AuthenticationPrincipal SignedIn me)
            throws CheckEntries.Refused {
        RecordingRow row = recordings.row(id, recording);
        Optional<Visit> today = visits.today(id);
        Optional<Recordings.Read> read = recordings.read(row);
        if (today.isPresent() && read.isPresent()) {
            Visit visit = visits.unlocked(today.get().id());
            String breaths = String.valueOf(read.get().report().summary().toleranceBreaths());
            entries.put(visit, Finding.TOLERANCE_BREATHS, "", breaths, new CheckEntries.By(me.staffId(), null, ""));
            return "redirect:/visits/" + visit.id() + "/check";
        }
        return "redirect:/clients/" + id + "/traces/" + recording;
    }

    @PostMapping("/clients/{id}/traces/{recording}/rung")
    String rung(
            @PathVariable long id,
            @PathVariable long recording,
            @RequestParam String rung,
            @AuthenticationPrincipal SignedIn me) {
        recordings.sayRung(id, recordings.row(id, recording).id(), rung, me.staffId());
        return "redirect:/clients/" + id + "/traces/" + recording;
    }

    @PostMapping("/clients/{id}/traces/{recording}/remove")
    String remove(@PathVariable long id, @PathVariable long recording, @AuthenticationPrincipal SignedIn me) {
        recordings.remove(id, recording, me.staffId());
        return "redirect:/clients/" + id + "/traces";
    }

    @GetMapping("/clients/{id}/traces/{recording}/trace.csv")
    ResponseEntity<byte[]> csv(
            @PathVariable long id, @PathVariable long recording, @RequestParam(defaultValue = "wide") String shape) {
        RecordingRow row = recordings.row(id, recording);
        return file("trace-" + recording + ".csv", "text/csv;charset=UTF-8", out.csv(row, shape.equals("long")));
    }

    @GetMapping("/clients/{id}/traces/{recording}/trace.edf")
    ResponseEntity<byte[]> edf(@PathVariable long id, @PathVariable long recording) {
        RecordingRow row = recordings.row(id, recording);
        return out.edf(row)
                .map(bytes -> file("trace-" + recording + ".edf", MediaType.APPLICATION_OCTET_STREAM_VALUE, bytes))
                .orElseGet(() -> ResponseEntity.noContent().build());
    }

    private static ResponseEntity<byte[]> file(String name, String type, byte[] bytes) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .cacheControl(CacheControl.noStore())
                .body(bytes);
    }
}

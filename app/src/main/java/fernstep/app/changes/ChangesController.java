package fernstep.app.changes;

import fernstep.app.ask.Visits;
import fernstep.app.check.CheckSheet;
import fernstep.app.check.Checks;
import fernstep.app.check.MidlineDrawing;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.security.Accounts;
import fernstep.app.security.Staff;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.measure.Reason;
import fernstep.core.progress.ChangeReport;
import fernstep.core.screening.Gate;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.Method;
import fernstep.core.separation.Separation;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** What truly changed. */
@Controller
@Work(Work.Kind.NONE)
class ChangesController {
    private final Clients clients;
    private final Visits visits;
    private final Checks checks;
    private final Words words;
    private final Accounts accounts;
    private final ReadingsFile readingsFile;

    ChangesController(
            Clients clients, Visits visits, Checks checks, Words words, Accounts accounts, ReadingsFile readingsFile) {
        this.readingsFile = readingsFile;
        this.accounts = accounts;
        this.clients = clients;
        this.visits = visits;
        this.checks = checks;
        this.words = words;
    }

    /**
     * A comparison with its two days.
     *
     * @param examiners who measured, and whether that matters; null where no gap was read on both
     * @param midline then and now; null where no gap was read now
     */
    public record Comparison(
            String title,
            Checks.Taken before,
            Checks.Taken now,
            ChangeReport report,
            @Nullable Reason examiners,
            @Nullable MidlineDrawing midline,
            List<ChangeBars.Bar> bars) {}

    @GetMapping("/clients/{id}/changes")
    String changes(@PathVariable long id, Model model) {
        ClientFile client = clients.file(id);
        List<Checks.Taken> history = checks.history(visits.ofClient(id));
        model.addAttribute("client", client);
        model.addAttribute("history", history);
        model.addAttribute("comparisons", comparisons(client, history));
        model.addAttribute("charts", charts(client, history));
        return "changes/changes";
    }

    private List<Comparison> comparisons(ClientFile client, List<Checks.Taken> history) {
        List<Comparison> all = new ArrayList<>();
        int n = history.size();
        if (n >= 2) {
            all.add(compare(words.text("changes.sinceLast"), client, history.get(n - 2), history.get(n - 1)));
        }
        if (n >= 3) {
            all.add(compare(words.text("changes.sinceFirst"), client, history.get(0), history.get(n - 1)));
        }
        return all;
    }

    private Comparison compare(String title, ClientFile client, Checks.Taken before, Checks.Taken now) {
        ChangeReport report = checks.changes(client, before, now);
        return new Comparison(
                title,
                before,
                now,
                report,
                examiners(before, now),
                now.check().readings().isEmpty()
                        ? null
                        : MidlineDrawing.of(report.separation(), separation(client, before)),
                ChangeBars.of(report));
    }

    private @Nullable Reason examiners(Checks.Taken before, Checks.Taken now) {
        if (before.check().readings().isEmpty() || now.check().readings().isEmpty()) {
            return null;
        }
        Examiner then = before.check().examiner();
        Examiner today = now.check().examiner();
        String who = name(today);
        if (Objects.equals(then.id(), today.id())) {
            return Reason.of("examiners.same", who);
        }
        Method method = now.check().readings().get(0).method();
        boolean known = then.biasMm().containsKey(method) && today.biasMm().containsKey(method);
        return Reason.of(known ? "examiners.known" : "examiners.unknown", name(then), who);
    }

    private String name(Examiner examiner) {
        return examiner.id() == null
                ? "?"
                : accounts.byId(Long.parseLong(examiner.id()))
                        .map(Staff::fullName)
                        .orElse("?");
    }

    private List<TrendChart> charts(ClientFile client, List<Checks.Taken> history) {
        List<LocalDate> gates = visits.screeningToday(client).gates().values().stream()
                .map(Gate::opensOn)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        IdentityHashMap<Checks.Taken, Separation> worked = new IdentityHashMap<>();
        history.forEach(taken -> worked.put(taken, separation(client, taken)));
        List<TrendChart> charts = new ArrayList<>();
        for (double site : CheckSheet.SITES_CM) {
            for (Condition condition : List.of(Condition.REST, Condition.HEAD_LIFT)) {
                @Nullable
                TrendChart chart = TrendChart.of(
                        site,
                        condition,
                        history,
                        client.facts().events(),
                        gates,
                        taken -> Objects.requireNonNull(worked.get(taken)));
                if (chart != null && chart.dots().size() >= 2) {
                    charts.add(chart);
                }
            }
        }
        return charts;
    }

    private Separation separation(ClientFile client, Checks.Taken taken) {
        return checks.changes(client, taken, taken).separation();
    }

    /** Readings of every visit, one a line. */
    @GetMapping("/clients/{id}/readings.csv")
    ResponseEntity<byte[]> csv(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("readings-" + id + ".csv")
                                .build()
                                .toString())
                .body(readingsFile.of(id));
    }
}

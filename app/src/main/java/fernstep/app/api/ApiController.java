package fernstep.app.api;

import fernstep.app.access.Access;
import fernstep.app.changes.ReadingsFile;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Plans;
import fernstep.app.plan.Prescriptions;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;

/** What the pages read, for other programs. Clients that are restricted or archived are not there for a token. */
@RestController
@Work(Work.Kind.NONE)
@RequestMapping(path = "/api/v1", produces = MediaType.APPLICATION_JSON_VALUE)
@Tag(name = "Clients", description = "What the pages of the program show, to be read by other programs")
class ApiController {
    private static final int MOST = 500;
    private static final String EVER = "1900-01-01";

    private final Clients clients;
    private final Access access;
    private final Plans plans;
    private final Prescriptions prescriptions;
    private final Results results;
    private final ReadingsFile readings;
    private final Audit audit;
    private final Words words;

    ApiController(
            Clients clients,
            Access access,
            Plans plans,
            Prescriptions prescriptions,
            Results results,
            ReadingsFile readings,
            Audit audit,
            Words words) {
        this.clients = clients;
        this.access = access;
        this.plans = plans;
        this.prescriptions = prescriptions;
        this.results = results;
        this.readings = readings;
        this.audit = audit;
        this.words = words;
    }

    @GetMapping("/clients")
    @Operation(summary = "Clients by number", description = "At most 500 at a time; ask for more with 'after'.")
    ClientAnswers.Page list(
            @RequestParam(defaultValue = "0") long after,
            @RequestParam(defaultValue = "100") int limit,
            Authentication who) {
        int most = Math.max(1, Math.min(MOST, limit));
        Set<Long> hidden = access.hiddenFrom(staffId(who));
        List<ClientAnswers.Brief> found = clients.all().stream()
                .filter(file -> file.id() > after && !hidden.contains(file.id()))
                .sorted(Comparator.comparing(ClientFile::id))
                .limit(most + 1L)
                .map(ClientAnswers.Brief::of)
                .toList();
        audit.record(staffId(who), null, "READ", "GET /api/v1/clients, " + who.getName());
        List<ClientAnswers.Brief> page = found.subList(0, Math.min(most, found.size()));
        return new ClientAnswers.Page(
                page, found.size() > most ? page.get(page.size() - 1).id() : null);
    }

    /** A token is on nobody's team. */
    private static long staffId(Authentication who) {
        return who.getPrincipal() instanceof SignedIn me ? me.staffId() : 0;
    }

    @GetMapping("/clients/{id}")
    @Operation(summary = "Who she is: stage, births, operations, clearances, restrictions")
    ClientAnswers.Her her(@PathVariable long id) {
        return ClientAnswers.Her.of(clients.file(id), clients.nextVisit(id).orElse(null));
    }

    @GetMapping("/clients/{id}/plan")
    @Operation(
            summary = "Her plan as it stands today",
            description = "Where the outcome is not to train, nothing of it is to be done.")
    ClientAnswers.PlanOf plan(@PathVariable long id) {
        Plans.Desk desk = plans.desk(clients.file(id));
        return ClientAnswers.PlanOf.of(desk, prescriptions.of(desk), words);
    }

    @GetMapping("/clients/{id}/sessions")
    @Operation(summary = "How every exercise of her sessions went, newest first")
    ClientAnswers.Sessions sessions(
            @PathVariable long id,
            @RequestParam(defaultValue = EVER) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate from) {
        return new ClientAnswers.Sessions(results.since(id, from).stream()
                .sorted(Comparator.comparing(ResultRow::heldOn)
                        .reversed()
                        .thenComparing(ResultRow::sessionId)
                        .thenComparing(ResultRow::rung)
                        .thenComparing(ResultRow::side))
                .map(ClientAnswers.Went::of)
                .toList());
    }

    @GetMapping("/clients/{id}/readings")
    @Operation(summary = "Every reading of her separation, oldest first, with its error in mm")
    ClientAnswers.Readings readings(@PathVariable long id) {
        return new ClientAnswers.Readings(
                readings.lines(id).stream().map(ClientAnswers.Read::of).toList());
    }

    @ExceptionHandler(MethodArgumentTypeMismatchException.class)
    ResponseEntity<ApiError> unreadable(MethodArgumentTypeMismatchException exception) {
        @Nullable Class<?> type = exception.getRequiredType();
        String wanted = type == LocalDate.class ? "a date as YYYY-MM-DD" : "a whole number";
        return ResponseEntity.badRequest().body(ApiError.of("'" + exception.getName() + "' must be " + wanted));
    }
}

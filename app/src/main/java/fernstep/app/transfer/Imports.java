package fernstep.app.transfer;

import fernstep.app.check.CheckEntries;
import fernstep.app.client.Clients;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.NotFound;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.exchange.casefile.CaseFileReader;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.fhir.FhirFiles;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Case files that are brought in: looked at first, then taken whole or without what is wrong, and taken back for a day. */
@Service
class Imports {
    private final TransferMapper mapper;
    private final CaseFileIntake intake;
    private final Clients clients;
    private final Catalogues catalogues;
    private final Today today;
    private final Words words;

    Imports(
            TransferMapper mapper,
            CaseFileIntake intake,
            Clients clients,
            Catalogues catalogues,
            Today today,
            Words words) {
        this.mapper = mapper;
        this.intake = intake;
        this.clients = clients;
        this.catalogues = catalogues;
        this.today = today;
        this.words = words;
    }

    /** @throws CaseProblem where nothing of it can be taken */
    CaseFileReader.Parsed parsed(String body, boolean therapist) {
        return FhirFiles.isOne(body)
                ? FhirFiles.read(body, catalogues.get(), today.date(), therapist)
                : CaseFileReader.read(body, catalogues.get(), today.date(), therapist);
    }

    void look(String formId, long staffId, String fileName, String body) {
        mapper.forget();
        mapper.look(formId, staffId, fileName, body);
    }

    Optional<ImportRow> byForm(String formId) {
        return mapper.byForm(formId);
    }

    /** Of clients who are here already. */
    boolean sameName(String name) {
        return clients.all().stream().anyMatch(file -> file.name().equalsIgnoreCase(name));
    }

    /**
     * Takes what was looked at; sent twice, the client is there once.
     *
     * @param alsoIncomplete without what is wrong in it; otherwise a file with anything wrong is not taken
     * @return the client; empty where something is wrong and only a whole file was wanted
     */
    @Transactional(rollbackFor = CheckEntries.Refused.class)
    public Optional<Long> take(String formId, boolean alsoIncomplete, long staffId, boolean therapist)
            throws CheckEntries.Refused {
        ImportRow row = mapper.locked(formId).orElseThrow(() -> new NotFound("no import " + formId));
        if (row.clientId() != null) {
            return Optional.of(row.clientId());
        }
        if (row.staffId() != staffId) {
            throw new NotFound("no import of hers " + formId);
        }
        CaseFileReader.Parsed parsed = parsed(row.body(), therapist);
        if (!parsed.problems().isEmpty() && !alsoIncomplete) {
            return Optional.empty();
        }
        long client = intake.take(parsed.file(), formId, staffId, words.text("transfer.reason"));
        mapper.taken(formId, client);
        return Optional.of(client);
    }

    List<ImportRow> undoable() {
        return mapper.undoable();
    }

    /** The client goes again, as long as nothing was written about her since. */
    @Transactional
    public boolean undo(String formId, long staffId) {
        Optional<ImportRow> row = mapper.undoable().stream()
                .filter(importRow -> importRow.formId().equals(formId))
                .findFirst();
        row.ifPresent(importRow -> {
            clients.erase(Objects.requireNonNull(importRow.clientId()), staffId);
            mapper.undone(formId);
        });
        return row.isPresent();
    }
}

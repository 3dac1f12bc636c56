package fernstep.exchange;

import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFileWriter;
import fernstep.exchange.fhir.FhirFiles;
import fernstep.exchange.table.SessionsCsv;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Optional;

/**
 * What a client's record goes out as. Each has its address, stands among what can be taken out and lies in her folder; its
 * words are under {@code export.}.
 */
public enum ExportFormat {
    CASE_FILE("case.json", "application/json", CaseFileWriter::written),
    FHIR("fhir.json", "application/fhir+json", FhirFiles::written),
    SESSIONS("sessions.csv", "text/csv;charset=UTF-8", (record, today) -> SessionsCsv.written(record));

    /** Makes the bytes of a file. */
    @FunctionalInterface
    private interface Writer {
        byte[] written(CaseFile record, LocalDate today);
    }

    private final String file;
    private final String mediaType;
    private final Writer writer;

    ExportFormat(String file, String mediaType, Writer writer) {
        this.file = file;
        this.mediaType = mediaType;
        this.writer = writer;
    }

    /** "case.json": what the file is called. */
    public String file() {
        return file;
    }

    /** As a browser is told it, with its characters where it is text. */
    public String mediaType() {
        return mediaType;
    }

    public static Optional<ExportFormat> ofFile(String file) {
        return Arrays.stream(values())
                .filter(format -> format.file.equals(file))
                .findFirst();
    }

    /** @param today the day on which it is taken out */
    public byte[] written(CaseFile record, LocalDate today) {
        return writer.written(record, today);
    }
}

package fernstep.app.transfer;

import fernstep.app.support.PartOfRecord;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.exchange.ExportFormat;
import fernstep.exchange.casefile.CaseFile;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** Everything about one client as a folder of files, with a page that opens without this program. */
@Service
class ClientZip {
    private final CaseFiles files;
    private final List<PartOfRecord> parts;
    private final SpringTemplateEngine templates;
    private final Words words;
    private final Today today;

    ClientZip(CaseFiles files, List<PartOfRecord> parts, SpringTemplateEngine templates, Words words, Today today) {
        this.files = files;
        this.parts = parts;
        this.templates = templates;
        this.words = words;
        this.today = today;
    }

    /**
     * A file in the folder.
     *
     * @param sizeBytes before it was packed
     */
    public record Packed(String path, long sizeBytes) {
        /** What kind of file it is, for its words: the folder's name, or its own without the end. */
        public String kind() {
            return path.replaceFirst("[/.].*", "");
        }

        public long sizeKb() {
            return Math.max(1, Math.round(sizeBytes / 1000.0));
        }
    }

    void write(long clientId, PartOfRecord.Asking who, OutputStream out) throws IOException {
        CaseFile file = files.of(clientId, who.therapist());
        List<Packed> packed = new ArrayList<>();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            PartOfRecord.Folder folder = (path, bytes) -> {
                put(zip, path, bytes);
                packed.add(new Packed(path, bytes.length));
            };
            for (ExportFormat format : ExportFormat.values()) {
                folder.add(format.file(), format.written(file, today.date()));
            }
            for (PartOfRecord part : parts) {
                part.write(clientId, who, folder);
            }
            put(zip, "index.html", index(file, packed).getBytes(StandardCharsets.UTF_8));
        }
    }

    private static void put(ZipOutputStream zip, String path, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(path));
        zip.write(bytes);
        zip.closeEntry();
    }

    private String index(CaseFile file, List<Packed> packed) {
        Context context = new Context(words.locale());
        context.setVariables(Map.of("words", words, "file", file, "packed", packed, "on", today.date()));
        return templates.process("transfer/folder", context);
    }
}

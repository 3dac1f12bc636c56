package fernstep.app.letters;

import fernstep.app.support.PartOfRecord;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.stereotype.Component;

/** Every version of every letter, as plain text. */
@Component
class LettersOut implements PartOfRecord {
    private final LetterMapper mapper;

    LettersOut(LetterMapper mapper) {
        this.mapper = mapper;
    }

    @Override
    public void write(long clientId, Asking who, Folder folder) throws IOException {
        for (LetterRow letter : mapper.ofClient(clientId)) {
            for (LetterRow version : mapper.versions(clientId, letter.letterId())) {
                String text = version.madeOn() + "\n" + version.addressee() + "\n\n" + version.body() + "\n";
                folder.add(
                        "letters/letter-" + version.letterId() + "-version-" + version.version() + ".txt",
                        text.getBytes(StandardCharsets.UTF_8));
            }
        }
    }
}

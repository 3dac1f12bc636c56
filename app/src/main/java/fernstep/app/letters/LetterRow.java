package fernstep.app.letters;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;

/**
 * One version of a letter.
 *
 * @param version from 1
 * @param latest of the same letter
 * @param body paragraphs; a line that begins with "# " is a heading, with "- " an item of a list
 */
public record LetterRow(
        long letterId,
        long clientId,
        LetterKind kind,
        String language,
        LocalDate madeOn,
        int version,
        int latest,
        String addressee,
        String body,
        long staffId,
        LocalDateTime writtenAt) {

    /** As it is read. */
    public List<LetterLine> lines() {
        return LetterLine.of(body);
    }

    /** The very same, sent once more. */
    boolean isThat(int number, String to, String text, long author) {
        return version == number && addressee.equals(to) && body.equals(text) && staffId == author;
    }
}

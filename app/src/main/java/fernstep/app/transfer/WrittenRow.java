package fernstep.app.transfer;

import org.jspecify.annotations.Nullable;

/**
 * What one line of a table wrote.
 *
 * @param recordKey where: the number of a visit, or the parts of a key with bars between them
 * @param beforeValue what stood there; null where nothing did
 */
record WrittenRow(
        String formId,
        int lineNo,
        What what,
        long clientId,
        String recordKey,
        @Nullable String beforeValue,
        String afterValue) {
    /** In the order in which they are taken back. */
    enum What {
        READING,
        RESULT,
        SESSION,
        VISIT
    }
}

package fernstep.app.support;

import java.io.IOException;

/** What a feature puts into the folder of files that goes out about one client: each knows its own tables. */
public interface PartOfRecord {
    /**
     * Who asks: not everyone is given everything.
     *
     * @param therapist whether she may see what is for licensed clinicians
     */
    record Asking(long staffId, boolean therapist) {}

    /** Where the files go. */
    interface Folder {
        /** @param path with slashes; the words of {@code zip.file.} and the first part of it say what it is */
        void add(String path, byte[] bytes) throws IOException;
    }

    void write(long clientId, Asking who, Folder folder) throws IOException;
}

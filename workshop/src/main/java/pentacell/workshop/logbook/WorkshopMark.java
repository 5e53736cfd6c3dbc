package pentacell.workshop.logbook;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;

/// Tells a workshop file from any other by its first bytes (SQLite file format, database header:
/// the magic text at 0, the application id at 68).
public final class WorkshopMark {
    private static final byte[] SQLITE = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
    private static final int APPLICATION_ID_AT = 68;

    private WorkshopMark() {}

    /// Whether a file is there and is a workshop, whole or not.
    ///
    /// @throws IOException when it cannot be read
    public static boolean isWorkshop(Path file) throws IOException {
        if (!Files.isRegularFile(file)) return false;
        try (InputStream in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(APPLICATION_ID_AT + Integer.BYTES);
            if (head.length < APPLICATION_ID_AT + Integer.BYTES
                    || !Arrays.equals(head, 0, SQLITE.length, SQLITE, 0, SQLITE.length))
                return false;
            // a new one that is open may have its id in the log of changes only
            return ByteBuffer.wrap(head).getInt(APPLICATION_ID_AT) == Database.APPLICATION_ID
                    || Files.exists(Snapshot.changes(file));
        }
    }
}

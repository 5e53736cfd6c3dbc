package pentacell.instruments.bench;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/// Which log files of a watched folder are to be taken in: each when it has stopped growing, and
/// again when it has grown since.
public final class FolderWatch {
    /// A file that looks the same so many times in a row has stopped growing.
    public static final int QUIET_LOOKS = 3;

    private final Map<Path, Seen> seen = new HashMap<>();

    /// What a file looks like from outside.
    public record Stamp(long bytes, FileTime modified) {}

    /// @param quiet looks in a row at which it was the same
    private record Seen(Stamp stamp, int quiet, boolean isTaken) {
        static final Seen NEVER = new Seen(new Stamp(-1, FileTime.fromMillis(0)), 0, false);
    }

    /// The log files of a folder as they look now; those that cannot be looked at are left out.
    public static SortedMap<Path, Stamp> files(Path folder) {
        SortedMap<Path, Stamp> files = new TreeMap<>();
        try (DirectoryStream<Path> entries =
                Files.newDirectoryStream(folder, "*.{csv,CSV,txt,TXT}")) {
            for (Path each : entries)
                if (Files.isRegularFile(each))
                    files.put(each, new Stamp(Files.size(each), Files.getLastModifiedTime(each)));
        } catch (IOException gone) {
            // it is looked at again
            return files;
        }
        return files;
    }

    /// Looks at the files once more.
    ///
    /// @return those to be taken in now, in order
    public List<Path> look(SortedMap<Path, Stamp> files) {
        List<Path> ready = new ArrayList<>();
        for (Map.Entry<Path, Stamp> each : files.entrySet()) {
            Seen before = seen.getOrDefault(each.getKey(), Seen.NEVER);
            boolean isSame = before.stamp().equals(each.getValue());
            int quiet = isSame ? before.quiet() + 1 : 1;
            boolean isTaken = isSame && before.isTaken();
            boolean isReady = !isTaken && quiet >= QUIET_LOOKS && each.getValue().bytes() > 0;
            if (isReady) ready.add(each.getKey());
            seen.put(each.getKey(), new Seen(each.getValue(), quiet, isTaken || isReady));
        }
        seen.keySet().retainAll(files.keySet());
        return ready;
    }

    /// Forgets what was seen.
    public void clear() {
        seen.clear();
    }
}

package pentacell.instruments.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// When the logs of a watched folder are taken in.
final class FolderWatchTest {
    @TempDir private Path folder;

    /// Sizes of a file at one look after the other, and the looks at which it is taken.
    @ParameterizedTest(name = "{0}: taken at {1}")
    @CsvSource({
        "5 5 5 5 5 5, [2]",
        "1 2 3 4 5 5 5 5, [6]",
        "5 5 5 5 9 9 9 9, '[2, 6]'",
        "5 5 5 7 8 9 9 9 9, '[2, 7]'",
        "0 0 0 0 4 4 4, [6]",
        "5 5 - 5 5 5, [5]",
        "- - -, []",
    })
    void aFileIsTakenWhenItHasStoppedGrowingAndAgainWhenItHasGrown(String sizes, String taken) {
        FolderWatch watch = new FolderWatch();
        List<Integer> looks = new ArrayList<>();
        int look = 0;
        for (String size : sizes.split(" ")) {
            TreeMap<Path, FolderWatch.Stamp> files = new TreeMap<>();
            if (!size.equals("-"))
                files.put(
                        Path.of("run.csv"),
                        new FolderWatch.Stamp(Long.parseLong(size), FileTime.fromMillis(0)));
            if (!watch.look(files).isEmpty()) looks.add(look);
            look++;
        }
        assertEquals(taken, looks.toString());
    }

    @Test
    void onlyLogFilesCount() throws IOException {
        for (String name : List.of("a.csv", "B.CSV", "c.txt", "d.pdf"))
            Files.writeString(folder.resolve(name), "x");
        Files.createDirectory(folder.resolve("e.csv"));
        assertEquals(3, FolderWatch.files(folder).size());
        assertEquals(0, FolderWatch.files(folder.resolve("none")).size());
    }
}

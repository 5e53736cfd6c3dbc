package pentacell.workshop.logbook;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.zip.DataFormatException;
import org.jspecify.annotations.Nullable;
import pentacell.core.measure.SampleLog;

/// Blocks of samples found on pages of a damaged file, put together again. Where several begin at
/// the same sample the longest counts: the others are what was there before they were joined.
final class SalvagedBlocks {
    private final Map<String, TreeMap<Long, Block>> runs = new TreeMap<>();

    private static final class Block {
        private final int count;
        private final byte[] columns;

        Block(int count, byte[] columns) {
            this.count = count;
            this.columns = columns;
        }
    }

    /// Takes a row if it is a block of samples.
    void take(List<@Nullable Object> columns) {
        if (columns.size() == 4
                && columns.get(0) instanceof String run
                && columns.get(1) instanceof Long first
                && columns.get(2) instanceof Long count
                && columns.get(3) instanceof byte[] packed
                && first >= 0
                && count > 0
                && count <= Integer.MAX_VALUE)
            runs.computeIfAbsent(run, name -> new TreeMap<>())
                    .merge(
                            first,
                            new Block(count.intValue(), packed),
                            (one, other) -> one.count >= other.count ? one : other);
    }

    /// The samples of each run, up to the first that is missing.
    Map<String, SampleLog> logs() {
        Map<String, SampleLog> logs = new HashMap<>();
        runs.forEach((run, blocks) -> logs.put(run, log(blocks)));
        return logs;
    }

    private static SampleLog log(SortedMap<Long, Block> blocks) {
        SampleLog.Builder log = new SampleLog.Builder();
        long next = 0;
        for (Map.Entry<Long, Block> each : blocks.entrySet()) {
            if (each.getKey() < next) continue;
            if (each.getKey() > next) break;
            try {
                SampleColumns.unpack(each.getValue().columns, each.getValue().count, log);
            } catch (DataFormatException | IllegalArgumentException damaged) {
                break;
            }
            next += each.getValue().count;
        }
        return log.build();
    }
}

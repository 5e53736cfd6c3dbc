package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.BufferOverflowException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/// Reads the rows of a damaged workshop page by page, without the tree that leads to them: what is
/// on a page that is still there is found, whatever else is gone (SQLite file format, "B-tree
/// pages" and "Record format").
///
/// A page does not say which table it belongs to; a row's columns do.
final class PageScan implements AutoCloseable {
    private static final int HEADER = 100;
    private static final int PAGE_SIZE_AT = 16;
    private static final int RESERVED_AT = 20;
    private static final int LEAF_OF_TABLE = 0x0d;
    private static final int LEAF_HEADER = 8;
    private static final int WAL_HEADER = 32;
    private static final int FRAME_HEADER = 24;
    private static final int LONGEST_ROW = 64 << 20;

    private final FileChannel file;
    private final int pageSize;
    private final int usable;
    private final long pages;
    private final Map<Long, ByteBuffer> newer;

    /// A row: its number and its columns (null, Long, String or byte[]).
    interface Rows {
        void take(long number, List<@Nullable Object> columns);
    }

    private PageScan(
            FileChannel file, int pageSize, int reserved, long pages, Map<Long, ByteBuffer> newer) {
        this.file = file;
        this.pageSize = pageSize;
        this.usable = pageSize - reserved;
        this.pages = pages;
        this.newer = newer;
    }

    /// Begins to read a file, with its log of changes where there is one.
    ///
    /// @throws IOException when it cannot be read, or not even its first page is there
    static PageScan of(Path named) throws IOException {
        FileChannel file = FileChannel.open(named, StandardOpenOption.READ);
        try {
            ByteBuffer header = read(file, 0, HEADER);
            int size = header.getShort(PAGE_SIZE_AT) & 0xffff;
            int pageSize = size == 1 ? 1 << 16 : size;
            if (pageSize < 512 || Integer.bitCount(pageSize) != 1)
                throw new IOException("its first page is damaged");
            long pages = (file.size() + pageSize - 1) / pageSize;
            return new PageScan(
                    file,
                    pageSize,
                    header.get(RESERVED_AT) & 0xff,
                    pages,
                    newerPages(Snapshot.changes(named), pageSize));
        } catch (IOException failure) {
            file.close();
            throw failure;
        }
    }

    /// Pages as they stand in the log of changes.
    private static Map<Long, ByteBuffer> newerPages(Path changes, int pageSize) throws IOException {
        Map<Long, ByteBuffer> newer = new HashMap<>();
        if (!Files.exists(changes) || Files.size(changes) <= WAL_HEADER) return newer;
        try (FileChannel log = FileChannel.open(changes, StandardOpenOption.READ)) {
            long salt = read(log, 0, WAL_HEADER).getLong(16);
            long frame = FRAME_HEADER + (long) pageSize;
            for (long at = WAL_HEADER; at + frame <= log.size(); at += frame) {
                ByteBuffer head = read(log, at, FRAME_HEADER);
                if (head.getLong(8) != salt) break;
                newer.put(head.getInt(0) & 0xffffffffL, read(log, at + FRAME_HEADER, pageSize));
            }
        }
        return newer;
    }

    /// What is there from a place on; zeros where the file ends early.
    private static ByteBuffer read(FileChannel file, long from, int length) throws IOException {
        ByteBuffer bytes = ByteBuffer.allocate(length);
        while (bytes.hasRemaining() && file.read(bytes, from + bytes.position()) > 0) {
            // goes on until it is full or the file ends
        }
        bytes.clear();
        return bytes;
    }

    private ByteBuffer page(long number) throws IOException {
        ByteBuffer changed = newer.get(number);
        return changed == null
                ? read(file, (number - 1) * pageSize, pageSize)
                : changed.duplicate();
    }

    /// Reads every row that is on a leaf of a table.
    void read(Rows rows) throws IOException {
        long last = newer.keySet().stream().mapToLong(Long::longValue).max().orElse(0);
        for (long number = 1; number <= Math.max(pages, last); number++) {
            ByteBuffer page = page(number);
            int head = number == 1 ? HEADER : 0;
            if (page.get(head) != LEAF_OF_TABLE) continue;
            int most = (pageSize - head - LEAF_HEADER) / 2;
            int cells = Math.min(most, page.getShort(head + 3) & 0xffff);
            for (int cell = 0; cell < cells; cell++) {
                try {
                    int at = page.getShort(head + LEAF_HEADER + 2 * cell) & 0xffff;
                    row(page, at, rows);
                } catch (IndexOutOfBoundsException
                        | IllegalArgumentException
                        | ArithmeticException
                        | BufferUnderflowException
                        | BufferOverflowException garbled) {
                    // this row is not to be had; the next may be
                }
            }
        }
    }

    private void row(ByteBuffer page, int at, Rows rows) throws IOException {
        page.position(at);
        long length = varint(page);
        long number = varint(page);
        if (length < 1 || length > LONGEST_ROW) return;
        ByteBuffer payload = payload(page, (int) length);
        rows.take(number, columns(payload));
    }

    /// The bytes of a row, with those that overflow onto other pages.
    private ByteBuffer payload(ByteBuffer page, int length) throws IOException {
        int most = usable - 35;
        int least = (usable - 12) * 32 / 255 - 23;
        int spread = least + (length - least) % (usable - 4);
        int local = length <= most ? length : spread <= most ? spread : least;
        ByteBuffer payload = ByteBuffer.allocate(length);
        payload.put(page.slice(page.position(), local));
        long next = local < length ? page.getInt(page.position() + local) & 0xffffffffL : 0;
        while (payload.hasRemaining()) {
            if (next == 0) throw new IllegalArgumentException("a row is cut short");
            ByteBuffer overflow = page(next);
            int part = Math.min(usable - 4, payload.remaining());
            payload.put(overflow.slice(4, part));
            next = overflow.getInt(0) & 0xffffffffL;
        }
        return payload.flip();
    }

    private static List<@Nullable Object> columns(ByteBuffer payload) {
        long header = varint(payload);
        List<Long> types = new ArrayList<>();
        while (payload.position() < header) types.add(varint(payload));
        List<@Nullable Object> columns = new ArrayList<>();
        for (long type : types) columns.add(value(payload, type));
        return columns;
    }

    private static @Nullable Object value(ByteBuffer payload, long type) {
        if (type >= 12) {
            byte[] bytes = new byte[Math.toIntExact((type - 12) / 2)];
            payload.get(bytes);
            return type % 2 == 0 ? bytes : new String(bytes, StandardCharsets.UTF_8);
        }
        return switch ((int) type) {
            case 0 -> null;
            case 1, 2, 3, 4 -> whole(payload, (int) type);
            case 5 -> whole(payload, 6);
            case 6 -> whole(payload, 8);
            case 8 -> 0L;
            case 9 -> 1L;
            default -> throw new IllegalArgumentException("a column of type " + type);
        };
    }

    private static Long whole(ByteBuffer payload, int bytes) {
        long value = payload.get();
        for (int i = 1; i < bytes; i++) value = value << 8 | payload.get() & 0xff;
        return value;
    }

    private static long varint(ByteBuffer bytes) {
        long value = 0;
        for (int i = 0; i < 8; i++) {
            byte next = bytes.get();
            value = value << 7 | next & 0x7f;
            if (next >= 0) return value;
        }
        return value << 8 | bytes.get() & 0xff;
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}

package pentacell.core.measure;

import java.util.Arrays;
import java.util.Objects;

/// A long row of readings in little room: a log of fourteen million lines is held in a few bytes a
/// reading, and each is given back as exactly the number that was put in.
///
/// Idea: readings are decimals with few places, and close to their neighbours. A block of them is
/// kept as whole numbers of its finest decimal place, counted from the smallest one, in as many
/// bytes as the largest needs. A block of anything else is kept as it is. The only change: −0
/// becomes 0.
public final class Column {
    /// Readings of a block, as a power of two.
    private static final int BLOCK_BITS = 10;

    private static final int BLOCK = 1 << BLOCK_BITS;

    private final Block[] blocks;
    private final int size;

    private Column(Block[] blocks, int size) {
        this.blocks = blocks;
        this.size = size;
    }

    /// Number of readings.
    public int size() {
        return size;
    }

    /// A reading.
    ///
    /// @throws IndexOutOfBoundsException when there is none
    public double get(int index) {
        Objects.checkIndex(index, size);
        return blocks[index >>> BLOCK_BITS].get(index & (BLOCK - 1));
    }

    /// Readings from an index on, as many as there is room for: faster than one by one.
    ///
    /// @throws IndexOutOfBoundsException when there are not so many
    public void read(int from, double[] into) {
        Objects.checkFromIndexSize(from, into.length, size);
        int done = 0;
        while (done < into.length) {
            int at = from + done & BLOCK - 1;
            int count = Math.min(into.length - done, BLOCK - at);
            blocks[from + done >>> BLOCK_BITS].read(at, into, done, count);
            done += count;
        }
    }

    /// All readings.
    public double[] toArray() {
        double[] all = new double[size];
        read(0, all);
        return all;
    }

    /// The lowest reading that is a number; ∞ without any.
    public double least() {
        return Arrays.stream(blocks)
                .mapToDouble(each -> each.least)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    /// The highest reading that is a number; −∞ without any.
    public double most() {
        return Arrays.stream(blocks)
                .mapToDouble(each -> each.most)
                .max()
                .orElse(Double.NEGATIVE_INFINITY);
    }

    /// The column with each reading changed.
    public Column map(Change change) {
        Builder changed = new Builder();
        double[] some = new double[BLOCK];
        for (int from = 0; from < size; from += BLOCK) {
            int count = Math.min(BLOCK, size - from);
            blocks[from >>> BLOCK_BITS].read(0, some, 0, count);
            for (int i = 0; i < count; i++) changed.add(change.apply(from + i, some[i]));
        }
        return changed.build();
    }

    /// Some readings in the finest decimal place that all of them have.
    private static final class Block {
        /// Divisors that are exact, and as fine as any instrument.
        private static final double[] UNITS = {1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9};

        /// A whole number up to here is exact, so a division of it is rounded once, like the text
        /// it was read from.
        private static final double MOST_WHOLE = 1L << 53;

        private static final byte[] NO_BYTES = {};
        private static final short[] NO_SHORTS = {};
        private static final int[] NO_INTS = {};
        private static final double[] NO_DOUBLES = {};

        private final double least;
        private final double most;
        private final double smallest;
        private final double unit;
        private final int bytesEach;
        private final byte[] bytes;
        private final short[] shorts;
        private final int[] ints;
        private final double[] doubles;

        /// Room for readings in so many bytes each.
        private Block(
                int bytesEach, int count, double smallest, double unit, double least, double most) {
            this.least = least;
            this.most = most;
            this.bytesEach = bytesEach;
            this.smallest = smallest;
            this.unit = unit;
            bytes = bytesEach == 1 ? new byte[count] : NO_BYTES;
            shorts = bytesEach == 2 ? new short[count] : NO_SHORTS;
            ints = bytesEach == 4 ? new int[count] : NO_INTS;
            doubles = bytesEach == 8 ? new double[count] : NO_DOUBLES;
        }

        double get(int index) {
            return switch (bytesEach) {
                case 0 -> smallest / unit;
                case 1 -> (smallest + (bytes[index] & 0xff)) / unit;
                case 2 -> (smallest + (shorts[index] & 0xffff)) / unit;
                case 4 -> (smallest + Integer.toUnsignedLong(ints[index])) / unit;
                default -> doubles[index];
            };
        }

        /// Some readings at once: without asking of each how it is kept.
        void read(int from, double[] into, int at, int count) {
            switch (bytesEach) {
                case 0 -> Arrays.fill(into, at, at + count, smallest / unit);
                case 1 -> {
                    for (int i = 0; i < count; i++)
                        into[at + i] = (smallest + (bytes[from + i] & 0xff)) / unit;
                }
                case 2 -> {
                    for (int i = 0; i < count; i++)
                        into[at + i] = (smallest + (shorts[from + i] & 0xffff)) / unit;
                }
                case 4 -> {
                    for (int i = 0; i < count; i++)
                        into[at + i] = (smallest + Integer.toUnsignedLong(ints[from + i])) / unit;
                }
                default -> System.arraycopy(doubles, from, into, at, count);
            }
        }

        static Block of(double[] values, int count) {
            int place = 0;
            double unit = UNITS[0];
            double least = Double.POSITIVE_INFINITY;
            double most = Double.NEGATIVE_INFINITY;
            for (int i = 0; i < count; i++) {
                double value = values[i];
                while (Math.rint(value * unit) / unit != value) {
                    if (++place == UNITS.length) return asTheyAre(values, count);
                    unit = UNITS[place];
                }
                if (value < least) least = value;
                if (value > most) most = value;
            }
            double smallest = Math.rint(least * unit);
            double range = Math.rint(most * unit) - smallest;
            boolean isExact = Math.max(Math.abs(smallest), Math.abs(smallest + range)) < MOST_WHOLE;
            if (!isExact || range >= 1L << 32) return asTheyAre(values, count);
            int bytesEach = range == 0 ? 0 : range < 1 << 8 ? 1 : range < 1 << 16 ? 2 : 4;
            Block block = new Block(bytesEach, count, smallest, unit, least, most);
            switch (bytesEach) {
                case 0 -> {}
                case 1 -> {
                    for (int i = 0; i < count; i++)
                        block.bytes[i] = (byte) (int) (Math.rint(values[i] * unit) - smallest);
                }
                case 2 -> {
                    for (int i = 0; i < count; i++)
                        block.shorts[i] = (short) (int) (Math.rint(values[i] * unit) - smallest);
                }
                default -> {
                    for (int i = 0; i < count; i++)
                        block.ints[i] = (int) (long) (Math.rint(values[i] * unit) - smallest);
                }
            }
            return block;
        }

        private static Block asTheyAre(double[] values, int count) {
            boolean isOne = true;
            for (int i = 1; i < count && isOne; i++)
                isOne = Double.compare(values[i], values[0]) == 0;
            double least = Double.POSITIVE_INFINITY;
            double most = Double.NEGATIVE_INFINITY;
            for (int i = 0; i < count; i++) {
                if (values[i] < least) least = values[i];
                if (values[i] > most) most = values[i];
            }
            if (isOne) return new Block(0, count, values[0], 1, least, most);
            Block block = new Block(8, count, 0, 1, least, most);
            System.arraycopy(values, 0, block.doubles, 0, count);
            return block;
        }
    }

    /// Changes a reading.
    @FunctionalInterface
    public interface Change {
        /// What is to stand at an index, of what stood there.
        double apply(int index, double value);
    }

    /// Grows a column reading by reading.
    public static final class Builder {
        private Block[] full = new Block[4];
        private int fullCount;
        private double[] open = new double[64];
        private int openCount;

        /// Adds a reading.
        public void add(double value) {
            if (openCount == open.length) {
                if (openCount < BLOCK) open = Arrays.copyOf(open, 2 * openCount);
                else close();
            }
            open[openCount++] = value + 0.0;
        }

        private void close() {
            if (fullCount == full.length) full = Arrays.copyOf(full, 2 * fullCount);
            full[fullCount++] = Block.of(open, openCount);
            openCount = 0;
        }

        /// Number of readings so far.
        public int size() {
            return (fullCount << BLOCK_BITS) + openCount;
        }

        /// A reading.
        public double get(int index) {
            int block = index >>> BLOCK_BITS;
            int at = index & (BLOCK - 1);
            if (block < fullCount) return full[block].get(at);
            if (block > fullCount || at >= openCount)
                throw new IndexOutOfBoundsException("reading %d of %d".formatted(index, size()));
            return open[at];
        }

        /// The column so far; it does not change when the builder goes on.
        public Column build() {
            Block[] blocks = Arrays.copyOf(full, fullCount + (openCount > 0 ? 1 : 0));
            if (openCount > 0) blocks[fullCount] = Block.of(open, openCount);
            return new Column(blocks, size());
        }
    }
}

package pentacell.workshop.logbook;

import java.io.ByteArrayOutputStream;
import java.util.function.LongConsumer;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;
import pentacell.core.measure.SampleLog;

/// Samples as compact columns: time in µs, voltage in µV, current in µA, temperature in hundredths
/// of a °C, each as differences from the value before, in variable-length integers, deflated.
///
/// The resolution is finer than that of any instrument of this trade; what is read back is what the
/// screen showed, and an analysis of either gives the same figures.
final class SampleColumns {
    private static final int NO_TEMPERATURE = -100_000;

    private SampleColumns() {}

    static long microseconds(SampleLog log, int sample) {
        return Math.round(1e6 * log.seconds(sample));
    }

    static long microvolts(SampleLog log, int sample) {
        return Math.round(1e6 * log.volts(sample));
    }

    static long microamps(SampleLog log, int sample) {
        return Math.round(1e6 * log.amps(sample));
    }

    static long centicelsius(SampleLog log, int sample) {
        double celsius = log.celsius(sample);
        return Double.isFinite(celsius) ? Math.round(1e2 * celsius) : NO_TEMPERATURE;
    }

    static byte[] pack(SampleLog log, int from, int until) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        Differences time = new Differences(bytes);
        for (int i = from; i < until; i++) time.accept(microseconds(log, i));
        Differences volts = new Differences(bytes);
        for (int i = from; i < until; i++) volts.accept(microvolts(log, i));
        Differences amps = new Differences(bytes);
        for (int i = from; i < until; i++) amps.accept(microamps(log, i));
        Differences celsius = new Differences(bytes);
        for (int i = from; i < until; i++) celsius.accept(centicelsius(log, i));
        Deflater deflater = new Deflater();
        deflater.setInput(bytes.toByteArray());
        deflater.finish();
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        byte[] buffer = new byte[8192];
        while (!deflater.finished()) packed.write(buffer, 0, deflater.deflate(buffer));
        deflater.end();
        return packed.toByteArray();
    }

    /// Adds the samples of a block to a log.
    ///
    /// @throws DataFormatException when the block is damaged
    static void unpack(byte[] packed, int count, SampleLog.Builder into)
            throws DataFormatException {
        Inflater inflater = new Inflater();
        inflater.setInput(packed);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        byte[] buffer = new byte[8192];
        while (!inflater.finished()) {
            int length = inflater.inflate(buffer);
            if (length == 0 && (inflater.needsInput() || inflater.needsDictionary()))
                throw new DataFormatException("a block of samples is cut short");
            bytes.write(buffer, 0, length);
        }
        inflater.end();
        Reader reader = new Reader(bytes.toByteArray());
        long[] time = reader.column(count);
        long[] volts = reader.column(count);
        long[] amps = reader.column(count);
        long[] celsius = reader.column(count);
        for (int i = 0; i < count; i++)
            into.add(
                    time[i] / 1e6,
                    volts[i] / 1e6,
                    amps[i] / 1e6,
                    celsius[i] == NO_TEMPERATURE ? Double.NaN : celsius[i] / 1e2);
    }

    /// Writes each number as its difference from the last: sign in the lowest bit, seven bits a
    /// byte, the highest bit set when more follow.
    private static final class Differences implements LongConsumer {
        private final ByteArrayOutputStream out;
        private long last;

        Differences(ByteArrayOutputStream out) {
            this.out = out;
        }

        @Override
        public void accept(long value) {
            long difference = value - last;
            last = value;
            long zigzag = (difference << 1) ^ (difference >> 63);
            while ((zigzag & ~0x7fL) != 0) {
                out.write((int) (zigzag & 0x7f | 0x80));
                zigzag >>>= 7;
            }
            out.write((int) zigzag);
        }
    }

    private static final class Reader {
        private final byte[] bytes;
        private int at;

        Reader(byte[] bytes) {
            this.bytes = bytes;
        }

        long[] column(int count) throws DataFormatException {
            long[] column = new long[count];
            long last = 0;
            for (int i = 0; i < count; i++) {
                long zigzag = 0;
                int shift = 0;
                int next;
                do {
                    if (at >= bytes.length || shift > 63)
                        throw new DataFormatException("a block of samples is cut short");
                    next = bytes[at++];
                    zigzag |= (long) (next & 0x7f) << shift;
                    shift += 7;
                } while ((next & 0x80) != 0);
                last += (zigzag >>> 1) ^ -(zigzag & 1);
                column[i] = last;
            }
            return column;
        }
    }
}

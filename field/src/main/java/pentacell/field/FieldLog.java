package pentacell.field;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.util.ResizableDoubleArray;

/// What a logger wrote of a pack, and what really flowed.
public final class FieldLog {
    private final double[] seconds;
    private final double[] flowed;
    private final double[] written;
    private final List<double[]> volts;

    private FieldLog(double[] seconds, double[] flowed, double[] written, List<double[]> volts) {
        this.seconds = seconds;
        this.flowed = flowed;
        this.written = written;
        this.volts = volts;
    }

    /// Times of the readings, in s.
    public double[] seconds() {
        return seconds.clone();
    }

    /// The current at each reading, drawn positive, in A.
    public double[] flowed() {
        return flowed.clone();
    }

    /// The current as it was written, in the logger's convention, in A.
    public double[] written() {
        return written.clone();
    }

    /// Number of groups.
    public int series() {
        return volts.size();
    }

    /// What was read of a group, counted from 0, in V.
    public double[] volts(int group) {
        return volts.get(group).clone();
    }

    static final class Builder {
        private final ResizableDoubleArray seconds = new ResizableDoubleArray();
        private final ResizableDoubleArray flowed = new ResizableDoubleArray();
        private final ResizableDoubleArray written = new ResizableDoubleArray();
        private final List<ResizableDoubleArray> volts = new ArrayList<>();

        Builder(int series) {
            for (int group = 0; group < series; group++) volts.add(new ResizableDoubleArray());
        }

        void add(double at, double amps, double asWritten, double[] groupVolts) {
            seconds.addElement(at);
            flowed.addElement(amps);
            written.addElement(asWritten);
            for (int group = 0; group < groupVolts.length; group++)
                volts.get(group).addElement(groupVolts[group]);
        }

        FieldLog build() {
            return new FieldLog(
                    seconds.getElements(),
                    flowed.getElements(),
                    written.getElements(),
                    volts.stream().map(ResizableDoubleArray::getElements).toList());
        }
    }
}

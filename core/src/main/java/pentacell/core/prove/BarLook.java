package pentacell.core.prove;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.build.BarDrop;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.facts.Layout;
import pentacell.core.prove.facts.BarReading;

/// What bars dropped against what the network lets expect.
public final class BarLook {
    /// So many times what was expected, and so much more in mV, is odd (common practice: an odd
    /// joint stands out beside what is computed).
    private static final double ODD_TIMES = 1.5;

    private static final double ODD_MILLIVOLTS = 3;

    private BarLook() {}

    /// A bar that was read.
    ///
    /// @param joint 0 for the pack's negative
    /// @param expectedMillivolts at the same current
    public record Bar(int joint, BarReading reading, double expectedMillivolts) {
        /// Whether it drops more than its conductors explain.
        public boolean isOdd() {
            return reading.millivolts()
                    > Math.max(ODD_TIMES * expectedMillivolts, expectedMillivolts + ODD_MILLIVOLTS);
        }
    }

    /// Judges the bars that were read, in the order of joints; those that the pack does not have
    /// are left out.
    public static List<Bar> of(
            PackToBuild built, JudgedLayout arrangement, Map<Integer, BarReading> read) {
        List<Bar> bars = new ArrayList<>();
        if (arrangement.currents().isEmpty()) return bars;
        // bars are mostly read at one current, and to solve a large pack takes its time
        Map<Double, List<BarDrop>> solved = new HashMap<>();
        read.forEach((joint, reading) -> {
            if (joint < 0 || joint > built.groups().size()) return;
            double volts =
                    solved
                            .computeIfAbsent(
                                    reading.amps(),
                                    amps -> drops(built, arrangement.layout(), amps))
                            .stream()
                            .filter(drop -> drop.joint() == joint)
                            .mapToDouble(BarDrop::volts)
                            .max()
                            .orElse(0);
            bars.add(new Bar(joint, reading, 1000 * volts));
        });
        return List.copyOf(bars);
    }

    private static List<BarDrop> drops(PackToBuild built, Layout layout, double amps) {
        JudgedLayout.Electric at =
                new JudgedLayout.Electric(
                        built.electric().parts(),
                        built.electric().sources(),
                        amps,
                        built.electric().celsius());
        return BarDrop.of(layout, at.solve(layout));
    }
}

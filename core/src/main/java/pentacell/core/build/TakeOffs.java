package pentacell.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.TakeOff;

/// What leads that leave elsewhere would come to.
public final class TakeOffs {
    private TakeOffs() {}

    /// A way of leading out.
    ///
    /// @param conductorWatts heat in strips and leads
    /// @param worstShare largest current of a can ÷ the mean of its group
    public record Compared(TakeOff takeOff, double conductorWatts, double worstShare) {}

    /// Every way on the same layout, the most even first.
    ///
    /// @param layout one that hangs together
    public static List<Compared> of(Layout layout, JudgedLayout.Electric electric) {
        List<Compared> all = new ArrayList<>();
        for (TakeOff each : TakeOff.values()) {
            PackCurrents solved = electric.solve(layout.with(each));
            all.add(new Compared(each, solved.conductorWatts(), solved.worstShare()));
        }
        all.sort(
                Comparator.comparingDouble(Compared::worstShare)
                        .thenComparingDouble(Compared::conductorWatts));
        return List.copyOf(all);
    }
}

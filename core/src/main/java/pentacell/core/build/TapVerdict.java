package pentacell.core.build;

import java.util.List;

/// What the readings of a plug say. An empty list is a promise: every lead was seen on its own
/// joint, lead 0 on the pack's negative, every group within its limits.
public record TapVerdict(List<TapFault> faults) {
    public TapVerdict {
        faults = List.copyOf(faults);
    }

    /// Whether a board may be plugged in. A group that stands out within its limits does not change
    /// that.
    public boolean isSafeToPlugIn() {
        return faults.stream().allMatch(fault -> fault.kind() == TapFault.Kind.GROUP_ODD);
    }
}

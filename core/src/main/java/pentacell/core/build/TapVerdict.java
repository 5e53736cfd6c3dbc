package pentacell.core.build;

import java.util.List;

/// What the readings of a plug say.
public record TapVerdict(List<TapFault> faults) {
    public TapVerdict {
        faults = List.copyOf(faults);
    }

    /// Whether every lead is where it belongs; a group that is odd does not change that.
    public boolean isSafeToPlugIn() {
        return faults.stream().allMatch(fault -> fault.kind() == TapFault.Kind.GROUP_ODD);
    }
}

package pentacell.core.test.facts;

import java.util.List;

/// An instrument on the bench.
///
/// @param name what it is called here
/// @param address how it is reached: `host:port` of its line protocol, or `simulated:` and the kind
///   of stand-in
/// @param bays its bays
public record Instrument(String name, String address, List<Bay> bays) {
    private static final String SIMULATED = "simulated:";

    public Instrument {
        if (name.isBlank()) throw new IllegalArgumentException("an instrument needs a name");
        bays = List.copyOf(bays);
    }

    /// Whether it is one of the stand-ins that come with the program.
    public boolean isSimulated() {
        return address.startsWith(SIMULATED);
    }

    /// The kind of stand-in; empty for a real instrument.
    public String simulatedKind() {
        return isSimulated() ? address.substring(SIMULATED.length()) : "";
    }

    /// The address of a stand-in.
    public static String simulated(String kind) {
        return SIMULATED + kind;
    }
}

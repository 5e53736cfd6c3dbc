package pentacell.core.circuit;

/// What is drawn at a pack's terminals.
public sealed interface Load {

    /// A constant current.
    ///
    /// @param amps in A, above 0 and at most 100000
    record Amps(double amps) implements Load {
        public Amps {
            if (!(amps > 0 && amps <= 1e5))
                throw new IllegalArgumentException(
                        "a load draws above 0 and at most 100000 A, was " + amps);
        }
    }

    /// A constant power.
    ///
    /// @param watts in W, above 0 and at most 10 MW
    record Watts(double watts) implements Load {
        public Watts {
            if (!(watts > 0 && watts <= 1e7))
                throw new IllegalArgumentException(
                        "a load draws above 0 and at most 10000000 W, was " + watts);
        }
    }
}

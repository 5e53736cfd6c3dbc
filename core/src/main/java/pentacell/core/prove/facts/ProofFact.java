package pentacell.core.prove.facts;

import java.util.List;
import pentacell.core.build.facts.Spot;
import pentacell.core.journal.Fact;
import pentacell.core.unit.Limit;

/// What can be logged of proving a pack.
public sealed interface ProofFact extends Fact {
    /// The name of the pack.
    String pack();

    /// A load test was logged by an instrument or a board.
    ///
    /// @param test its name; one of that name before is replaced
    /// @param endVolts of a group, at which it should end, in V
    record LoadTested(String pack, String test, double endVolts, PackLog log) implements ProofFact {
        public LoadTested {
            Limit.VOLTAGE.checked(endVolts);
        }
    }

    /// The pack was read by hand while it was loaded: its current in A, drawn positive, and the
    /// voltage of every group in V. The readings of a test are its log.
    record HandRead(String pack, String test, double endVolts, double amps, List<Double> volts)
            implements ProofFact {
        public HandRead {
            Limit.VOLTAGE.checked(endVolts);
            volts = List.copyOf(volts);
            Limit.PACK_CURRENT.checked(amps);
            volts.forEach(Limit.VOLTAGE::checked);
        }
    }

    /// Moments of a load test came over the line; they go on where the test of that name stands.
    ///
    /// @param endVolts of a group, at which it should end, in V
    /// @param readings their seconds count from the begin of the test
    record MomentsRead(String pack, String test, double endVolts, PackLog readings)
            implements ProofFact {
        public MomentsRead {
            Limit.VOLTAGE.checked(endVolts);
        }
    }

    /// A group was discharged alone, from 0.
    record GroupTested(String pack, int group, AloneRun run) implements ProofFact {}

    /// A group was read at the end of a charge without balancing, from 0, in V.
    record FullRead(String pack, int group, double volts) implements ProofFact {
        public FullRead {
            Limit.VOLTAGE.checked(volts);
        }
    }

    /// A charge ended.
    record ChargeSeen(String pack, ChargeRun charge) implements ProofFact {}

    /// The energy meters were read over a run.
    record SystemSeen(String pack, EnergyRun run) implements ProofFact {}

    /// The device tripped.
    record TripSeen(String pack, DeviceTrip trip) implements ProofFact {}

    /// The temperature of a place of the layout under load, in °C.
    record WarmRead(String pack, Spot spot, double celsius) implements ProofFact {
        public WarmRead {
            Limit.WARMTH.checked(celsius);
        }
    }

    /// How warm it was around the pack, in °C, and what else warmed it, such as the sun.
    record AmbientRead(String pack, double celsius, String note) implements ProofFact {
        public AmbientRead {
            Limit.WARMTH.checked(celsius);
        }
    }

    /// The drop from end to end of a bar was read.
    ///
    /// @param joint 0 for the pack's negative, k for the positive of group k
    record BarRead(String pack, int joint, BarReading reading) implements ProofFact {}
}

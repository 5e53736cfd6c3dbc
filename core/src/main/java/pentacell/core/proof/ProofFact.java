package pentacell.core.proof;

import java.util.List;
import java.util.OptionalDouble;
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
            if (!(Math.abs(amps) <= 10_000))
                throw new IllegalArgumentException("a current is up to 10000 A, was " + amps);
            volts.forEach(Limit.VOLTAGE::checked);
        }
    }

    /// A group was discharged alone, from 0: what it gave.
    record GroupTested(String pack, int group, double ampHours, OptionalDouble wattHours)
            implements ProofFact {
        public GroupTested {
            if (!(ampHours > 0 && ampHours <= 100_000))
                throw new IllegalArgumentException(
                        "a group gives above 0 and up to 100000 Ah, was " + ampHours);
        }
    }

    /// A group was read at the end of a charge without balancing, from 0, in V.
    record FullRead(String pack, int group, double volts) implements ProofFact {
        public FullRead {
            Limit.VOLTAGE.checked(volts);
        }
    }

    /// How a charge ended.
    ///
    /// @param volts the charger's, in V
    /// @param endAmps current at which it stopped, in A
    /// @param supply whether its supply held
    record ChargeSeen(String pack, OptionalDouble volts, OptionalDouble endAmps, Supply supply)
            implements ProofFact {}

    /// Whether the supply of the charger held.
    enum Supply {
        HELD,
        TRIPPED
    }

    /// What went through the whole system in a run; what is not known is empty.
    ///
    /// @param wattHoursOfPack given by the pack, in Wh
    /// @param wattHoursOut arrived behind the inverter or at the load, in Wh
    /// @param wattHoursBack put back from the supply, in Wh
    /// @param kilometres gone with it
    record SystemSeen(
            String pack,
            OptionalDouble wattHoursOfPack,
            OptionalDouble wattHoursOut,
            OptionalDouble wattHoursBack,
            OptionalDouble kilometres)
            implements ProofFact {}

    /// The device let go: the pack's voltage under load, and what it sprang back to, in V.
    record TripSeen(String pack, double volts, OptionalDouble springBackVolts)
            implements ProofFact {
        public TripSeen {
            if (!(volts > 0 && volts <= 10_000))
                throw new IllegalArgumentException("a pack has up to 10000 V, was " + volts);
        }
    }
}

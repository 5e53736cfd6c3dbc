package pentacell.core.build.facts;

import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;
import pentacell.core.unit.Limit;

/// What can be logged of putting a pack together.
public sealed interface AssemblyFact extends Fact {
    /// The name of the pack.
    String pack();

    /// It was said where the cans stand; what was said before no longer holds.
    record LayoutChosen(String pack, Layout layout) implements AssemblyFact {}

    /// It was said how the pack is joined.
    record JoiningChosen(String pack, Joining joining) implements AssemblyFact {}

    /// It was said how its groups are balanced.
    record BalancingChosen(String pack, Balancing balancing) implements AssemblyFact {}

    /// A group was read, from 0, in V.
    record GroupVoltageRead(String pack, int group, double volts) implements AssemblyFact {
        public GroupVoltageRead {
            Limit.VOLTAGE.checked(volts);
        }
    }

    /// The balance plug was read; leads not named keep their reading.
    record TapsRead(String pack, List<TapReading> readings) implements AssemblyFact {
        public TapsRead {
            readings = List.copyOf(readings);
        }
    }

    /// It was said how the balance leads are spread over plugs.
    record PlugsSaid(String pack, Plugs plugs) implements AssemblyFact {}

    /// A cell was put into the holder, or taken out again.
    record CellPut(String pack, CellId cell, Put put) implements AssemblyFact {}

    /// The readings of the balance plug no longer hold: it was wired anew.
    record TapsCleared(String pack) implements AssemblyFact {}

    /// The whole pack was read, in V.
    record WholeRead(String pack, MeterPoint point, double volts) implements AssemblyFact {
        public WholeRead {
            Limit.PACK_VOLTAGE.checked(volts);
        }
    }

    /// A step of the work was done, or is to be done again.
    ///
    /// @param step its code
    /// @param remark what was noted; empty for nothing
    /// @param photo path of a picture, when one was taken
    record WorkTicked(String pack, String step, Tick tick, String remark, Optional<String> photo)
            implements AssemblyFact {}

    /// The pack went on trial, is final, or was taken apart.
    record StandingSaid(String pack, PackStanding standing, String reason)
            implements AssemblyFact {}

    /// Where a cell was put.
    enum Put {
        IN,
        OUT
    }

    /// Whether a step is done.
    enum Tick {
        DONE,
        OPEN
    }
}

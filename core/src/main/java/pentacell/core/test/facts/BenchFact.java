package pentacell.core.test.facts;

import pentacell.core.journal.Fact;

/// What can be logged of the test bench.
public sealed interface BenchFact extends Fact {

    /// An instrument was put on the bench, or described anew under the same name.
    record InstrumentAdded(Instrument instrument) implements BenchFact {}

    /// An instrument was taken off the bench.
    record InstrumentRemoved(String name) implements BenchFact {}

    /// A bay was set aside, or taken into use again.
    ///
    /// @param bay its name, such as `Charger A · 2`
    record BayUseSet(String bay, BayUse use) implements BenchFact {}

    /// Whether a bay is used.
    enum BayUse {
        IN_USE,
        ASIDE
    }

    /// The hours were stated in which somebody is there to swap cells.
    record BenchHoursSet(BenchHours hours) implements BenchFact {}
}

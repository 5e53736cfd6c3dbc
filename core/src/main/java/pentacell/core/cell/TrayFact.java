package pentacell.core.cell;

import pentacell.core.journal.Fact;

/// What can be logged of the trays.
public sealed interface TrayFact extends Fact {

    /// A tray was put on the shelf, or given another size.
    record TrayAdded(Tray tray) implements TrayFact {}
}
